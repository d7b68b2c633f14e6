import { criteria, criterionNames, useWeights, type Criterion, type Weights } from '../pick/uses.ts';

/**
 * What a prop is judged by: the wishes of Pick, how it climbs, what a usable piece costs, how many of a bag are usable,
 * how long a piece serves.
 */
export const wishNames = [...criterionNames, 'climb', 'price', 'usable', 'life'] as const;
export type WishName = (typeof wishNames)[number];

/** How much each counts, 0 to 10. */
export type JudgeWeights = Readonly<Record<WishName, number>>;

/** Differences below which they do not matter: shares where ratios count, else in the unit of the figure. */
export type JudgeMatters = Readonly<Record<WishName, number>>;

export type WishMeasure = Omit<Criterion, 'figure'>;

export const wishMeasures: Readonly<Record<WishName, WishMeasure>> = {
  ...criteria,
  climb: { direction: 1, isLogarithmic: true, smallestDifference: 0.04 },
  price: { direction: -1, isLogarithmic: true, smallestDifference: 0.1 },
  usable: { direction: 1, isLogarithmic: false, smallestDifference: 0.1 },
  life: { direction: 1, isLogarithmic: true, smallestDifference: 0.25 },
};

/** The figure of Pick that a wish is predicted by; null where nothing predicts it. */
export const wishFigures = Object.fromEntries(
  wishNames.map((name) => [name, (criteria as Partial<Record<WishName, Criterion>>)[name]?.figure ?? null]),
) as Readonly<Record<WishName, Criterion['figure'] | null>>;

/** Judgements of practice where nobody said otherwise. */
const USUAL_OTHERS = { climb: 3, price: 2, usable: 1, life: 1 } as const;

/**
 * Weights to begin with: those of Pick for this craft, or of its use, and the usual ones for what Pick does not ask.
 */
export function usualJudgeWeights(picked: Weights | null, use: keyof typeof useWeights): JudgeWeights {
  return { ...(picked ?? useWeights[use]), ...USUAL_OTHERS };
}

export const usualMatters: JudgeMatters = Object.fromEntries(
  wishNames.map((name) => [name, wishMeasures[name].smallestDifference]),
) as JudgeMatters;

/** One usual smallest difference of any wish is worth this much of a score, so that wishes of many units add up. */
const GAIN_STEP = 0.03;

/** Whether ratios rather than amounts of a wish count. */
export const isLogarithmicWish = (name: WishName): boolean => wishMeasures[name].isLogarithmic;

const scaleOf = (name: WishName): number => GAIN_STEP / wishMeasures[name].smallestDifference;

/**
 * What a difference against the reference is worth.
 *
 *   gain = ±0.03·ln(1 + d)/smallest, or ±0.03·d/smallest where differences rather than ratios count
 *
 * @param difference - a ratio (0.06 is 6 % more), > −1, or an amount in the unit of the figure
 */
export function gainOf(name: WishName, difference: number): number {
  const { direction, isLogarithmic } = wishMeasures[name];
  return direction * scaleOf(name) * (isLogarithmic ? Math.log1p(difference) : difference);
}

/** The same for its half width, at the difference itself. */
export function gainWidthOf(name: WishName, difference: number, halfWidth: number): number {
  return scaleOf(name) * (wishMeasures[name].isLogarithmic ? halfWidth / (1 + difference) : halfWidth);
}
