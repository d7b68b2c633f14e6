import { expect, test } from '@jest/globals';
import { onceAround } from '@zivvo/core';
import { recordingOf, risingEdges } from './shakeFile.ts';

const rateHz = 1000;
const rows = [['t', 'a', 'tacho'], ...Array.from({ length: 2000 }, (_, i) => [String(i / rateHz), String(9.81 + 1.5 * Math.cos((2 * Math.PI * 25 * i) / rateHz)), (i * 25) % rateHz < 50 ? '5' : '0'])];

test('headings are passed over; the tacho’s rising edges are the marks', () => {
  const recording = recordingOf(rows, { time: 0, acceleration: 1, tacho: 2 }, 1500);
  expect(recording.rateHz).toBeCloseTo(1000, 6);
  const found = onceAround(recording);
  expect(found.amplitudeMPerS2).toBeCloseTo(1.5, 2);
  expect(found.speedRpm).toBeCloseTo(1500, 3);
});

test('without a tacho the rough speed leads', () => {
  expect(onceAround(recordingOf(rows, { time: 0, acceleration: 1, tacho: null }, 1450))).toMatchObject({ amplitudeMPerS2: expect.closeTo(1.5, 1), phaseDegrees: null });
});

test('edges lie between samples, a flat line has none, a file without numbers is refused', () => {
  expect(risingEdges([0, 0, 1, 1, 0, 1], 10)).toEqual([expect.closeTo(0.15, 9), expect.closeTo(0.45, 9)]);
  expect(risingEdges([1, 1, 1], 10)).toEqual([]);
  expect(() => recordingOf([['a', 'b']], { time: 0, acceleration: 1, tacho: null }, 1000)).toThrow();
});
