import { findRoot } from '../numerics/findRoot.ts';
import { INCH_M } from '../label/propLabel.ts';
import type { PackChemistry } from '../powertrain/packChemistry.ts';
import { usualMassKg } from '../propeller/bladeFlex.ts';
import type { PropGeometry, PropMaterial } from '../propeller/propGeometry.ts';
import { evaluateCandidate, type MarkedProp } from './evaluateCandidate.ts';
import { preparedWith, type PreparedCraft, type PickCraft } from './pickCraft.ts';

/** Changes that one may ask about. */
export const questionNames = [
  'inchMore',
  'halfPitchMore',
  'bladeMore',
  'squareTips',
  'softer',
  'cellMore',
  'kvHigher',
  'kvLower',
  'payloadMore',
] as const;
export type QuestionName = (typeof questionNames)[number];

/** What a change would do: the craft and prop as they are, and as they would be. */
export interface Answer {
  question: QuestionName;
  before: MarkedProp;
  after: MarkedProp;
  /** The changed craft made ready, for what is asked next. */
  prepared: PreparedCraft;
  /** Weight that comes with the change: a longer arm, a cell, the payload itself [kg]. */
  addedKg: number;
}

/** Share of a craft's weight that grows with its arms; an inch of disc takes that much more frame. A judgement. */
const FRAME_SHARE = 0.2;
/** Weight of cells for the charge they hold [kg/Ah]; packs weigh a tenth more for wires and wrap. */
const CELL_KG_PER_AH: Record<PackChemistry, number> = { lipo: 0.0235, lipoHighVoltage: 0.0232, liIon: 0.0158 };
const PACK_EXTRA_RATIO = 1.1;
const PAYLOAD_STEP_KG = 0.1;
const KV_STEP_RATIO = 0.1;
/** From stiff to soft. */
const SOFTER: Partial<Record<PropMaterial, PropMaterial>> = {
  carbon: 'carbonNylon',
  carbonNylon: 'glassNylon',
  wood: 'glassNylon',
  glassNylon: 'polycarbonate',
  polycarbonate: 'softPlastic',
  unknown: 'softPlastic',
};

/** Usual weight of a pack [kg] from its cells; good to ±15 %. */
export function usualPackKg(chemistry: PackChemistry, seriesCount: number, capacityAh: number): number {
  return PACK_EXTRA_RATIO * seriesCount * capacityAh * CELL_KG_PER_AH[chemistry];
}

/**
 * What one change to the present prop or craft would do. Weight that comes with it is counted: longer arms, the cell,
 * the payload.
 *
 * @returns null where the question makes no sense: square tips that are square already, nothing softer, a sixth blade
 */
export function answerQuestion(prepared: PreparedCraft, geometry: PropGeometry, question: QuestionName): Answer | null {
  const changed = changeOf(prepared.craft, geometry, question);
  if (!changed) return null;
  const craft = { ...changed.craft, massKg: changed.craft.massKg + changed.addedKg };
  const after = preparedWith(prepared, craft);
  return {
    question,
    before: evaluateCandidate(prepared, geometry),
    after: evaluateCandidate(after, changed.geometry),
    prepared: after,
    addedKg: changed.addedKg,
  };
}

/** A changed prop: a weighed one weighs more or less in the proportion in which usual ones do. */
function changedProp(geometry: PropGeometry, change: Partial<PropGeometry>): PropGeometry {
  const bare = { ...geometry, ...change, massKg: null, droopM: null, chord75M: null, angle75Rad: null };
  return geometry.massKg === null
    ? bare
    : { ...bare, massKg: (geometry.massKg * usualMassKg(bare)) / usualMassKg(geometry) };
}

function changeOf(
  craft: PickCraft,
  geometry: PropGeometry,
  question: QuestionName,
): { craft: PickCraft; geometry: PropGeometry; addedKg: number } | null {
  const { pack, motor } = craft;
  switch (question) {
    case 'inchMore': {
      const diameterM = geometry.diameterM + INCH_M;
      const growth = diameterM / geometry.diameterM - 1;
      const isOnArms = craft.neighbourDistanceM !== null;
      const room = (value: number | null): number | null => (value === null ? null : value + INCH_M);
      const roomier = isOnArms
        ? {
            ...craft,
            neighbourDistanceM: room(craft.neighbourDistanceM),
            clearanceDiameterM: room(craft.clearanceDiameterM),
            armM: craft.armM === null ? null : craft.armM * (1 + growth),
          }
        : craft;
      return {
        craft: roomier,
        geometry: changedProp(geometry, { diameterM }),
        addedKg: isOnArms ? FRAME_SHARE * craft.massKg * growth : 0,
      };
    }
    case 'halfPitchMore':
      return (geometry.pitchM + INCH_M / 2) / geometry.diameterM > 1.2
        ? null
        : { craft, geometry: changedProp(geometry, { pitchM: geometry.pitchM + INCH_M / 2 }), addedKg: 0 };
    case 'bladeMore':
      return geometry.bladeCount >= 6
        ? null
        : { craft, geometry: changedProp(geometry, { bladeCount: geometry.bladeCount + 1 }), addedKg: 0 };
    case 'squareTips':
      return geometry.tipShape === 'square'
        ? null
        : { craft, geometry: changedProp(geometry, { tipShape: 'square' }), addedKg: 0 };
    case 'softer': {
      const material = SOFTER[geometry.material];
      return material === undefined ? null : { craft, geometry: changedProp(geometry, { material }), addedKg: 0 };
    }
    case 'cellMore': {
      const seriesCount = pack.seriesCount + 1;
      return {
        craft: { ...craft, pack: { ...pack, seriesCount } },
        geometry,
        addedKg: usualPackKg(pack.chemistry, 1, pack.capacityAh),
      };
    }
    case 'kvHigher':
    case 'kvLower': {
      const kvRpmPerV = motor.kvRpmPerV * (1 + (question === 'kvHigher' ? KV_STEP_RATIO : -KV_STEP_RATIO));
      // Another winding in the same stator: resistance falls with the square of kV, the copper stays.
      const square = (motor.kvRpmPerV / kvRpmPerV) ** 2;
      const scaled = {
        ...motor,
        kvRpmPerV,
        resistanceOhm: motor.resistanceOhm === null ? null : motor.resistanceOhm * square,
        noLoadCurrentA: motor.noLoadCurrentA === null ? null : motor.noLoadCurrentA * (kvRpmPerV / motor.kvRpmPerV),
      };
      return { craft: { ...craft, motor: scaled }, geometry, addedKg: 0 };
    }
    case 'payloadMore':
      return { craft, geometry, addedKg: PAYLOAD_STEP_KG };
  }
}

