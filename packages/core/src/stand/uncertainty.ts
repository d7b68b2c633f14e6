import { studentTQuantile } from '../statistics/studentT.ts';
import { mean } from '../statistics/describe.ts';
import { pooledSpread, type PooledSpread } from '../statistics/pooledSpread.ts';
import type { CheckedQuantity, Correction } from './instrumentCheck.ts';
import { responseFigures, type PointFigure } from './pointOfRun.ts';

/*
 * The one model of uncertainty of the stand: docs/uncertainty.md.
 *
 * ln(read) = ln(true) + common to the evening (gains of the instruments) + drift·place + of this run
 *
 * What is common cancels in every difference to the reference. What drifts steadily is estimated from the repeats of
 * all props and taken out where it shows. What is of each run is pooled over all props.
 */

/** One run's figure, and when in the evening's order it was read. */
export interface PlacedValue {
  value: number;
  place: number;
}

/** A steady drift of one figure over an evening. */
export interface Drift {
  /** Growth of its logarithm from run to run. */
  perPlace: number;
  /** Standard deviation of that. */
  deviation: number;
  /** Figures are given as they would be read here. */
  middle: number;
}

/** How one run repeats another, once a drift that shows is taken out. */
export interface FigureSpread extends PooledSpread {
  drift: Drift | null;
}

/** Fewer repeats than this cannot tell a drift from chance. */
const DRIFT_LEAST_DEGREES = 4;

/**
 * Relative spread of one run, pooled over props, with the drift of the evening taken out where it shows (p < 0.05).
 *
 *   b = Σ x′y′/Σ x′², y = ln v, x the place, both from the mean of their prop;  s² = (Σ y′² − b·Σ x′y′)/(ν − 1)
 *
 * @param groups - of each prop on each rig its runs; a group of one adds nothing
 * @returns null where nothing was run twice
 * @see R. A. Fisher, Statistical Methods for Research Workers, on the analysis of covariance
 */
export function figureSpread(groups: readonly (readonly PlacedValue[])[]): FigureSpread | null {
  const plain = pooledSpread(groups.map((group) => group.map((r) => r.value)));
  if (plain === null) return null;
  const drift = driftOf(groups, plain.degreesOfFreedom);
  if (drift === null) return { ...plain, drift };
  const settled = pooledSpread(groups.map((group) => group.map((r) => settledValue(r, drift))))!;
  const degreesOfFreedom = settled.degreesOfFreedom - 1;
  const spreadRatio = settled.spreadRatio * Math.sqrt(settled.degreesOfFreedom / degreesOfFreedom);
  return {
    spreadRatio,
    degreesOfFreedom,
    halfWidthRatio: studentTQuantile(0.975, degreesOfFreedom) * spreadRatio,
    drift,
  };
}

function driftOf(groups: readonly (readonly PlacedValue[])[], degreesOfFreedom: number): Drift | null {
  if (degreesOfFreedom < DRIFT_LEAST_DEGREES || groups.some((group) => group.some((r) => !(r.value > 0)))) return null;
  let [xx, xy, yy] = [0, 0, 0];
  for (const group of groups) {
    if (group.length < 2) continue;
    const centre = { x: mean(group.map((r) => r.place)), y: mean(group.map((r) => Math.log(r.value))) };
    for (const { value, place } of group) {
      const [x, y] = [place - centre.x, Math.log(value) - centre.y];
      xx += x * x;
      xy += x * y;
      yy += y * y;
    }
  }
  if (xx === 0 || !spansEvening(groups)) return null;
  const perPlace = xy / xx;
  const deviation = Math.sqrt(Math.max(0, yy - perPlace * xy) / (degreesOfFreedom - 1) / xx);
  if (!(Math.abs(perPlace) > studentTQuantile(0.975, degreesOfFreedom - 1) * deviation)) return null;
  return { perPlace, deviation, middle: mean(groups.flatMap((group) => group.map((r) => r.place))) };
}

