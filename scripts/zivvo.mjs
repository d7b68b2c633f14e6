// Everything that `npm run …` does, in plain Node: installs when needed, builds when something changed, then does the
// job.
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { writeDataDictionary } from './dataDictionary.mjs';
import { build, ensureInstalled, requireNode } from './prepare.mjs';
import { serve, serveForDevelopment } from './serve.mjs';
import { ensureChromium } from './chromium.mjs';
import { quick, soak, test } from './test.mjs';
import { postgres } from './postgres.mjs';
import { probe } from './probe.mjs';
import { run, runNode } from './process.mjs';

process.chdir(path.dirname(path.dirname(fileURLToPath(import.meta.url))));
const [command, ...options] = process.argv.slice(2);

const commands = {
  demo: async () => {
    const dataFolder = path.resolve(process.env.ZIVVO_DATA ?? 'demo-data');
    if (options.includes('--reset')) fs.rmSync(dataFolder, { recursive: true, force: true });
    await build({ withDemo: true });
    await serve({ ZIVVO_WORKSHOP: 'demo', ZIVVO_DATA: dataFolder });
  },
  start: async () => {
    await build();
    await serve({ ZIVVO_WORKSHOP: 'own', ZIVVO_DATA: path.resolve(process.env.ZIVVO_DATA ?? 'data') });
  },
  dev: async () => {
    await build({ withWeb: false, withDemo: true });
    await serveForDevelopment();
  },
  /** What the tests run on, beside the compiled server. */
  prepare: async () => {
    const hasWeb = !options.includes('--without-web');
    await build({ withWeb: hasWeb, withDemo: true });
    if (hasWeb) ensureChromium();
  },
  quick,
  test,
  soak,
  probe,
  postgres: async () => {
    await build({ withWeb: false });
    postgres();
  },
  bench: async () => {
    await build({ withWeb: false, withDemo: true });
    runNode(['bench/bench.mjs', ...options]);
  },
  studies: async () => {
    await build({ withWeb: false });
    runNode(['bench/studies.mjs', ...options]);
  },
  vectors: async () => {
    await build({ withWeb: false });
    runNode(['bench/vectors.mjs', ...options]);
  },
  screenshots: async () => {
    await build({ withDemo: true });
    ensureChromium();
    runNode(['../node_modules/@playwright/test/cli.js', 'test', '--config', 'pictures.config.ts', ...options], {
      cwd: 'e2e',
    });
  },
  schema: async () => {
    await build({ withWeb: false });
    run(process.execPath, ['../../node_modules/drizzle-kit/bin.cjs', 'generate', ...options], { cwd: 'apps/server' });
    writeDataDictionary();
  },
};

const job = commands[command];
if (!job) {
  console.error(`Unknown command ${command ?? ''}. Known: ${Object.keys(commands).join(', ')}.`);
  process.exit(1);
}
requireNode();
ensureInstalled();
await job();
