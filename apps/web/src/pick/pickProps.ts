import type { PropModelView } from '@zivvo/contract';
import { INCH_M, labelGeometry, modelGeometry, propMaterials, tipShapes, type PropGeometry } from '@zivvo/core';
import { materialNames, tipNames } from '@zivvo/words';
import { propModelName } from '../shared/ui/propModelName.ts';
import type { AskedProp } from './pickMessages.ts';

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
  const detail =
    model.wantedCount > 0 ? `wanted, ${model.wantedCount}` : pieces > 0 ? `${pieces} on the rack` : 'none on the rack';
  return {
    id: model.id,
    name: propModelName(model),
    detail,
    geometry: modelGeometry(model),
    facts: { makerLimitRpm: model.speedLimitRpm, boreDiameterM: model.boreDiameterM },
    family: model.makerName,
    model,
  };
}

/** A prop that counts only with a whole set of it on the rack. */
export function ifOnRack(prop: PickProp): PickProp {
  const { cwCount, ccwCount } = prop.model?.stock ?? { cwCount: 0, ccwCount: 0 };
  return { ...prop, facts: { ...prop.facts, stock: { cwCount, ccwCount } } };
}

/** What a worker is asked about a prop. */
export function askedOf({ id, geometry, facts, family }: AskedProp): AskedProp {
  return { id, geometry, facts, family };
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

/** Under this props are sold by their millimetres. */
const TINY_M = 0.06;

/** A size as one speaks of it. */
function sizeText(diameterM: number, pitchM: number, bladeCount: number): string {
  return diameterM < TINY_M
    ? `${Math.round(1000 * diameterM)} mm × ${Math.round(1000 * pitchM)} × ${bladeCount}`
    : `${toStep(diameterM)}×${toStep(pitchM)}×${bladeCount}`;
}

/** The size behind a key; null where it is none. */
export function propOfKey(key: string): PickProp | null {
  const match = /^(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)x([1-8])-(\w+)-(\w+)$/.exec(key);
  const tipShape = tipShapes.find((t) => t === match?.[4]);
  const material = propMaterials.find((m) => m === match?.[5]);
  if (!match || !tipShape || !material) return null;
  const [diameterM, pitchM, bladeCount] = [Number(match[1]) * INCH_M, Number(match[2]) * INCH_M, Number(match[3])];
  if (!(diameterM >= 0.02 && diameterM <= 0.8 && pitchM > 0 && pitchM <= 2 * diameterM)) return null;
  const geometry = labelGeometry(diameterM, pitchM, bladeCount, tipShape, material);
  return {
    id: key,
    name: sizeText(diameterM, pitchM, bladeCount),
    detail: `${tipNames[tipShape]} tips, ${materialNames[material]}`,
    geometry,
    facts: {},
    family: null,
    model: null,
  };
}

/** The prop behind an id of an address: a model of the rack, or a size. */
export function findProp(id: string, models: readonly PropModelView[]): PickProp | null {
  const model = models.find((m) => m.id === id);
  return model ? propOfModel(model) : propOfKey(id);
}
