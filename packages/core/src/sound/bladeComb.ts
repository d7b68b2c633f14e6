import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';
import { levelOfMeanSquare } from './levels.ts';
import { toneProminence, type Prominence } from './prominence.ts';
import { peakBetween, toneMeanSquare, type SoundSpectrum } from './welch.ts';

/** What is known of the rotors before they are listened to. */
export interface CombAsk {
  bladeCount: number;
  /** Roughly how fast they turn; null where nobody knows. */
  roughRpm?: number | null;
  /** How many rotors may turn at speeds of their own. */
  rotorCount?: number;
  leastRpm?: number;
  mostRpm?: number;
}

/** A line of the comb. */
export interface CombLine {
  /** Multiple of the blade-passing frequency. */
  order: number;
  frequencyHz: number;
  levelDb: number;
  prominence: Prominence | null;
}

/** The lines of one rotor in a sound. */
export interface BladeComb {
  rpm: number;
  passingHz: number;
  lines: CombLine[];
  /** Other speeds that would explain the sound nearly as well, each a simple multiple; empty where it is sure. */
  otherRpm: number[];
}

export const COMB_LEAST_RPM = 600;
export const COMB_MOST_RPM = 60_000;
const MOST_BLADES = 12;
const MOST_ROTORS = 8;
/** Harmonics that count for a comb, and that are told of it. */
const COUNTED = 6;
const TOLD = 12;
/** Half width of the stretch whose median is the noise under a line [Hz]. */
const NOISE_REACH_HZ = 90;
/** Lines count by what they are above this much under the strongest of their comb [dB]. */
const COUNTED_DB = 24;
/** A line between two passes that is this much under them is a blade out of place, not a pass of its own [dB]. */
const BETWEEN_DB = 9;
/** Where between two passes the passes of a slower rotor would lie. */
const BETWEEN = [1 / 2, 1 / 3, 2 / 3];
/** Part of its lines that speaks against a comb from between them. */
const BETWEEN_WEIGHT = 0.9;
/** A rough speed may be off by this. */
const ROUGH_RATIO = 0.25;
/** Speeds of one craft's rotors lie this close together. */
const TOGETHER_RATIO = 0.15;
/** A line is one from this much out of the noise on [dB]. */
const LEAST_LINE_DB = 3;
/** The sum of weighted lines from which a comb is one [dB]. */
const LEAST_SCORE_DB = 9;
const SECOND_SCORE_RATIO = 0.35;
/** Another multiple with this part of the best one's score is told. */
const DOUBT_RATIO = 0.72;
const MULTIPLES = [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 4 / 3, 3 / 2, 2, 3, 4];

/**
 * Speeds of rotors from the lines that their blades leave in a spectrum.
 *
 * The noise under the lines is a running median; what stands out of it at the harmonics 1 to 6 speaks for a speed, the
 * lower ones more, what stands out half-way or a third of the way between them against it, unless it is as weak as the
 * trace of a blade out of place. The best speed is refined on interpolated peaks; further rotors are looked for beside
 * it with the lines of the first taken away.
 *
 * @returns the strongest first; none where no comb stands out of the noise
 * @throws {OutOfRangeError} if blades, rotors or speeds are not those of a rotor
 */
export function bladeCombs(spectrum: SoundSpectrum, ask: CombAsk): BladeComb[] {
  const { bladeCount, roughRpm = null, rotorCount = 1 } = ask;
  requireWithin('bladeCount', bladeCount, 1, MOST_BLADES);
  requireWithin('rotorCount', rotorCount, 1, MOST_ROTORS);
  let least = ask.leastRpm ?? COMB_LEAST_RPM;
  let most = ask.mostRpm ?? COMB_MOST_RPM;
  requireWithin('leastRpm', least, 60, most);
  if (roughRpm !== null) {
    requireWithin('roughRpm', roughRpm, COMB_LEAST_RPM / 2, COMB_MOST_RPM * 1.5);
    [least, most] = [roughRpm * (1 - ROUGH_RATIO), roughRpm * (1 + ROUGH_RATIO)];
  }
  const hzPerRpm = bladeCount / 60;
  const excess = excessDb(spectrum);
  const found: BladeComb[] = [];
  let firstScore = 0;
  for (let rotor = 0; rotor < rotorCount; rotor++) {
    const near = found[0]?.passingHz;
    const range: [number, number] =
      near === undefined
        ? [least * hzPerRpm, most * hzPerRpm]
        : [near * (1 - TOGETHER_RATIO), near * (1 + TOGETHER_RATIO)];
    const best = bestPassing(excess, spectrum.lineHz, range);
    if (best === null || best.score < LEAST_SCORE_DB || best.score < SECOND_SCORE_RATIO * firstScore) break;
    firstScore ||= best.score;
    const passingHz = refined(spectrum, excess, best.passingHz);
    // What else it may be is asked of a speed that nobody has narrowed down.
    const others = rotor > 0 ? [] : otherMultiples(excess, spectrum.lineHz, { passingHz, score: best.score });
    found.push({
      rpm: passingHz / hzPerRpm,
      passingHz,
      lines: combLines(spectrum, excess, passingHz),
      otherRpm: others.map((f) => f / hzPerRpm).filter((rpm) => rpm >= least && rpm <= most),
    });
    takeAway(excess, spectrum.lineHz, passingHz);
  }
  return found;
}

