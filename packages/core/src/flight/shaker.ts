import { CoreError, NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { requirePositive } from '../errors/guards.ts';
import { HannSpectrum } from '../numerics/hannSpectrum.ts';
import { firstAt } from '../numerics/firstAt.ts';
import { solveLinear } from '../numerics/solveLinear.ts';
import { median } from '../statistics/describe.ts';

/** Acceleration of a craft on its own axes, evenly sampled [m/s²]. */
export interface ShakeSamples {
  rateHz: number;
  /** When the first sample was taken, on the axis of the log [s]. */
  startS: number;
  x: ArrayLike<number>;
  y: ArrayLike<number>;
  z: ArrayLike<number>;
}

/** Speeds of the motors as their controllers told them. */
export interface RotorSpeeds {
  timeS: ArrayLike<number>;
  /** One list for each rotor [rev/min]. */
  rpm: readonly ArrayLike<number>[];
}

/** What of the shake turns with each rotor. */
export interface ShakingRotors {
  /** Root mean square once a turn at the mean speed of all [m/s²], one for each rotor. */
  shakeMPerS2: number[];
  /** The rotor that shakes beyond all others; null where none stands out. */
  shaker: number | null;
  /** Windows that were read. */
  windowCount: number;
}

/** A line above this share of the sampling rate may be an alias of another one. */
export const MOST_SHAKE_LINE_RATIO = 0.4;
const WINDOW_S = 1;
const LEAST_WINDOWS = 4;
/** Lines of the spectrum on either side that belong to a rotor. */
const REACH_LINES = 3;
/** What shakes beyond the next by this factor is named. */
const STANDS_OUT = 1.6;
const LEAST_SHAKE_M_PER_S2 = 0.2;

/**
 * Which rotor shakes the craft: the power once a turn of each, told apart by their speeds.
 *
 * Each second's spectrum around the lines is a sum of the window's own shape at the speed of each rotor, its power
 * growing with the fourth power of speed (force with the second); shares by least squares over all windows, none below
 * nothing.
 *
 * @throws {NotEnoughReadingsError} with fewer than four seconds in which speeds were told
 * @throws {CoreError} `aliased` where a rotor turns faster than the sampling rate can show
 * @throws {OutOfRangeError} if the rate is not positive or axes are not equally long
 */
export function shakingRotors(samples: ShakeSamples, speeds: RotorSpeeds): ShakingRotors {
  requirePositive('rateHz', samples.rateHz);
  const { x, y, z, rateHz } = samples;
  if (y.length !== x.length || z.length !== x.length)
    throw new OutOfRangeError('samples', y.length, `${x.length} on each axis`);
  const size = 2 ** Math.round(Math.log2(WINDOW_S * rateHz));
  const spectrum = new HannSpectrum(size);
  const count = speeds.rpm.length;
  const rows: { shapes: number[]; power: number }[] = [];
  let windowCount = 0;
  let speedSum = 0;
  const windows: { hz: number[]; from: number }[] = [];
  for (let from = 0; from + size <= x.length; from += size) {
    const startS = samples.startS + from / rateHz;
    const hz = speeds.rpm.map((rpm) => meanBetween(speeds.timeS, rpm, startS, startS + size / rateHz) / 60);
    if (!hz.every((f) => f > 2)) continue;
    const most = Math.max(...hz);
    if (most > MOST_SHAKE_LINE_RATIO * rateHz)
      throw new CoreError('aliased', { lineHz: most, mostHz: MOST_SHAKE_LINE_RATIO * rateHz });
    windows.push({ hz, from });
    speedSum += hz.reduce((s, f) => s + f, 0) / count;
  }
  if (windows.length < LEAST_WINDOWS) throw new NotEnoughReadingsError('seconds', windows.length, LEAST_WINDOWS);
  const meanHz = speedSum / windows.length;
  for (const { hz, from } of windows) {
    const power = powerOf(spectrum, [x, y, z], from);
    const lines = new Set<number>();
    for (const f of hz) {
      const middle = Math.round((f * size) / rateHz);
      for (let k = middle - REACH_LINES; k <= middle + REACH_LINES; k++) if (k > 0 && k < size / 2) lines.add(k);
    }
    for (const k of lines)
      rows.push({
        shapes: hz.map((f) => hannShape(k - (f * size) / rateHz) * (f / meanHz) ** 4),
        power: power[k]!,
      });
    windowCount++;
  }
  const shares = leastSquaresAboveZero(rows, count);
  const shakeMPerS2 = shares.map(Math.sqrt);
  const order = shakeMPerS2.map((s, r) => ({ s, r })).sort((a, b) => b.s - a.s);
  const isOut =
    order[0]!.s >= LEAST_SHAKE_M_PER_S2 && (order.length === 1 || order[0]!.s >= STANDS_OUT * (order[1]!.s + 1e-9));
  return { shakeMPerS2, shaker: isOut ? order[0]!.r : null, windowCount };
}

/** Power by lines over all axes, their means taken out: a pure tone of mean square 1 on a line gives 1 there. */
function powerOf(hann: HannSpectrum, axes: readonly ArrayLike<number>[], from: number): Float64Array {
  const power = new Float64Array(hann.size / 2 + 1);
  for (const axis of axes) {
    let mean = 0;
    for (let i = 0; i < hann.size; i++) mean += axis[from + i]! / hann.size;
    hann.addPower(axis, from, mean, power);
  }
  return power.map((sum) => (8 * sum) / hann.size ** 2);
}

/** Power of a Hann window's main lobe, so many lines off its middle. */
function hannShape(lines: number): number {
  const off = Math.abs(lines);
  if (off < 1e-6) return 1;
  if (Math.abs(off - 1) < 1e-6) return 0.25;
  if (off >= 4) return 0;
  return (Math.sin(Math.PI * off) / (Math.PI * off * (1 - off ** 2))) ** 2;
}

/** Least squares with no share below zero: the most negative one is left out until none is. */
function leastSquaresAboveZero(rows: readonly { shapes: number[]; power: number }[], count: number): number[] {
  const floor = median(rows.map((r) => r.power)) / 2;
  const kept = Array.from({ length: count }, (_, r) => r);
  const shares = new Array<number>(count).fill(0);
  while (kept.length > 0) {
    const matrix = kept.map((a) =>
      kept.map((b) => rows.reduce((sum, { shapes }) => sum + shapes[a]! * shapes[b]!, a === b ? 1e-9 : 0)),
    );
    const right = kept.map((a) =>
      rows.reduce((sum, { shapes, power }) => sum + shapes[a]! * Math.max(0, power - floor), 0),
    );
    const found = solveLinear(matrix, right);
    if (found === null) break;
    const least = found.indexOf(Math.min(...found));
    if (found[least]! >= 0) {
      kept.forEach((r, i) => (shares[r] = found[i]!));
      break;
    }
    kept.splice(least, 1);
  }
  return shares;
}

function meanBetween(timeS: ArrayLike<number>, values: ArrayLike<number>, fromS: number, toS: number): number {
  let sum = 0;
  let count = 0;
  for (let i = firstAt(timeS, fromS); i < timeS.length && timeS[i]! <= toS; i++) {
    sum += values[i]!;
    count++;
  }
  return count === 0 ? 0 : sum / count;
}
