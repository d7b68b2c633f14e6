import { bySeverity, type Reason, type ReasonCode, type ReasonValues, type Severity } from '../figure/reason.ts';
import type { PickLimit } from '../pick/pickFigures.ts';
import type { EvidenceRow } from './weighEvidence.ts';
import { nextTests, type NextTest, type TestWay } from './nextTest.ts';
import { verdict, type Verdict, type Wish } from './verdict.ts';
import { gainWidthOf, wishNames, type JudgeMatters, type JudgeWeights, type WishName } from './wishes.ts';

/** What bars a prop from being taken, and how far beyond it is: 1.2 is a fifth over. */
export interface JudgeBar {
  limit: PickLimit;
  margin: number;
  /** Read on the stand, not predicted. */
  isMeasured: boolean;
}

export interface JudgeContender {
  id: string;
  name: string;
  row: EvidenceRow;
  bars: readonly JudgeBar[];
}

/** All that a verdict is made of: kept whole when it is frozen. */
export interface JudgeInput {
  craftName: string;
  /** Whom the others are held against; one of the contenders. */
  referenceId: string;
  contenders: readonly JudgeContender[];
  weights: JudgeWeights;
  matters: JudgeMatters;
}

export interface Judgement {
  /** Over those that nothing bars; null where none is left. */
  verdict: Verdict | null;
  /** The one to take; null while it cannot be told, and where nothing stands beside it. */
  winnerId: string | null;
  /** Wishes that count and of which nothing is known of anybody: they are left out of the score. */
  unknown: WishName[];
  /** What to measure next, the best for its work first. */
  next: NextTest[];
  headline: Reason;
  reasons: Reason[];
}

export const testWayNames = ['standRun', 'bursts', 'flight', 'take'] as const;
export type TestWayName = (typeof testWayNames)[number];

/** Ways to learn more with what each usually tells, one standard deviation of one test [share; dB], and its minutes. */
const TEST_WAYS: Readonly<Record<TestWayName, { minutes: number; tells: Partial<Record<WishName, number>> }>> = {
  standRun: { minutes: 12, tells: { thrust: 0.012, minutes: 0.015 } },
  bursts: { minutes: 8, tells: { answer: 0.06 } },
  flight: { minutes: 15, tells: { climb: 0.04, speed: 0.03 } },
  take: { minutes: 6, tells: { quiet: 1.2 } },
};

const testWays: readonly TestWay[] = testWayNames.map((name) => {
  const { minutes, tells } = TEST_WAYS[name];
  const gains = Object.entries(tells).map(([wish, spread]) => [wish, gainWidthOf(wish as WishName, 0, spread)]);
  return { name, minutes, tells: Object.fromEntries(gains) as TestWay['tells'] };
});

/** So many gains, prices and tests are told. */
const TOLD_MOST = 3;
/** A weight that must move further than this to turn the verdict is not told. */
const NEAR_SWING = 2.5;

const reason =
  (severity: Severity) =>
  <C extends ReasonCode>(code: C, values: ReasonValues<C>): Reason => ({
    code,
    severity,
    values: values as Reason['values'],
    figure: null,
  });
const [say, warn, ask, win] = (['note', 'caution', 'action', 'gain'] as const).map(reason) as [
  ReturnType<typeof reason>,
  ReturnType<typeof reason>,
  ReturnType<typeof reason>,
  ReturnType<typeof reason>,
];

/**
 * The verdict for a craft, with its reasons. What is barred cannot win; a wish of which nothing is known of anybody
 * does not count, and is told.
 *
 * @throws {OutOfRangeError} without a weight above 0, or for more contenders than a verdict takes
 */
export function judge(input: JudgeInput): Judgement {
  const { contenders, weights, matters } = input;
  const fit = contenders.filter((c) => c.bars.length === 0);
  const wanted = wishNames.filter((name) => weights[name] > 0);
  const isKnown = (name: WishName): boolean => fit.some((c) => c.id !== input.referenceId && c.row[name]);
  const unknown = wanted.filter((name) => !isKnown(name));
  const known = wanted.filter(isKnown);
  const wishes = (known.length > 0 ? known : wanted).map((name): Wish => ({
    name,
    weight: weights[name],
    matters: gainWidthOf(name, 0, matters[name]),
  }));
  const pool = fit.map((c) => ({ id: c.id, evidence: c.row }));
  const found = pool.length === 0 ? null : verdict(pool, wishes);
  const next = pool.length === 0 ? [] : nextTests(pool, wishes, testWays);
  return {
    verdict: found,
    winnerId: contenders.length > 1 ? (found?.winnerId ?? null) : null,
    unknown,
    next,
    headline: headlineOf(input, found),
    reasons: bySeverity(reasonsOf(input, found, wishes, unknown, next)),
  };
}

function headlineOf({ craftName: craft, contenders, referenceId }: JudgeInput, found: Verdict | null): Reason {
  if (!found) return warn('judge.none', { craft });
  const nameOf = (id: string): string => contenders.find((c) => c.id === id)!.name;
  const [first] = found.standings as [Verdict['standings'][0]];
  const name = nameOf(first.id);
  if (found.standings.length === 1)
    return say(contenders.length > 1 ? 'judge.onlyOne' : 'judge.alone', { name, craft });
  if (found.winnerId === null) {
    const [other] = found.alikeIds;
    return say('judge.alike', {
      name,
      other: nameOf(other ?? found.standings[1]!.id),
      more: Math.max(0, found.alikeIds.length - 1),
    });
  }
  return win(first.id === referenceId ? 'judge.stays' : 'judge.takes', { name, craft });
}

