// Benchmarks: `npm run bench -- [--only NAME] [--seed N] [--json FILE]`.
import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import * as core from '../packages/core/dist/index.js';
import { simulatedCampaign } from './campaign.mjs';
import { labelCases } from './labelCases.mjs';
import { flyFigures } from './fly.mjs';
import { holdsFigures } from './holds.mjs';
import { importFigures } from './import.mjs';
import { listenFigures } from './listen.mjs';
import { cutFigures } from './live.mjs';
import { loadFigures } from './load.mjs';
import { pageFigures } from './page.mjs';
import { pickFigures } from './pick.mjs';
import { rackFigures } from './rack.mjs';
import { todayFigures } from './today.mjs';
import { recordingFigures } from './recording.mjs';
import { medianMs, report } from './report.mjs';

await report({
  label: (seed) => {
    const labels = labelCases(seed, 2000).map((c) => c.label);
    const ms = medianMs(() => labels.forEach((l) => core.readPropLabel(l)));
    return [{ id: 'label.read.us', value: (ms * 1000) / labels.length, unit: 'µs', baseline: null, target: 100 }];
  },
  reduce: (seed) => {
    const evening = simulatedCampaign({ seed, propCount: 9, runCount: 3 });
    const full = simulatedCampaign({ seed, propCount: 40, runCount: 10 });
    const long = simulatedCampaign({ seed, propCount: 30, runCount: 4, stepCount: 12 });
    return [
      {
        id: 'stand.reduce.27runs.ms',
        value: medianMs(() => core.reduceCampaign(evening)),
        unit: 'ms',
        baseline: null,
        target: 20,
      },
      {
        id: 'stand.results.ms',
        value: medianMs(() => core.reduceCampaign(long), 11),
        unit: 'ms',
        baseline: null,
        target: 150,
      },
      {
        id: 'stand.reduce.400runs.ms',
        value: medianMs(() => core.reduceCampaign(full), 11),
        unit: 'ms',
        baseline: null,
        target: 250,
      },
    ];
  },
  verdict: (seed) => {
    const random = core.seededRandom(`${seed}/verdict`);
    const wishes = ['thrust', 'minutes', 'quiet', 'cost'].map((name) => ({ name, weight: 5, matters: 0.03 }));
    const contenders = Array.from({ length: 20 }, (_, i) => ({
      id: `p${i}`,
      evidence: Object.fromEntries(wishes.map(({ name }) => [name, { gain: 0.02 * random.normal(), deviation: 0.05 }])),
    }));
    const ways = [{ name: 'standRun', tells: { thrust: 0.01, minutes: 0.015 }, minutes: 7 }];
    const value = medianMs(() => [core.verdict(contenders, wishes), core.nextTests(contenders, wishes, ways)]);
    return [{ id: 'verdict.ms', value, unit: 'ms', baseline: null, target: 500 }];
  },
  pick: pickFigures,
  import: importFigures,
  page: pageFigures,
  rack: rackFigures,
  today: todayFigures,
  holds: holdsFigures,
  load: loadFigures,
  recording: recordingFigures,
  live: cutFigures,
  fly: flyFigures,
  sound: listenFigures,
  bundle: () => {
    const folder = 'apps/web/dist/assets';
    if (!fs.existsSync(folder)) throw new Error('Build the web app first: npm run demo or npm test does.');
    const html = fs.readFileSync('apps/web/dist/index.html', 'utf8');
    const named = [...html.matchAll(/assets\/([\w.-]+\.js)/g)].map((m) => m[1]);
    const bytes = [...new Set(named)].reduce(
      (sum, name) => sum + gzipSync(fs.readFileSync(path.join(folder, name)), { level: 9 }).length,
      0,
    );
    return [{ id: 'web.entry.kB', value: bytes / 1000, unit: 'kB gzip', baseline: null, target: 320 }];
  },
});
