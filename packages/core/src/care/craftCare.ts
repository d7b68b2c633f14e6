import { bySeverity, type Reason, type Severity } from '../figure/reason.ts';
import { LEAST_LOOK_S, type CareOutcome } from './findings.ts';
import type { PieceLifeLeft } from './life.ts';

/** One piece on the craft, as Care sees it. */
export interface CaredPiece {
  tag: string;
  life: PieceLifeLeft;
  /** What the last look said and nobody has done yet; null where nothing is open. */
  openOutcome: Exclude<CareOutcome, 'fly'> | null;
  /** Reason of the alert that grounds it; null where none does. */
  alert: string | null;
}

/** Everything that decides whether a craft may fly. */
export interface CareFacts {
  name: string;
  rotorCount: number;
  pieces: readonly CaredPiece[];
  /** Days since it was last walked round; null where it never was. */
  lookAgeDays: number | null;
  /** Seconds a prop of the last look. */
  lookSecondsPerProp: number | null;
  flightsSinceLook: number;
  strikesSinceLook: number;
  /** Tags of motors that were struck and not felt since. */
  motorsToFeel: readonly string[];
  /** Full changes of all props that the rack still gives, and the hand that ends first; null without a model. */
  changesLeft: { count: number; firstOut: 'cw' | 'ccw' | null } | null;
  /** Advice of the day's air, as it was found. */
  temperature: readonly Reason[];
}

export type CareVerdictName = 'grounded' | 'mend' | 'look' | 'incomplete' | 'fit';

export interface CraftCare {
  verdict: CareVerdictName;
  reasons: Reason[];
}

/** A look is of the same day: nobody knows what fell on a craft overnight. */
export const FRESH_DAYS = 1;
const RETIRING: readonly string[] = ['retire', 'retirePair', 'retireSet'];

/**
 * Whether a craft is fit to fly, and everything that speaks against it, the gravest first.
 *
 * Fit means: every arm has its piece, none is grounded, spent or to be mended, nothing was struck since the last look,
 * and that look was made after the last flight and on the same day. It certifies nothing.
 */
export function craftCare(facts: CareFacts): CraftCare {
  const reasons: Reason[] = [];
  const say = (severity: Severity, code: string, values: Reason['values'] = {}): void => void reasons.push({ code, severity, values, figure: null });
  sayPieces(facts.pieces, say);
  if (facts.strikesSinceLook > 0) say('danger', 'care.strikes', { count: facts.strikesSinceLook });
  for (const tag of facts.motorsToFeel) say('action', 'care.feelMotor', { tag });
  if (facts.pieces.length < facts.rotorCount) say('action', 'care.missingPieces', { count: facts.rotorCount - facts.pieces.length, of: facts.rotorCount });
  sayLook(facts, say);
  if (facts.changesLeft) sayChanges(facts.changesLeft, say);
  return { verdict: verdictOf(facts), reasons: bySeverity([...reasons, ...facts.temperature]) };
}

type Say = (severity: Severity, code: string, values?: Reason['values']) => void;

/** Pieces of which the same is to be said are named together. */
function sayPieces(pieces: readonly CaredPiece[], say: Say): void {
  const together = <K extends string>(keyOf: (p: CaredPiece) => K | null): [K, CaredPiece[]][] => {
    const groups = new Map<K, CaredPiece[]>();
    for (const p of pieces) {
      const key = keyOf(p);
      if (key !== null) groups.set(key, [...(groups.get(key) ?? []), p]);
    }
    return [...groups];
  };
  const named = (group: readonly CaredPiece[]) => ({ tags: group.map((p) => p.tag).join(', '), count: group.length });
  for (const [alert, group] of together((p) => p.alert)) say('danger', 'care.grounded', { ...named(group), alert });
  for (const [outcome, group] of together((p) => p.openOutcome)) say(RETIRING.includes(outcome) ? 'danger' : 'action', `care.open.${outcome}`, named(group));
  for (const [code, group] of together(lifeCode)) {
    const worst = group.reduce((a, b) => (b.life.usedRatio > a.life.usedRatio ? b : a)).life;
    say(worst.state === 'replace' ? 'danger' : 'caution', code, { ...named(group), usedRatio: worst.usedRatio, hours: worst.durationS / 3600, days: worst.dueInDays ?? -1 });
  }
}

/** What is to be said of how much of its life a piece has used; nothing while there is plenty. */
function lifeCode({ life }: CaredPiece): string | null {
  if (life.state === 'replace') return life.isByFatigue ? 'care.spentFatigue' : 'care.spentHours';
  if (life.state === 'replaceSoon') return life.dueInDays === null ? 'care.soon' : 'care.soonDays';
  return null;
}

function sayLook({ name, lookAgeDays, flightsSinceLook, lookSecondsPerProp }: CareFacts, say: Say): void {
  if (lookAgeDays === null) return say('action', 'care.neverLooked', { name });
  if (flightsSinceLook > 0) say('action', 'care.flownSince', { name, count: flightsSinceLook });
  else if (lookAgeDays > FRESH_DAYS) say('action', 'care.staleLook', { name, days: lookAgeDays });
  if (lookSecondsPerProp !== null && lookSecondsPerProp < LEAST_LOOK_S) say('caution', 'care.hurried', { seconds: lookSecondsPerProp, least: LEAST_LOOK_S });
}

function sayChanges({ count, firstOut }: NonNullable<CareFacts['changesLeft']>, say: Say): void {
  if (firstOut === null) return;
  say(count === 0 ? 'action' : 'note', count === 0 ? 'care.noChange' : 'care.changesLeft', { count, hand: firstOut.toUpperCase() });
}

function verdictOf({ pieces, rotorCount, strikesSinceLook, lookAgeDays, flightsSinceLook }: CareFacts): CareVerdictName {
  if (pieces.some((p) => p.alert !== null || p.life.state === 'replace' || (p.openOutcome !== null && RETIRING.includes(p.openOutcome)))) return 'grounded';
  if (pieces.some((p) => p.openOutcome !== null)) return 'mend';
  if (strikesSinceLook > 0 || lookAgeDays === null || flightsSinceLook > 0 || lookAgeDays > FRESH_DAYS) return 'look';
  return pieces.length < rotorCount ? 'incomplete' : 'fit';
}
