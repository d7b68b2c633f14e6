import { afterAll, afterEach, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { LiveCommandDto, LiveView, RecordingView, StandView } from '@zivvo/contract';
import { seededRandom } from '@zivvo/core';
import { v7 } from 'uuid';
import { RecordingRepository } from '../recording/recording.repository.ts';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';
import { LiveController } from './live.controller.ts';
import { LiveRepository } from './live.repository.ts';
import { LiveService, type LiveEvent } from './live.service.ts';
import { STAND_LINK, startStandLink, type InlineStandLink } from './standLink.ts';

let server: TestServer;
let campaignId: string;
let propModelId: string;
let link: InlineStandLink;
const pilot = v7();

beforeAll(async () => {
  server = await startTestServer();
  link = server.app.get<InlineStandLink>(STAND_LINK, { strict: false });
  const craft = aCraft();
  const model = aPropModel();
  const campaign = aCampaign(craft.id);
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
  campaignId = campaign.id;
  propModelId = model.id;
  // Faults are told to the console, too; the tests look at what people see.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
}, 60_000);
afterAll(() => server.close());
afterEach(() => {
  link.isSilent = false;
});

const post = (path: string, body: object = {}) => server.http.post(`/api${path}`).send(body);
const viewOf = async (runId: string): Promise<LiveView> =>
  (await server.http.get(`/api/live/${runId}`).expect(200)).body as LiveView;
const command = (runId: string, name: LiveCommandDto['name'], more: object = {}) =>
  post(`/live/${runId}/commands`, { tabId: pilot, name, ...more });

/** Waits for what the stand itself says. */
async function heard(isThere: (event: LiveEvent) => boolean): Promise<void> {
  const { events } = server.app.get(LiveService, { strict: false });
  await new Promise<void>((resolve) => {
    const listening = events.subscribe((event) => {
      if (!isThere(event)) return;
      listening.unsubscribe();
      resolve();
    });
  });
}
const read = (seconds: number): Promise<void> => {
  let from: number | null = null;
  return heard((e) => {
    if (e.type !== 'readings') return false;
    from ??= e.data.timeS;
    return e.data.timeS - from >= seconds;
  });
};

async function turning(): Promise<string> {
  const id = v7();
  const hasRead = read(1);
  await post(`/campaigns/${campaignId}/live`, { id, propModelId, packPieceId: null }).expect(201);
  await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
  await hasRead;
  await command(id, 'tare').expect(200);
  await command(id, 'arm', { hasHardwareStop: true }).expect(200);
  await command(id, 'throttle', { throttleRatio: 0.3 }).expect(200);
  return id;
}

describe('a device that dies', () => {
  test('holds the run, says why, answers whoever waits, and goes on when it is put on the stand again', async () => {
    const id = await turning();
    await read(1.2);
    await command(id, 'keepPoint').expect(200);
    link.isSilent = true;
    const waiting = command(id, 'throttle', { throttleRatio: 0.5 });
    const answer = waiting.then((a) => a);
    await post('/stand/cut', { tabId: v7() }).expect(200);
    expect((await answer).body).toMatchObject({ status: 503, code: 'deviceLost' });
    expect(await viewOf(id)).toMatchObject({
      isOpen: false,
      phase: 'held',
      throttleRatio: 0,
      cut: { reason: 'deviceLost' },
    });
    link.isSilent = false;
    expect((await post(`/live/${id}/open`).expect(200)).body).toMatchObject({ isOpen: true });
    expect((await viewOf(id)).points).toHaveLength(1);
  }, 20_000);

  test('a thread that ends by itself is heard of, and the next run has another', async () => {
    const id = await turning();
    const lost = heard((e) => e.type === 'state' && !e.data.isOpen);
    link.kill();
    await lost;
    expect(await viewOf(id)).toMatchObject({ phase: 'held', cut: { reason: 'deviceLost' } });
    expect((await post('/stand/cut', { tabId: pilot }).expect(200)).body).toEqual({ run: null });
    await command(await turning(), 'cut').expect(200);
  });

  test('a real thread: what it says is heard, its death is, and a message starts another', async () => {
    const program = (text: string): URL =>
      new URL(
        `data:text/javascript,${encodeURIComponent(`import { parentPort } from 'node:worker_threads'; ${text}`)}`,
      );
    const thread = startStandLink(
      program(
        `parentPort.on('message', (m) => { if (m.kind === 'close') throw new Error('broken'); ` +
          `parentPort.postMessage({ kind: 'closed', chargeRatio: 0.5 }); });`,
      ),
    );
    const next = (): Promise<string> =>
      new Promise((resolve) => {
        thread.onMessage((m) => resolve(m.kind));
        thread.onLost((why) => resolve(why));
      });
    const said = next();
    thread.send({ kind: 'heartbeat' });
    expect(await said).toBe('closed');
    const died = next();
    thread.send({ kind: 'close' });
    expect(await died).toBe('broken');
    const again = next();
    thread.send({ kind: 'heartbeat' });
    expect(await again).toBe('closed');
    await thread.end();
  });
});

describe('a disk that takes nothing', () => {
  const spies: { mockRestore(): void }[] = [];
  const error = new Error('No space left on device');
  const noPoints = (): void =>
    void spies.push(jest.spyOn(LiveRepository.prototype, 'addPoint').mockRejectedValue(error));
  const noSamples = (): void =>
    void spies.push(jest.spyOn(RecordingRepository.prototype, 'addBlocks').mockRejectedValue(error));
  const roomy = (): void => spies.splice(0).forEach((spy) => spy.mockRestore());
  afterEach(roomy);

  /** A run that was cut because a point could not be written. */
  async function notWritten(): Promise<string> {
    const id = await turning();
    await read(1.2);
    // The point is what fails first: a second of samples might cut before it is kept.
    noPoints();
    const failed = heard(
      (e) => e.type === 'state' && e.data.fault === 'writeFailed' && e.data.cut?.reason === 'writeFailed',
    );
    await command(id, 'keepPoint').expect(200);
    await failed;
    noSamples();
    return id;
  }

  test('cuts and says so; it is not armed until the rest is written, and then nothing is missing', async () => {
    const id = await notWritten();
    expect(await viewOf(id)).toMatchObject({
      phase: 'held',
      throttleRatio: 0,
      cut: { reason: 'writeFailed' },
      points: [],
    });
    expect((await command(id, 'arm', { hasHardwareStop: true }).expect(409)).body).toMatchObject({
      code: 'notWritten',
    });
    expect((await command(id, 'writeAgain').expect(409)).body).toMatchObject({ code: 'notWritten' });
    roomy();
    const { body } = await command(id, 'writeAgain').expect(200);
    expect(body).toMatchObject({ fault: null });
    expect((body as LiveView).points).toHaveLength(1);
    await command(id, 'arm', { hasHardwareStop: true }).expect(200);
    await command(id, 'cut').expect(200);
    expect((await post(`/live/${id}/keep`, { tabId: pilot }).expect(200)).body).toMatchObject({
      state: 'kept',
      stepCount: 1,
    });
  });

  test('a run is not taken off the stand with something unwritten; without it, it goes on', async () => {
    const id = await notWritten();
    expect(
      (await post(`/campaigns/${campaignId}/live`, { id: v7(), propModelId, packPieceId: null }).expect(409)).body,
    ).toMatchObject({ code: 'notWritten' });
    roomy();
    expect((await command(id, 'goOnWithout').expect(200)).body).toMatchObject({ fault: null, points: [] });
    await post(`/campaigns/${campaignId}/live`, { id: v7(), propModelId, packPieceId: null }).expect(201);
  });
});

test('two runs and three listeners: each hears its own run alone, the beat goes to all', async () => {
  const first = await turning();
  await command(first, 'cut').expect(200);
  const third = v7();
  await post(`/campaigns/${campaignId}/live`, { id: third, propModelId, packPieceId: null }).expect(201);
  await post(`/live/${first}/open`).expect(200);
  const controller = server.app.get(LiveController, { strict: false });
  const listeners = [first, first, third].map((runId) => ({
    runId,
    heard: [] as { type: string; runId: string | null }[],
  }));
  const streams = await Promise.all(
    listeners.map(async ({ runId, heard: said }) =>
      (await controller.stream(runId)).subscribe({
        next: ({ type, data }) => said.push({ type: type!, runId: (data as Partial<LiveView>).runId ?? null }),
        error: () => undefined,
      }),
    ),
  );
  await read(0.5);
  expect(listeners.map((l) => l.heard.some((e) => e.type === 'readings'))).toEqual([true, true, false]);
  const second = await turning();
  const late = { heard: [] as string[] };
  streams.push((await controller.stream(second)).subscribe(({ type }) => void late.heard.push(type!)));
  listeners.forEach((l) => (l.heard.length = 0));
  await heard((e) => e.type === 'beat');
  await command(second, 'cut').expect(200);
  streams.forEach((s) => s.unsubscribe());
  expect(late.heard).toEqual(expect.arrayContaining(['state', 'readings', 'beat']));
  for (const l of listeners) {
    expect(l.heard.filter((e) => e.type === 'readings')).toEqual([]);
    expect(l.heard.filter((e) => e.type === 'state' && e.runId !== l.runId)).toEqual([]);
    expect(l.heard.some((e) => e.type === 'beat')).toBe(true);
  }
}, 20_000);

test('chaos: whatever dies at whatever moment, every request is answered, the last word is no throttle, and no point is lost', async () => {
  const random = seededRandom('chaos 7');
  const faults = ['kill', 'silence', 'disk', 'stream', 'none'] as const;
  let keptCount = 0;
  let id = await turning();
  for (let round = 0; round < 25; round++) {
    const fault = faults[Math.floor(random.next() * faults.length)]!;
    const full =
      fault === 'disk'
        ? jest.spyOn(RecordingRepository.prototype, 'addBlocks').mockRejectedValue(new Error('disk'))
        : null;
    const jobs = [
      command(id, 'throttle', { throttleRatio: Math.round(random.next() * 60) / 100 }),
      command(id, 'keepPoint'),
      post(`/live/${id}/heartbeat`, { tabId: pilot }),
    ].map((j) => j.then((a) => a));
    if (fault === 'kill') link.kill();
    if (fault === 'silence') link.isSilent = true;
    if (fault === 'stream')
      (await server.app.get(LiveController, { strict: false }).stream(id))
        .subscribe({ error: () => undefined })
        .unsubscribe();
    jobs.push(post('/stand/cut', { tabId: v7() }).then((a) => a));
    const answers = await Promise.all(jobs);
    for (const { status } of answers) expect([200, 409, 503]).toContain(status);
    link.isSilent = false;
    const { run } = (await server.http.get('/api/stand').expect(200)).body as StandView;
    if (run) expect(run.throttleRatio).toBe(0);
    if (full) {
      await read(1.2);
      full.mockRestore();
      await command(id, 'writeAgain').expect(200);
    }
    const view = await viewOf(id);
    expect(view.points.length).toBeGreaterThanOrEqual(keptCount);
    keptCount = view.points.length;
    expect(view.phase === 'held' || view.phase === 'connected').toBe(true);
    if (keptCount > 60) {
      id = await turning();
      keptCount = 0;
      continue;
    }
    const hasRead = read(1);
    if (!view.isOpen) await post(`/live/${id}/open`).expect(200);
    await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
    await hasRead;
    await command(id, 'tare').expect(200);
    await command(id, 'arm', { hasHardwareStop: true }).expect(200);
  }
  await post('/stand/cut', { tabId: pilot }).expect(200);
  const { segments } = (await server.http.get(`/api/recordings/${(await viewOf(id)).recordingId}`).expect(200))
    .body as RecordingView;
  segments.slice(1).forEach((s, i) => expect(s.startS).toBeGreaterThanOrEqual(segments[i]!.endS));
}, 120_000);
