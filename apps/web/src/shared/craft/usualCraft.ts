import { estimableFields, motorEstimates, type CraftDto } from '@zivvo/contract';
import { estimateMotor, usualCrafts, type UsualCraftName } from '@zivvo/core';

export type CraftForm = { [K in keyof CraftDto]: CraftDto[K] };

/** A craft of which nothing was said yet. */
export const blankCraft = {
  name: '',
  ownerName: null,
  layout: 'quadX',
  massKg: null,
  diagonalM: null,
  arms: null,
  spinTable: 'in',
  ownSpins: null,
  gearRatio: null,
  clearanceDiameterM: null,
  groundClearanceM: null,
  boomClearanceM: null,
  shaftDiameterM: null,
  motorLabel: '',
  statorDiameterM: null,
  statorHeightM: null,
  kvRpmPerV: null,
  motorResistanceOhm: null,
  motorNoLoadCurrentA: null,
  motorMassKg: null,
  estimatedFields: [...motorEstimates],
  motorLimitA: null,
  escLimitA: null,
  packChemistry: 'lipo',
  packSeriesCount: null,
  packParallelCount: 1,
  packCapacityAh: null,
  packPieceId: null,
  packCellResistanceOhm: null,
  packCRating: null,
  standbyPowerW: null,
  ductThrustRatio: null,
  referencePropModelId: null,
  kits: [],
  note: null,
} as unknown as CraftForm;

/** Entries of a craft as it is often built; each figure counts as estimated until it is typed over. */
export function usualCraftEntries(name: UsualCraftName): Partial<CraftForm> {
  const { propLabel: _often, ...figures } = usualCrafts[name];
  const { resistanceOhm, noLoadCurrentA, massKg } = estimateMotor(
    figures.statorDiameterM,
    figures.statorHeightM,
    figures.kvRpmPerV,
  );
  const entries = {
    ...figures,
    motorResistanceOhm: resistanceOhm,
    motorNoLoadCurrentA: noLoadCurrentA,
    motorMassKg: massKg,
  };
  return { ...entries, estimatedFields: estimableFields.filter((field) => entries[field] !== null) };
}
