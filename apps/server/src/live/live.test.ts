import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type {
  LiveCommandDto,
  LiveView,
  RecordingSamplesView,
  RecordingView,
  RunView,
  StandView,
} from '@zivvo/contract';
import { LIVE_RATE_HZ, liveChannels } from '@zivvo/core';
import { v7 } from 'uuid';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';
import { LiveController } from './live.controller.ts';
import type { FromRuntime } from './live.messages.ts';
import { StandRuntime } from './standRuntime.ts';
import { limitsOf, simulatedDevice } from './simulatedDevice.ts';

let server: TestServer;
let campaignId: string;
let propModelId: string;
const pilot = v7();
const watcher = v7();

beforeAll(async () => {
  server = await startTestServer();
  const craft = aCraft();
  const model = aPropModel();
  const campaign = aCampaign(craft.id);
  await server.http.post('/api/prop-models').set('Host', '127.0.0.1').send(model).expect(201);
  await server.http.post('/api/crafts').set('Host', '127.0.0.1').send(craft).expect(201);
  await server.http.post('/api/campaigns').set('Host', '127.0.0.1').send(campaign).expect(201);
  campaignId = campaign.id;
  propModelId = model.id;
}, 60_000);
afterAll(() => server.close());

const post = (path: string, body: object = {}) => server.http.post(`/api${path}`).set('Host', '127.0.0.1').send(body);
const viewOf = async (runId: string): Promise<LiveView> =>
  (await server.http.get(`/api/live/${runId}`).set('Host', '127.0.0.1').expect(200)).body as LiveView;
const command = (runId: string, name: LiveCommandDto['name'], more: object = {}, tabId = pilot) =>
  post(`/live/${runId}/commands`, { tabId, name, ...more });

