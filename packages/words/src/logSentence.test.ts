import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { logSentence } from './index.ts';

const plain = (entry: Parameters<typeof logSentence>[0]): string => logSentence(entry).replace(/\u202f/g, ' ');

describe('the maintenance log in words', () => {
  test.each([
    [
      { kind: 'walkedRound', tag: null, values: { propCount: 4, durationS: 45, findingCount: 0, outcome: 'fly' } },
      'Walked round, 4 props in 45 s: nothing found, may fly',
    ],
    [
      { kind: 'pieceRetired', tag: 'AB12', values: { as: 'scrapped', reason: 'white at the root' } },
      'AB12: retired, scrapped, made unflyable: white at the root',
    ],
    [
      { kind: 'struck', tag: null, values: { thing: 'twigs', throttleRatio: 0.4, severity: 'light', isCrash: false } },
      'Hit twigs at 40 % throttle, light',
    ],
    [
      { kind: 'gainsFlown', tag: null, values: { axis: 'roll', percent: 96, doesFlutter: false, doesReturn: false } },
      'Roll flown at 96 %: does not come back after a push',
    ],
    [
      { kind: 'pieceFitted', tag: 'AB12', values: { place: 'rearLeft', level: 0, reason: null } },
      'AB12: fitted, rear left',
    ],
  ])('%j', (entry, said) => expect(plain(entry)).toBe(said));

  test('a kind that is newer than the words is shown, not hidden', () =>
    expect(plain({ kind: 'polished', tag: null, values: {} })).toBe('polished'));

  test('everything that the ledger can hold of a craft or a piece has words', () => {
    const folder = fileURLToPath(new URL('../../../apps/server/src/', import.meta.url));
    const files = fs.readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.facts.ts'));
    const kinds = files
      .flatMap((f) => [...fs.readFileSync(folder + f, 'utf8').matchAll(/^ {2,4}(\w+): \{/gm)].map((m) => m[1]!))
      .filter(
        (kind) =>
          ![
            'stockCounted',
            'runKept',
            'runRemoved',
            'runRestored',
            'partChanged',
            'alertRaised',
            'alertReleased',
          ].includes(kind),
      );
    expect(kinds.length).toBeGreaterThan(20);
    const values = {
      outcome: 'fly',
      thing: 'net',
      severity: 'light',
      axis: 'roll',
      cause: 'bentShaft',
      as: 'scrapped',
      place: 'front',
    };
    expect(kinds.filter((kind) => logSentence({ kind, tag: null, values }) === kind)).toEqual([]);
  });
});
