import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { besselJ } from './besselJ.ts';
import { cubicWeights, emptyCubicWeights } from './cubicWeights.ts';
import { findRoot } from './findRoot.ts';
import { maximiseLinear } from './linearProgram.ts';
import { seededRandom } from './seededRandom.ts';

describe('findRoot', () => {
  test.each<[string, (x: number) => number, number, number, number]>([
    ['√2', (x) => x * x - 2, 0, 2, Math.SQRT2],
    ['Dottie number', (x) => Math.cos(x) - x, 0, 1, 0.739_085_133_215_160_6],
    ['a flat cubic', (x) => (x - 1) ** 3, -4, 5, 1],
    ['a root at the end', (x) => x, 0, 3, 0],
  ])('%s', (_name, f, low, high, root) => {
    const found = findRoot(f, low, high, 1e-13);
    expect(found.status === 'found' && found.x).toBeCloseTo(root, 5);
  });

  test('says when nothing is enclosed, and refuses nonsense', () => {
    expect(findRoot((x) => x * x + 1, -1, 1, 1e-9)).toEqual({ status: 'notEnclosed' });
    expect(() => findRoot((x) => x, 1, 1, 1e-9)).toThrow(OutOfRangeError);
    expect(() => findRoot(() => NaN, 0, 1, 1e-9)).toThrow(OutOfRangeError);
  });

  test('never leaves its bracket', () =>
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), (root) => {
        const found = findRoot((x) => Math.tanh(x - root), -100, 100, 1e-10);
        expect(found.status === 'found' && Math.abs(found.x - root)).toBeLessThan(1e-6);
      }),
    ));
});

describe('seededRandom', () => {
  test('the same seed gives the same numbers, forks go their own way', () => {
    const draw = (seed: string): number[] =>
      Array.from(
        { length: 5 },
        (
          (r) => () =>
            r.next()
        )(seededRandom(seed)),
      );
    expect(draw('a')).toEqual(draw('a'));
    expect(draw('a')).not.toEqual(draw('b'));
    expect(seededRandom('a').fork('x').next()).not.toBe(seededRandom('a').next());
  });

  test('is uniform and normal enough for simulators', () => {
    const random = seededRandom('moments');
    const normals = Array.from({ length: 20_000 }, () => random.normal());
    const mean = normals.reduce((a, b) => a + b) / normals.length;
    const variance = normals.reduce((a, b) => a + (b - mean) ** 2, 0) / normals.length;
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(Math.abs(variance - 1)).toBeLessThan(0.05);
  });
});

describe('Bessel functions', () => {
  test.each([
    [0, 1, 0.7651976866],
    [2, 1, 0.1149034849],
    [5, 5, 0.2611405461],
    [10, 10, 0.2074861066],
    [3, 0.01, 2.0833203e-8],
  ])('J%i(%d)', (order, x, expected) => expect(besselJ(order, x) / expected).toBeCloseTo(1, 6));
  test('obey their recurrence', () => {
    for (const [n, x] of [
      [4, 2.5],
      [12, 20],
      [40, 33],
    ] as const)
      expect(besselJ(n - 1, x) + besselJ(n + 1, x)).toBeCloseTo((2 * n * besselJ(n, x)) / x, 10);
  });
  test.each([
    [-1, 1],
    [1.5, 1],
    [1, -1],
    [1, NaN],
  ])('not at order %d, x %d', (order, x) => expect(() => besselJ(order, x)).toThrow());
});

test('cubic weights reproduce a cubic between and at the knots, and are held at the ends', () => {
  const cubic = (x: number): number => 2 - x + 0.5 * x ** 2 - 0.1 * x ** 3;
  for (const place of [0, 0.3, 1.5, 4.9, 6]) {
    const { start, w0, w1, w2, w3 } = cubicWeights(place, 7, emptyCubicWeights());
    expect(w0 * cubic(start) + w1 * cubic(start + 1) + w2 * cubic(start + 2) + w3 * cubic(start + 3)).toBeCloseTo(
      cubic(place),
      12,
    );
  }
  expect(cubicWeights(99, 7, emptyCubicWeights())).toEqual(cubicWeights(6, 7, emptyCubicWeights()));
});

describe('linear programs', () => {
  const program = (objective: number[], atMost: [number[], number][], equal: [number[], number][] = []) => ({
    objective,
    equal: equal.map(([row, bound]) => ({ row, bound })),
    atMost: atMost.map(([row, bound]) => ({ row, bound })),
  });

  test('the wood and brass of a textbook: 3x + 5y under three limits is 36 at (2, 6)', () => {
    expect(
      maximiseLinear(
        program(
          [3, 5],
          [
            [[1, 0], 4],
            [[0, 2], 12],
            [[3, 2], 18],
          ],
        ),
      ),
    ).toEqual({ status: 'found', value: 36, x: [2, 6] });
  });
  test('equalities and negative bounds are held', () => {
    const found = maximiseLinear(program([-1, -2], [[[-1, 0], -1]], [[[1, 1], 5]]));
    expect(found).toMatchObject({ status: 'found', value: -5, x: [5, 0] });
    expect(
      maximiseLinear(
        program(
          [1, 0],
          [],
          [
            [[1, 1], 5],
            [[2, 2], 10],
          ],
        ),
      ),
    ).toMatchObject({ status: 'found', value: 5 });
  });
  test('what nothing satisfies is infeasible, what never ends unbounded', () => {
    expect(maximiseLinear(program([1], [[[1], 1]], [[[1], 2]])).status).toBe('infeasible');
    expect(maximiseLinear(program([1, 0], [[[0, 1], 1]])).status).toBe('unbounded');
  });
  test('a row of the wrong length and a program too large are refused', () => {
    expect(() => maximiseLinear(program([1, 2], [[[1], 1]]))).toThrow(/row/);
    expect(() => maximiseLinear(program(new Array<number>(401).fill(1), []))).toThrow(/at most 400/);
  });
  test('no point of a random search lies above the answer', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.1, max: 3, noNaN: true }),
            fc.double({ min: 0.1, max: 3, noNaN: true }),
            fc.double({ min: 1, max: 9, noNaN: true }),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
        (rows, [u, v]) => {
          const found = maximiseLinear(
            program(
              [1, 2],
              rows.map(([a, b, c]): [number[], number] => [[a, b], c]),
            ),
          );
          if (found.status !== 'found') throw new Error(found.status);
          const [x, y] = [90 * u, 90 * v];
          if (rows.every(([a, b, c]) => a * x + b * y <= c)) expect(x + 2 * y).toBeLessThanOrEqual(found.value + 1e-7);
          for (const [a, b, c] of rows) expect(a * found.x[0]! + b * found.x[1]!).toBeLessThanOrEqual(c + 1e-7);
        },
      ),
      { seed: 9 },
    );
  });
});
