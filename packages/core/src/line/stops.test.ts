import { expect, test } from '@jest/globals';
import { balanceStop } from '../balance/balanceStop.ts';
import { fitStop, type FitStopFacts } from '../fit/fitStop.ts';
import { pickStop } from '../pick/pickStop.ts';
import { standStop, type StandStopFacts } from '../stand/standStop.ts';

const now = Date.UTC(2026, 10, 24);
const day = 86_400_000;

test.each<[string, Partial<StandStopFacts>, string, string]>([
  ['nothing measured', { keptRunCount: 0, lastKeptAtMs: null }, 'empty', 'stand.noRuns'],
  ['measured and in date', {}, 'full', 'stand.measured'],
  ['one run of the prop in hand', { inHandRunCount: 1 }, 'half', 'stand.fewRuns'],
  ['no reference', { referenceRunCount: 0 }, 'half', 'stand.noReference'],
  ['long ago', { lastKeptAtMs: now - 200 * day }, 'half', 'stand.stale'],
  ['over a limit', { hasBreach: true }, 'notched', 'stand.breach'],
])('stand: %s', (_name, facts, state, code) => {
  expect(
    standStop({
      nowMs: now,
      keptRunCount: 6,
      inHandRunCount: 2,
      referenceRunCount: 2,
      lastKeptAtMs: now - 3 * day,
      hasBreach: false,
      ...facts,
    }),
  ).toMatchObject({ station: 'stand', state, code });
});

test.each<[string, Parameters<typeof pickStop>[0], string, string]>([
  ['no prop', { diameterM: null, largestDiscM: 0.2, runCount: 0 }, 'empty', 'pick.noReference'],
  ['too large', { diameterM: 0.21, largestDiscM: 0.2, runCount: 2 }, 'notched', 'pick.discsMeet'],
  ['predicted', { diameterM: 0.18, largestDiscM: 0.2, runCount: 0 }, 'half', 'pick.predicted'],
  ['measured, nothing in its way', { diameterM: 0.18, largestDiscM: null, runCount: 2 }, 'full', 'pick.measured'],
])('pick: %s', (_name, facts, state, code) => expect(pickStop(facts)).toMatchObject({ station: 'pick', state, code }));

test.each<[number, number, string, string]>([
  [0, 0, 'empty', 'balance.nothingFitted'],
  [4, 0, 'notched', 'balance.unbalanced'],
  [4, 3, 'half', 'balance.unbalanced'],
  [4, 4, 'full', 'balance.allBalanced'],
])('balance: %i fitted, %i of them balanced', (fittedCount, truedCount, state, code) =>
  expect(balanceStop({ fittedCount, truedCount })).toMatchObject({ station: 'balance', state, code }),
);

test.each<[Partial<FitStopFacts>, string, string, number]>([
  [{ unknownCount: 4 }, 'empty', 'fit.stop.unknown', 4],
  [{ unknownCount: 1 }, 'half', 'fit.stop.unknown', 1],
  [{ wrongCount: 1 }, 'notched', 'fit.stop.wrong', 1],
  [{ isWrong: true }, 'notched', 'fit.stop.wrong', 4],
  [{}, 'half', 'fit.stop.unseen', 4],
  [{ unseenCount: 0, isUnsigned: true }, 'half', 'fit.stop.unsigned', 4],
  [{ unseenCount: 0 }, 'full', 'fit.stop.right', 4],
])('fit: %j is %s', (facts, state, code, count) => {
  expect(
    fitStop({
      armCount: 4,
      unknownCount: 0,
      wrongCount: 0,
      unseenCount: 4,
      isWrong: false,
      isUnsigned: false,
      ...facts,
    }),
  ).toMatchObject({ station: 'fit', state, code, values: { count, of: 4 } });
});
