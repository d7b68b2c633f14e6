import { expect, test } from '@jest/globals';
import { quadXLayout } from '@zivvo/core';
import { craftDrawing } from './craftDrawing.ts';

test('the drawing is to scale, nose up: front motors above rear ones', () => {
  const drawing = craftDrawing(quadXLayout(0.3), 0.18);
  expect(drawing.rotors.find((r) => r.place === 'frontLeft')).toMatchObject({ x: expect.closeTo(-0.106, 3), y: expect.closeTo(-0.106, 3) });
  expect(drawing.gap).toBeCloseTo(0.3 / Math.SQRT2 - 0.18, 9);
});
