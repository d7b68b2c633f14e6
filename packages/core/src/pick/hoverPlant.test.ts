import { expect, test } from '@jest/globals';
import { preparedOf, inches, surveyQuad } from '../test/pickCrafts.ts';
import { gainScale } from '../care/gains.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { hoverPlant } from './hoverPlant.ts';

const prepared = preparedOf(surveyQuad);

test('the slope at hover lies between the mean slopes below and above it: thrust bends upward', () => {
  const geometry = inches(7.2, 3.9, 3);
  const { figures } = evaluateCandidate(prepared, geometry);
  const plant = hoverPlant(prepared, geometry)!;
  const hoverN = (surveyQuad.massKg * 9.80665) / 4;
  expect(plant.slopeN).toBeGreaterThan(hoverN / figures.carryThrottleRatio);
  expect(plant.slopeN).toBeLessThan((2.2 * (figures.fullThrustN - hoverN)) / (1 - figures.carryThrottleRatio));
  expect(plant.riseS).toBe(figures.riseTimeS);
});

test('more diameter gives a steeper, slower plant, so gains are expected to come down', () => {
  const [before, now] = [hoverPlant(prepared, inches(7.2, 3.9, 3))!, hoverPlant(prepared, inches(7.8, 4.2, 3))!];
  expect(now.slopeN).toBeGreaterThan(before.slopeN);
  expect(now.riseS).toBeGreaterThan(before.riseS);
  const there = gainScale({
    oldSlopeN: before.slopeN,
    newSlopeN: now.slopeN,
    oldRiseS: before.riseS,
    newRiseS: now.riseS,
    inertiaRatio: 1,
  });
  const back = gainScale({
    oldSlopeN: now.slopeN,
    newSlopeN: before.slopeN,
    oldRiseS: now.riseS,
    newRiseS: before.riseS,
    inertiaRatio: 1,
  });
  expect(there.proportionalRatio).toBeLessThan(1);
  expect(back.proportionalRatio).toBeGreaterThan(1);
});

test('a prop that does not carry the craft has no plant at hover', () =>
  expect(hoverPlant(prepared, inches(3, 1.2, 2))).toBeNull());
