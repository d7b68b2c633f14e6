import fs from 'node:fs';
import { ensureChromium } from './chromium.mjs';
import { runNode, runTogether } from './process.mjs';
import { build } from './prepare.mjs';

const RESULTS = '.cache/test';

/** Types, lint, boundaries, all unit tests: no browser. */
export async function quick() {
  await checkAll(['--without-web']);
  finish([jest('unit', [])]);
}

/** Everything: checks, Jest, the reference cases, journeys in a real browser. */
export async function test() {
  await checkAll([]);
  finish([jest('unit', []), ...allJourneys({})]);
}

/** The full figures: many kills, long journeys. */
export async function soak() {
  await build({ withDemo: true });
  ensureChromium();
  finish(allJourneys({ ZIVVO_SOAK: '1' }));
}

/** Checks types, lint and boundaries side by side with what else must be there: demo, web app, browser. */
async function checkAll(options) {
  fs.rmSync(RESULTS, { recursive: true, force: true });
  fs.mkdirSync(RESULTS, { recursive: true });
  await build({ withWeb: false });
  console.log('Checking types, lint and import boundaries…');
  await runTogether([
    [{ name: 'everything to run', args: ['scripts/zivvo.mjs', 'prepare', ...options] }],
    [{ name: 'lint', args: ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0'] }],
    [
      {
        name: 'the one form of the code',
        args: ['node_modules/prettier/bin/prettier.cjs', '.', '--check', '--log-level', 'warn'],
      },
      { name: 'types of the web app', args: ['node_modules/typescript/bin/tsc', '-p', 'apps/web', '--noEmit'] },
      {
        name: 'types of the tests',
        args: ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.tests.json', '--noEmit'],
      },
      {
        name: 'import boundaries',
        args: [
          'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
          '--config',
          '.dependency-cruiser.cjs',
          'packages',
          'apps/server/src',
          'apps/web/src',
        ],
      },
    ],
  ]);
}

/** Runs Jest and reads its own report; a suite that ran nothing has failed. */
function jest(name, args) {
  const file = `${RESULTS}/${name}.json`;
  runNode(
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--json',
      '--outputFile',
      file,
      '--testLocationInResults',
      '--maxWorkers',
      '100%',
      ...args,
    ],
    { isSoft: true },
  );
  const report = readReport(file);
  const failedSuites =
    report?.testResults.filter((s) => s.status === 'failed' && s.assertionResults.length === 0).length ?? 1;
  return { name, passed: report?.numPassedTests ?? 0, failed: (report?.numFailedTests ?? 0) + failedSuites };
}

/** Journeys in a real browser: first those that fly a stand, one at a time and alone; then two at a time. */
function allJourneys(env) {
  return [journeys('flown', 1, env), journeys('walked', 2, env)];
}

function journeys(project, workers, env) {
  const name = `journeys ${project}`;
  const file = `${RESULTS}/${project}.json`;
  runNode(['../node_modules/@playwright/test/cli.js', 'test', '--project', project, '--workers', String(workers)], {
    cwd: 'e2e',
    isSoft: true,
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: `../${file}` },
  });
  const { expected = 0, unexpected = 0, flaky = 0 } = readReport(file)?.stats ?? { unexpected: 1 };
  return { name, passed: expected, failed: unexpected + flaky };
}

function readReport(file) {
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : null;
}

function finish(counts) {
  for (const { name, passed, failed } of counts) console.log(`${name}: ${passed} passed, ${failed} failed`);
  const passed = counts.reduce((sum, c) => sum + c.passed, 0);
  const failed = counts.reduce((sum, c) => sum + c.failed + (c.passed + c.failed === 0 ? 1 : 0), 0);
  console.log(`${passed} passed, ${failed} failed`);
  process.exitCode = failed === 0 ? 0 : 1;
}
