import type { ArmStateDto, ArmView, CraftView, FittingView, UpdateFittingDto } from '@zivvo/contract';
import {
  explainCraftFigure,
  explainTip,
  isLookedAt,
  otherSpin,
  type FixMove,
  type ReadyToFly,
  type Reason,
  type RotorPlace,
  type Spin,
  type ExplainedCraft,
  type Working,
} from '@zivvo/core';
import { placeNames, towardName } from '@zivvo/words';
import { formatDay } from '../shared/format/useFormat.ts';

export interface ArmKey {
  place: RotorPlace;
  level: number;
}

export function isArm(arm: ArmKey, key: ArmKey | null): boolean {
  return key !== null && arm.place === key.place && arm.level === key.level;
}

/** An arm's name; of a pair also which of the two. */
export function armName({ place, level }: ArmKey, arms: readonly ArmKey[]): string {
  const isPair = arms.filter((a) => a.place === place).length > 1;
  return isPair ? `${placeNames[place]}, ${level === 0 ? 'upper' : 'lower'}` : placeNames[place];
}

/** What was seen, as it is written down: one arm changed. */
export function withArm(view: FittingView, key: ArmKey, change: Partial<ArmStateDto>): UpdateFittingDto {
  return {
    ...withFacts(view, {}),
    arms: view.arms.map((arm) => (isArm(arm, key) ? { ...stateOf(arm), ...change } : stateOf(arm))),
  };
}

/** What holds for the whole craft, changed; its arms stay as they are. */
export function withFacts(
  view: FittingView,
  change: Partial<Pick<UpdateFittingDto, 'isHanging' | 'sideThrust' | 'note'>>,
): UpdateFittingDto {
  return {
    arms: view.arms.map(stateOf),
    isHanging: view.isHanging,
    sideThrust: view.sideThrust,
    note: view.note,
    revision: view.revision,
    ...change,
  };
}

/** Every spin seen as it is drawn: a motor noted as reversed stays reversed. */
export function withAllSpins(view: FittingView): UpdateFittingDto {
  return {
    ...withFacts(view, {}),
    arms: view.arms.map((arm) => ({ ...stateOf(arm), seenSpin: arm.spin, spinBy: arm.spinBy ?? 'strip' })),
  };
}

/** Every piece looked at, those on untouched arms too. */
export function withAllLooked(view: FittingView): UpdateFittingDto {
  return {
    ...withFacts(view, {}),
    arms: view.arms.map((arm) => ({
      ...stateOf(arm),
      checks: isLookedAt(arm.checks) ? arm.checks : [...arm.checks, { what: 'noDamage' }],
    })),
  };
}

/** A spin as somebody saw it, and how. */
export function seenAs(
  spin: Spin | null,
  by: ArmStateDto['spinBy'] = 'strip',
): Pick<ArmStateDto, 'seenSpin' | 'spinBy'> {
  return { seenSpin: spin, spinBy: spin === null ? null : by };
}

function stateOf({
  place,
  level,
  seenSpin,
  spinBy,
  outputName,
  hand,
  piece,
  isLabelForward,
  threadOn,
  checks,
}: ArmView): ArmStateDto {
  return {
    place,
    level,
    seenSpin,
    spinBy,
    outputName,
    hand: piece ? null : hand,
    isLabelForward,
    thread: threadOn,
    checks,
  };
}

/** What is wrong at an arm, in a word each. */
export function faultWords(view: Pick<FittingView, 'takeOff'>, key: ArmKey): string[] {
  const fault = view.takeOff.faults.find((f) => isArm(f, key));
  if (!fault) return [];
  return [
    fault.isSpinWrong ? 'spin' : '',
    fault.isHandWrong ? 'other hand' : '',
    !fault.isHandWrong && fault.isFaceWrong ? 'turned over' : '',
  ].filter((w) => w !== '');
}

/** One move of the fix list in words. */
export function moveSentence(move: FixMove, arms: readonly ArmKey[]): string {
  switch (move.kind) {
    case 'swap':
      return (
        `Swap the pieces of ${armName(move.a, arms).toLowerCase()} and ` +
        `${armName(move.b, arms).toLowerCase()}${move.areNeighbours ? ': two neighbours swapped, the usual fault' : ''}.`
      );
    case 'turnOver':
      return `Turn the piece over on ${armName(move.arm, arms).toLowerCase()}: label forward.`;
    case 'spare':
      return `Put a ${move.hand.toUpperCase()} piece on ${armName(move.arm, arms).toLowerCase()}.`;
    case 'reverse':
      return `Reverse the motor of ${armName(move.arm, arms).toLowerCase()}: it must turn ${move.to.toUpperCase()}.`;
    case 'table':
      return (
        'Enter the spins as you saw them in the controller’s table, on ' +
        `${move.armCount === arms.length ? `all ${arms.length}` : `${move.armCount} of ${arms.length}`} arms, ` +
        'and in the craft’s description here.'
      );
  }
}

/** A move that is written down by saying that it was made. */
export type MadeMove = Exclude<FixMove, { kind: 'spare' | 'table' }>;

/** The next thing to do before the craft may be signed for; `fit` names the arm where a piece is missing or wrong. */
export type NextStep =
  | { kind: 'move'; move: MadeMove }
  | { kind: 'fit'; arm: ArmKey }
  | { kind: 'see' }
  | { kind: 'look' }
  | { kind: 'sign' };

