import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { StandQuantity } from './quantities.ts';
import { standQuantityNames } from './quantities.ts';
import { readRunTable, settleDecimalMark, type ReadingLimits } from './readRunTable.ts';
import { isHeaderRow, recognizeColumns, usualUnitSymbol } from './recognizeColumns.ts';

const limits = Object.fromEntries(
  standQuantityNames.map((q) => [q, { min: q === 'throttleRatio' ? 0 : -1e6, max: q === 'throttleRatio' ? 1 : 1e6 }]),
) as ReadingLimits;
const column = (quantity: StandQuantity | null, unitSymbol = quantity ? usualUnitSymbol(quantity) : '') => ({
  quantity,
  unitSymbol,
  readingKind: 'settledMean' as const,
});

describe('headers', () => {
  test.each<[string, StandQuantity | null, string]>([
    ['Throttle (%)', 'throttleRatio', '%'],
    ['ESC %', 'throttleRatio', '%'],
    ['Thrust [gf]', 'thrustN', 'g'],
    ['thrust_N', 'thrustN', 'N'],
    ['Scale, kg', 'thrustN', 'kg'],
    ['RPM', 'speedRpm', 'rpm'],
    ['Current (A)', 'currentA', 'A'],
    ['Pack voltage / V', 'voltageV', 'V'],
    ['Electrical power (W)', 'powerW', 'W'],
    ['Torque (Nm)', 'torqueNm', 'N·m'],
    ['Bell temp °F', 'temperatureC', '°F'],
    ['Vibration (g)', 'vibrationMPerS2', 'g'],
    ['Sound dB(A)', 'levelDb', 'dB(A)'],
    ['Remark', null, ''],
    ['', null, ''],
  ])('%s', (header, quantity, unit) =>
    expect(recognizeColumns([header])[0]).toMatchObject({ quantity, unitSymbol: unit }),
  );

  test('peak hold is told from settled means, and a quantity is given once', () => {
    expect(recognizeColumns(['Peak current (A)'])[0]).toMatchObject({ quantity: 'currentA', readingKind: 'peakHold' });
    expect(recognizeColumns(['Thrust (g)', 'Thrust 2 (g)']).map((c) => c.quantity)).toEqual(['thrustN', null]);
  });

  test('a header row has words and no bare numbers', () => {
    expect(isHeaderRow(['Throttle', 'Thrust'])).toBe(true);
    expect(isHeaderRow(['20', '190'])).toBe(false);
    expect(isHeaderRow(['', ''])).toBe(false);
  });
});

describe('decimal marks', () => {
  test.each([
    [[['3,5', '1,946']], 'comma'],
    [[['3.5', '1,946']], 'point'],
    [[['1,946', '2,310']], 'open'],
    [[['12', '13']], 'open'],
    [[['1.946,5']], 'comma'],
    [[['1,946.5']], 'point'],
  ])('%j is %s', (rows, mark) => expect(settleDecimalMark(rows)).toBe(mark));
});

describe('rows', () => {
  test('cells become SI, empty rows are counted, rows without throttle named', () => {
    const table = readRunTable(
      [
        ['50', '1,5 kg', 'x'],
        ['', '', ''],
        ['', '700', ''],
      ],
      [column('throttleRatio'), column('thrustN'), column(null)],
      'comma',
      limits,
    );
    expect(table.errors).toEqual([]);
    expect(table.steps[0]).toMatchObject({ throttleRatio: 0.5, thrustN: expect.closeTo(14.71, 2) });
    expect(table).toMatchObject({ emptyRowCount: 1, rowsWithoutThrottle: [2] });
  });

  test('each bad cell is an error with its place; nothing is dropped in silence', () => {
    const table = readRunTable(
      [
        ['120', 'heavy'],
        ['50', '1,946'],
      ],
      [column('throttleRatio'), column('thrustN')],
      'open',
      limits,
    );
    expect(table.errors.map((e) => [e.row, e.column, e.problem.status])).toEqual([
      [0, 0, 'outOfLimits'],
      [0, 1, 'notANumber'],
      [1, 1, 'ambiguous'],
    ]);
  });

  test('any cells: errors and readings account for every filled cell', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 })), { maxLength: 12 }),
        (rows) => {
          const table = readRunTable(rows, [column('throttleRatio'), column('thrustN')], 'open', limits);
          const filled = rows.flat().filter((c) => c.trim() !== '').length;
          const taken = table.steps.reduce(
            (sum, s) => sum + Number(s.throttleRatio !== null) + Number(s.thrustN !== null),
            0,
          );
          expect(taken + table.errors.length).toBe(filled);
        },
      ),
    ));
});
