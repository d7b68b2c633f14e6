import { isRetiring } from '../care/condition.ts';
import type { CareOutcome } from '../care/findings.ts';
import type { PieceLifeLeft } from '../care/life.ts';
import type { RotorPlace } from '../craft/layouts.ts';
import type { Reason, ReasonCode, ReasonValues, Severity } from '../figure/reason.ts';
import type { TakeOff } from '../fit/takeOff.ts';

/** A piece on an arm, as far as it decides whether the craft may fly. */
export interface ReadyPiece {
  tag: string;
  life: Pick<PieceLifeLeft, 'state' | 'usedRatio' | 'durationS' | 'isByFatigue'>;
  /** What the last look said and nobody has done yet; null where nothing is open. */
  openOutcome: Exclude<CareOutcome, 'fly'> | null;
  /** Reason of the alert that grounds it; null where none does. */
  alert: string | null;
  /** Whether the balancing policy asks for a balancing that it does not have. */
  isBalancingDue: boolean;
}

/** One arm. Events are told by their sequence number, 0 for never: the wall clock of a workshop may be wrong. */
export interface ReadyArm {
  place: RotorPlace;
  level: number;
  /** Null while no tagged piece is on. */
  piece: ReadyPiece | null;
  /** The last change of its piece, hand, face, spin or place in the controller's table. */
  changedSequence: number;
  /** The last walkaround that looked at it. */
  lookedSequence: number;
}

/** Everything that decides whether a craft may fly, as dated facts. */
export interface ReadyFacts {
  name: string;
  takeOff: Pick<TakeOff, 'verdict' | 'faults' | 'isConfirmed'>;
  unseenCount: number;
  arms: readonly ReadyArm[];
  /** More than one is a mix. */
  modelCount: number;
  /** Local day of the newest walkaround; null where there never was one. */
  lookDay: string | null;
  /** The local day of the workshop now, as 2026-11-29. */
  today: string;
  flightsSinceLook: number;
  strikesSinceLook: number;
  /** The newest signature for the arrangement, 0 for none. */
  signedSequence: number;
  /** Tags of motors that were struck and not felt since. */
  motorsToFeel: readonly string[];
}

/** The gravest thing that keeps a craft down, from worst to best; *fit* where nothing does. */
export const readyVerdicts = [
  'grounded',
  'wrong',
  'mend',
  'incomplete',
  'unseen',
  'untrued',
  'unsigned',
  'look',
  'fit',
] as const;
export type ReadyVerdict = (typeof readyVerdicts)[number];

/** Where a missing thing is done. */
export type ReadyPlace = 'fit' | 'walk' | 'care' | 'balance';

/** One thing that is missing before the craft may fly. */
export interface ReadyPoint {
  verdict: Exclude<ReadyVerdict, 'fit'>;
  where: ReadyPlace;
  reason: Reason;
}

export interface ReadyToFly {
  verdict: ReadyVerdict;
  /** What keeps it down, the gravest first; empty where it is fit. */
  missing: ReadyPoint[];
}

/**
 * The one answer to *may it fly?*, and the short list of what is missing.
 *
 * Fit means all of this: the arrangement flies, its spins were seen, somebody signed for it and looked it over after
 * the last change of any arm; that look is of this local day and younger than the last flight and strike; no piece is
 * grounded, spent, to be mended or to be balanced, and no struck motor waits to be felt. What came before what is
 * judged by the numbers of the events, never by the clock. It certifies nothing.
 */
export function readyToFly(facts: ReadyFacts): ReadyToFly {
  const missing: ReadyPoint[] = [];
  const miss: Miss = (verdict, where, severity, code, values) =>
    void missing.push({
      verdict,
      where,
      reason: { code, severity, values: (values ?? {}) as Reason['values'], figure: null },
    });
  missPieces(facts, miss);
  missArrangement(facts, miss);
  for (const tag of facts.motorsToFeel) miss('mend', 'care', 'action', 'care.feelMotor', { tag });
  missSignature(facts, miss);
  missLook(facts, miss);
  const order = (p: ReadyPoint): number => readyVerdicts.indexOf(p.verdict);
  missing.sort((a, b) => order(a) - order(b));
  return { verdict: missing[0]?.verdict ?? 'fit', missing };
}