function reasonsOf(
  input: JudgeInput,
  found: Verdict | null,
  wishes: readonly Wish[],
  unknown: readonly WishName[],
  next: readonly NextTest[],
): Reason[] {
  const { contenders } = input;
  const nameOf = (id: string): string => contenders.find((c) => c.id === id)!.name;
  const barred = contenders.flatMap(({ name, bars: [bar] }) =>
    bar ? [warn('judge.barred', { name, limit: bar.limit, margin: bar.margin })] : [],
  );
  const open = unknown.map((wish) => say('judge.unknown', { wish }));
  if (!found) return [...barred, ...open];
  const [first] = found.standings as [Verdict['standings'][0]];
  const { row, name } = contenders.find((c) => c.id === first.id)!;
  return [
    ...(found.standings.length > 1
      ? [win('judge.sure', { name, share: first.bestShare, count: found.standings.length })]
      : []),
    ...tradesOf(input, first.id, wishes),
    ...(Object.values(row).every((cell) => cell.source === 'model' || cell.source === 'rack')
      ? [warn('judge.predicted', { name })]
      : []),
    ...first.open.map((wish) => ask('judge.open', { name, wish })),
    ...next
      .slice(0, TOLD_MOST)
      .map(({ contenderId, way, minutes }) => ask('judge.next', { name: nameOf(contenderId), way, minutes })),
    ...found.standings.flatMap(({ id, dominatedBy }) =>
      dominatedBy === null ? [] : [say('judge.dominated', { name: nameOf(id), by: nameOf(dominatedBy) })],
    ),
    ...found.swings.flatMap(({ wish, downTo, upTo }) => {
      if (upTo !== null && upTo <= NEAR_SWING) return [say('judge.swingUp', { wish, factor: upTo })];
      if (downTo !== null && downTo >= 1 / NEAR_SWING) return [say('judge.swingDown', { wish, factor: downTo })];
      return [];
    }),
    ...barred,
    ...open,
  ];
}

/** What the first gives and costs against the reference, the weightiest of each. */
function tradesOf({ contenders, referenceId }: JudgeInput, firstId: string, wishes: readonly Wish[]): Reason[] {
  const { row, name } = contenders.find((c) => c.id === firstId)!;
  if (firstId === referenceId) return [];
  const told = wishes.flatMap(({ name: wish, weight, matters }) => {
    const cell = row[wish as WishName];
    return cell?.difference && Math.abs(cell.gain) >= matters ? [{ wish, cell, worth: weight * cell.gain }] : [];
  });
  const reasonOf = (code: 'judge.gives' | 'judge.costs', { wish, cell }: (typeof told)[number]): Reason =>
    (code === 'judge.gives' ? win : say)(code, {
      name,
      wish,
      difference: cell.difference!.value,
      halfWidth: cell.difference!.halfWidth,
      source: cell.source,
    });
  const gives = told.filter((t) => t.worth > 0).sort((a, b) => b.worth - a.worth);
  const costs = told.filter((t) => t.worth < 0).sort((a, b) => a.worth - b.worth);
  return [
    ...gives.slice(0, TOLD_MOST).map((t) => reasonOf('judge.gives', t)),
    ...costs.slice(0, TOLD_MOST).map((t) => reasonOf('judge.costs', t)),
  ];
}

/** What has changed since a verdict was frozen, as far as it matters to whoever froze it. */
export function changesSince(before: JudgeInput, now: JudgeInput): Reason[] {
  const [was, is] = [judge(before), judge(now)];
  // A wish that nobody could have then is no change.
  const asked = wishNames.filter((wish) => wish in before.weights);
  const old = new Map(before.contenders.map((c) => [c.id, c]));
  const present = new Map(now.contenders.map((c) => [c.id, c]));
  const firstOf = ({ verdict: v }: Judgement): string | null => v?.standings[0]?.id ?? null;
  const turned = firstOf(is) !== null && firstOf(is) !== firstOf(was);
  const said: Reason[] = turned ? [warn('judge.changed.first', { name: present.get(firstOf(is)!)!.name })] : [];
  if (before.referenceId !== now.referenceId)
    said.push(warn('judge.changed.reference', { name: present.get(now.referenceId)?.name ?? '' }));
  for (const { id, name } of before.contenders) if (!present.has(id)) said.push(say('judge.changed.left', { name }));
  for (const { id, name, row, bars } of now.contenders) {
    const then = old.get(id);
    if (!then) {
      said.push(say('judge.changed.joined', { name }));
      continue;
    }
    if (bars.length > 0 && then.bars.length === 0)
      said.push(warn('judge.barred', { name, limit: bars[0]!.limit, margin: bars[0]!.margin }));
    for (const wish of asked) {
      const [a, b] = [then.row[wish], row[wish]];
      const matters = gainWidthOf(wish, 0, now.matters[wish]);
      if (b && (!a || a.source !== b.source || Math.abs(a.gain - b.gain) >= matters))
        said.push(say('judge.changed.evidence', { name, wish, source: b.source }));
    }
  }
  if (asked.some((w) => before.weights[w] !== now.weights[w])) said.push(say('judge.changed.weights', {}));
  return bySeverity(said);
}
