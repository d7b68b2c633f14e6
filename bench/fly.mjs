// Flight logs of 30 MB in a real browser: from the file to what was found, and the longest task of the page meanwhile.
import { chromiumPath } from '../scripts/chromium.mjs';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import * as core from '../packages/core/dist/index.js';
import { withDemoServer } from './demoServer.mjs';
import { flightPlan } from './flight.mjs';

const PORT = 4813;
const FILE_BYTES = 30_000_000;

export async function flyFigures(seed) {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-bench-'));
  const files = writeFiles(folder, seed);
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox'] });
  try {
    return await withDemoServer(PORT, async (address) => {
      const { items } = await (await fetch(`${address}/api/crafts`)).json();
      const { id } = items.find((c) => c.name === 'Petrel');
      const figures = [];
      let longest = 0;
      for (const [kind, file] of Object.entries(files)) {
        const { readS, longestTaskMs } = await read(browser, `${address}/fly/log?craft=${id}`, file);
        figures.push({ id: `flight.read.${kind}.s`, value: readS, unit: 's', baseline: null, target: 5 });
        longest = Math.max(longest, longestTaskMs);
      }
      return [
        ...figures,
        { id: 'flight.read.longestTask.ms', value: longest, unit: 'ms', baseline: null, target: 100 },
      ];
    });
  } finally {
    await browser.close();
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

async function read(browser, address, file) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    window.tasks = [];
    new PerformanceObserver((list) => list.getEntries().forEach((e) => window.tasks.push(e))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
  await page.goto(address);
  await page.getByText('Choose a log').waitFor();
  // The file is in the page before the clock starts: what is timed is what the page does with it.
  await page.evaluate(() => {
    window.chosenAt = null;
    document.querySelector('input[type=file]').addEventListener('change', () => (window.chosenAt = performance.now()), {
      capture: true,
    });
  });
  await page.setInputFiles('input[type=file]', file);
  const found = page.getByText('Which of these count?');
  const button = page.getByRole('button', { name: 'Read the flight' });
  await found.or(button).first().waitFor({ timeout: 60_000 });
  if (await button.isVisible()) await button.click();
  await found.waitFor({ timeout: 60_000 });
  const figures = await page.evaluate(() => ({
    readS: (performance.now() - window.chosenAt) / 1000,
    longestTaskMs: Math.max(0, ...window.tasks.filter((t) => t.startTime > window.chosenAt).map((t) => t.duration)),
  }));
  await page.close();
  return figures;
}

/** One flight over and over, until each file is of that size. */
function writeFiles(folder, seed) {
  const flight = core.simulateFlight({ ...flightPlan(`${seed}/read`, 1000), rateHz: 10 });
  const write = (name, text) => {
    const file = path.join(folder, name);
    fs.writeFileSync(file, text);
    return file;
  };
  const timesFor = (bytes) => Math.ceil(FILE_BYTES / bytes);
  const gpx = timesFor(core.flightGpx(flight, 0).length);
  const csv = timesFor(core.flightCsv(flight).length);
  const ulog = timesFor(core.flightUlog(flight).length);
  return {
    gpx: write('long.gpx', core.flightGpx(repeated(flight, gpx), Date.parse('2026-11-20T08:00:00Z'))),
    csv: write('long.csv', core.flightCsv(repeated(flight, csv))),
    ulog: write('long.ulg', core.flightUlog(repeated(flight, ulog))),
  };
}

function repeated(flight, times) {
  const { track, battery, speeds, acceleration } = flight;
  const spanS = track.timeS.at(-1) + 0.1;
  const shifted = (list) =>
    Float64Array.from(
      { length: times * list.length },
      (_, i) => list[i % list.length] + spanS * Math.floor(i / list.length),
    );
  const again = (list, Kind) => Kind.from({ length: times * list.length }, (_, i) => list[i % list.length]);
  const all = (lists, Kind = Float64Array) =>
    Object.fromEntries(Object.entries(lists).map(([k, l]) => [k, again(l, Kind)]));
  const { timeS: _t, ...places } = track;
  const { timeS: _b, ...packs } = battery;
  const { rateHz, ...axes } = acceleration;
  return {
    ...flight,
    track: { timeS: shifted(track.timeS), ...all(places) },
    battery: { timeS: shifted(battery.timeS), ...all(packs) },
    speeds: { timeS: shifted(speeds.timeS), rpm: speeds.rpm.map((r) => again(r, Float64Array)) },
    acceleration: { rateHz, ...all(axes, Float32Array) },
  };
}
