import { requireWithin } from '../errors/guards.ts';
import { median } from '../statistics/describe.ts';
import { bladeCombs, COMB_LEAST_RPM, type CombAsk } from './bladeComb.ts';
import { welchSpectrum } from './welch.ts';

/** A speed at a moment, by ear. */
export interface SpeedAt {
  timeS: number;
  rpm: number;
}

/** What a rotor does after the cut. */
export interface SpinDown {
  /** Speed before it. */
  fromRpm: number;
  /** When it was cut [s]. */
  cutS: number;
  /** From there to half the speed, and until nothing was heard of it [s]. */
  toHalfS: number;
  toSilenceS: number;
}

/** Longer sounds are not followed step by step. */
export const TRACK_MAX_S = 120;
const WINDOW_S = 0.12;
/** Windows of one moment, half over each other: a tone has to be in more than one to be believed. */
const MOMENT_WINDOWS = 3;
const STEP_S = 0.06;
/** From one moment to the next a rotor falls and rises by no more than these. */
const MOST_FALL_RATIO = 0.72;
const MOST_RISE_RATIO = 1.12;
/** A rotor that was cut is under this part of its speed. */
const CUT_RATIO = 0.96;
/** So many moments without a comb in a row, and the rotor is not heard any more. */
const LOST_COUNT = 6;

/** @throws {OutOfRangeError} if a sound is too long to be followed */
export function requireTrackable(durationS: number): void {
  requireWithin('soundS', durationS, 0, TRACK_MAX_S);
}

/**
 * Speed of one rotor moment by moment: the first comb of the whole sound, followed from where it is clearest.
 *
 * @param samples - up to TRACK_MAX_S of them
 * @returns moments at which it was heard, in their order
 * @throws {OutOfRangeError} if the sound is longer, or what is asked is none of a rotor
 */
export function trackSpeed(samples: Float32Array, rateHz: number, ask: CombAsk): SpeedAt[] {
  requireTrackable(samples.length / rateHz);
  const size = 2 ** Math.round(Math.log2(WINDOW_S * rateHz));
  const length = ((MOMENT_WINDOWS + 1) * size) / 2;
  const step = Math.round(STEP_S * rateHz);
  const track: SpeedAt[] = [];
  let [before, lost] = [null as number | null, 0];
  for (let at = 0; at + length <= samples.length && lost < LOST_COUNT; at += step) {
    const spectrum = welchSpectrum(samples.subarray(at, at + length), rateHz, size);
    const range =
      before === null
        ? {}
        : {
            roughRpm: null,
            leastRpm: Math.max(COMB_LEAST_RPM / 4, before * MOST_FALL_RATIO),
            mostRpm: before * MOST_RISE_RATIO,
          };
    const [comb] = bladeCombs(spectrum, { ...ask, ...range, rotorCount: 1 });
    if (comb) {
      track.push({ timeS: (at + length / 2) / rateHz, rpm: comb.rpm });
      before = comb.rpm;
      lost = 0;
    } else if (before !== null) lost++;
  }
  return track;
}

/**
 * How a rotor runs down: from where its speed leaves what it was before.
 *
 * @returns null where it does not fall to half of it
 */
export function spinDownOf(track: readonly SpeedAt[]): SpinDown | null {
  if (track.length < 4) return null;
  const most = Math.max(...track.map((s) => s.rpm));
  const fromRpm = median(track.filter((s) => s.rpm > CUT_RATIO * most).map((s) => s.rpm));
  const last = track.map((s) => s.rpm >= CUT_RATIO * fromRpm).lastIndexOf(true);
  const half = track.findIndex((s, i) => i > last && s.rpm <= fromRpm / 2);
  const [cut, end] = [track[last], track.at(-1)!];
  if (!cut || half < 0) return null;
  // Between the last moment over half and the first one under it the speed goes straight.
  const [above, under] = [track[half - 1]!, track[half]!];
  const part = (above.rpm - fromRpm / 2) / (above.rpm - under.rpm);
  const halfS = above.timeS + part * (under.timeS - above.timeS);
  return { fromRpm, cutS: cut.timeS, toHalfS: halfS - cut.timeS, toSilenceS: end.timeS - cut.timeS };
}
