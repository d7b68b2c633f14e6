import type { RotorPlace, Spin } from '../craft/layouts.ts';
import type { PieceHand } from '../rack/setNeeds.ts';

/** One rotor as it really is: the spin that was seen, the piece that is on, the face that is up. */
export interface FittedRotor {
  place: RotorPlace;
  level: number;
  /** Forward and right of the centre [m]. */
  xM: number;
  yM: number;
  /** Degrees by which the shaft leans to the right for good, as in a V-tail; none when left out. */
  cantDegrees?: number;
  /** Turn of the prop shaft, seen from above; on a plane from behind. */
  spin: Spin;
  /** Null while nobody knows; such a rotor cannot be judged. */
  hand: PieceHand | null;
  /** Whether the label faces the way of travel: up, on a plane forward. */
  isLabelForward: boolean;
}

/** Share of the usual thrust and torque that a piece gives; the signs are certain, 0.5 and 0.85 nominal. */
export interface RotorAction {
  thrustRatio: number;
  torqueRatio: number;
}

const WRONG_FACE_THRUST = 0.5;
const WRONG_FACE_TORQUE = 0.85;

/**
 * What a piece does on a shaft: its hand, the shaft's spin, which face is forward.
 *
 * Turning a piece over does not change its hand: a screw stays the same screw. Matching, label forward: full thrust;
 * matching, wrong face: the right way but weak; the other hand: air goes the wrong way.
 *
 * @param labelSpin - turn of the shaft seen from where the label should face: as the spin on a multirotor
 */
export function rotorAction(labelSpin: Spin, hand: PieceHand, isLabelForward: boolean): RotorAction {
  const isMatch = hand === 'either' || hand === labelSpin;
  if (isMatch)
    return isLabelForward
      ? { thrustRatio: 1, torqueRatio: 1 }
      : {
          thrustRatio: hand === 'either' ? 1 : WRONG_FACE_THRUST,
          torqueRatio: hand === 'either' ? 1 : WRONG_FACE_TORQUE,
        };
  return isLabelForward
    ? { thrustRatio: -WRONG_FACE_THRUST, torqueRatio: WRONG_FACE_TORQUE }
    : { thrustRatio: -1, torqueRatio: 1 };
}