/** No prop turns faster than its tips go at the speed of sound, in standard air [rev/min]. */
export function sonicTipRpm(diameterM: number): number {
  requirePositive('diameterM', diameterM);
  return (60 * STANDARD_ROTOR_AIR.soundSpeedMPerS) / (Math.PI * diameterM);
}

/** How far each line stands out of the noise around it, nothing below what noise itself does [dB]. */
function excessDb({ lineHz, densityPa2PerHz, windowCount }: SoundSpectrum): Float64Array {
  const levels = densityPa2PerHz.map((d) => 10 * Math.log10(Math.max(d, 1e-30)));
  const reach = Math.max(8, Math.round(NOISE_REACH_HZ / lineHz));
  // Medians of stretches, straight between their middles: as good as a running one, and much quicker.
  const step = Math.max(1, Math.floor(reach / 2));
  const medians: number[] = [];
  for (let middle = 0; middle < levels.length + step; middle += step) {
    const stretch = levels.slice(Math.max(1, middle - reach), Math.min(levels.length, middle + reach + 1)).sort();
    medians.push(stretch[Math.floor(stretch.length / 2)] ?? medians.at(-1)!);
  }
  // Windows overlap by half, which leaves about six tenths of them independent.
  const waver = 8.7 / Math.sqrt(Math.max(1, 0.6 * windowCount));
  return levels.map((level, k) => {
    const place = k / step;
    const below = Math.floor(place);
    const noise = medians[below]! + (place - below) * (medians[below + 1]! - medians[below]!);
    return k === 0 ? 0 : Math.max(0, level - noise - waver);
  });
}

interface Candidate {
  passingHz: number;
  score: number;
}

function bestPassing(excess: Float64Array, lineHz: number, [low, high]: [number, number]): Candidate | null {
  const end = Math.min(high, 0.9 * lineHz * (excess.length - 1));
  let best: Candidate | null = null;
  for (let f = Math.max(low, 4 * lineHz); f <= end; f += Math.min(lineHz / COUNTED, 0.002 * f)) {
    const score = scoreOf(excess, lineHz, f);
    if (!best || score > best.score) best = { passingHz: f, score };
  }
  return best;
}

/**
 * Σ E(m·f)/m − w·Σ between lines that are as strong as their neighbours, E counted from 24 dB under the comb's
 * strongest line: a comb whose first line is much weaker than a later one is the later one's, with blades out of place.
 */
function scoreOf(excess: Float64Array, lineHz: number, passingHz: number): number {
  const lines = Array.from({ length: COUNTED }, (_, i) => standsOut(excess, lineHz, (i + 1) * passingHz));
  const ground = Math.max(0, Math.max(...lines) - COUNTED_DB);
  const counted = (line: number): number => Math.max(0, line - ground);
  let score = 0;
  for (let m = 1; m <= COUNTED; m++) {
    const here = counted(lines[m - 1]!);
    const between = counted(Math.max(...BETWEEN.map((part) => standsOut(excess, lineHz, (m - part) * passingHz))));
    const least = m === 1 ? here : Math.min(counted(lines[m - 2]!), here);
    score += here / m - (BETWEEN_WEIGHT * Math.max(0, Math.min(between, between - least + BETWEEN_DB))) / m;
  }
  return score;
}

