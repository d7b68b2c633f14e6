import { expect, test } from '@jest/globals';
import type { CraftView, PropModelView } from '@zivvo/contract';
import { yieldOf } from '@zivvo/core';
import { bySize, rackFindings, wantedText } from './rackView.ts';
import { bySupplier } from './yieldView.ts';

const model = (label: string, cwCount: number | null, ccwCount = 0, diameterM = 0.18): PropModelView =>
  ({
    id: label,
    label,
    makerName: null,
    diameterM,
    pitchM: 0.1,
    stock: cwCount === null ? null : { cwCount, ccwCount, countedAt: '' },
  }) as PropModelView;

test('full sets take two of each hand, and the hand that runs out first is named', () => {
  const findings = rackFindings([model('a', 4, 4), model('b', 4, 3), model('c', 1, 4), model('d', null)]);
  expect(findings.fullSets).toBe(2 + 1 + 0);
  expect(findings.uncounted).toBe(1);
  expect(findings.shortages).toEqual([
    expect.objectContaining({ id: 'b', hand: 'ccw', missing: 1 }),
    expect.objectContaining({ id: 'c', hand: 'cw', missing: 3 }),
  ]);
});

test('smallest first', () =>
  expect(bySize([model('big', 1, 1, 0.3), model('small', 1, 1, 0.1)]).map((m) => m.label)).toEqual(['small', 'big']));

test('bags are summed by whoever sold them, the best first; what nobody named stays out', () => {
  const bag = (supplierName: string | null, propModelId: string, goodFromBagCount: number, rejectedCount: number) => ({
    batchId: `${supplierName}/${propModelId}`,
    propModelId,
    cameAt: '2026-10-01T10:00:00Z',
    supplierName,
    location: null,
    ...yieldOf({ goodFromBagCount, goodCorrectedCount: 0, rejectedCount, notJudgedCount: 0 }),
  });
  const models = [
    { id: 'm1', makerName: 'Orle' },
    { id: 'm2', makerName: 'Brindlow' },
  ] as unknown as PropModelView[];
  const found = bySupplier(
    [bag('Harbour', 'm1', 1, 3), bag('Harbour', 'm2', 3, 1), bag('Fell', 'm2', 4, 0), bag(null, 'm1', 0, 4)],
    models,
  );
  expect(found.map((s) => [s.supplierName, s.makers, s.pieceCount, s.usable!.ratio])).toEqual([
    ['Fell', ['Brindlow'], 4, 1],
    ['Harbour', ['Brindlow', 'Orle'], 8, 0.5],
  ]);
});

test('what is wanted is told by hand where the craft is known', () => {
  const rotors = [{ spin: 'cw' }, { spin: 'ccw' }, { spin: 'cw' }, { spin: 'ccw' }] as CraftView['rotors'];
  const crafts = [{ id: 'c1', name: 'Dunlin', kind: 'multirotor' as const, rotors }];
  expect(wantedText({ wantedCount: 8, wantedCraftId: 'c1' }, crafts)).toBe('wanted for Dunlin: 4 CW and 4 CCW');
  expect(wantedText({ wantedCount: 3, wantedCraftId: 'gone' }, crafts)).toBe('wanted: 3');
});