const MASS_TOLERANCE_KG = 0.0005;
/** Share of the throttle at which a loaded craft may carry, and thrust it keeps over its weight. */
const LOADED_CARRY_MARGIN = 0.85;
const LOADED_THRUST_TO_WEIGHT = { multirotor: 1.6, plane: 0.3 } as const;

/**
 * The greatest payload that a prop still carries on a craft [kg on top of today's weight]: up to 68 % of the throttle
 * and 1.6 times the weight in thrust (planes: 72 %, 0.3).
 *
 * @returns null where it carries nothing more
 */
export function greatestPayloadKg(prepared: PreparedCraft, geometry: PropGeometry): number | null {
  const { craft } = prepared;
  const room = (addedKg: number): number => {
    const { margins, figures } = evaluateCandidate(
      preparedWith(prepared, { ...craft, massKg: craft.massKg + addedKg }),
      geometry,
    );
    return Math.min(
      LOADED_CARRY_MARGIN - margins.carry,
      (figures.thrustToWeightRatio || 0) - LOADED_THRUST_TO_WEIGHT[craft.kind],
      1 - margins.motorHeat,
    );
  };
  if (!(room(0) > 0)) return null;
  const root = findRoot(room, 0, 8 * craft.massKg, MASS_TOLERANCE_KG);
  return root.status === 'found' ? root.x : null;
}

/**
 * Weight that must be lost so that one inch less of diameter flies as long as today [kg].
 *
 * @returns null where no loss up to two thirds of the weight pays for it, and where it does not fly today
 */
export function weightForInchKg(prepared: PreparedCraft, geometry: PropGeometry): number | null {
  const { craft } = prepared;
  if (geometry.diameterM - INCH_M < 2 * INCH_M || geometry.pitchM / (geometry.diameterM - INCH_M) > 1.2) return null;
  const smaller = changedProp(geometry, { diameterM: geometry.diameterM - INCH_M });
  const today = evaluateCandidate(prepared, geometry).figures.enduranceS;
  if (!(today > 0)) return null;
  const lost = (kg: number): number => {
    const { figures } = evaluateCandidate(preparedWith(prepared, { ...craft, massKg: craft.massKg - kg }), smaller);
    return (figures.enduranceS || 0) - today;
  };
  if (lost(0) >= 0) return 0;
  const root = findRoot(lost, 0, 0.66 * craft.massKg, MASS_TOLERANCE_KG);
  return root.status === 'found' ? root.x : null;
}

/** A pack that could be flown. */
export interface ShelfPack {
  id: string;
  chemistry: PackChemistry;
  seriesCount: number;
  capacityAh: number;
  cellResistanceOhm: number | null;
  cRating: number | null;
}

export interface PackAnswer {
  pack: ShelfPack;
  enduranceS: number;
  massKg: number;
}

/**
 * The smallest pack on the shelf that gives the wanted minutes, its own weight counted against the present one.
 *
 * @returns every pack that can turn the prop, lightest first; the first with enough minutes is the answer
 */
export function packsForMinutes(
  prepared: PreparedCraft,
  geometry: PropGeometry,
  shelf: readonly ShelfPack[],
): PackAnswer[] {
  const { craft } = prepared;
  const presentKg = usualPackKg(craft.pack.chemistry, craft.pack.seriesCount, craft.pack.capacityAh);
  return shelf
    .filter((pack) => Math.abs(pack.seriesCount - craft.pack.seriesCount) <= 1)
    .map((pack) => {
      const packKg = usualPackKg(pack.chemistry, pack.seriesCount, pack.capacityAh);
      const massKg = craft.massKg - presentKg + packKg;
      const { figures, margins } = evaluateCandidate(
        preparedWith(prepared, { ...craft, massKg: Math.max(massKg, 0.3 * craft.massKg), pack }),
        geometry,
      );
      return { pack, massKg, enduranceS: margins.packSag <= 1 && margins.carry <= 1 ? figures.enduranceS : NaN };
    })
    .filter((answer) => Number.isFinite(answer.enduranceS))
    .sort((a, b) => a.massKg - b.massKg);
}
