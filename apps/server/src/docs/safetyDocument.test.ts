import { expect, test } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../../../../', import.meta.url));
const read = (file: string): string => fs.readFileSync(path.join(root, file), 'utf8');

/** Every test of the project, by its file's name; several features may use one name. */
function testFiles(): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const folder of ['packages', 'apps', 'e2e']) {
    for (const file of fs.readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })) {
      if (!/\.(test|spec)\.tsx?$/.test(file) || /(^|\/)(dist|node_modules)\//.test(file)) continue;
      const name = path.basename(file);
      found.set(name, [...(found.get(name) ?? []), path.join(folder, file)]);
    }
  }
  return found;
}

/** What a promise names as its test, split at the semicolons. */
function proofs(): { promise: string; proof: string }[] {
  const rows = read('docs/safety.md')
    .split('\n')
    .filter((line) => line.startsWith('| ') && !line.startsWith('| What can hurt') && !line.startsWith('|---'));
  return rows.flatMap((row) => {
    const cells = row.split('|').map((c) => c.trim());
    return cells[3]!.split(';').map((proof) => ({ promise: cells[1]!, proof: proof.trim() }));
  });
}

/** Why a proof proves nothing; null where it stands. */
function faultOf(proof: string, tests: ReadonlyMap<string, string[]>): string | null {
  const [, file, about] = /`([\w.]+\.(?:test|spec)\.tsx?)`(?:, (.+))?/.exec(proof) ?? [];
  if (file !== undefined) {
    const texts = (tests.get(file) ?? []).map(read);
    if (texts.length === 0) return `there is no ${file}`;
    const words = about?.replace(/ in `npm.*$/, '').replace(/`/g, '');
    const isSaid = words === undefined || texts.some((t) => t.toLowerCase().includes(words.toLowerCase()));
    return isSaid ? null : `${file} says nothing of “${words}”`;
  }
  const [, script, only] = /`npm run (bench|studies) -- --only (\w+)`/.exec(proof) ?? [];
  if (script !== undefined)
    return new RegExp(`\\b${only}\\b`).test(read(`bench/${script}.mjs`)) ? null : `${script} has no ${only}`;
  const [, number] = /reference case (\d+)/.exec(proof) ?? [];
  if (number === undefined) return 'it names no test';
  return fs
    .readdirSync(path.join(root, 'packages/core/fixtures'))
    .some((f) => f.startsWith(`${number.padStart(2, '0')}_`))
    ? null
    : `there is no reference case ${number}`;
}

test('every promise of docs/safety.md names a test, and the test is there', () => {
  const tests = testFiles();
  const all = proofs();
  expect(all.length).toBeGreaterThan(50);
  const faults = all.flatMap(({ promise, proof }) => {
    const fault = faultOf(proof, tests);
    return fault === null ? [] : [`${promise}: ${fault}`];
  });
  expect(faults).toEqual([]);
});
