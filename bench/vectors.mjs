// Runs reference files against the core: `npm run vectors -- FOLDER [--emit FILE]`. Exits non-zero on any miss.
import fs from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import * as core from '../packages/core/dist/index.js';
import { makeAdapters } from './adapters.mjs';
import { compareCase } from './compareCase.mjs';

const adapters = makeAdapters(core);
const { values, positionals } = parseArgs({ allowPositionals: true, options: { emit: { type: 'string' } } });
const folder = positionals[0];
if (!folder || !fs.existsSync(folder)) {
  console.error('Name a folder of reference files: npm run vectors -- packages/core/fixtures');
  process.exit(2);
}
const emitted = {};
let misses = 0;
for (const name of fs
  .readdirSync(folder)
  .filter((f) => /^\d\d_.*\.json$/.test(f))
  .sort()) {
  const adapter = adapters[name.slice(0, 2)];
  const file = JSON.parse(fs.readFileSync(path.join(folder, name), 'utf8'));
  const title = name.replace(/\.json$/, '');
  if (!adapter) {
    console.log(`${title}: no adapter yet`);
    continue;
  }
  const results = file.cases.map((c) => ({ id: c.id, out: answer(adapter, c.in), worst: 0, case: c }));
  emitted[title] = results.map(({ id, out }) => ({ id, out }));
  const judged = results.filter((r) => r.case.out !== undefined);
  for (const r of judged) r.worst = compareCase(r.case.out, r.out, r.case.tol);
  const passed = judged.filter((r) => r.worst <= 1).length;
  misses += judged.length - passed;
  const worst = Math.max(0, ...judged.map((r) => r.worst));
  console.log(`${title}: ${passed}/${judged.length}, worst deviation ${worst.toPrecision(3)} of its tolerance`);
  for (const r of judged.filter((j) => j.worst > 1))
    console.log(`  ${r.id}: ${JSON.stringify(r.out)} instead of ${JSON.stringify(r.case.out)}`);
}
if (values.emit) fs.writeFileSync(values.emit, `${JSON.stringify(emitted, null, 1)}\n`);
process.exitCode = misses === 0 ? 0 : 1;

function answer(adapter, input) {
  try {
    return adapter(input);
  } catch (error) {
    return { error: error instanceof Error ? error.message : String(error) };
  }
}
