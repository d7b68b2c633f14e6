import type { PropModelView } from '@zivvo/contract';
import { INCH_M, propMaterials, tipShapes, type PropGeometry } from '@zivvo/core';
import { materialNames, tipNames } from '@zivvo/words';
import { propModelName } from '../shared/ui/propModelName.ts';
import type { AskedProp } from './pickMessages.ts';
import { geometryOf } from './pickCraftOf.ts';

/** A prop that may be picked: one of the rack, or a size that nobody has bought yet. */
export interface PickProp extends AskedProp {
  name: string;
  /** Tip and material in words, where the name does not say them. */
  detail: string;
  /** Null for a size that is not on the rack. */
  model: PropModelView | null;
}

export function propOfModel(model: PropModelView): PickProp {
  const pieces = model.stock ? model.stock.cwCount + model.stock.ccwCount : 0;
  const detail = model.wantedCount > 0 ? `wanted, ${model.wantedCount}` : pieces > 0 ? `${pieces} on the rack` : 'none on the rack';
  return { id: model.id, name: propModelName(model), detail, geometry: geometryOf(model), facts: { makerLimitRpm: model.speedLimitRpm, boreDiameterM: model.boreDiameterM }, model };
}

/** A prop that counts only with a whole set of it on the rack. */
export function ifOnRack(prop: PickProp): PickProp {
  const { cwCount, ccwCount } = prop.model?.stock ?? { cwCount: 0, ccwCount: 0 };
  return { ...prop, facts: { ...prop.facts, stock: { cwCount, ccwCount } } };
}

/** What a worker is asked about a prop. */
export function askedOf({ id, geometry, facts }: AskedProp): AskedProp {
  return { id, geometry, facts };
}

/** Sizes are bought in tenths of an inch. */
const STEP_M = 0.1 * INCH_M;

function toStep(valueM: number): number {
  return Math.round(valueM / STEP_M) / 10;
}

/** A size as part of an address: `7.4x3.4x2-pointed-polycarbonate`, in inches. */
export function keyOfSize({ diameterM, pitchM, bladeCount, tipShape, material }: PropGeometry): string {
  return `${toStep(diameterM)}x${toStep(pitchM)}x${bladeCount}-${tipShape}-${material}`;
}

/** The size behind a key; null where it is none. */
export function propOfKey(key: string): PickProp | null {
  const match = /^(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)x([1-8])-(\w+)-(\w+)$/.exec(key);
  const tipShape = tipShapes.find((t) => t === match?.[4]);
  const material = propMaterials.find((m) => m === match?.[5]);
  if (!match || !tipShape || !material) return null;
  const [diameterM, pitchM, bladeCount] = [Number(match[1]) * INCH_M, Number(match[2]) * INCH_M, Number(match[3])];
  if (!(diameterM >= 0.02 && diameterM <= 0.8 && pitchM > 0 && pitchM <= 2 * diameterM)) return null;
  const geometry: PropGeometry = { diameterM, pitchM, bladeCount, tipShape, material, section: 'cambered', massKg: null, droopM: null, rootCutOutRatio: null };
  return { id: key, name: `${match[1]}×${match[2]}×${match[3]}`, detail: `${tipNames[tipShape]} tips, ${materialNames[material]}`, geometry, facts: {}, model: null };
}

/** The prop behind an id of an address: a model of the rack, or a size. */
export function findProp(id: string, models: readonly PropModelView[]): PickProp | null {
  const model = models.find((m) => m.id === id);
  return model ? propOfModel(model) : propOfKey(id);
}
