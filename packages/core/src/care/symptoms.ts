import {
  causeNames,
  causeTable,
  chance,
  symptomTestNames,
  symptomTests,
  type CauseName,
  type ChangeName,
  type RecordFact,
  type SymptomName,
  type SymptomTestName,
} from './symptomTable.ts';

export type SymptomAnswer = 'yes' | 'no' | 'unsure';

/** Everything that is known of a craft that does not fly well. */
export interface SymptomEvidence {
  symptoms: readonly SymptomName[];
  /** What changed since it last flew well; null while nobody was asked. */
  changes: readonly ChangeName[] | null;
  facts: readonly RecordFact[];
  answers: readonly { test: SymptomTestName; answer: SymptomAnswer }[];
}

export interface RankedCause {
  cause: CauseName;
  /** Share of belief, 0 to 1. */
  share: number;
}

export interface Diagnosis {
  /** Every cause, the likeliest first. */
  ranked: RankedCause[];
  /** The test that tells most for its minutes; null when one cause stands out or nothing is left to try. */
  next: { test: SymptomTestName; gainBits: number; minutes: number } | null;
  /** True once one cause stands far enough before the rest to be mended. */
  isSettled: boolean;
}

/** Belief at which it pays to mend instead of testing on. */
export const SETTLED_SHARE = 0.9;
/** Where a symptom was not named: nobody may have looked. */
const UNSAID = 0.55;
/** How minutes count against what a test tells. */
const MINUTES_HALF = 25;
/** Nothing is ever ruled out or proved for good by one look. */
const SURE = 0.985;
const LEAST_BITS = 0.03;

/**
 * What is most likely wrong, and what to look at next.
 *
 * Each cause carries how often it shows as each symptom, follows each change, stands behind each fact of the record and
 * is found by each test; evidence multiplies these shares (as if independent), and the next test is the one from which
 * most is learned for its minutes.
 *
 *   P(c|e) ∝ P(c)·Π P(eᵢ|c); next = argmax (H − E[H | test])/(1 + t/25)
 *
 * A test that found nothing lowers its cause only as far as the test would have found it.
 */
export function diagnose(evidence: SymptomEvidence): Diagnosis {
  const shares = normalized(causeNames.map((cause) => causeTable[cause].prior * likelihood(cause, evidence)));
  const ranked = causeNames.map((cause, i) => ({ cause, share: shares[i]! })).sort((a, b) => b.share - a.share);
  const isSettled = ranked[0]!.share >= SETTLED_SHARE;
  return { ranked, next: isSettled ? null : bestTest(shares, evidence), isSettled };
}

function likelihood(cause: CauseName, { symptoms, changes, facts, answers }: SymptomEvidence): number {
  const links = causeTable[cause];
  let product = 1;
  for (const symptom of symptoms) product *= links.symptoms[symptom] ?? chance.symptom;
  if (symptoms.length > 0)
    for (const [symptom, share] of Object.entries(links.symptoms))
      if (!symptoms.includes(symptom as SymptomName)) product *= 1 - UNSAID * share;
  for (const change of changes ?? []) product *= links.changes[change] ?? chance.change;
  for (const fact of facts) product *= links.facts[fact] ?? chance.fact;
  for (const { test, answer } of answers)
    if (answer !== 'unsure') product *= answer === 'yes' ? yesShare(cause, test) : 1 - yesShare(cause, test);
  return product;
}

/** How often a test says yes where this cause is at work. */
export function yesShare(cause: CauseName, test: SymptomTestName): number {
  return Math.min(SURE, Math.max(1 - SURE, causeTable[cause].tests[test] ?? symptomTests[test].falseShare));
}

function bestTest(shares: readonly number[], { answers }: SymptomEvidence): Diagnosis['next'] {
  const done = new Set(answers.map((a) => a.test));
  const before = entropyBits(shares);
  let best: Diagnosis['next'] = null;
  let bestScore = 0;
  for (const test of symptomTestNames) {
    if (done.has(test)) continue;
    const yes = shares.map((share, i) => share * yesShare(causeNames[i]!, test));
    const yesTotal = yes.reduce((sum, x) => sum + x, 0);
    const no = shares.map((share, i) => share - yes[i]!);
    const gainBits = before - yesTotal * entropyBits(normalized(yes)) - (1 - yesTotal) * entropyBits(normalized(no));
    const { minutes } = symptomTests[test];
    const score = gainBits / (1 + minutes / MINUTES_HALF);
    if (gainBits >= LEAST_BITS && score > bestScore) {
      bestScore = score;
      best = { test, gainBits, minutes };
    }
  }
  return best;
}

function normalized(weights: readonly number[]): number[] {
  const total = weights.reduce((sum, w) => sum + w, 0);
  return weights.map((w) => (total > 0 ? w / total : 1 / weights.length));
}

function entropyBits(shares: readonly number[]): number {
  return -shares.reduce((sum, p) => (p > 0 ? sum + p * Math.log2(p) : sum), 0);
}

/**
 * Causes that a test could have found, and how much of each it leaves standing when it finds nothing, the surest first.
 */
export function whatNegativeProves(test: SymptomTestName): { cause: CauseName; leftShare: number }[] {
  return causeNames
    .flatMap((cause) =>
      causeTable[cause].tests[test] === undefined ? [] : [{ cause, leftShare: 1 - yesShare(cause, test) }],
    )
    .sort((a, b) => a.leftShare - b.leftShare);
}
