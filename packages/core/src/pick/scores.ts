import { criteria, criterionNames, type CriterionName, type Weights } from './uses.ts';
import { columnOf, PICK_COLUMNS, pickFigureNames, pickLimitNames, type PickFigures } from './pickFigures.ts';

/** The spread of each figure over everything that flies: what counts as bad and as good on this craft. */
export type Scale = Readonly<Record<CriterionName, { bad: number; good: number }>>;

/** Shares of the candidates that lie beyond either end of the scale. */
const END_RATIO = 0.02;
/** Rows that are looked at to set a scale. */
const SAMPLE_MAX = 4000;

/** Figure as it is compared: its logarithm where ratios count, signed so that more is better. */
function merit(name: CriterionName, value: number): number {
  const { direction, isLogarithmic } = criteria[name];
  return direction * (isLogarithmic ? Math.log(value) : value);
}

/** Whether a row breaks no limit and has every figure. */
export function isAllowed(values: Float64Array, index: number): boolean {
  const at = index * PICK_COLUMNS + pickFigureNames.length;
  for (let k = 0; k < pickLimitNames.length; k++) if (!(values[at + k]! <= 1)) return false;
  return true;
}

/**
 * Sets the scale of scores from all candidates that break no limit: each figure from its 2 % to its 98 % quantile.
 *
 * @param tables - rows of columns, any number of maps in any order
 * @returns null where nothing is allowed: there is nothing to compare
 */
export function scaleOf(tables: readonly Float64Array[]): Scale | null {
  const rows = tables.reduce((sum, values) => sum + values.length / PICK_COLUMNS, 0);
  const step = Math.max(1, Math.floor(rows / SAMPLE_MAX));
  const merits = Object.fromEntries(criterionNames.map((name) => [name, [] as number[]])) as Record<
    CriterionName,
    number[]
  >;
  for (const values of tables) {
    // Counted anew in each map, so that the scale does not depend on which of them came first.
    let seen = 0;
    for (let index = 0; index < values.length / PICK_COLUMNS; index++) {
      if (!isAllowed(values, index) || seen++ % step !== 0) continue;
      for (const name of criterionNames) {
        const value = merit(name, values[index * PICK_COLUMNS + columnOf(criteria[name].figure)]!);
        if (Number.isFinite(value)) merits[name].push(value);
      }
    }
  }
  if (merits.minutes.length === 0) return null;
  return Object.fromEntries(criterionNames.map((name) => [name, endsOf(merits[name])])) as Scale;
}

function endsOf(values: number[]): { bad: number; good: number } {
  values.sort((a, b) => a - b);
  const at = (share: number): number => values[Math.round(share * (values.length - 1))] ?? 0;
  return { bad: at(END_RATIO), good: at(1 - END_RATIO) };
}

/** How good a figure is on a scale, 0 to 1; a figure that is the same for all counts half. */
export function goodness(scale: Scale, name: CriterionName, value: number): number {
  const { bad, good } = scale[name];
  const own = merit(name, value);
  if (!Number.isFinite(own)) return 0;
  return good - bad < 1e-12 ? 0.5 : Math.min(1, Math.max(0, (own - bad) / (good - bad)));
}

/** Score of one candidate, 0 to 100: the weighed mean of what is good about it. */
export function scoreOf(scale: Scale, figures: PickFigures, weights: Weights): number {
  let sum = 0;
  let whole = 0;
  for (const name of criterionNames) {
    sum += weights[name] * goodness(scale, name, figures[criteria[name].figure]);
    whole += weights[name];
  }
  return whole > 0 ? (100 * sum) / whole : 0;
}

/** Goodness of every row in every wish, worked out once: scoring with other weights is then a sum of eight products. */
export function goodnessTable(scale: Scale, values: Float64Array): Float32Array {
  const count = values.length / PICK_COLUMNS;
  const table = new Float32Array(count * criterionNames.length).fill(NaN);
  const columns = criterionNames.map((name) => columnOf(criteria[name].figure));
  for (let index = 0; index < count; index++) {
    if (!isAllowed(values, index)) continue;
    criterionNames.forEach(
      (name, k) =>
        (table[index * criterionNames.length + k] = goodness(scale, name, values[index * PICK_COLUMNS + columns[k]!]!)),
    );
  }
  return table;
}

/** Scores of all rows for weights; NaN where a row is barred. */
export function scoreTable(table: Float32Array, weights: Weights): Float32Array {
  const width = criterionNames.length;
  const shares = criterionNames.map((name) => weights[name]);
  const whole = shares.reduce((sum, share) => sum + share, 0);
  const scores = new Float32Array(table.length / width);
  for (let index = 0; index < scores.length; index++) {
    let sum = 0;
    for (let k = 0; k < width; k++) sum += shares[k]! * table[index * width + k]!;
    scores[index] = whole > 0 ? (100 * sum) / whole : sum * 0;
  }
  return scores;
}
