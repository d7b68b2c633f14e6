import { requireWithin } from '../errors/guards.ts';
import type { PackChemistry } from '../powertrain/packChemistry.ts';

/** One way in which an airframe flies: what differs from how it is described. */
export interface Kit {
  name: string;
  /** Mass beside the described one [kg], negative where something is left off: payload, another pack, other motors. */
  addedMassKg: number;
  /** Another pack; null for the described one. */
  pack: { chemistry: PackChemistry; seriesCount: number; capacityAh: number } | null;
  /** Other motors; null for the described ones. What is not typed of them is estimated from their size. */
  motor: { label: string; statorDiameterM: number; statorHeightM: number; kvRpmPerV: number } | null;
  /** Of other speed controllers; null for the described ones. */
  escLimitA: number | null;
}

/** What of a craft a kit may change. */
export interface KittedCraft {
  massKg: number;
  escLimitA: number | null;
  motorLimitA: number | null;
  packChemistry: PackChemistry;
  packSeriesCount: number;
  packParallelCount: number;
  packCapacityAh: number;
  packPieceId: string | null;
  packCellResistanceOhm: number | null;
  packCRating: number | null;
  motorLabel: string;
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number;
  estimatedFields: readonly string[];
}

/** Figures of a motor that follow from its size while nobody has typed them. */
const MOTOR_ESTIMATES = ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'] as const;
/** The least that is left of a craft where a kit leaves something off [kg]. */
export const LEAST_KITTED_KG = 0.005;

/**
 * A craft as it flies with a kit; everything that the kit leaves open stays as it is described.
 *
 * @param craft - its mass and currents in kg and A, stator in m, capacity in Ah, as entered
 * @throws {OutOfRangeError} if less than {@link LEAST_KITTED_KG} or more than 1000 kg is left of its mass
 * @example withKit(craft, { name: 'camera on', addedMassKg: 0.2, pack: null, motor: null, escLimitA: null }).massKg // => 0.2 more
 */
export function withKit<C extends KittedCraft>(craft: C, { addedMassKg, pack, motor, escLimitA }: Kit): C {
  const massKg = craft.massKg + addedMassKg;
  requireWithin('massKg', massKg, LEAST_KITTED_KG, 1000);
  return {
    ...craft,
    massKg,
    escLimitA: escLimitA ?? craft.escLimitA,
    ...(pack && {
      packChemistry: pack.chemistry,
      packSeriesCount: pack.seriesCount,
      packParallelCount: 1,
      packCapacityAh: pack.capacityAh,
      packPieceId: null,
      packCellResistanceOhm: null,
      packCRating: null,
    }),
    ...(motor && {
      motorLabel: motor.label,
      statorDiameterM: motor.statorDiameterM,
      statorHeightM: motor.statorHeightM,
      kvRpmPerV: motor.kvRpmPerV,
      motorLimitA: null,
      estimatedFields: [...new Set([...craft.estimatedFields, ...MOTOR_ESTIMATES])],
    }),
  };
}
