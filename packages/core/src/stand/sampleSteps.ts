import { emptyStep, type StandQuantity, type StandStep } from './quantities.ts';
import type { SampleTable } from './sampleTable.ts';

/** A stretch of steady throttle in samples, and what was read once it had settled. */
export interface SampleStep {
  fromS: number;
  toS: number;
  /** From here on its readings count [s]. */
  settledFromS: number;
  /** Samples that count. */
  count: number;
  step: StandStep;
  /** Standard error of the mean thrust, over means of tenths of the stretch [N]; null where they are too few. */
  thrustErrorN: number | null;
}

export interface FoundSteps {
  steps: SampleStep[];
  /** Thrust at rest before the first step and after the last [N]; null where it did not rest. */
  zeroBeforeN: number | null;
  zeroAfterN: number | null;
}

/** Throttle that moves by less stands still. */
const STILL_RATIO = 0.012;
/** Under this throttle the prop rests. */
const REST_RATIO = 0.03;
/** A shorter stretch is on the way to somewhere. */
const LEAST_STEP_S = 0.8;
const LEAST_STEP_SAMPLES = 8;
/** Stretches of one throttle with less between them are one. */
const MOST_BREAK_S = 0.3;
/** A stretch is looked at in so many parts; the last ones at least are taken to have settled. */
const PARTS = 10;
const LEAST_SETTLED_PARTS = 4;
/** Means that differ by this share have not settled. */
const SETTLED_RATIO = 0.01;

interface Stretch {
  from: number;
  /** Beyond the last. */
  to: number;
  mean: number;
}

/**
 * Finds the throttle steps in samples: stretches in which the throttle stands still, their beginning cut off until
 * thrust has settled, every quantity as its mean over what is left.
 *
 * Thrust has settled from the earliest tenth of the stretch on whose mean, and that of all tenths after it, lies within
 * 1 % or three standard errors of the mean of what follows; the last four tenths are always taken.
 *
 * @param table - with a throttle from 0 to 1; times that go on [s]
 * @returns steps in the order in which they were run, in SI; none without a throttle
 */
export function findSteps({ timesS, channels }: SampleTable): FoundSteps {
  const throttle = channels.get('throttleRatio');
  if (!throttle) return { steps: [], zeroBeforeN: null, zeroAfterN: null };
  const thrust = channels.get('thrustN') ?? null;
  const still = stretchesOf(timesS, throttle).filter(
    ({ from, to }) => to - from >= LEAST_STEP_SAMPLES && timesS[to - 1]! - timesS[from]! >= LEAST_STEP_S,
  );
  const isRest = ({ mean }: Stretch): boolean => mean < REST_RATIO;
  const turning = still.filter((s) => !isRest(s));
  const first = turning[0];
  const last = turning.at(-1);
  const restThrust = (stretch: Stretch | undefined): number | null =>
    stretch && thrust ? meanOf(thrust, settledFrom(thrust, stretch), stretch.to) : null;
  return {
    steps: turning.map((stretch) => stepOf(timesS, channels, thrust, stretch)),
    zeroBeforeN: restThrust(first && still.filter((s) => isRest(s) && s.from < first.from).at(-1)),
    zeroAfterN: restThrust(last && still.find((s) => isRest(s) && s.from > last.from)),
  };
}

/** Stretches in which the throttle stands still; what breaks one for a moment does not end it. */
function stretchesOf(timesS: Float64Array, throttle: Float32Array): Stretch[] {
  const found: Stretch[] = [];
  let open: (Stretch & { count: number }) | null = null;
  const close = (): void => {
    if (!open || timesS[open.to - 1]! - timesS[open.from]! < MOST_BREAK_S) return;
    const before = found.at(-1);
    const joins =
      before !== undefined &&
      Math.abs(before.mean - open.mean) <= STILL_RATIO &&
      timesS[open.from]! - timesS[before.to - 1]! <= MOST_BREAK_S;
    if (joins) before.to = open.to;
    else found.push({ from: open.from, to: open.to, mean: open.mean });
  };
  for (let i = 0; i < throttle.length; i++) {
    const value = throttle[i]!;
    if (Number.isNaN(value)) continue;
    if (open && Math.abs(value - open.mean) <= STILL_RATIO) {
      open.to = i + 1;
      open.count++;
      open.mean += (value - open.mean) / open.count;
    } else {
      close();
      open = { from: i, to: i + 1, mean: value, count: 1 };
    }
  }
  close();
  return found;
}

function stepOf(
  timesS: Float64Array,
  channels: SampleTable['channels'],
  thrust: Float32Array | null,
  stretch: Stretch,
): SampleStep {
  const from = thrust ? settledFrom(thrust, stretch) : stretch.from;
  const step = emptyStep();
  for (const [quantity, values] of channels) step[quantity] = readOf(quantity, meanOf(values, from, stretch.to));
  return {
    fromS: timesS[stretch.from]!,
    toS: timesS[stretch.to - 1]!,
    settledFromS: timesS[from]!,
    count: stretch.to - from,
    step,
    thrustErrorN: thrust ? errorOf(partsOf(thrust, from, stretch.to)) : null,
  };
}

/** Noise about zero of what cannot be less is nothing. */
const readOf = (quantity: StandQuantity, mean: number | null): number | null =>
  mean === null || quantity === 'thrustN' || quantity === 'torqueNm' || quantity === 'temperatureC'
    ? mean
    : Math.max(0, quantity === 'throttleRatio' ? Math.min(1, mean) : mean);

function settledFrom(thrust: Float32Array, { from, to }: Stretch): number {
  const means = partsOf(thrust, from, to);
  if (means.length < PARTS) return from;
  let settled = PARTS - LEAST_SETTLED_PARTS;
  while (settled > 0) {
    const later = means.slice(settled);
    const mean = later.reduce((a, b) => a + b, 0) / later.length;
    const error = errorOf(later) ?? 0;
    if (Math.abs(means[settled - 1]! - mean) > Math.max(SETTLED_RATIO * Math.abs(mean), 3 * error)) break;
    settled--;
  }
  return from + Math.floor((settled * (to - from)) / PARTS);
}

/** Means of tenths of a stretch; those without a reading are left out. */
function partsOf(values: Float32Array, from: number, to: number): number[] {
  return Array.from({ length: PARTS }, (_, k) =>
    meanOf(values, from + Math.floor((k * (to - from)) / PARTS), from + Math.floor(((k + 1) * (to - from)) / PARTS)),
  ).filter((mean) => mean !== null);
}

function errorOf(means: readonly number[]): number | null {
  if (means.length < 3) return null;
  const mean = means.reduce((a, b) => a + b, 0) / means.length;
  const squares = means.reduce((sum, m) => sum + (m - mean) ** 2, 0);
  return Math.sqrt(squares / (means.length - 1) / means.length);
}

function meanOf(values: Float32Array, from: number, to: number): number | null {
  let [count, sum] = [0, 0];
  for (let i = from; i < to; i++) {
    const value = values[i]!;
    if (Number.isNaN(value)) continue;
    count++;
    sum += value;
  }
  return count === 0 ? null : sum / count;
}
