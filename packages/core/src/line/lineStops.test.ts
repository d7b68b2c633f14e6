import { expect, test } from '@jest/globals';
import { lineStops, type LineFacts } from './lineStops.ts';

const now = Date.UTC(2026, 10, 24);
const day = 86_400_000;
const stop = (stand: Partial<LineFacts['stand']>) => lineStops({ nowMs: now, stand: { keptRunCount: 6, inHandRunCount: 2, referenceRunCount: 2, lastKeptAtMs: now - 3 * day, hasBreach: false, ...stand } })[0]!;

test.each<[string, Partial<LineFacts['stand']>, string, string]>([
  ['nothing measured', { keptRunCount: 0, lastKeptAtMs: null }, 'empty', 'stand.noRuns'],
  ['measured and in date', {}, 'full', 'stand.measured'],
  ['one run of the prop in hand', { inHandRunCount: 1 }, 'half', 'stand.fewRuns'],
  ['no reference', { referenceRunCount: 0 }, 'half', 'stand.noReference'],
  ['long ago', { lastKeptAtMs: now - 200 * day }, 'half', 'stand.stale'],
  ['over a limit', { hasBreach: true }, 'notched', 'stand.breach'],
])('%s', (_name, facts, state, code) => expect(stop(facts)).toMatchObject({ station: 'stand', state, code }));
