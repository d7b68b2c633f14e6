import { expect, test } from '@jest/globals';
import { lineStops, type LineFacts } from './lineStops.ts';

const now = Date.UTC(2026, 10, 24);
const day = 86_400_000;
const stop = (stand: Partial<LineFacts['stand']>) => lineStops({ nowMs: now, pick: { diameterM: 0.18, largestDiscM: 0.2 }, true: { fittedCount: 0, truedCount: 0 }, fit: { armCount: 4, unknownCount: 0, wrongCount: 0, unseenCount: 4, isWrong: false, isUnsigned: false }, stand: { keptRunCount: 6, inHandRunCount: 2, referenceRunCount: 2, lastKeptAtMs: now - 3 * day, hasBreach: false, ...stand } }).find((s) => s.station === 'stand')!;

test.each<[string, Partial<LineFacts['stand']>, string, string]>([
  ['nothing measured', { keptRunCount: 0, lastKeptAtMs: null }, 'empty', 'stand.noRuns'],
  ['measured and in date', {}, 'full', 'stand.measured'],
  ['one run of the prop in hand', { inHandRunCount: 1 }, 'half', 'stand.fewRuns'],
  ['no reference', { referenceRunCount: 0 }, 'half', 'stand.noReference'],
  ['long ago', { lastKeptAtMs: now - 200 * day }, 'half', 'stand.stale'],
  ['over a limit', { hasBreach: true }, 'notched', 'stand.breach'],
])('%s', (_name, facts, state, code) => expect(stop(facts)).toMatchObject({ station: 'stand', state, code }));

const picked = (pick: LineFacts['pick'], inHandRunCount = 0) => lineStops({ nowMs: now, pick, true: { fittedCount: 4, truedCount: inHandRunCount }, fit: { armCount: 4, unknownCount: 0, wrongCount: 0, unseenCount: 4, isWrong: false, isUnsigned: false }, stand: { keptRunCount: inHandRunCount, inHandRunCount, referenceRunCount: 0, lastKeptAtMs: null, hasBreach: false } }).find((s) => s.station === 'pick')!;

test.each<[string, LineFacts['pick'], number, string, string]>([
  ['no prop', { diameterM: null, largestDiscM: 0.2 }, 0, 'empty', 'pick.noReference'],
  ['too large', { diameterM: 0.21, largestDiscM: 0.2 }, 2, 'notched', 'pick.discsMeet'],
  ['predicted', { diameterM: 0.18, largestDiscM: 0.2 }, 0, 'half', 'pick.predicted'],
  ['measured, nothing in its way', { diameterM: 0.18, largestDiscM: null }, 2, 'full', 'pick.measured'],
])('pick: %s', (_name, pick, runs, state, code) => expect(picked(pick, runs)).toMatchObject({ state, code }));

test.each<[number, number, string, string]>([
  [0, 0, 'empty', 'true.nothingFitted'],
  [4, 0, 'notched', 'true.untrued'],
  [4, 3, 'half', 'true.untrued'],
  [4, 4, 'full', 'true.allTrued'],
])('true: %i fitted, %i of them trued', (fittedCount, truedCount, state, code) => {
  const stops = lineStops({ nowMs: now, pick: { diameterM: null, largestDiscM: null }, true: { fittedCount, truedCount }, fit: { armCount: 4, unknownCount: 0, wrongCount: 0, unseenCount: 4, isWrong: false, isUnsigned: false }, stand: { keptRunCount: 0, inHandRunCount: 0, referenceRunCount: 0, lastKeptAtMs: null, hasBreach: false } });
  expect(stops.find((s) => s.station === 'true')).toMatchObject({ state, code });
});

test.each<[Partial<LineFacts['fit']>, string, string]>([
  [{ unknownCount: 4 }, 'empty', 'fit.stop.unknown'],
  [{ unknownCount: 1 }, 'half', 'fit.stop.unknown'],
  [{ wrongCount: 1 }, 'notched', 'fit.stop.wrong'],
  [{}, 'half', 'fit.stop.unseen'],
  [{ unseenCount: 0 }, 'full', 'fit.stop.right'],
])('fit: %j is %s', (fit, state, code) => {
  const stops = lineStops({ nowMs: now, pick: { diameterM: null, largestDiscM: null }, true: { fittedCount: 0, truedCount: 0 }, fit: { armCount: 4, unknownCount: 0, wrongCount: 0, unseenCount: 4, isWrong: false, isUnsigned: false, ...fit }, stand: { keptRunCount: 0, inHandRunCount: 0, referenceRunCount: 0, lastKeptAtMs: null, hasBreach: false } });
  expect(stops.find((s) => s.station === 'fit')).toMatchObject({ state, code });
});
