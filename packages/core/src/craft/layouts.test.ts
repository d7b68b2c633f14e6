import { describe, expect, test } from '@jest/globals';
import {
  discGapM,
  isCoaxial,
  layoutKind,
  layouts,
  layOut,
  neighbourDistanceM,
  needsDiagonal,
  type Layout,
} from './layouts.ts';

const rotorsOf = (layout: Layout) =>
  layOut({
    layout,
    diagonalM: needsDiagonal(layout) ? 0.3 : null,
    arms:
      layout === 'custom'
        ? [
            { xM: 0.1, yM: -0.1, spin: 'cw' },
            { xM: 0.1, yM: 0.1, spin: 'ccw' },
            { xM: -0.15, yM: 0, spin: 'cw' },
          ]
        : null,
  });

test('an X quad is proposed as props in, front left clockwise', () => {
  expect(Object.fromEntries(rotorsOf('quadX').map((r) => [r.place, r.spin]))).toEqual({
    frontLeft: 'cw',
    frontRight: 'ccw',
    rearRight: 'cw',
    rearLeft: 'ccw',
  });
});

test.each<[Layout, number]>([
  ['tri', 3],
  ['quadPlus', 4],
  ['quadH', 4],
  ['quadVTail', 4],
  ['hexX', 6],
  ['hexPlus', 6],
  ['octoX', 8],
  ['octoPlus', 8],
  ['y6', 6],
  ['x8', 8],
  ['custom', 3],
  ['tractor', 1],
  ['pusher', 1],
  ['twinTractor', 2],
  ['twinPusher', 2],
])('%s has %i rotors', (layout, count) => {
  expect(rotorsOf(layout)).toHaveLength(count);
});

describe('the controller’s table', () => {
  test.each(layouts.filter((l) => layoutKind(l) === 'multirotor'))(
    'props out is every rotor of %s the other way round, and nothing else',
    (layout) => {
      const entries = {
        layout,
        diagonalM: needsDiagonal(layout) ? 0.3 : null,
        arms:
          layout === 'custom'
            ? [
                { xM: 0.1, yM: -0.1, spin: 'cw' as const },
                { xM: 0.1, yM: 0.1, spin: 'ccw' as const },
              ]
            : null,
      };
      const [inward, outward] = [layOut(entries), layOut({ ...entries, spinTable: 'out' })];
      expect(outward.map((r) => r.spin)).toEqual(inward.map((r) => (r.spin === 'cw' ? 'ccw' : 'cw')));
      expect(outward.map((r) => ({ ...r, spin: null }))).toEqual(inward.map((r) => ({ ...r, spin: null })));
    },
  );

  test('an own table names every rotor, no more and no less', () => {
    const own = { layout: 'quadX' as const, diagonalM: 0.3, arms: null, spinTable: 'own' as const };
    expect(layOut({ ...own, ownSpins: ['ccw', 'ccw', 'cw', 'cw'] }).map((r) => r.spin)).toEqual([
      'ccw',
      'ccw',
      'cw',
      'cw',
    ]);
    for (const ownSpins of [null, [], ['cw' as const], Array.from({ length: 5 }, () => 'cw' as const)])
      expect(() => layOut({ ...own, ownSpins })).toThrow(/ownSpins/);
  });
});

describe('every layout', () => {
  test.each(layouts)('%s names each shaft once and keeps the centre in the middle', (layout) => {
    const rotors = rotorsOf(layout);
    const names = rotors.map((r) => `${r.place}/${r.level}`);
    expect(new Set(names).size).toBe(names.length);
    if (layout === 'custom') return;
    expect(rotors.reduce((sum, r) => sum + r.yM, 0)).toBeCloseTo(0, 12);
  });

  test.each(['quadX', 'quadPlus', 'quadH', 'quadVTail', 'hexX', 'hexPlus', 'octoX', 'octoPlus'] as const)(
    '%s turns neighbours opposite ways',
    (layout) => {
      const rotors = rotorsOf(layout);
      rotors.forEach((r, i) => expect(r.spin).not.toBe(rotors[(i + 1) % rotors.length]!.spin));
    },
  );

  test.each(['y6', 'x8'] as const)('%s has pairs one above the other that turn against each other', (layout) => {
    const rotors = rotorsOf(layout);
    expect(isCoaxial(rotors)).toBe(true);
    for (const upper of rotors.filter((r) => r.level === 0)) {
      const lower = rotors.find((r) => r.level === 1 && r.place === upper.place)!;
      expect([lower.xM, lower.yM, lower.spin === upper.spin]).toEqual([upper.xM, upper.yM, false]);
    }
  });
});

test('the nearest shafts decide how large a disc may be', () => {
  expect(neighbourDistanceM(rotorsOf('quadX'))).toBeCloseTo(0.3 / Math.SQRT2, 12);
  expect(neighbourDistanceM(rotorsOf('hexX'))).toBeCloseTo(0.15, 12);
  expect(neighbourDistanceM(rotorsOf('x8'))).toBeCloseTo(0.3 / Math.SQRT2, 12);
  expect(neighbourDistanceM(rotorsOf('tractor'))).toBeNull();
  expect(discGapM(rotorsOf('twinTractor'), 0.28)).toBeCloseTo(0.02, 12);
  expect(discGapM(rotorsOf('pusher'), 0.2)).toBeNull();
});

test('measured arms: named by where they lie, two at one place are a pair, three are refused', () => {
  const arm = (xM: number, yM: number) => ({ xM, yM, spin: 'cw' as const });
  expect(
    layOut({ layout: 'custom', diagonalM: null, arms: [arm(0.2, 0), arm(0.1, 0.1), arm(0.12, 0.1), arm(0.2, 0)] }).map(
      (r) => [r.place, r.level],
    ),
  ).toEqual([
    ['front', 0],
    ['frontRight', 0],
    ['frontRightSide', 0],
    ['front', 1],
  ]);
  expect(() => layOut({ layout: 'custom', diagonalM: null, arms: [arm(0.2, 0), arm(0.2, 0), arm(0.2, 0)] })).toThrow(
    /two rotors/,
  );
  expect(() => layOut({ layout: 'custom', diagonalM: null, arms: [arm(0.2, 0)] })).toThrow();
  expect(() => layOut({ layout: 'custom', diagonalM: null, arms: [arm(NaN, 0), arm(0, 1)] })).toThrow();
});

test('a distance is asked for where the layout has one', () => {
  expect(() => layOut({ layout: 'quadX', diagonalM: null, arms: null })).toThrow();
  expect(() => layOut({ layout: 'twinPusher', diagonalM: -1, arms: null })).toThrow();
  expect(layouts.filter((l) => layoutKind(l) === 'plane')).toEqual(['tractor', 'pusher', 'twinTractor', 'twinPusher']);
});