/** Repeats that follow each other say how a second run differs from a first, not how an evening goes on. */
const LEAST_SPAN_SHARE = 0.35;

/** Whether repeats lie far enough apart to speak of the whole evening. */
function spansEvening(groups: readonly (readonly PlacedValue[])[]): boolean {
  const spanOf = (all: readonly PlacedValue[]): number =>
    Math.max(...all.map((r) => r.place)) - Math.min(...all.map((r) => r.place));
  const repeated = groups.filter((group) => group.length > 1);
  return mean(repeated.map(spanOf)) >= LEAST_SPAN_SHARE * spanOf(groups.flat());
}

/** A figure as it would have been read in the middle of the evening. */
export function settledValue({ value, place }: PlacedValue, drift: Drift | null): number {
  return value * driftFactor(place, drift);
}

/** What a reading is multiplied by to stand in the middle of the evening. */
export function driftFactor(place: number, drift: Drift | null): number {
  return drift === null ? 1 : Math.exp(-drift.perPlace * (place - drift.middle));
}

/** How one prop differs from another in a figure. */
export interface Difference {
  /** Relative to the other: 0.06 is 6 % more. */
  ratio: number;
  /** Half width of its interval, in the same measure. */
  halfWidth: number;
}

/**
 * The difference between two props and its interval: what their runs scatter, and what is not known of the drift
 * between their mean places. A scatter is relative to what it scatters, so that of a prop with half as much again is
 * half as wide again.
 *
 *   d = v̄/v̄₀ − 1,  Δd = (1 + d)·t·√(s²·(1/n + 1/n₀) + (σ_b·(x̄ − x̄₀))²)
 *
 * @param confidence - 0.95 as the results show it, or another
 */
export function differenceOf(
  spread: FigureSpread,
  own: readonly PlacedValue[],
  other: readonly PlacedValue[],
  confidence = 0.95,
): Difference {
  const { drift, spreadRatio } = spread;
  const settled = (all: readonly PlacedValue[]): number => mean(all.map((v) => settledValue(v, drift)));
  const places = (all: readonly PlacedValue[]): number => mean(all.map((v) => v.place));
  const timesOther = settled(own) / settled(other);
  const quantile =
    spreadRatio === 0
      ? 0
      : confidence === 0.95
        ? spread.halfWidthRatio / spreadRatio
        : studentTQuantile((1 + confidence) / 2, spread.degreesOfFreedom);
  const variance =
    spreadRatio ** 2 * (1 / own.length + 1 / other.length) +
    ((drift?.deviation ?? 0) * (places(own) - places(other))) ** 2;
  return { ratio: timesOther - 1, halfWidth: Math.abs(timesOther) * quantile * Math.sqrt(variance) };
}

/** How far a usual instrument that nobody checked is off, relative, 95 %: a judgement. */
const UNCHECKED_RATIO: Record<CheckedQuantity, number> = {
  thrustN: 0.01,
  speedRpm: 0.003,
  currentA: 0.02,
  voltageV: 0.005,
  torqueNm: 0.02,
};

/** What of a figure is common to all its readings of an evening, relative, 95 %; it is in no difference. */
export function commonRatio(figure: PointFigure, corrections: readonly Correction[]): number {
  const of = (quantity: CheckedQuantity): number =>
    corrections.find((c) => c.quantity === quantity)?.uncertaintyRatio ?? UNCHECKED_RATIO[quantity];
  const power = Math.hypot(of('currentA'), of('voltageV'));
  if (figure in responseFigures || figure === 'throttleRatio') return 0;
  if (figure === 'powerW') return power;
  if (figure === 'thrustPerPowerNPerW') return Math.hypot(of('thrustN'), power);
  if (figure === 'thrustPerCurrentNPerA') return Math.hypot(of('thrustN'), of('currentA'));
  return of(figure as CheckedQuantity);
}