export function nextStep({ plan, arms, takeOff }: Pick<FittingView, 'plan' | 'arms' | 'takeOff'>): NextStep {
  const [move] = plan.moves;
  if (move?.kind === 'spare') return { kind: 'fit', arm: move.arm };
  if (move && move.kind !== 'table') return { kind: 'move', move };
  const bare = arms.find((a) => a.hand === null);
  if (bare) return { kind: 'fit', arm: bare };
  if (!takeOff.isConfirmed) return { kind: 'see' };
  return arms.some((a) => !isLookedAt(a.checks)) ? { kind: 'look' } : { kind: 'sign' };
}

/** What of a plane points to a side: its motor, or behind it the prop end of the shaft. */
export function pointerName({ layout }: Pick<CraftView, 'layout'>): string {
  return layout === 'pusher' || layout === 'twinPusher' ? 'The prop end of the shaft' : 'The motor';
}

/** What is missing beside what Fit itself says and offers. */
export function elsewhere({ verdict, missing }: ReadyToFly): ReadyToFly {
  return { verdict, missing: missing.filter((m) => m.where !== 'fit') };
}

/** What stands between a craft and its signature, in numbers; nothing once it is signed and unchanged. */
export function openSentence({
  arms,
  takeOff,
  confirmedAt,
  isSignatureStale,
}: Pick<FittingView, 'arms' | 'takeOff' | 'confirmedAt' | 'isSignatureStale'>): string | null {
  const unseen = arms.filter((a) => !a.isSpinSeen).length;
  const unlooked = arms.filter((a) => !isLookedAt(a.checks)).length;
  const open = [
    takeOff.faults.length > 0 ? `${takeOff.faults.length} to mend` : '',
    unseen > 0 ? `${unseen} ${unseen === 1 ? 'spin' : 'spins'} to see` : '',
    unlooked > 0 ? `${unlooked} ${unlooked === 1 ? 'piece' : 'pieces'} to look at` : '',
  ].filter((t) => t !== '');
  if (open.length > 0) return `Before you sign: ${open.join(', ')}.`;
  return confirmedAt === null || isSignatureStale ? 'All seen and looked at: sign for it.' : null;
}

/** Who signed and when, and what was missing beside it then. */
export function signatureSentence(
  { confirmedAt, confirmedBy, confirmedMissing, isSignatureStale }: FittingView,
  sentence: (reason: Reason) => string,
): string {
  if (confirmedAt === null) return 'Nobody has signed for it yet.';
  const signed =
    `Signed ${formatDay(confirmedAt)} by ` +
    `${confirmedBy ?? 'nobody'}${isSignatureStale ? '; an arm was changed since.' : '.'}`;
  return confirmedMissing.length === 0 ? signed : `${signed} Missing then: ${confirmedMissing.map(sentence).join(' ')}`;
}

/** What doing a move writes down: a piece turned over, a motor reversed. A swap is the server's to do. */
export function moveDone(view: FittingView, move: Exclude<MadeMove, { kind: 'swap' }>): UpdateFittingDto {
  return withArm(view, move.arm, move.kind === 'turnOver' ? { isLabelForward: true } : seenAs(move.to));
}

/** The other way round from how an arm is known to turn. */
export function reversed({ spin }: Pick<ArmView, 'spin'>): Pick<ArmStateDto, 'seenSpin' | 'spinBy'> {
  return seenAs(otherSpin(spin));
}

/** What stands behind the headline: the moment that turns it over, else the pull that each arm owes. */
export function fitWorking(view: Pick<FittingView, 'takeOff' | 'arms'>, craft: ExplainedCraft): Working {
  const carry = explainCraftFigure(craft, 'carryThrustN');
  const { verdict, tip } = view.takeOff;
  const pulling = view.arms.flatMap(({ pullN, ...arm }) =>
    pullN === null ? [] : { ...arm, pullN, rightPullN: carry.result.value },
  );
  return (verdict === 'tips' && tip !== null ? explainTip(pulling, tip) : null) ?? carry;
}

/** The craft's answer in a line. */
export function headlineOf(view: Pick<FittingView, 'takeOff'>, craftName: string): string {
  const { verdict, tip, isConfirmed } = view.takeOff;
  switch (verdict) {
    case 'unknown':
      return `${craftName}: say what is on each arm`;
    case 'flies':
      return isConfirmed
        ? `${craftName} is right: every piece, every spin`
        : `${craftName} looks right; its spins were not seen`;
    case 'tips':
      return `${craftName} will tip toward ${tip?.toward ? towardName(tip.toward) : 'one side'}`;
    case 'pressed':
      return `${craftName} will press itself to the ground`;
    case 'cannotLift':
      return `${craftName} will not lift`;
    case 'cannotFly':
      return `${craftName} cannot be flown as its motors turn`;
    case 'yawRunsAway':
      return `${craftName} will lift, then yaw runs away`;
    case 'yawDrifts':
      return `${craftName} will lift and yaw off`;
    case 'pushesBack':
      return `${craftName} will push backwards`;
    case 'weak':
      return `${craftName} will pull weakly`;
  }
}
