import { OutOfRangeError } from '../errors/coreError.ts';
import type { ReadingLimits } from './readRunTable.ts';
import type { StandQuantity } from './quantities.ts';

/** A run as a logger wrote it: one time and one value a row, NaN where nothing was read. */
export interface SampleTable {
  /** From the first row on [s]. */
  timesS: Float64Array;
  /** SI, as long as the times. */
  channels: ReadonlyMap<StandQuantity, Float32Array>;
}

/** What is found wrong with samples, or worth a word; rows count from 1 below the header. */
export type SampleFault =
  | { code: 'tooFewRows'; count: number; needed: number }
  | { code: 'noTime'; row: number }
  | { code: 'timeRunsBack'; row: number; fromS: number; toS: number }
  | {
      code: 'outOfLimits';
      quantity: StandQuantity;
      row: number;
      count: number;
      value: number;
      min: number;
      max: number;
    }
  | { code: 'noThrottle' | 'noThrust' | 'noSteps' }
  | { code: 'tooManySteps'; count: number; most: number }
  | { code: 'constant'; quantity: StandQuantity; value: number }
  | { code: 'empty'; quantity: StandQuantity }
  | { code: 'gaps'; count: number; longestS: number; atS: number };

/** Faults with which nothing may be kept. */
const GRAVE: ReadonlySet<SampleFault['code']> = new Set([
  'tooFewRows',
  'noTime',
  'timeRunsBack',
  'outOfLimits',
  'noThrottle',
  'noThrust',
  'noSteps',
  'tooManySteps',
]);

/** Whether samples with such a fault may not be kept. */
export const isGraveFault = ({ code }: SampleFault): boolean => GRAVE.has(code);

/** Fewer rows are typed. */
export const LEAST_SAMPLES = 20;
/** A pause longer than so many usual steps is a gap. */
const GAP_STEPS = 10;
/** Sensors scatter beyond zero by this share of the range; that is noise, not a slip. */
const OVER_RATIO = 0.02;

/**
 * Looks at every sample: whether time goes on, what cannot be a reading, what never moves, where something is missing.
 *
 * @throws {OutOfRangeError} if a channel is not as long as the times
 */
export function sampleFaults({ timesS, channels }: SampleTable, limits: ReadingLimits): SampleFault[] {
  const faults: SampleFault[] = [];
  if (timesS.length < LEAST_SAMPLES) return [{ code: 'tooFewRows', count: timesS.length, needed: LEAST_SAMPLES }];
  faults.push(...timeFaults(timesS));
  for (const [quantity, values] of channels) {
    if (values.length !== timesS.length) throw new OutOfRangeError(quantity, values.length, `${timesS.length}`);
    faults.push(...channelFaults(quantity, values, limits[quantity]));
  }
  if (!channels.has('throttleRatio')) faults.push({ code: 'noThrottle' });
  if (!channels.has('thrustN')) faults.push({ code: 'noThrust' });
  return faults;
}

function timeFaults(timesS: Float64Array): SampleFault[] {
  for (let i = 0; i < timesS.length; i++) {
    const timeS = timesS[i]!;
    if (!Number.isFinite(timeS)) return [{ code: 'noTime', row: i + 1 }];
    if (i > 0 && timeS < timesS[i - 1]!)
      return [{ code: 'timeRunsBack', row: i + 1, fromS: timesS[i - 1]!, toS: timeS }];
  }
  const spanS = timesS.at(-1)! - timesS[0]!;
  if (spanS === 0) return [{ code: 'timeRunsBack', row: timesS.length, fromS: timesS[0]!, toS: timesS.at(-1)! }];
  const usualS = usualStep(timesS);
  let [count, longestS, atS] = [0, 0, 0];
  for (let i = 1; i < timesS.length; i++) {
    const stepS = timesS[i]! - timesS[i - 1]!;
    if (stepS <= GAP_STEPS * usualS) continue;
    count++;
    if (stepS > longestS) [longestS, atS] = [stepS, timesS[i - 1]!];
  }
  return count === 0 ? [] : [{ code: 'gaps', count, longestS, atS }];
}

/** Middle of the steps of time that are any, over a thousand of them spread evenly [s]. */
function usualStep(timesS: Float64Array): number {
  const stride = Math.max(1, Math.floor(timesS.length / 1000));
  const steps: number[] = [];
  for (let i = 1; i < timesS.length; i += stride) {
    const step = timesS[i]! - timesS[i - 1]!;
    if (step > 0) steps.push(step);
  }
  steps.sort((a, b) => a - b);
  return steps[steps.length >> 1] ?? (timesS.at(-1)! - timesS[0]!) / timesS.length;
}

function channelFaults(
  quantity: StandQuantity,
  values: Float32Array,
  { min, max }: { min: number; max: number },
): SampleFault[] {
  const room = OVER_RATIO * (max - min);
  let [count, least, most, out, firstOut] = [0, Infinity, -Infinity, 0, -1];
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (Number.isNaN(value)) continue;
    count++;
    if (value < least) least = value;
    if (value > most) most = value;
    if (value >= min - room && value <= max + room) continue;
    if (out++ === 0) firstOut = i;
  }
  if (count === 0) return [{ code: 'empty', quantity }];
  if (out > 0)
    return [{ code: 'outOfLimits', quantity, row: firstOut + 1, count: out, value: values[firstOut]!, min, max }];
  return least === most ? [{ code: 'constant', quantity, value: least }] : [];
}

/**
 * Times that go on: rows with one time, as clocks of whole seconds write them, are spread evenly until the next one.
 *
 * @param timesS - none before another
 */
export function spreadEqualTimes(timesS: Float64Array): Float64Array {
  const spread = Float64Array.from(timesS);
  let lastStepS = usualStep(timesS);
  for (let from = 0; from < timesS.length;) {
    let to = from + 1;
    while (to < timesS.length && timesS[to] === timesS[from]) to++;
    const count = to - from;
    const stepS = to < timesS.length ? (timesS[to]! - timesS[from]!) / count : lastStepS;
    for (let k = 1; k < count; k++) spread[from + k] = timesS[from]! + k * stepS;
    lastStepS = stepS;
    from = to;
  }
  return spread;
}

/** What a column holds over all its rows, in SI; NaN and infinities where it holds nothing. */
export interface ColumnSummary {
  quantity: StandQuantity;
  count: number;
  least: number;
  mean: number;
  most: number;
}

/** Count, least, mean and most of a column; rows without a reading are left out. */
export function summarize(quantity: StandQuantity, values: Float32Array): ColumnSummary {
  let [count, sum, least, most] = [0, 0, Infinity, -Infinity];
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!;
    if (Number.isNaN(value)) continue;
    count++;
    sum += value;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  return { quantity, count, least, mean: count === 0 ? NaN : sum / count, most };
}