async function until(runId: string, isThere: (view: LiveView) => boolean): Promise<LiveView> {
  for (let i = 0; i < 400; i++) {
    const view = await viewOf(runId);
    if (isThere(view)) return view;
    await post(`/live/${runId}/heartbeat`, { tabId: pilot });
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  throw new Error('It never came.');
}

async function armed(): Promise<string> {
  const id = v7();
  await post(`/campaigns/${campaignId}/live`, { id, propModelId, packPieceId: null }).expect(201);
  await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
  await until(id, (v) => v.restingCellV !== null && v.phase === 'connected');
  await new Promise((resolve) => setTimeout(resolve, 100));
  await command(id, 'tare').expect(200);
  await command(id, 'arm', { hasHardwareStop: true }).expect(200);
  return id;
}

test('bursts run by themselves; what happens between their points is kept with the run', async () => {
  const id = await armed();
  const protocol = { kind: 'burst', stepCount: 2, holdS: 1.5, throttles: null } as const;
  await command(id, 'program', { protocol }).expect(200);
  await until(id, (v) => v.points.length === 2 && v.phase === 'held');
  const run = (await post(`/live/${id}/keep`, { tabId: pilot }).expect(200)).body as RunView;
  expect(run.findings!.rise).toMatchObject({ count: 2, toThrottleRatio: 1 });
  expect(run.findings!.rise!.riseS).toBeGreaterThan(0.01);
  expect(run.findings!.rise!.riseS).toBeLessThan(0.5);
  await command(id, 'program', { protocol: { kind: 'own', stepCount: 2, holdS: 2, throttles: null } }).expect(409);
});

test('a ladder runs by itself, its points are kept, and the run joins the results', async () => {
  const id = await armed();
  const protocol = { kind: 'own', stepCount: 3, holdS: 2, throttles: [0.3, 0.6, 0.9] } as const;
  await command(id, 'program', { protocol: { ...protocol, throttles: [...protocol.throttles] } }).expect(200);
  const done = await until(id, (v) => v.points.length === 3 && v.phase === 'held');
  expect(done).toMatchObject({ throttleRatio: 0, cut: null, isOpen: true });
  const { body } = await post(`/live/${id}/keep`, { tabId: pilot }).expect(200);
  expect(body).toMatchObject({ state: 'kept', origin: 'simulated', stepCount: 3, restingCellV: done.restingCellV });
  const results = await server.http.get(`/api/campaigns/${campaignId}/results`).set('Host', '127.0.0.1').expect(200);
  expect((results.body as { props: { origin: string }[] }).props[0]!.origin).toBe('simulated');
  const recording = (await server.http.get(`/api/recordings/${done.recordingId}`).expect(200)).body as RecordingView;
  expect(recording.tracks[0]!.channels.map((c) => c.name)).toEqual([...liveChannels]);
  expect(recording.segments).toHaveLength(1);
  expect(recording.segments[0]!.endS * LIVE_RATE_HZ).toBeGreaterThan(6 * LIVE_RATE_HZ);
  // The points are means of what is recorded, on the same axis.
  const point = done.points.at(-1)!;
  const read = (
    await server.http
      .get(
        `/api/recordings/${done.recordingId}/samples?channels=1&fromS=${point.atS - 0.995}&toS=${point.atS}&count=1000`,
      )
      .expect(200)
  ).body as RecordingSamplesView;
  const thrust = new Float32Array(Uint8Array.from(Buffer.from(read.stretches[0]!.least[0]!, 'base64')).buffer);
  expect(thrust).toHaveLength(LIVE_RATE_HZ);
  expect(thrust.reduce((a, b) => a + b, 0) / thrust.length - done.zeroN!).toBeCloseTo(point.values.thrustN, 4);
  await post(`/live/${id}/open`).expect(409);
});

describe('who may do what', () => {
  test('a watcher sees and may cut, but not fly', async () => {
    const id = await armed();
    await command(id, 'throttle', { throttleRatio: 0.4 }).expect(200);
    await command(id, 'throttle', { throttleRatio: 0.9 }, watcher).expect(403);
    await post(`/live/${id}/heartbeat`, { tabId: watcher }).expect(200);
    const { body } = await command(id, 'cut', {}, watcher).expect(200);
    expect(body).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'watcher' }, pilotTabId: pilot });
  });

  test('a pilot that leaves zeroes the throttle; the run is held and can be flown on', async () => {
    const id = await armed();
    await command(id, 'throttle', { throttleRatio: 0.4 }).expect(200);
    await command(id, 'leave').expect(200);
    expect(await viewOf(id)).toMatchObject({
      phase: 'held',
      throttleRatio: 0,
      cut: { reason: 'pilotLeft' },
      pilotTabId: null,
    });
    await post(`/live/${id}/heartbeat`, { tabId: watcher }).expect(200);
    await command(id, 'arm', { hasHardwareStop: true }, watcher).expect(200);
    await command(id, 'cut', {}, watcher).expect(200);
  });

  test('the cut belongs to the stand: any tab gives it, on whatever is there, twice or on nothing alike', async () => {
    expect((await post('/stand/cut', { tabId: watcher }).expect(200)).body).toMatchObject({});
    const id = await armed();
    await command(id, 'throttle', { throttleRatio: 0.4 }).expect(200);
    expect((await server.http.get('/api/stand').expect(200)).body).toMatchObject({
      run: { runId: id, phase: 'running', throttleRatio: 0.4 },
    });
    const cut = (await post('/stand/cut', { tabId: v7() }).expect(200)).body as StandView;
    expect(cut.run).toMatchObject({ runId: id, phase: 'held', throttleRatio: 0, cut: { reason: 'watcher' } });
    expect((await post('/stand/cut', { tabId: pilot }).expect(200)).body).toEqual(cut);
    await post('/stand/cut', {}).expect(400);
  });

  test('a tab that looks at another run hears nothing of the one on the stand', async () => {
    const other = await armed();
    await command(other, 'cut').expect(200);
    const first = await armed();
    await command(first, 'cut').expect(200);
    const heard: string[] = [];
    const controller = server.app.get(LiveController, { strict: false });
    const streams = await Promise.all(
      [first, other].map(async (id) =>
        (await controller.stream(id)).subscribe({
          next: (event) => heard.push(`${id === first ? 'first' : 'other'} ${event.type}`),
          error: () => undefined,
        }),
      ),
    );
    await expect(controller.stream(v7())).rejects.toThrow(/no run/);
    const second = await armed();
    // What the first one read until it left the stand was its own.
    heard.length = 0;
    await command(second, 'throttle', { throttleRatio: 0.3 }).expect(200);
    await until(second, (v) => v.timeS > 1);
    await command(second, 'cut').expect(200);
    streams.forEach((s) => s.unsubscribe());
    expect(heard.filter((h) => h.endsWith('readings'))).toEqual([]);
    expect(heard.filter((h) => h.startsWith('other') && !h.endsWith('beat'))).toEqual([]);
  });

  test('a run that is not armed makes room, and can be put on the stand again with its points', async () => {
    const first = await armed();
    await command(first, 'throttle', { throttleRatio: 0.3 }).expect(200);
    await command(first, 'keepPoint').expect(200);
    await until(first, (v) => v.points.length === 1);
    await command(first, 'cut').expect(200);
    const second = await armed();
    expect(await viewOf(first)).toMatchObject({ isOpen: false, phase: 'held' });
    expect(await viewOf(second)).toMatchObject({ isOpen: true, phase: 'armed', points: [] });
    await command(second, 'cut').expect(200);
    const again = (await post(`/live/${first}/open`).expect(200)).body as LiveView;
    expect(again).toMatchObject({ isOpen: true, runId: first });
    expect(again.points).toHaveLength(1);
  });

  test('while one run is armed no other takes the stand', async () => {
    const id = await armed();
    await post(`/campaigns/${campaignId}/live`, { id: v7(), propModelId, packPieceId: null }).expect(409);
    await command(id, 'cut').expect(200);
  });
});

