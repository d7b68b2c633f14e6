import { describe, expect, test } from '@jest/globals';
import type { PieceView } from '@zivvo/contract';
import { defaultUnits } from '@zivvo/words';
import { expectedFit, findingsByPiece, isSameRow, measuresOf, rowOf } from './checkInView.ts';

const piece = { massKg: 0.010750000000000001, diameterM: 0.188, boreFit: null, look: null } as PieceView;

describe('a row of the check-in', () => {
  test('presets nothing, and shows what is written down in the reader’s units', () => {
    expect(rowOf(piece, defaultUnits)).toEqual({ mass: '10.75', diameter: '7.402', bore: '', look: '' });
    expect(rowOf(piece, { ...defaultUnits, length: 'mm' }).diameter).toBe('188');
  });
  test('reads units and commas, and says which cell cannot be', () => {
    expect(measuresOf({ mass: '7,92', diameter: '182.4 mm', bore: 'fits', look: 'good' }, defaultUnits)).toEqual({
      body: { massKg: expect.closeTo(0.00792, 9), diameterM: expect.closeTo(0.1824, 9), boreFit: 'fits', look: 'good' },
      bad: [],
    });
    expect(measuresOf({ mass: 'heavy', diameter: '0', bore: '', look: '' }, defaultUnits).bad).toEqual([
      'mass',
      'diameter',
    ]);
  });
  test('a closing zero is no change', () =>
    expect(
      isSameRow(
        { mass: '7.90', diameter: '', bore: '', look: '' },
        { mass: '7.9', diameter: '', bore: '', look: '' },
        defaultUnits,
      ),
    ).toBe(true));
});

test('the numbers say how a bore should fit, where both are known', () => {
  expect([expectedFit(0.005, 0.005), expectedFit(0.008, 0.006), expectedFit(null, 0.005)]).toEqual([
    'fits',
    'needsRing',
    null,
  ]);
});

test('findings are gathered by piece', () => {
  const found = findingsByPiece([
    { code: 'massTooCoarse', id: 'a', massKg: 1, resolutionKg: 1 },
    { code: 'massOutlier', id: 'a', massKg: 1, medianKg: 1 },
  ]);
  expect(found.get('a')).toHaveLength(2);
});
