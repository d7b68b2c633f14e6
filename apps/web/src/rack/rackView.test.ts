import { expect, test } from '@jest/globals';
import type { PropModelView } from '@zivvo/contract';
import { bySize, rackFindings } from './rackView.ts';

const model = (label: string, cwCount: number | null, ccwCount = 0, diameterM = 0.18): PropModelView => ({ id: label, label, makerName: null, diameterM, pitchM: 0.1, stock: cwCount === null ? null : { cwCount, ccwCount, countedAt: '' } }) as PropModelView;

test('full sets take two of each hand, and the hand that runs out first is named', () => {
  const findings = rackFindings([model('a', 4, 4), model('b', 4, 3), model('c', 1, 4), model('d', null)]);
  expect(findings.fullSets).toBe(2 + 1 + 0);
  expect(findings.uncounted).toBe(1);
  expect(findings.shortages).toEqual([expect.objectContaining({ id: 'b', hand: 'ccw', missing: 1 }), expect.objectContaining({ id: 'c', hand: 'cw', missing: 3 })]);
});

test('smallest first', () => expect(bySize([model('big', 1, 1, 0.3), model('small', 1, 1, 0.1)]).map((m) => m.label)).toEqual(['small', 'big']));
