import { levelTopSpeedMPerS, pullOutHeightM, usualDragAreaM2 } from '../craft/flightFigures.ts';
import { rotorAtThrottle } from '../powertrain/powertrain.ts';
import { packOpenV } from '../powertrain/pack.ts';
import { rotorFigures } from '../powertrain/rotorResponse.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import type { Candidate } from './evaluateCandidate.ts';
import { COAXIAL_THRUST_RATIO, powertrainOn, type PreparedCraft } from './pickCraft.ts';

/** What a craft with a prop does beside carrying itself; null where it cannot be said. */
export interface Manoeuvres {
  /** In level flight [m/s]. */
  topSpeedMPerS: number | null;
  /** Drag torque over thrust, over the arm: how strongly yaw is held. */
  yawDragRatio: number | null;
  /** Angular momentum that a tenth more speed of one rotor gives the craft [N·m·s]: the quick kick of yaw. */
  yawKickNmS: number | null;
  /** Height lost while a dive of {@link DIVE_M_PER_S} is stopped with the pack nearly empty [m]. */
  pullOutM: number | null;
}

/** Dive by which recoveries are compared [m/s]. */
export const DIVE_M_PER_S = 20;
/** Charge of the pack as it then is: near the landing gate. */
export const DIVE_CHARGE_RATIO = 0.2;

/**
 * Top speed, yaw by drag and by kick, and recovery from a dive of one candidate.
 *
 * The dive is stopped with all that the sagged pack gives, payload on; drag, which helps, is left out. A plane is
 * pulled out by its wing and steered by its tail: both are null there.
 */
export function manoeuvresOf(
  prepared: PreparedCraft,
  { prop, fullSpeedRpm }: Pick<Candidate, 'prop' | 'fullSpeedRpm'>,
): Manoeuvres {
  const { craft } = prepared;
  const nothing: Manoeuvres = { topSpeedMPerS: null, yawDragRatio: null, yawKickNmS: null, pullOutM: null };
  if (!Number.isFinite(fullSpeedRpm)) return nothing;
  const topSpeedMPerS = levelTopSpeedMPerS({
    kind: craft.kind,
    massKg: craft.massKg,
    rotorCount: craft.rotorCount,
    dragAreaM2: usualDragAreaM2(craft.kind, craft.massKg),
    prop,
    fullSpeedRpm,
  });
  if (craft.kind === 'plane') return { ...nothing, topSpeedMPerS };
  const powertrain = powertrainOn(prepared, prop);
  const full = rotorAtThrottle(powertrain, 1);
  const sagged = rotorAtThrottle(
    { ...powertrain, supply: { ...powertrain.supply, openVoltageV: packOpenV(craft.pack, DIVE_CHARGE_RATIO) } },
    1,
  );
  const own = 'prop' in full ? rotorFigures(powertrain, full, craft.armM) : null;
  const thrustN = 'prop' in sagged ? sagged.prop.thrustN : 0;
  const ratio =
    (craft.rotorCount * (craft.isCoaxial ? COAXIAL_THRUST_RATIO : 1) * thrustN) / (craft.massKg * GRAVITY_M_PER_S2);
  return {
    topSpeedMPerS,
    yawDragRatio: own?.yawAuthorityRatio ?? null,
    yawKickNmS: own?.yawKickNmS ?? null,
    pullOutM: ratio > 0 ? pullOutHeightM(DIVE_M_PER_S, ratio) : null,
  };
}
