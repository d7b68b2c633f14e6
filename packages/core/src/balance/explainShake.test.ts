import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { explainShake } from './explainShake.ts';
import { shakeOf } from './targets.ts';

test('1 g·mm at 25,000 rpm pulls 6.9 N, as the shown formula says', () => {
  const working = explainShake(1e-6, 25_000, 0.7);
  expect(working.lines[0]!.value).toBeCloseTo(6.854, 3);
  expect(evaluateWorking(working)).toBeCloseTo(6.854 / (0.7 * 9.80665), 3);
});

test('the shown formulas on the shown inputs give the figure that the bench judges by', () => {
  const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  fc.assert(
    fc.property(positive(1e-9, 1e-4), positive(1000, 60_000), positive(0.02, 20), (unbalanceKgM, speedRpm, massKg) => {
      const working = explainShake(unbalanceKgM, speedRpm, massKg);
      const judged = shakeOf(unbalanceKgM, { massKg, hoverSpeedRpm: speedRpm });
      expect(evaluateWorking(working) / judged).toBeCloseTo(1, 9);
      expect(working.result.value).toBe(judged);
    }),
  );
});

test.each([
  [-1e-6, 9000, 1],
  [NaN, 9000, 1],
  [1e-6, 0, 1],
  [1e-6, 9000, 0],
])('%s kg·m at %s rpm on %s kg is refused', (unbalanceKgM, speedRpm, massKg) => {
  expect(() => explainShake(unbalanceKgM, speedRpm, massKg)).toThrow('outOfRange');
});
