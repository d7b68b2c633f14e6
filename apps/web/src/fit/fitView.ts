import type { ArmStateDto, ArmView, FittingView, UpdateFittingDto } from '@zivvo/contract';
import type { FixMove, RotorPlace } from '@zivvo/core';
import { placeNames, towardName } from '@zivvo/words';

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
  return { ...withFacts(view, {}), arms: view.arms.map((arm) => (isArm(arm, key) ? { ...stateOf(arm), ...change } : stateOf(arm))) };
}

/** What holds for the whole craft, changed; its arms stay as they are. */
export function withFacts(view: FittingView, change: Partial<Pick<UpdateFittingDto, 'isHanging' | 'note'>>): UpdateFittingDto {
  return { arms: view.arms.map(stateOf), isHanging: view.isHanging, note: view.note, revision: view.revision, ...change };
}

/** Every spin seen as it is drawn: a motor noted as reversed stays reversed. */
export function withAllSpins(view: FittingView): UpdateFittingDto {
  return { ...withFacts(view, {}), arms: view.arms.map((arm) => ({ ...stateOf(arm), seenSpin: arm.spin })) };
}

function stateOf({ place, level, seenSpin, hand, piece, isLabelForward, threadOn, checks }: ArmView): ArmStateDto {
  return { place, level, seenSpin, hand: piece ? null : hand, isLabelForward, thread: threadOn, checks };
}

/** What is wrong at an arm, in a word each. */
export function faultWords(view: FittingView, key: ArmKey): string[] {
  const fault = view.takeOff.faults.find((f) => isArm(f, key));
  if (!fault) return [];
  return [fault.isSpinWrong ? 'spin' : '', fault.isHandWrong ? 'other hand' : '', !fault.isHandWrong && fault.isFaceWrong ? 'turned over' : ''].filter((w) => w !== '');
}

/** One move of the fix list in words. */
export function moveSentence(move: FixMove, arms: readonly ArmKey[]): string {
  switch (move.kind) {
    case 'swap':
      return `Swap the pieces of ${armName(move.a, arms).toLowerCase()} and ${armName(move.b, arms).toLowerCase()}${move.areNeighbours ? ': two neighbours swapped, the usual fault' : ''}.`;
    case 'turnOver':
      return `Turn the piece over on ${armName(move.arm, arms).toLowerCase()}: label forward.`;
    case 'spare':
      return `Put a ${move.hand.toUpperCase()} piece on ${armName(move.arm, arms).toLowerCase()}.`;
    case 'reverse':
      return `Reverse the motor of ${armName(move.arm, arms).toLowerCase()}: it must turn ${move.to.toUpperCase()}.`;
  }
}

/** The craft's answer in a line. */
export function headlineOf(view: FittingView, craftName: string): string {
  const { verdict, tipsToward, isConfirmed } = view.takeOff;
  switch (verdict) {
    case 'unknown':
      return `${craftName}: say what is on each arm`;
    case 'flies':
      return isConfirmed ? `${craftName} is right: every piece, every spin` : `${craftName} looks right; its spins were not seen`;
    case 'tips':
      return `${craftName} will tip toward ${tipsToward === null ? 'one side' : towardName(tipsToward)}`;
    case 'pressed':
      return `${craftName} will press itself to the ground`;
    case 'cannotLift':
      return `${craftName} will hardly lift`;
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
