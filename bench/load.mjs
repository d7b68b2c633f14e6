// A shed at work: forty requests a second, whatever is still waiting, with an import and a run on the stand under way.
import fs from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { v7 } from 'uuid';
import * as core from '../packages/core/dist/index.js';
import { SAMPLES_AT_ONCE } from '../packages/contract/dist/index.js';
import { fillRack, get, post } from './demoRequests.mjs';
import { withDemoServer } from './demoServer.mjs';
import { startPinger } from './pinger.mjs';

const PORT = 4817;
const [PIECES, RUNS, SAMPLES] = [3000, 2000, 20_000_000];
const [RATE_HZ, WRITE_SHARE] = [40, 0.15];
const [SMALL_S, LARGE_S] = [40, 120];
/** What was started a moment ago is not at work yet: so long the load goes on before it is measured. */
const RUN_IN_S = 10;
const EVENING_RUNS = 25;
const CHANNELS = ['throttleRatio', 'thrustN', 'speedRpm', 'currentA', 'voltageV', 'powerW', 'temperatureC', 'torqueNm'];
const NO_ACTION = {
  isDynamic: null,
  craftId: null,
  place: null,
  level: null,
  as: null,
  setId: null,
  reason: null,
};

export async function loadFigures(seed) {
  return withDemoServer(PORT, async (address, pid) => {
    const shed = await shedOf(address, core.seededRandom(`${seed}/load`));
    const small = await underLoad(shed, pid, SMALL_S);
    tell('small', small);
    await fillRack(address, seed, PIECES);
    await checkIn(address);
    await fillStand(shed, RUNS);
    await fillRecordings(shed, SAMPLES);
    await lookAround(shed);
    const large = await underLoad(shed, pid, LARGE_S);
    tell('large', large);
    const figure = (id, value, unit, target) => ({ id, value, unit, baseline: null, target });
    return [
      figure('load.read.p95.ms', at(large.reads, 0.95), 'ms', 60),
      figure('load.write.p95.ms', at(large.writes, 0.95), 'ms', 120),
      figure('load.growth', at(large.reads, 0.95) / at(small.reads, 0.95), '', 1.5),
      figure('load.stall.ms', large.stallMs, 'ms', 100),
      figure('load.memory.MB', large.growthMB, 'MB', 250),
      figure('load.failed', large.failedCount, 'requests', 0),
    ];
  });
}

/** How long each route took. */
function tell(what, { byRoute }) {
  for (const [name, times] of [...byRoute].sort()) {
    const [half, most] = [0.5, 0.95].map((share) => Math.round(at(times, share)));
    console.log(`load ${what} ${name}: ${times.length} times, half within ${half} ms, 95 % within ${most} ms`);
  }
}

/** What the demo has, and what is asked of it and written into it. */
async function shedOf(address, random) {
  const { items: crafts } = await get(address, 'crafts');
  const { items: models } = await get(address, 'prop-models');
  const one = (list) => list[Math.floor(list.length * random.next())];
  const shed = { address, random, crafts, models, pieces: [], campaigns: [], draft: null };
  shed.reads = {
    today: () => 'today',
    lines: () => 'crafts/lines',
    pieces: () => `pieces?offset=${50 * Math.floor(6 * random.next())}&limit=50`,
    piece: () => `pieces/${one(shed.pieces).id}`,
    trays: () => `balance-jobs/trays?craftId=${one(crafts).id}`,
    care: () => `care/${one(crafts).id}`,
    fitting: () => `fittings/${one(crafts).id}`,
    results: () => `campaigns/${one(shed.campaigns).id}/results`,
    finder: () => `finder?words=${one(['ve', 'brin', 'petrel', 'drawer', one(shed.pieces).tag])}`,
  };
  shed.writes = {
    flight: () =>
      post(address, `care/${one(crafts).id}/flights`, {
        id: v7(),
        durationS: 200 + 200 * random.next(),
        packPieceId: null,
        strikes: [],
        note: null,
      }),
    move: () =>
      post(address, `pieces/${one(shed.pieces).id}/actions`, {
        ...NO_ACTION,
        action: 'move',
        location: `drawer ${Math.floor(40 * random.next())}`,
      }),
    draft: () => saveDraft(shed),
  };
  await lookAround(shed);
  const draftId = v7();
  const { id: campaignId } = shed.campaigns[0];
  const { revision } = await post(address, `campaigns/${campaignId}/runs`, {
    id: draftId,
    propModelId: models[0].id,
    packPieceId: null,
    replacesRunId: null,
    draft: DRAFT,
  });
  shed.draft = { id: draftId, revision };
  return shed;
}

