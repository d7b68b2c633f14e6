import type { CraftDto, CraftView } from '@zivvo/contract';
import { carryThrustN, layoutKind, layOut, needsDiagonal } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { CraftRow } from './craft.repository.ts';

/** Columns of a craft from what was sent; what was left out is not known. */
export function toCraftColumns(dto: CraftDto) {
  return {
    name: dto.name.trim(),
    ownerName: dto.ownerName ?? null,
    layout: dto.layout,
    massKg: dto.massKg,
    diagonalM: needsDiagonal(dto.layout) ? dto.diagonalM : null,
    arms: dto.layout === 'custom' ? dto.arms : null,
    spinTable: dto.spinTable ?? 'in',
    ownSpins: dto.spinTable === 'own' ? dto.ownSpins : null,
    gearRatio: dto.gearRatio ?? null,
    clearanceDiameterM: dto.clearanceDiameterM ?? null,
    rotors: layOut(dto),
    groundClearanceM: dto.groundClearanceM ?? null,
    boomClearanceM: dto.boomClearanceM ?? null,
    shaftDiameterM: dto.shaftDiameterM ?? null,
    motorLabel: dto.motorLabel,
    statorDiameterM: dto.statorDiameterM,
    statorHeightM: dto.statorHeightM,
    kvRpmPerV: dto.kvRpmPerV,
    motorResistanceOhm: dto.motorResistanceOhm,
    motorNoLoadCurrentA: dto.motorNoLoadCurrentA,
    motorMassKg: dto.motorMassKg,
    estimatedFields: dto.estimatedFields,
    motorLimitA: dto.motorLimitA ?? null,
    escLimitA: dto.escLimitA ?? null,
    packChemistry: dto.packChemistry,
    packSeriesCount: dto.packSeriesCount,
    packParallelCount: dto.packParallelCount,
    packCapacityAh: dto.packCapacityAh,
    packPieceId: dto.packPieceId ?? null,
    packCellResistanceOhm: dto.packCellResistanceOhm ?? null,
    packCRating: dto.packCRating ?? null,
    standbyPowerW: dto.standbyPowerW ?? null,
    ductThrustRatio: dto.ductThrustRatio ?? null,
    referencePropModelId: dto.referencePropModelId ?? null,
    kits: dto.kits ?? [],
    note: dto.note ?? null,
  };
}

export function toCraftView(row: CraftRow): CraftView {
  const {
    workshopId: _workshop,
    personId: _person,
    deletedAt: _deleted,
    createdAt: _created,
    updatedAt: _updated,
    ...own
  } = row;
  return {
    ...own,
    ...toRowView(row),
    kind: layoutKind(row.layout),
    carryThrustN: carryThrustN(row.massKg, row.rotors.length, layoutKind(row.layout)),
  };
}
