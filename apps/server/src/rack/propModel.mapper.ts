import type { AvailableView, PropModelDto, PropModelView } from '@zivvo/contract';
import { writeLabel } from '@zivvo/words';
import { byHand } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { StockRow } from './stock.repository.ts';
import type { PropModelRow } from './propModel.repository.ts';

export function toPropModelColumns(dto: PropModelDto) {
  return {
    label: dto.label.trim(),
    makerName: dto.makerName ?? null,
    diameterM: dto.diameterM,
    pitchM: dto.pitchM,
    bladeCount: dto.bladeCount,
    tipShape: dto.tipShape,
    material: dto.material,
    planform: dto.planform ?? null,
    chord75M: dto.chord75M ?? null,
    angle75Rad: dto.angle75Rad ?? null,
    labelHand: dto.labelHand ?? null,
    measuredDiameterM: dto.measuredDiameterM ?? null,
    measuredMassKg: dto.measuredMassKg ?? null,
    speedLimitRpm: dto.speedLimitRpm ?? null,
    boreDiameterM: dto.boreDiameterM ?? null,
    mountKind: dto.mountKind ?? null,
    hubThicknessM: dto.hubThicknessM ?? null,
    cwLetters: dto.cwLetters ?? null,
    ccwLetters: dto.ccwLetters ?? null,
    cutFromModelId: dto.cutFromModelId ?? null,
    bagPrice: dto.bagPrice ?? null,
    bagCount: dto.bagCount ?? null,
    colour: dto.colour ?? null,
    note: dto.note ?? null,
  };
}

export function toPropModelView(
  row: PropModelRow,
  counted: StockRow | undefined,
  tagged: AvailableView | undefined,
): PropModelView {
  const {
    workshopId: _workshop,
    personId: _person,
    deletedAt: _deleted,
    createdAt: _created,
    updatedAt: _updated,
    ...own
  } = row;
  const stock = counted
    ? { cwCount: counted.cwCount, ccwCount: counted.ccwCount, countedAt: counted.countedAt.toISOString() }
    : tagged
      ? { ...byHand(tagged), countedAt: null }
      : null;
  return { ...own, ...toRowView(row), stock };
}

/** Maker and label, as a drawing writes it. */
export const writtenModelName = (row: Pick<PropModelRow, 'label' | 'makerName'>): string =>
  writeLabel(propModelName(row));

/** Short name for sentences: maker and label. */
export function propModelName(row: Pick<PropModelRow, 'label' | 'makerName'>): string {
  return row.makerName === null ? row.label : `${row.makerName} ${row.label}`;
}