const DRAFT = {
  columns: [{ quantity: 'thrustN', unitSymbol: 'g', readingKind: 'settledMean' }],
  cells: [['620'], ['700']],
  restingCell: '4.15',
  zeroBefore: '',
  zeroAfter: '',
};

/** Pieces and evenings as they are now; enough of them, not all. */
async function lookAround(shed) {
  const pages = await Promise.all(
    [0, 200, 400].map((offset) => get(shed.address, `pieces?offset=${offset}&limit=200`)),
  );
  shed.pieces = pages.flatMap((p) => p.items).filter((p) => p.state !== 'retired' && p.craftId === null);
  shed.campaigns = (await get(shed.address, 'campaigns')).items.slice(0, 40);
}

/** One person types, one save after another. */
async function saveDraft(shed) {
  const before = shed.saving ?? Promise.resolve();
  shed.saving = before.then(async () => {
    const answer = await fetch(`${shed.address}/api/runs/${shed.draft.id}/draft`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        ...DRAFT,
        cells: [[String(Math.floor(900 * shed.random.next()))]],
        revision: shed.draft.revision,
      }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    shed.draft.revision = (await answer.json()).revision;
  });
  return shed.saving;
}

/** Everything that came in is looked at; of three pieces that a shed ever had two are no longer on the shelf. */
async function checkIn(address) {
  for (;;) {
    const { items } = await get(address, 'pieces?state=new&limit=200');
    if (items.length === 0) return;
    const ids = items.map((p) => p.id);
    await post(address, 'pieces/actions', { ids, action: 'checkIn' });
    const worn = ids.filter((_, i) => i % 3 !== 0);
    if (worn.length > 0) await post(address, 'pieces/actions', { ids: worn, action: 'retire', as: 'scrapped' });
  }
}

/** Evenings with kept runs until there are so many. */
async function fillStand(shed, count) {
  const { address, random, crafts, models } = shed;
  for (let made = 0; made < count; made += EVENING_RUNS) {
    const craft = crafts[made % crafts.length];
    const id = v7();
    await post(address, 'campaigns', {
      id,
      craftId: craft.id,
      name: `Evening ${made / EVENING_RUNS}`,
      referencePropModelId: null,
      temperatureC: 15,
      pressurePa: 101_325,
      humidityRatio: 0.5,
      gateCellV: 4.05,
      note: null,
    });
    for (let i = 0; i < EVENING_RUNS; i += 5)
      await post(address, `campaigns/${id}/imports`, {
        runs: Array.from({ length: 5 }, (_, k) => aRun(models[(i + k) % models.length].id, random)),
        kitId: null,
        blobSha256: null,
        recipe: null,
      });
  }
}

function aRun(propModelId, random) {
  const full = 12 + 8 * random.next();
  const steps = [0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1].map((throttleRatio) => {
    const noise = () => 1 + 0.01 * random.normal();
    const thrustN = full * throttleRatio ** 1.8 * noise();
    return {
      ...core.emptyStep(),
      throttleRatio,
      thrustN,
      speedRpm: 24_000 * Math.sqrt(thrustN / full) * noise(),
      currentA: 40 * (thrustN / full) ** 1.4 * noise(),
      voltageV: 24.5 - 1.5 * throttleRatio,
    };
  });
  return {
    id: v7(),
    propModelId,
    packPieceId: null,
    restingCellV: null,
    zeroBeforeN: null,
    zeroAfterN: null,
    readingKinds: [],
    steps,
  };
}

/** Loggers' files, each of a million rows at most, until there are so many samples. */
async function fillRecordings(shed, samples) {
  const rows = Math.ceil(samples / CHANNELS.length);
  for (let done = 0; done < rows; done += 1_000_000) await importSamples(shed, Math.min(1_000_000, rows - done), 0);
}

