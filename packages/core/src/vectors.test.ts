import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { makeAdapters } from '../../../bench/adapters.mjs';
import { compareCase } from '../../../bench/compareCase.mjs';
import * as core from './index.ts';

interface ReferenceFile {
  cases: {
    id: string;
    in: Record<string, unknown>;
    out: Record<string, unknown>;
    tol: Record<string, number | string>;
  }[];
}

const folder = fileURLToPath(new URL('../fixtures/', import.meta.url));
const names = fs.readdirSync(folder).filter((name) => name.endsWith('.json'));
const adapters = makeAdapters(core);

test('the copied families are all here', () =>
  expect(names.map((n) => n.slice(0, 2))).toEqual([
    '01',
    '02',
    '03',
    '04',
    '05',
    '06',
    '07',
    '08',
    '09',
    '10',
    '11',
    '12',
    '13',
    '14',
    '15',
    '16',
    '17',
    '18',
    '19',
    '20',
    '21',
    '22',
    '23',
    '24',
    '25',
    '26',
    '27',
    '28',
  ]));

describe.each(names)('%s', (name) => {
  const file = JSON.parse(fs.readFileSync(folder + name, 'utf8')) as ReferenceFile;
  test.each(file.cases.map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const out = adapters[name.slice(0, 2)]!(c.in);
    if (compareCase(c.out, out, c.tol) > 1) expect(out).toEqual(c.out);
    expect(compareCase(c.out, out, c.tol)).toBeLessThanOrEqual(1);
  });
});
