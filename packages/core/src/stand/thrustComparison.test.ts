import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { thrustAtSamePower } from './thrustComparison.ts';

const curve = [50, 200, 500, 900].map((powerW) => ({ powerW, thrustN: 0.35 * powerW ** 0.62 }));

test('a point on the curve is the same, one above it is more', () => {
  expect(thrustAtSamePower(curve, curve[2]!)!.ratio).toBeCloseTo(1, 12);
  expect(thrustAtSamePower(curve, { powerW: 300, thrustN: 1.06 * 0.35 * 300 ** 0.62 })!.ratio).toBeCloseTo(1.06, 9);
});

test('beyond what was measured it says that the curve is extended', () => {
  expect(thrustAtSamePower(curve, { powerW: 300, thrustN: 10 })!.isExtended).toBe(false);
  expect(thrustAtSamePower(curve, { powerW: 1200, thrustN: 30 })!.isExtended).toBe(true);
});

test.each([
  ['no curve', [], { powerW: 100, thrustN: 5 }],
  ['one point', [{ powerW: 100, thrustN: 5 }], { powerW: 100, thrustN: 5 }],
  ['no power', curve, { powerW: 0, thrustN: 5 }],
  ['power that is no number', curve, { powerW: NaN, thrustN: 5 }],
])('%s compares with nothing', (_what, other, point) => expect(thrustAtSamePower(other, point)).toBeNull());

test('readings that stand still or go back do no harm', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          powerW: fc.double({ min: 1, max: 1000, noNaN: true }),
          thrustN: fc.double({ min: 0.1, max: 50, noNaN: true }),
        }),
        { maxLength: 12 },
      ),
      (points) => {
        const found = thrustAtSamePower(points, { powerW: 100, thrustN: 5 });
        if (found) expect(Number.isFinite(found.ratio)).toBe(true);
      },
    ),
    { numRuns: 200, seed: 6 },
  );
});
