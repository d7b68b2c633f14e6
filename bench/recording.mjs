// Recordings: what the last minute of six hours costs against the first, and how long a view of 20 million samples
// takes.
import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 } from 'uuid';
import * as core from '../packages/core/dist/index.js';
import { AppModule } from '../apps/server/dist/app.module.js';
import { dressApplication } from '../apps/server/dist/application.js';
import { readConfig } from '../apps/server/dist/config.js';
import { DB } from '../apps/server/dist/database/database.js';
import { RecordingService } from '../apps/server/dist/recording/recording.service.js';

const RATE_HZ = 50;
const CHANNELS = 12;
const SIX_HOURS_S = 6 * 3600;
const SAMPLES = 20_000_000;
const MINUTE_S = 60;
const POINTS = 2000;
const VIEWS = 120;

export async function recordingFigures(seed) {
  const dataFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-bench-'));
  const config = { ...readConfig({}), dataFolder, port: 0 };
  const app = await NestFactory.create(AppModule.with(config), { bodyParser: false, logger: false });
  dressApplication(app, config);
  try {
    await app.listen(0, '127.0.0.1');
    const id = v7();
    const append = await fill(app, id, seed);
    const read = await views(app, id, seed);
    const { rows } = await app.get(DB).$client.query('select sum(length(payload)) as bytes from recording_block');
    const samples = Math.ceil(SAMPLES / CHANNELS) * CHANNELS;
    return [
      { id: 'recording.append.ratio', value: append.ratio, unit: '1', baseline: null, target: 1.2 },
      {
        id: 'recording.append.ms',
        value: append.lastMs,
        unit: 'ms a second of 12 channels',
        baseline: null,
        target: null,
      },
      { id: 'recording.read.ms', value: read.worstMs, unit: 'ms, worst of the views', baseline: null, target: 100 },
      { id: 'recording.read.median.ms', value: read.medianMs, unit: 'ms', baseline: null, target: null },
      {
        id: 'recording.bytesPerSample',
        value: Number(rows[0].bytes) / samples,
        unit: 'bytes',
        baseline: null,
        target: 5,
      },
    ];
  } finally {
    await app.close();
    fs.rmSync(dataFolder, { recursive: true, force: true });
  }
}

/** Six hours and more, each second written and synced as the stand writes it. */
async function fill(app, id, seed) {
  const recordings = app.get(RecordingService);
  const db = app.get(DB);
  const channels = Array.from({ length: CHANNELS }, (_, c) => core.floatChannel(`channel${c}`, null));
  await recordings.create(db, id, [{ name: 'stand', rateHz: RATE_HZ, channels }]);
  const writer = await recordings.begin(id);
  const random = core.seededRandom(`${seed}/recording`);
  const second = (s) =>
    channels.map((_, c) =>
      Float32Array.from(
        { length: RATE_HZ },
        (_unused, i) => 10 * c + Math.sin((s + i / RATE_HZ) / (c + 1)) + 0.1 * random.normal(),
      ),
    );
  const seconds = Math.ceil(SAMPLES / CHANNELS / RATE_HZ);
  const times = [];
  for (let s = 0; s < seconds; s++) {
    const values = second(s);
    const startMs = performance.now();
    await recordings.write(db, writer.next(0, writer.segment.startS + s, values));
    times.push(performance.now() - startMs);
  }
  const cost = (from) => times.slice(from, from + MINUTE_S).reduce((sum, ms) => sum + ms, 0);
  return { ratio: cost(SIX_HOURS_S - MINUTE_S) / cost(MINUTE_S), lastMs: cost(SIX_HOURS_S - MINUTE_S) / MINUTE_S };
}

/** Views of all channels, from the whole to a few samples, over HTTP. */
async function views(app, id, seed) {
  const address = await app.getUrl();
  const random = core.seededRandom(`${seed}/views`);
  const wholeS = SAMPLES / CHANNELS / RATE_HZ;
  const times = [];
  for (let i = 0; i < VIEWS; i++) {
    const spanS = wholeS * 10 ** (-4 * random.next());
    const fromS = (wholeS - spanS) * random.next();
    const startMs = performance.now();
    const answer = await fetch(
      `${address}/api/recordings/${id}/samples?fromS=${fromS}&toS=${fromS + spanS}&count=${POINTS}`,
    );
    await answer.json();
    if (!answer.ok) throw new Error(`A view was refused: ${answer.status}`);
    times.push(performance.now() - startMs);
  }
  times.sort((a, b) => a - b);
  return { worstMs: times.at(-1), medianMs: times[Math.floor(VIEWS / 2)] };
}
