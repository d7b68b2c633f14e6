import { expect, test } from '@jest/globals';
import { layOut } from '@zivvo/core';
import { craftDrawing } from './craftDrawing.ts';

test('the drawing is to scale, nose up: front motors above rear ones', () => {
  const drawing = craftDrawing(layOut({ layout: 'quadX', diagonalM: 0.3, arms: null }), 0.18);
  expect(drawing.shafts.find((r) => r.place === 'frontLeft')).toMatchObject({
    x: expect.closeTo(-0.106, 3),
    y: expect.closeTo(-0.106, 3),
    spins: ['cw'],
  });
  expect(drawing.gap).toMatchObject({ freeM: expect.closeTo(0.3 / Math.SQRT2 - 0.18, 9) });
});

test('a pair one above the other is one shaft with two spins, upper first', () => {
  const drawing = craftDrawing(layOut({ layout: 'y6', diagonalM: 0.5, arms: null }), 0.25);
  expect(drawing.shafts.map((s) => s.spins)).toEqual([
    ['cw', 'ccw'],
    ['ccw', 'cw'],
    ['cw', 'ccw'],
  ]);
});

test('a single shaft has no gap and still has room for its disc', () => {
  const drawing = craftDrawing(layOut({ layout: 'tractor', diagonalM: null, arms: null }), 0.28);
  expect(drawing.gap).toBeNull();
  expect(drawing.half).toBeGreaterThan(0.14);
});
