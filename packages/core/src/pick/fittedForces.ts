import type { RotorForces } from '../fit/control.ts';
import type { CarryForces } from '../fit/takeOff.ts';
import { propellerAt } from '../propeller/propellerModel.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { carrySpeedRpm, evaluateCandidate } from './evaluateCandidate.ts';
import type { PreparedCraft } from './pickCraft.ts';

/** What one right propeller does on each shaft of a craft. */
export interface FittedForces {
  carry: CarryForces;
  /** At full throttle; null where the pack cannot turn it. */
  most: RotorForces | null;
  /** Pull of a lost blade at full throttle [N]; null where it cannot be said. */
  bladeLossN: number | null;
}

/** Drag torque over thrust of a usual rotor [m], while no propeller is known. */
const USUAL_TORQUE_PER_THRUST_M = 0.015;

/**
 * Forces of a craft's rotors with a propeller: carrying, at full throttle, and with a blade lost.
 *
 * @param geometry - null while no propeller is known: then only the thrust that carries is sure
 * @throws {OutOfRangeError} if the geometry is no propeller
 */
export function fittedForces(prepared: PreparedCraft, geometry: PropGeometry | null): FittedForces {
  const thrustN = prepared.carryThrustN;
  const usual: FittedForces = {
    carry: { thrustN, torqueNm: USUAL_TORQUE_PER_THRUST_M * thrustN },
    most: null,
    bladeLossN: null,
  };
  if (geometry === null) return usual;
  const { prop, figures, fullSpeedRpm } = evaluateCandidate(prepared, geometry);
  const carryRpm = carrySpeedRpm(prepared, geometry);
  const carry = carryRpm === null ? usual.carry : { thrustN, torqueNm: propellerAt(prop, carryRpm).torqueNm };
  if (!(figures.fullThrustN > 0)) return { ...usual, carry };
  const { thrustN: mostThrustN, torqueNm } = propellerAt(prop, fullSpeedRpm);
  return {
    carry,
    most: { mostThrustN, torquePerThrustM: torqueNm / mostThrustN, weightN: prepared.craft.massKg * GRAVITY_M_PER_S2 },
    bladeLossN: figures.bladeLossForceN,
  };
}