/** A logger's file, sent part by part and kept with a run; with a rest between the parts. */
async function importSamples({ address, random, campaigns, models }, rows, restMs, goesOn = () => true) {
  const id = v7();
  await post(address, 'sample-imports', { id, campaignId: campaigns[0].id, quantities: CHANNELS });
  for (let first = 0; first < rows && goesOn(); first += SAMPLES_AT_ONCE) {
    const count = Math.min(SAMPLES_AT_ONCE, rows - first);
    const body = new ArrayBuffer(count * (8 + 4 * CHANNELS.length));
    const times = new Float64Array(body, 0, count);
    for (let i = 0; i < count; i++) times[i] = (first + i) * 0.002;
    CHANNELS.forEach((_, c) => {
      const values = new Float32Array(body, count * (8 + 4 * c), count);
      for (let i = 0; i < count; i++) values[i] = 10 * c + Math.sin((first + i) / 900) + 0.01 * random.next();
    });
    const answer = await fetch(`${address}/api/sample-imports/${id}/samples?first=${first}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body,
    });
    if (!answer.ok) throw new Error(await answer.text());
    if (restMs > 0) await pause(restMs);
  }
  await post(address, `sample-imports/${id}/keep`, {
    runs: [aRun(models[0].id, random)],
    kitId: null,
    blobSha256: null,
    recipe: null,
  });
}

/** The load for so long: how long everything took, from when it was due. */
async function underLoad(shed, pid, seconds) {
  const { address, random, reads, writes } = shed;
  const [readNames, writeNames] = [Object.keys(reads), Object.keys(writes)];
  const byRoute = new Map();
  const [readTimes, writeTimes, jobs] = [[], [], []];
  let failedCount = 0;
  let isOn = true;
  const importing = importSamples(shed, 1_000_000, ((RUN_IN_S + seconds) * 1000) / 62, () => isOn);
  const running = runStand(shed, () => isOn);
  const pinger = startPinger(address, 10);
  await pause(500);
  await pinger.worstMs();
  const startMB = residentMB(pid);
  let mostMB = startMB;
  const startMs = performance.now();
  for (let i = 0; i < (RUN_IN_S + seconds) * RATE_HZ; i++) {
    const dueMs = startMs + (1000 * i) / RATE_HZ;
    const isRunIn = i < RUN_IN_S * RATE_HZ;
    const waitMs = dueMs - performance.now();
    if (waitMs > 0) await pause(waitMs);
    const isWrite = random.next() < WRITE_SHARE;
    const names = isWrite ? writeNames : readNames;
    const name = names[Math.floor(names.length * random.next())];
    const job = (isWrite ? writes[name]() : get(address, reads[name]())).then(
      () => {
        if (isRunIn) return;
        const ms = performance.now() - dueMs;
        (isWrite ? writeTimes : readTimes).push(ms);
        byRoute.set(name, [...(byRoute.get(name) ?? []), ms]);
      },
      (error) => {
        if (failedCount++ < 3) console.error(`load ${name}: ${error.message}`);
      },
    );
    jobs.push(job);
    if (i === RUN_IN_S * RATE_HZ) await pinger.worstMs();
    if (i % RATE_HZ === 0) mostMB = Math.max(mostMB, residentMB(pid));
  }
  await Promise.all(jobs);
  const stallMs = await pinger.worstMs();
  isOn = false;
  await Promise.all([importing, running, pinger.stop()]);
  return { reads: readTimes, writes: writeTimes, byRoute, stallMs, growthMB: mostMB - startMB, failedCount };
}

/** A run on the simulated stand with the throttle up, its readings heard by one page. */
async function runStand({ address, campaigns, models }, goesOn) {
  const [id, tabId] = [v7(), v7()];
  await post(address, `campaigns/${campaigns[0].id}/live`, {
    id,
    propModelId: models[0].id,
    packPieceId: null,
    kitId: null,
    deviceName: null,
  });
  const stop = new AbortController();
  const page = await fetch(`${address}/api/live/${id}/stream`, { signal: stop.signal });
  const heard = (async () => {
    for await (const _ of page.body);
  })().catch(() => undefined);
  const command = (name, more = {}) =>
    post(address, `live/${id}/commands`, {
      tabId,
      name,
      throttleRatio: null,
      protocol: null,
      hasHardwareStop: null,
      fault: null,
      ...more,
    });
  const beat = () => post(address, `live/${id}/heartbeat`, { tabId });
  await beat();
  await pause(1500);
  await command('tare');
  await beat();
  await command('arm', { hasHardwareStop: true });
  await pause(300);
  await command('throttle', { throttleRatio: 0.4 });
  while (goesOn()) {
    await beat();
    await pause(500);
  }
  await post(address, 'stand/cut', { tabId });
  stop.abort();
  await heard;
}

function at(times, share) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}

/** Memory that a process holds. */
function residentMB(pid) {
  return Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
}
