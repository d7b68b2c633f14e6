// A logger's file of a million rows, through the page: looked at, read, saved, drawn; and reading against the bare
// parser.
import { chromium } from '@playwright/test';
import fs from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'vite';
import { chromiumPath } from '../scripts/chromium.mjs';
import * as core from '../packages/core/dist/index.js';
import { withDemoServer } from './demoServer.mjs';

const PORT = 4819;
const ROWS = 1_000_000;
const TIMES = 3;
const MOST_TABS_MS = 120_000;

export async function importFigures(seed) {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-import-'));
  try {
    const file = path.join(folder, 'million.csv');
    writeLog(file, seed);
    const ratio = await readingRatio(folder, file);
    const page = await throughThePage(file);
    const figure = (id, value, unit, target) => ({ id, value, unit, baseline: null, target });
    return [
      figure('stand.import.ratio', ratio, '', 1.8),
      figure('stand.import.preview.ms', page.previewMs, 'ms', 300),
      figure('stand.import.read.s', page.readMs / 1000, 's', 12),
      figure('stand.import.saved.s', page.savedMs / 1000, 's', 12),
      figure('stand.import.longestTask.ms', page.longestTaskMs, 'ms', 100),
      figure('stand.import.tab.mb', page.tabMb, 'MB', 500),
      figure('stand.chart.ms', page.chartMs, 'ms', 1000),
    ];
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

/** Eleven steps a thousand times a second, noise on every channel: time and seven readings a row. */
function writeLog(file, seed) {
  const random = core.seededRandom(`${seed}/import`);
  const steps = [0, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 0];
  const out = fs.openSync(file, 'w');
  fs.writeSync(out, 'time (ms),throttle (%),thrust (g),rpm,current (A),voltage (V),motor temp (C),vibration (g)\n');
  let thrust = 0;
  for (let i = 0; i < ROWS;) {
    const lines = [];
    for (const end = Math.min(ROWS, i + 20_000); i < end; i++) {
      const u = steps[Math.min(10, Math.floor((11 * i) / ROWS))];
      thrust += (1900 * u * u - thrust) / 250;
      const noise = random.next() - 0.5;
      lines.push(
        `${i},${(100 * u).toFixed(1)},${(thrust + 3 * noise).toFixed(2)},${(24_000 * Math.sqrt(u) + 90 * noise).toFixed(0)},${(30 * u ** 3 + 0.5 + 0.2 * noise).toFixed(3)},${(16.6 - 1.2 * u ** 3).toFixed(3)},${(25 + 30 * u + noise).toFixed(1)},${(0.3 * u + 0.05 + 0.05 * noise).toFixed(4)}`,
      );
    }
    fs.writeSync(out, `${lines.join('\n')}\n`);
  }
  fs.closeSync(out);
}

/** Reading with units, faults, ranges and steps, over the same parser in its default mode on the same text. */
async function readingRatio(folder, file) {
  const Papa = createRequire(new URL('../apps/web/package.json', import.meta.url))('papaparse');
  await build({
    root: path.resolve('apps/web'),
    configFile: false,
    logLevel: 'error',
    resolve: { conditions: ['source'] },
    ssr: { noExternal: true },
    build: { ssr: 'src/stand/samples/samplesWork.ts', outDir: path.join(folder, 'work'), minify: false },
  });
  const { SamplesWork } = await import(pathToFileURL(path.join(folder, 'work', 'samplesWork.js')).href);
  const bytes = fs.readFileSync(file);
  const text = bytes.toString('utf8');
  const blob = new Blob([bytes]);
  const ratios = [];
  for (let i = 0; i < TIMES; i++) {
    const bareFrom = performance.now();
    const { data } = Papa.parse(text);
    const bareMs = performance.now() - bareFrom;
    if (data.length < ROWS) throw new Error('the bare parser lost rows');
    const work = new SamplesWork();
    const { guess, hasHeader, mark } = await work.preview(blob);
    const from = performance.now();
    const read = await work.read(blob, { ...guess, hasHeader, mark, polePairs: 1 }, () => undefined);
    ratios.push((performance.now() - from) / bareMs);
    if (read.rowCount !== ROWS || read.steps.length !== 9) throw new Error('the file was not read whole');
  }
  return ratios.sort((a, b) => a - b)[Math.floor(TIMES / 2)];
}

async function throughThePage(file) {
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox'] });
  try {
    return await withDemoServer(PORT, async (address) => {
      const { items } = await (await fetch(`${address}/api/campaigns`)).json();
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.addInitScript(() => {
        window.tasks = [];
        new PerformanceObserver((list) => list.getEntries().forEach((e) => window.tasks.push(e.duration))).observe({
          type: 'longtask',
        });
      });
      const memory = watchTab();
      await page.goto(`${address}/stand/${items.find((c) => c.runCount > 20).id}/import`);
      const input = page.locator('input[type=file]');
      await input.waitFor({ state: 'attached' });
      await page.evaluate(() => {
        const seen = (id, there) => {
          const at = { [id]: performance.now() };
          if (window.at?.[id] === undefined && there()) window.at = { ...window.at, ...at };
        };
        document.querySelector('input[type=file]').addEventListener('change', () => seen('chosen', () => true), true);
        new MutationObserver(() => {
          const h1 = document.querySelector('h1')?.textContent ?? '';
          seen('preview', () => document.querySelector('[aria-label="Columns of the file"]') !== null);
          seen('read', () => /steps found/.test(h1));
          seen('kept', () => location.pathname.includes('/stand/runs/'));
        }).observe(document, { childList: true, subtree: true, characterData: true });
        window.tasks.length = 0;
      });
      await input.setInputFiles(file);
      await page.getByRole('heading', { level: 1, name: /steps found/ }).waitFor({ timeout: MOST_TABS_MS });
      await page.locator('select').filter({ hasText: 'choose' }).selectOption({ index: 2 });
      const doubted = page.getByRole('checkbox', { name: /Keep it all the same/ });
      if (await doubted.count()) await doubted.check();
      await page.evaluate(() => (window.at.asked = performance.now()));
      await page.getByRole('button', { name: 'Keep run' }).click();
      await page.getByRole('link', { name: 'All readings' }).waitFor({ timeout: MOST_TABS_MS });
      const { at, longestTaskMs } = await page.evaluate(() => ({
        at: window.at,
        longestTaskMs: Math.max(0, ...window.tasks),
      }));
      const tabMb = memory.end();
      const chartMs = await page.evaluate(async () => {
        const link = [...document.querySelectorAll('a')].find((a) => a.textContent === 'All readings');
        const from = performance.now();
        link.click();
        const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
        const isDrawn = () => {
          const canvas = document.querySelector('canvas');
          if (!canvas || canvas.width === 0) return false;
          const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
          let inked = 0;
          for (let i = 3; i < data.length; i += 4) if (data[i] > 0) inked++;
          return inked > 3000;
        };
        while (!isDrawn()) await frame();
        return performance.now() - from;
      });
      return {
        previewMs: at.preview - at.chosen,
        readMs: at.read - at.chosen,
        savedMs: at.kept - at.asked,
        longestTaskMs,
        tabMb,
        chartMs,
      };
    });
  } finally {
    await browser.close();
  }
}

/** The most memory that the tab of a browser holds, by its process. */
function watchTab() {
  let most = 0;
  const look = () => {
    for (const pid of fs.readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
      try {
        if (!fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) continue;
        const pages = Number(/^VmRSS:\s+(\d+)/m.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
        most = Math.max(most, pages / 1024);
      } catch {
        // It ended while it was looked at.
      }
  };
  const timer = setInterval(look, 150);
  return {
    end: () => {
      clearInterval(timer);
      look();
      return most;
    },
  };
}
