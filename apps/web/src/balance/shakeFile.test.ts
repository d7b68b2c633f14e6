import { expect, test } from '@jest/globals';
import { onceAround, risingEdges } from '@zivvo/core';
import { recordingOf, ShakeTable } from './shakeFile.ts';

const rateHz = 1000;
const rows = [
  ['t', 'a', 'tacho'],
  ...Array.from({ length: 2000 }, (_, i) => [
    String(i / rateHz),
    String(9.81 + 1.5 * Math.cos((2 * Math.PI * 25 * i) / rateHz)),
    (i * 25) % rateHz < 50 ? '5' : '0',
  ]),
];

function tableOf(cells: readonly (readonly string[])[]): ShakeTable {
  const table = new ShakeTable();
  // Piece by piece, as it comes from a large file.
  for (let i = 0; i < cells.length; i += 300) table.add(cells.slice(i, i + 300));
  return table;
}

test('headings are passed over; the tacho’s rising edges are the marks', () => {
  const recording = recordingOf(tableOf(rows), { time: 0, acceleration: 1, tacho: 2 }, 1500);
  expect(recording.rateHz).toBeCloseTo(1000, 6);
  const found = onceAround(recording);
  expect(found.amplitudeMPerS2).toBeCloseTo(1.5, 2);
  expect(found.speedRpm).toBeCloseTo(1500, 3);
});

test('without a tacho the rough speed leads', () => {
  expect(onceAround(recordingOf(tableOf(rows), { time: 0, acceleration: 1, tacho: null }, 1450))).toMatchObject({
    amplitudeMPerS2: expect.closeTo(1.5, 1),
    phaseDegrees: null,
  });
});

test('edges lie between samples, a flat line has none, a file without numbers is refused', () => {
  expect(risingEdges([0, 0, 1, 1, 0, 1], 10)).toEqual([expect.closeTo(0.15, 9), expect.closeTo(0.45, 9)]);
  expect(risingEdges([1, 1, 1], 10)).toEqual([]);
  expect(() => recordingOf(tableOf([['a', 'b']]), { time: 0, acceleration: 1, tacho: null }, 1000)).toThrow();
});

test('columns without a name get a number, and decimal commas are read', () => {
  const table = tableOf([
    ['0', '1,5', ''],
    ['0,001', '1,6', 'x'],
  ]);
  expect(table.names).toEqual(['column 1', 'column 2', 'column 3']);
  expect(table.columns).toEqual([
    [0, 0.001],
    [1.5, 1.6],
    [NaN, NaN],
  ]);
});
