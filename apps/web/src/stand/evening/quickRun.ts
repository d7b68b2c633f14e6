import { readingLimits, type CreateRunDto, type KeepRunDto } from '@zivvo/contract';
import { emptyStep, fromSi, toSi, type PlannedRun } from '@zivvo/core';
import { unitFor, type UnitChoices } from '@zivvo/words';
import { numberIn } from '../../shared/forms/numberIn.ts';
import { freshGrid } from '../runGrid.ts';
import { cellVolts } from './planView.ts';

/** One reading at full throttle, as it is typed in a line. */
export interface QuickReading {
  thrust: string;
  current: string;
  rpm: string;
  voltage: string;
}

/** A run of readings at full throttle. */
export interface QuickEntry {
  packId: string;
  rest: string;
  readings: QuickReading[];
}

const BLANK: QuickReading = { thrust: '', current: '', rpm: '', voltage: '' };

export const blankEntry = (packId: string | null, count: number): QuickEntry => ({
  packId: packId ?? '',
  rest: '',
  readings: Array.from({ length: count }, () => BLANK),
});

/** Ranges of a reading in the reader's units. */
export function readingRanges(choices: UnitChoices): Record<keyof QuickReading, { min: number; max: number }> {
  const force = unitFor('force', choices);
  const { thrustN, currentA, speedRpm, voltageV } = readingLimits;
  return {
    thrust: { min: 0, max: fromSi(force, thrustN.max) },
    current: currentA,
    rpm: speedRpm,
    voltage: voltageV,
  };
}

/** Fields that cannot be read or lack, by name: a thrust in every reading, nothing unreadable. */
export function entryFaults(entry: QuickEntry, choices: UnitChoices): Set<string> {
  const faults = new Set<string>();
  const ranges = readingRanges(choices);
  entry.readings.forEach((reading, i) => {
    for (const name of ['thrust', 'current', 'rpm', 'voltage'] as const)
      if (numberIn(reading[name], ranges[name]).error !== undefined) faults.add(`${name}${i}`);
    if (reading.thrust.trim() === '') faults.add(`thrust${i}`);
  });
  const rest = cellVolts(entry.rest);
  if (rest !== null && !(rest >= 2.5 && rest <= 4.45)) faults.add('rest');
  return faults;
}

/** What starts the run: the texts stand in its grid, so that a draft that is not kept loses nothing. */
export function startBody(
  id: string,
  { propId, kitId }: Pick<PlannedRun, 'propId' | 'kitId'>,
  entry: QuickEntry,
  choices: UnitChoices,
): CreateRunDto {
  const { columns } = freshGrid();
  const force = unitFor('force', choices).symbol;
  const cells = entry.readings.map((r) => ['100', r.thrust, r.rpm, r.current, r.voltage]);
  return {
    id,
    propModelId: propId,
    kitId,
    packPieceId: entry.packId === '' ? null : entry.packId,
    replacesRunId: null,
    draft: {
      columns: columns.map((c) => (c.quantity === 'thrustN' ? { ...c, unitSymbol: force } : c)),
      cells,
      restingCell: entry.rest,
      zeroBefore: '',
      zeroAfter: '',
    },
  };
}

/** What keeps the run, of an entry without faults. */
export function keepBody(entry: QuickEntry, choices: UnitChoices, revision: number): KeepRunDto {
  const force = unitFor('force', choices);
  const ranges = readingRanges(choices);
  return {
    steps: entry.readings.map((reading) => {
      const of = (name: keyof QuickReading): number | null => numberIn(reading[name], ranges[name]).value;
      return {
        ...emptyStep(),
        throttleRatio: 1,
        thrustN: toSi(force, of('thrust')!),
        currentA: of('current'),
        speedRpm: of('rpm'),
        voltageV: of('voltage'),
      };
    }),
    readingKinds: [],
    restingCellV: cellVolts(entry.rest),
    zeroBeforeN: null,
    zeroAfterN: null,
    packPieceId: entry.packId === '' ? null : entry.packId,
    revision,
  };
}