describe('at once', () => {
  test('keeping twice keeps one run, and both hear it', async () => {
    const id = await armed();
    await command(id, 'throttle', { throttleRatio: 0.3 }).expect(200);
    await until(id, (v) => v.timeS > 1);
    await command(id, 'keepPoint').expect(200);
    await command(id, 'cut').expect(200);
    const answers = await Promise.all([1, 2, 3].map(() => post(`/live/${id}/keep`, { tabId: pilot })));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
    expect(new Set(answers.map((a) => JSON.stringify(a.body as RunView))).size).toBe(1);
  });

  test('three starts leave one run on the stand and two that can be put there', async () => {
    const ids = [v7(), v7(), v7()];
    const answers = await Promise.all(
      ids.map((id) => post(`/campaigns/${campaignId}/live`, { id, propModelId, packPieceId: null })),
    );
    expect(answers.map((a) => a.status)).toEqual([201, 201, 201]);
    const views = await Promise.all(ids.map(viewOf));
    expect(views.filter((v) => v.isOpen)).toHaveLength(1);
  });

  test('keeping is the pilot’s; without a point nothing is stopped', async () => {
    const id = await armed();
    expect((await post(`/live/${id}/keep`, { tabId: watcher }).expect(403)).body).toMatchObject({ code: 'notPilot' });
    expect((await post(`/live/${id}/keep`, { tabId: pilot }).expect(409)).body).toMatchObject({ code: 'noPointYet' });
    expect(await viewOf(id)).toMatchObject({ isOpen: true, phase: 'armed' });
    await post(`/live/${id}/keep`).expect(400);
    await command(id, 'cut').expect(200);
  });
});

test('a run that goes on later has its gap: two segments on one axis, and points that lie on it', async () => {
  const id = await armed();
  await command(id, 'throttle', { throttleRatio: 0.3 }).expect(200);
  await until(id, (v) => v.timeS > 1.2);
  await command(id, 'keepPoint').expect(200);
  await command(id, 'cut').expect(200);
  await post('/stand/cut', { tabId: pilot }).expect(200);
  await post(`/campaigns/${campaignId}/live`, { id: v7(), propModelId, packPieceId: null }).expect(201);
  await post(`/live/${id}/open`).expect(200);
  await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
  await until(id, (v) => v.phase === 'connected' && v.recordedS > 1);
  const again = await viewOf(id);
  const { segments } = (await server.http.get(`/api/recordings/${again.recordingId}`).expect(200))
    .body as RecordingView;
  expect(segments).toHaveLength(2);
  expect(segments[1]!.startS).toBeGreaterThanOrEqual(segments[0]!.endS);
  expect(again.points[0]!.atS).toBeLessThanOrEqual(segments[0]!.endS + 0.01);
  expect(again.timeS).toBeGreaterThanOrEqual(segments[1]!.startS);
});

describe('refused', () => {
  test('arming without a hardware stop, throttle before arming, keeping nothing', async () => {
    const id = v7();
    await post(`/campaigns/${campaignId}/live`, { id, propModelId, packPieceId: null }).expect(201);
    await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
    expect((await command(id, 'arm').expect(400)).body).toMatchObject({ code: 'noHardwareStop' });
    expect((await command(id, 'throttle', { throttleRatio: 0.4 }).expect(409)).body).toMatchObject({
      code: 'wrongPhase',
    });
    expect((await post(`/live/${id}/keep`, { tabId: pilot }).expect(409)).body).toMatchObject({ code: 'noPointYet' });
  });

  test.each([
    ['a throttle beyond full', { name: 'throttle', throttleRatio: 1.2 }],
    ['a protocol of too many steps', { name: 'program', protocol: { kind: 'own', stepCount: 41, holdS: 2 } }],
    ['a command nobody knows', { name: 'explode' }],
    ['a fault nobody knows', { name: 'fault', fault: 'fire' }],
  ])('%s', async (_what, body) => {
    await post(`/live/${v7()}/commands`, { tabId: pilot, ...body }).expect(400);
  });

  test('a run that is not on the stand', async () => {
    await command(v7(), 'tare').expect(409);
    await server.http.get(`/api/live/${v7()}`).set('Host', '127.0.0.1').expect(404);
  });
});

