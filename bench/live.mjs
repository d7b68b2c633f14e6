// From an over-limit reading to throttle zero on the wall clock, while large imports are being saved.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import * as core from '../packages/core/dist/index.js';
import { BlobFiles } from '../apps/server/dist/blob/blob.files.js';
import { limitsOf, simulatedDevice } from '../apps/server/dist/live/simulatedDevice.js';

const CUTS = 150;
const IMPORT_BYTES = 60_000_000;

export async function cutFigures(seed) {
  const craft = {
    kvRpmPerV: 1080,
    motorResistanceOhm: 0.136,
    motorNoLoadCurrentA: 0.67,
    motorMassKg: 0.04,
    statorDiameterM: 0.025,
    packChemistry: 'lipo',
    packSeriesCount: 6,
    packCapacityAh: 4,
    packCellResistanceOhm: null,
    packCRating: null,
    escLimitA: 40,
    motorLimitA: null,
  };
  const model = {
    label: '7.2x3.9x3',
    makerName: 'Bench',
    diameterM: 7.2 * core.INCH_M,
    pitchM: 3.9 * core.INCH_M,
    bladeCount: 3,
    tipShape: 'standard',
    material: 'polycarbonate',
    measuredMassKg: 0.0079,
  };
  const device = simulatedDevice(
    craft,
    model,
    { temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5 },
    0.97,
    String(seed),
  );
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-bench-'));
  const worker = new Worker(new URL('./standCut.worker.mjs', import.meta.url), {
    workerData: { device, limits: limitsOf(craft, null), cutCount: CUTS },
  });
  let delays = null;
  const done = new Promise((resolve, reject) => {
    worker.once('message', (d) => resolve((delays = d)));
    worker.once('error', reject);
  });
  const files = new BlobFiles(folder);
  let savedCount = 0;
  while (delays === null) {
    const bytes = Buffer.alloc(IMPORT_BYTES, savedCount + 1);
    await files.store(bytes);
    savedCount++;
  }
  await done;
  await worker.terminate();
  fs.rmSync(folder, { recursive: true, force: true });
  const sorted = [...delays].sort((a, b) => a - b);
  return [
    { id: 'stand.cut.p99.ms', value: sorted[Math.floor(0.99 * sorted.length)], unit: 'ms', baseline: null, target: 50 },
    { id: 'stand.cut.imports', value: savedCount, unit: '1', baseline: null, target: null },
  ];
}