type Miss = <C extends ReasonCode>(
  verdict: ReadyPoint['verdict'],
  where: ReadyPlace,
  severity: Severity,
  code: C,
  values?: ReasonValues<C>,
) => void;

/** Pieces of which the same is to be said are named together. */
function missPieces({ arms }: ReadyFacts, miss: Miss): void {
  const pieces = arms.flatMap((a) => (a.piece ? [a.piece] : []));
  const together = <K extends string>(keyOf: (p: ReadyPiece) => K | null): [K, ReadyPiece[]][] => {
    const groups = new Map<K, ReadyPiece[]>();
    for (const p of pieces) {
      const key = keyOf(p);
      if (key !== null) groups.set(key, [...(groups.get(key) ?? []), p]);
    }
    return [...groups];
  };
  const named = (group: readonly ReadyPiece[]) => ({ tags: group.map((p) => p.tag).join(', '), count: group.length });
  for (const [alert, group] of together((p) => p.alert))
    miss('grounded', 'care', 'danger', 'care.grounded', { ...named(group), alert });
  for (const [outcome, group] of together((p) => p.openOutcome))
    miss(
      isRetiring(outcome) ? 'grounded' : 'mend',
      'care',
      isRetiring(outcome) ? 'danger' : 'action',
      `care.open.${outcome}`,
      named(group),
    );
  for (const [code, group] of together(({ life }) =>
    life.state === 'replace' ? (life.isByFatigue ? 'care.spentFatigue' : 'care.spentHours') : null,
  )) {
    const worst = group.reduce((a, b) => (b.life.usedRatio > a.life.usedRatio ? b : a)).life;
    miss('grounded', 'care', 'danger', code, {
      ...named(group),
      usedRatio: worst.usedRatio,
      hours: worst.durationS / 3600,
    });
  }
  const due = pieces.filter((p) => p.isBalancingDue);
  if (due.length > 0) miss('untrued', 'balance', 'action', 'care.untrued', named(due));
  if (pieces.length < arms.length)
    miss('incomplete', 'fit', 'action', 'care.missingPieces', { count: arms.length - pieces.length, of: arms.length });
}

function missArrangement({ name, takeOff, unseenCount, arms, modelCount }: ReadyFacts, miss: Miss): void {
  const { verdict, faults } = takeOff;
  const isUnknown = verdict === 'unknown';
  if (!isUnknown && verdict !== 'flies')
    miss('wrong', 'fit', 'danger', `care.wrong.${verdict}`, { name, count: faults.length, of: arms.length });
  if (isUnknown && arms.every((a) => a.piece !== null)) miss('incomplete', 'fit', 'action', 'care.unknown', { name });
  if (modelCount > 1) miss('wrong', 'fit', 'danger', 'care.mixed', { name, count: modelCount });
  if (unseenCount > 0) miss('unseen', 'fit', 'action', 'care.unseen', { count: unseenCount, of: arms.length });
}

function missSignature({ name, arms, signedSequence }: ReadyFacts, miss: Miss): void {
  if (signedSequence === 0) return miss('unsigned', 'fit', 'action', 'care.neverSigned', { name });
  const changed = arms.filter((a) => a.changedSequence > signedSequence);
  if (changed.length > 0)
    miss('unsigned', 'fit', 'action', 'care.signedBefore', { count: changed.length, place: changed[0]!.place });
}

function missLook({ name, arms, lookDay, today, flightsSinceLook, strikesSinceLook }: ReadyFacts, miss: Miss): void {
  if (strikesSinceLook > 0) miss('look', 'walk', 'danger', 'care.strikes', { count: strikesSinceLook });
  if (lookDay === null) return miss('look', 'walk', 'action', 'care.neverLooked', { name });
  const changed = arms.filter((a) => a.changedSequence > a.lookedSequence);
  if (changed.length > 0)
    miss('look', 'walk', 'action', 'care.changedSince', { count: changed.length, place: changed[0]!.place });
  if (flightsSinceLook > 0) miss('look', 'walk', 'action', 'care.flownSince', { name, count: flightsSinceLook });
  else if (lookDay !== today) miss('look', 'walk', 'action', 'care.staleLook', { day: lookDay });
}