/** Highest of the lines at a frequency; wider further up, where an unsteady speed smears them. */
function standsOut(excess: Float64Array, lineHz: number, frequencyHz: number): number {
  const reach = Math.max(0.75, (0.0015 * frequencyHz) / lineHz);
  let most = 0;
  for (let k = Math.ceil(frequencyHz / lineHz - reach); k <= frequencyHz / lineHz + reach; k++)
    if (k > 0 && k < excess.length && excess[k]! > most) most = excess[k]!;
  return most;
}

/**
 * Least squares through the tops of the harmonics, the clearer ones counting more: first the low ones, then all of them
 * near where those say they must be. What rises towards the edge of its stretch is the foot of something else.
 */
function refined(spectrum: SoundSpectrum, excess: Float64Array, passingHz: number): number {
  const { lineHz, densityPa2PerHz: density } = spectrum;
  let now = passingHz;
  for (const { harmonics, reachLines } of [
    { harmonics: 3, reachLines: 1.6 },
    { harmonics: TOLD, reachLines: 1 },
  ]) {
    const strongest = Math.max(...Array.from({ length: 3 }, (_, i) => standsOut(excess, lineHz, (i + 1) * now)));
    let [top, bottom] = [0, 0];
    for (let m = 1; m <= harmonics; m++) {
      const reach = Math.max(reachLines * lineHz, 0.003 * m * now);
      const peak = peakBetween(spectrum, m * now - reach, m * now + reach);
      if (!peak) continue;
      const [left, here, right] = [density[peak.line - 1]!, density[peak.line]!, density[peak.line + 1]!];
      const weight = Math.min(COUNTED_DB, excess[peak.line]! - Math.max(0, strongest - 2 * COUNTED_DB));
      if (weight < LEAST_LINE_DB || here < left || here < right) continue;
      top += weight * m * peak.frequencyHz;
      bottom += weight * m * m;
    }
    if (bottom > 0) now = top / bottom;
  }
  return now;
}

function otherMultiples(excess: Float64Array, lineHz: number, best: Candidate): number[] {
  return MULTIPLES.map((ratio) => ratio * best.passingHz).filter(
    (f) => f > 4 * lineHz && f < 0.9 * lineHz * excess.length && scoreOf(excess, lineHz, f) > DOUBT_RATIO * best.score,
  );
}

function combLines(spectrum: SoundSpectrum, excess: Float64Array, passingHz: number): CombLine[] {
  const lines: CombLine[] = [];
  const endHz = spectrum.lineHz * (excess.length - 4);
  for (let order = 1; order <= TOLD && order * passingHz < endHz; order++) {
    const frequencyHz = order * passingHz;
    if (standsOut(excess, spectrum.lineHz, frequencyHz) <= 0) continue;
    const levelDb = levelOfMeanSquare(toneMeanSquare(spectrum, frequencyHz));
    if (levelDb !== null)
      lines.push({ order, frequencyHz, levelDb, prominence: toneProminence(spectrum, frequencyHz) });
  }
  return lines;
}

function takeAway(excess: Float64Array, lineHz: number, passingHz: number): void {
  for (let m = 1; m * passingHz < lineHz * excess.length; m++) {
    const reach = Math.max(2, (0.0015 * m * passingHz) / lineHz);
    const middle = (m * passingHz) / lineHz;
    for (let k = Math.ceil(middle - reach); k <= middle + reach && k < excess.length; k++) excess[k] = 0;
  }
}

/**
 * How loud the turns themselves are beside the passes of the blades: power at the multiples of the turn that are none
 * of the passing frequency, over power at those that are, up to the third pass [dB]. Blades alike and evenly set leave
 * nothing there; uneven ones sound rough.
 *
 * @returns null where one blade has no between, or no line stands out
 */
export function betweenPassesDb(spectrum: SoundSpectrum, comb: BladeComb, bladeCount: number): number | null {
  if (bladeCount < 2) return null;
  const turnHz = comb.passingHz / bladeCount;
  const excess = excessDb(spectrum);
  let [passes, between] = [0, 0];
  for (let order = 1; order <= 3 * bladeCount; order++) {
    if (standsOut(excess, spectrum.lineHz, order * turnHz) <= 0) continue;
    const power = toneMeanSquare(spectrum, order * turnHz);
    if (order % bladeCount === 0) passes += power;
    else between += power;
  }
  return passes > 0 && between > 0 ? 10 * Math.log10(between / passes) : null;
}
