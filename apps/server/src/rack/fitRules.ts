import { labelSpinOf, layoutKind, type Layout, type PieceHand, type Rotor, type RotorPlace } from '@zivvo/core';
import { placeNames } from '@zivvo/words';
import { FitRefusedError } from './piece.errors.ts';

/** One arm of a craft, of a pair one above the other the upper is level 0. */
export interface ArmPlace {
  place: RotorPlace;
  level: number;
}

/** What of a craft decides which piece goes where. */
export interface ArmedCraft {
  name: string;
  layout: Layout;
  rotors: readonly Rotor[];
}

/** @throws {FitRefusedError} if the craft has no such arm */
export function requireArm({ rotors, name }: Pick<ArmedCraft, 'rotors' | 'name'>, { place, level }: ArmPlace): Rotor {
  const rotor = rotors.find((r) => r.place === place && r.level === level);
  if (rotor) return rotor;
  throw new FitRefusedError(
    'noSuchArm',
    `${name} has no such arm: its ${rotors.length} are ` +
      `${[...new Set(rotors.map((r) => placeNames[r.place].toLowerCase()))].join(', ')}.`,
  );
}

/** @throws {FitRefusedError} if the craft has no such arm, or the piece is of the other hand */
export function requireHand(craft: ArmedCraft, { tag, hand }: { tag: string; hand: PieceHand }, arm: ArmPlace): void {
  const needed = labelSpinOf(requireArm(craft, arm).spin, layoutKind(craft.layout));
  if (hand === 'either' || hand === needed) return;
  throw new FitRefusedError(
    'otherHand',
    `No: ${tag} is ${hand.toUpperCase()}, this arm needs ${needed.toUpperCase()}. It would push air the wrong way.`,
  );
}

/** @throws {FitRefusedError} if an alert keeps all its kind on the ground */
export function requireReleased(tag: string, alert: string | null): void {
  if (alert !== null)
    throw new FitRefusedError(
      'grounded',
      `No: ${tag} is grounded with all its kind: ${alert}. Release the alert first.`,
    );
}