describe('the runtime', () => {
  const device = simulatedDevice(
    { ...aCraft(), packCellResistanceOhm: null, packCRating: null } as never,
    aPropModel() as never,
    { temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5 },
    0.97,
    'test',
  );

  const open: StandRuntime[] = [];
  afterEach(() => open.splice(0).forEach((runtime) => runtime.handle({ kind: 'close' })));

  /** A runtime on a clock of its own, ticked by hand. */
  function rig() {
    let nowMs = 0;
    const said: FromRuntime[] = [];
    const runtime = new StandRuntime(
      (m) => said.push(m),
      () => nowMs,
    );
    open.push(runtime);
    const tick = (seconds: number, isThere = true): void => {
      for (let i = 0; i < seconds * 100; i++) {
        nowMs += 10;
        if (isThere && i % 50 === 0) runtime.handle({ kind: 'heartbeat' });
        (runtime as unknown as { tick(): void }).tick();
      }
    };
    runtime.handle({
      kind: 'open',
      device: { kind: 'simulated', options: device },
      limits: limitsOf(aCraft({ escLimitA: 25 }) as never, null),
      points: [],
      startS: 0,
      timeFactor: 1,
    });
    let id = 0;
    const ask = (
      command: Parameters<StandRuntime['handle']>[0] extends infer M
        ? M extends { kind: 'command'; command: infer C }
          ? C
          : never
        : never,
    ): void => runtime.handle({ kind: 'command', id: ++id, command });
    /** Tared, armed and turning. */
    const turn = (throttleRatio: number): void => {
      tick(1.5);
      ask({ name: 'tare' });
      ask({ name: 'arm' });
      ask({ name: 'throttle', throttleRatio });
    };
    return { runtime, said, tick, ask, turn, last: () => said.filter((m) => m.kind === 'state').at(-1)!.state };
  }

  test('ten minutes at a hundred readings a second: none is missing', () => {
    const { runtime, said, tick } = rig();
    tick(600);
    runtime.handle({ kind: 'close' });
    const readings = said
      .filter((m) => m.kind === 'chunk')
      .reduce((sum, m) => sum + m.samples.length / liveChannels.length, 0);
    expect(readings).toBe(600 * LIVE_RATE_HZ);
    const shown = said.filter((m) => m.kind === 'readings').length;
    expect(shown).toBeGreaterThan(600 * 19);
    expect(shown).toBeLessThan(600 * 21);
  });

  test('a throttle that a program slides is told ten times a second, and where it ends', () => {
    const { said, tick, ask, last } = rig();
    tick(1.5);
    ask({ name: 'tare' });
    ask({ name: 'arm' });
    const before = said.length;
    const corners = [0, 0.5, 0.1].map((throttleRatio, i) => ({ atS: 10 * i, throttleRatio }));
    ask({ name: 'program', program: { corners, keepAtS: [5, 15] } });
    tick(9);
    expect(said.slice(before).filter((m) => m.kind === 'state').length).toBeLessThan(9 * 11);
    tick(14);
    expect(last()).toMatchObject({ phase: 'held', throttleRatio: 0, program: null, cut: null });
    expect(said.filter((m) => m.kind === 'point')).toHaveLength(2);
  });

  test('a pilot that falls silent is cut within 2.2 s', () => {
    const { tick, turn, last } = rig();
    turn(0.5);
    tick(2.2, false);
    expect(last()).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'deadMan' } });
  });

  test('a nut that backs off at steady throttle is cut within four seconds, and the state says by what', () => {
    const { tick, ask, turn, last } = rig();
    turn(0.5);
    tick(4);
    expect(last()).toMatchObject({ phase: 'running', cut: null });
    ask({ name: 'fault', fault: 'nutLoosening' });
    tick(4);
    expect(last()).toMatchObject({
      phase: 'held',
      throttleRatio: 0,
      cut: { reason: 'trend', from: expect.any(Number), value: expect.any(Number) },
    });
  });

  test('an over-limit reading cuts in the same exchange', () => {
    const { tick, ask, turn, last } = rig();
    turn(0.6);
    tick(1);
    ask({ name: 'fault', fault: 'escDesync' });
    tick(1);
    expect(last()).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'limit', channel: 'currentA' } });
  });
});
