import { OutOfRangeError } from '../errors/coreError.ts';
import { requireFinite, requirePositive, requireWithin } from '../errors/guards.ts';
import { normalCdf, normalDensity } from '../statistics/normal.ts';

/**
 * Something that a choice between props is made by, as a gain against the reference: a ratio of thrust, minutes, price;
 * a level in decibels; stars of an opinion. What a step of each is worth is said by `gainOf`.
 */
export interface Wish {
  name: string;
  /** How much it counts, 0 to 10. */
  weight: number;
  /** Gains closer together than this do not matter to whoever chooses, > 0. */
  matters: number;
}

/** What is known of one prop for one wish: a gain, and how far it may be off (one standard deviation). */
export interface Evidence {
  gain: number;
  deviation: number;
}

export interface Contender {
  id: string;
  /** By the name of the wish; a wish without evidence stays open. */
  evidence: Readonly<Partial<Record<string, Evidence>>>;
}

/** What is believed of an open wish: as the mean of the others, give or take this. */
export const OPEN_DEVIATION = 0.15;

export interface Standing {
  id: string;
  /** Mean gain over the wishes by their weights, against the reference. */
  score: number;
  deviation: number;
  /** How sure it is that no other is better. */
  bestShare: number;
  /** Wishes of which nothing is known. */
  open: string[];
  /** Somebody who is at least as good in every wish and better by what matters in one; null where nobody is. */
  dominatedBy: string | null;
}

/** How far a weight may move before another prop wins. */
export interface WeightSwing {
  wish: string;
  /** Multiplied by less than this, or by more than that, another wins; null where none does. */
  downTo: number | null;
  upTo: number | null;
}

export interface Verdict {
  /** Best first. */
  standings: Standing[];
  /** The one to take; null while it cannot be told. */
  winnerId: string | null;
  /** Who cannot be told apart from the first, or differs by less than matters. */
  alikeIds: string[];
  /** A score closer than this to the best does not matter. */
  mattersScore: number;
  /** How likely it is that the first is worse than the best by more than matters. */
  risk: number;
  swings: WeightSwing[];
}

/** A winner is named once the risk is below this. */
export const NAMED_RISK = 0.1;
export const CONTENDER_MAX_COUNT = 60;

/**
 * The verdict over contenders: scores with their uncertainty, who is best and how sure that is, who is never worth it,
 * how firmly the weights hold it.
 *
 *   s_i = Σ w·g_i / Σ w, σ_i² = Σ (w·σ_ik)² / (Σ w)²;  P(i best) = ∫ φ_i(s) Π_{j≠i} Φ_j(s) ds
 *
 * Evidence of different wishes and props is taken as independent. A wish that is open counts as the mean of the known
 * ones with {@link OPEN_DEVIATION}.
 *
 * @throws {OutOfRangeError} without contenders, without a weight, with more contenders than {@link
 * CONTENDER_MAX_COUNT}, or
 *   for evidence that is not finite
 */
export function verdict(contenders: readonly Contender[], wishes: readonly Wish[]): Verdict {
  const scored = scoresOf(contenders, wishes);
  const { total, used } = weightsOf(wishes);
  const mattersScore = used.reduce((sum, w) => sum + w.weight * w.matters, 0) / total;
  const shares = bestShares(scored);
  const standings = scored
    .map(({ id, score, deviation }, i): Standing => ({
      id,
      score,
      deviation,
      bestShare: shares[i]!,
      open: used.filter((w) => contenders[i]!.evidence[w.name] === undefined).map((w) => w.name),
      dominatedBy: dominatorOf(contenders[i]!, contenders, used),
    }))
    .sort((a, b) => b.score - a.score);
  const first = standings[0]!;
  const risk = riskOf(first, standings.slice(1), mattersScore);
  const alikeIds = standings
    .slice(1)
    .filter((s) => nearShare(first, s, mattersScore) > NAMED_RISK)
    .map((s) => s.id);
  return {
    standings,
    winnerId: risk < NAMED_RISK ? first.id : null,
    alikeIds,
    mattersScore,
    risk,
    swings: used.map((wish) => swingOf(wish, contenders, used, first.id)),
  };
}

export interface Scored {
  id: string;
  score: number;
  deviation: number;
}

function weightsOf(wishes: readonly Wish[]): { total: number; used: Wish[] } {
  const used = wishes.filter((w) => w.weight > 0);
  for (const { name, weight, matters } of used) {
    requireWithin(`weight.${name}`, weight, 0, 10);
    requirePositive(`matters.${name}`, matters);
  }
  const total = used.reduce((sum, w) => sum + w.weight, 0);
  if (total === 0) throw new OutOfRangeError('weights', 0, 'one above 0');
  return { total, used };
}

