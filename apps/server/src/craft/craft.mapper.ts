import type { CraftDto, CraftView } from '@zivvo/contract';
import { hoverThrustN, quadXLayout } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { CraftRow } from './craft.repository.ts';

/** Columns of a craft from what was sent; what was left out is not known. */
export function toCraftColumns(dto: CraftDto) {
  return {
    name: dto.name.trim(),
    ownerName: dto.ownerName ?? null,
    kind: dto.kind,
    massKg: dto.massKg,
    diagonalM: dto.diagonalM,
    clearanceDiameterM: dto.clearanceDiameterM ?? null,
    rotors: quadXLayout(dto.diagonalM),
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
    referencePropModelId: dto.referencePropModelId ?? null,
    note: dto.note ?? null,
  };
}

export function toCraftView(row: CraftRow): CraftView {
  const { workshopId: _workshop, personId: _person, deletedAt: _deleted, groundClearanceM: _ground, createdAt: _created, updatedAt: _updated, ...own } = row;
  return { ...own, ...toRowView(row), hoverThrustN: hoverThrustN(row.massKg, row.rotors.length) };
}
