import { expect, test } from '@jest/globals';
import { hoverThrustN } from './hoverThrust.ts';
import { discGapM, quadXLayout } from './quadLayout.ts';

test('props in: neighbours turn opposite ways, diagonals alike, front left clockwise', () => {
  const spins = Object.fromEntries(quadXLayout(0.3).map((r) => [r.place, r.spin]));
  expect(spins).toEqual({ frontLeft: 'cw', frontRight: 'ccw', rearRight: 'cw', rearLeft: 'ccw' });
});

test('the diagonal is the distance of opposite motors', () => {
  const [frontLeft, , rearRight] = quadXLayout(0.3);
  expect(Math.hypot(frontLeft!.xM - rearRight!.xM, frontLeft!.yM - rearRight!.yM)).toBeCloseTo(0.3, 12);
  expect(discGapM(0.3, 0.3 / Math.SQRT2)).toBeCloseTo(0, 12);
});

test('each rotor carries its share', () => {
  expect(hoverThrustN(1.92, 4)).toBeCloseTo(4.7072, 4);
  expect(() => hoverThrustN(0, 4)).toThrow();
});