/** Scores with their deviations, in the order of the contenders. */
export function scoresOf(contenders: readonly Contender[], wishes: readonly Wish[]): Scored[] {
  requireWithin('contenders', contenders.length, 1, CONTENDER_MAX_COUNT);
  const { total, used } = weightsOf(wishes);
  const usual = new Map(used.map(({ name }) => [name, meanGain(contenders, name)]));
  return contenders.map(({ id, evidence }) => {
    let [score, variance] = [0, 0];
    for (const { name, weight } of used) {
      const { gain, deviation } = evidence[name] ?? { gain: usual.get(name)!, deviation: OPEN_DEVIATION };
      requireFinite(`${id}.${name}`, gain);
      requireWithin(`${id}.${name}`, deviation, 0, 100);
      score += (weight / total) * gain;
      variance += ((weight / total) * deviation) ** 2;
    }
    return { id, score, deviation: Math.sqrt(variance) };
  });
}

/** What an open wish counts as: the mean gain of those of whom it is known, 0 where it is of nobody. */
export function meanGain(contenders: readonly Pick<Contender, 'evidence'>[], name: string): number {
  const known = contenders.flatMap((c) => c.evidence[name]?.gain ?? []);
  return known.length === 0 ? 0 : known.reduce((a, b) => a + b, 0) / known.length;
}

/** A deviation under this is a certainty; so small a one keeps the integral smooth. */
const LEAST_DEVIATION = 1e-6;
const STEP_COUNT = 240;

/** How sure it is of each that no other is better. */
function bestShares(scored: readonly Scored[]): number[] {
  if (scored.length === 1) return [1];
  const all = scored.map(({ score, deviation }) => ({ score, deviation: Math.max(deviation, LEAST_DEVIATION) }));
  const shares = all.map((own, i) => {
    // Six deviations to each side hold all of it that counts.
    const [from, width] = [own.score - 6 * own.deviation, (12 * own.deviation) / STEP_COUNT];
    let sum = 0;
    for (let k = 0; k < STEP_COUNT; k++) {
      const s = from + (k + 0.5) * width;
      let product = normalDensity((s - own.score) / own.deviation) / own.deviation;
      for (let j = 0; j < all.length && product > 1e-12; j++)
        if (j !== i) product *= normalCdf((s - all[j]!.score) / all[j]!.deviation);
      sum += product * width;
    }
    return sum;
  });
  const total = shares.reduce((a, b) => a + b, 0);
  return total > 0 ? shares.map((s) => s / total) : shares.map((_, i) => (i === bestPlace(scored) ? 1 : 0));
}

const bestPlace = (scored: readonly Scored[]): number =>
  scored.reduce((best, s, i) => (s.score > scored[best]!.score ? i : best), 0);

/** How likely one is better than another by no more than what matters, or worse. */
function nearShare(one: Scored, other: Scored, mattersScore: number): number {
  const deviation = Math.max(LEAST_DEVIATION, Math.hypot(one.deviation, other.deviation));
  return normalCdf((other.score + mattersScore - one.score) / deviation);
}

/** How likely any of the others is better than the first by more than matters; their chances joined as if apart. */
function riskOf(first: Scored, others: readonly Scored[], mattersScore: number): number {
  return 1 - others.reduce((safe, other) => safe * nearShare(other, first, mattersScore), 1);
}

function dominatorOf(own: Contender, all: readonly Contender[], wishes: readonly Wish[]): string | null {
  const found = all.find((other) => {
    if (other === own) return false;
    let isBetter = false;
    return (
      wishes.every(({ name, matters }) => {
        const [mine, theirs] = [own.evidence[name], other.evidence[name]];
        if (!mine || !theirs) return false;
        if (theirs.gain - mine.gain >= matters) isBetter = true;
        return theirs.gain >= mine.gain;
      }) && isBetter
    );
  });
  return found?.id ?? null;
}

/**
 * How far one weight may be multiplied until another wins: scores are linear in it.
 *
 *   Σ_others w·d + x·w_k·d_k = 0, with d the lead of the first over another
 */
function swingOf(wish: Wish, contenders: readonly Contender[], wishes: readonly Wish[], firstId: string): WeightSwing {
  const gainOfOne = (c: Contender, name: string): number => c.evidence[name]?.gain ?? meanGain(contenders, name);
  const first = contenders.find((c) => c.id === firstId)!;
  let [downTo, upTo]: [number | null, number | null] = [null, null];
  for (const other of contenders) {
    if (other === first) continue;
    const lead = (name: string): number => gainOfOne(first, name) - gainOfOne(other, name);
    const rest = wishes.filter((w) => w.name !== wish.name).reduce((sum, w) => sum + w.weight * lead(w.name), 0);
    const own = wish.weight * lead(wish.name);
    if (own === 0) continue;
    const times = -rest / own;
    if (times <= 0) continue;
    if (times < 1) downTo = Math.max(downTo ?? 0, times);
    else upTo = Math.min(upTo ?? Infinity, times);
  }
  return { wish: wish.name, downTo, upTo };
}
