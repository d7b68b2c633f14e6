import type { ArmStateDto, ArmView, SwapArmsDto } from '@zivvo/contract';
import {
  checksAfterChange,
  labelSpinOf,
  layoutKind,
  motorSpinOf,
  nutSpinOf,
  rotorAction,
  threadAdvice,
  type CheckedRotor,
  type RotorPlace,
} from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import type { ArmChange } from '../craft/craft.facts.ts';
import type { NewestEvent } from '../event/event.repository.ts';
import { toPieceView } from '../rack/piece.mapper.ts';
import type { LivingPiece } from '../rack/piece.repository.ts';
import type { FittingRow } from './fit.repository.ts';

/** An arm, wherever it is spoken of. */
export interface ArmRef {
  place: RotorPlace | null;
  level: number;
}

export function isSameArm(a: ArmRef, b: ArmRef): boolean {
  return a.place === b.place && a.level === b.level;
}

/** What is known of an arm before anybody looked. */
function unseenArm(place: RotorPlace, level: number): ArmStateDto {
  return {
    place,
    level,
    seenSpin: null,
    spinBy: null,
    outputName: null,
    hand: null,
    isLabelForward: true,
    thread: null,
    checks: [],
  };
}

/** Every arm of a craft as it was last written down. Fields that came later are missing in old rows. */
export function statesOf(craft: Pick<CraftRow, 'rotors'>, row: Pick<FittingRow, 'arms'> | null): ArmStateDto[] {
  return craft.rotors.map(({ place, level }) => ({
    ...unseenArm(place, level),
    ...row?.arms.find((arm) => isSameArm(arm, { place, level })),
  }));
}

/**
 * Arms after a piece changed on some of them: those start anew with their label forward, all others are looked at
 * again.
 */
export function touchedStates(states: readonly ArmStateDto[], touched: readonly ArmRef[]): ArmStateDto[] {
  return states.map((arm) => {
    const isTouched = touched.some((t) => isSameArm(arm, t));
    return { ...arm, checks: checksAfterChange(arm.checks, isTouched), ...(isTouched ? { isLabelForward: true } : {}) };
  });
}

/**
 * Which arms are not as they were, and in what: a motor that turns the other way, an untagged piece of the other hand,
 * a piece turned over.
 */
export function armChanges(
  craft: Pick<CraftRow, 'rotors'>,
  before: readonly ArmStateDto[],
  after: readonly ArmStateDto[],
): { place: RotorPlace; level: number; what: ArmChange }[] {
  return craft.rotors.flatMap(({ place, level, spin }) => {
    const [old, now] = [before, after].map((states) => states.find((s) => isSameArm(s, { place, level })));
    const what: ArmChange | null =
      (old?.seenSpin ?? spin) !== (now?.seenSpin ?? spin)
        ? 'spin'
        : (old?.hand ?? null) !== (now?.hand ?? null)
          ? 'hand'
          : (old?.isLabelForward ?? true) !== (now?.isLabelForward ?? true)
            ? 'face'
            : null;
    return what === null ? [] : [{ place, level, what }];
  });
}

/** Untagged pieces of two arms in each other's place. */
export function withHandsSwapped(states: readonly ArmStateDto[], { first, second }: SwapArmsDto): ArmStateDto[] {
  const handOf = (arm: ArmRef): ArmStateDto['hand'] => states.find((s) => isSameArm(s, arm))?.hand ?? null;
  return states.map((arm) =>
    isSameArm(arm, first)
      ? { ...arm, hand: handOf(second) }
      : isSameArm(arm, second)
        ? { ...arm, hand: handOf(first) }
        : arm,
  );
}

/** Every arm of a craft with what is on it and what was seen. */
export function toArmViews(
  craft: Pick<CraftRow, 'rotors' | 'layout'>,
  row: Pick<FittingRow, 'arms' | 'isHanging'> | null,
  on: readonly LivingPiece[],
  fitted: ReadonlyMap<string, NewestEvent>,
  carryThrustN: number,
): ArmView[] {
  const kind = layoutKind(craft.layout);
  const states = statesOf(craft, row);
  return craft.rotors.map((r, i): ArmView => {
    const { seenSpin, spinBy, outputName, hand: saidHand, isLabelForward, thread, checks } = states[i]!;
    const living = on.find((p) => isSameArm(p.life, r));
    const spin = seenSpin ?? r.spin;
    const hand = living?.piece.hand ?? saidHand;
    const checked: CheckedRotor = {
      place: r.place,
      level: r.level,
      xM: r.xM,
      yM: r.yM,
      cantDegrees: r.cantDegrees ?? 0,
      spin,
      expectedSpin: r.spin,
      isSpinSeen: seenSpin !== null,
      hand,
      isLabelForward,
    };
    const since = living ? fitted.get(living.piece.id) : undefined;
    return {
      ...checked,
      piece: living ? toPieceView(living) : null,
      seenSpin,
      spinBy,
      outputName,
      neededHand: labelSpinOf(r.spin, kind),
      motorSpin: Math.abs(r.gearRatio) === 1 && r.gearRatio > 0 ? null : motorSpinOf({ spin, gearRatio: r.gearRatio }),
      pullN:
        hand === null ? null : carryThrustN * rotorAction(labelSpinOf(spin, kind), hand, isLabelForward).thrustRatio,
      threadOn: thread,
      thread: threadAdvice(nutSpinOf(spin, craft.layout, row?.isHanging ?? false), thread),
      checks,
      fittedAt: since?.at.toISOString() ?? null,
      fittedBy: since?.personName ?? null,
    };
  });
}
