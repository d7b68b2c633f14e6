import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { LiveView, RunView, StandDeviceView } from '@zivvo/contract';
import { readOrder, type DriveOrder } from '@zivvo/core';
import { v7 } from 'uuid';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
let campaignId: string;
let propModelId: string;
const pilot = v7();

beforeAll(async () => {
  server = await startTestServer();
  const [craft, model] = [aCraft(), aPropModel()];
  const campaign = aCampaign(craft.id);
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
  [campaignId, propModelId] = [campaign.id, model.id];
}, 60_000);
afterAll(() => server.close());

const HEADER = 'sequence,throttle (%),thrust (g),current (A),voltage (V)';
const post = (path: string, body: object) => server.http.post(`/api${path}`).send(body);
const said = async (text: string, name = 'bench'): Promise<string> => {
  const answer = await server.http
    .post(`/api/stand/driven?name=${encodeURIComponent(name)}`)
    .set('Content-Type', 'text/plain')
    .send(text)
    .expect(200);
  return answer.text;
};
/** A stand that obeys: it says what it holds, and takes what it is told. */
class Bench {
  order: DriveOrder = { sequence: 0, throttleRatio: 0, validMs: 0 };
  thrustG = 0;
  currentA = 0.1;

  async exchange(): Promise<DriveOrder> {
    const { sequence, throttleRatio } = this.order;
    const text = await said(
      `${sequence},${throttleRatio * 100},${this.thrustG + 900 * throttleRatio},${this.currentA},24.6`,
    );
    const order = readOrder(text.split('\n')[0]!, sequence);
    if (order) this.order = order;
    return this.order;
  }

  async go(seconds: number, until: () => Promise<boolean> = () => Promise.resolve(false)): Promise<void> {
    for (let i = 0; i < seconds * 25 && !(await until()); i++) {
      await this.exchange();
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
  }
}
const view = async (id: string): Promise<LiveView> =>
  (await server.http.get(`/api/live/${id}`).expect(200)).body as LiveView;
const command = (id: string, name: string, more: object = {}) =>
  post(`/live/${id}/commands`, { tabId: pilot, name, ...more });

test('who is not here, or does not say enough, cannot be driven; nobody without a run is told more than nothing', async () => {
  const start = (deviceName: string) =>
    post(`/campaigns/${campaignId}/live`, { id: v7(), propModelId, packPieceId: null, deviceName });
  expect((await start('nowhere').expect(409)).body).toMatchObject({ code: 'deviceNotHere' });
  expect(await said('thrust (g),throttle (%)\n12,0', 'mute')).toMatch(/# noSequence/);
  expect(await said('sequence,thrust (g)\n1,12', 'blind')).toMatch(/# noThrottle/);
  await start('mute').expect(409);
  expect(await said(`${HEADER}\n7,0,1.5,0,24.6`)).toBe('order 8 0.000 500\n');
  expect(await said('x,0,1.5,0,24.6')).toMatch(/# (badSequence|unreadable)/);
  const devices = (await server.http.get('/api/stand/devices').expect(200)).body as StandDeviceView[];
  expect(devices.find((d) => d.name === 'bench')!.channels).toEqual([
    'throttleRatio',
    'thrustN',
    'currentA',
    'voltageV',
    'powerW',
  ]);
  expect(devices.find((d) => d.name === 'blind')).toMatchObject({ channels: [], fault: { fault: 'noSequence' } });
  await server.http.post('/api/stand/driven?name=a%0Ab').set('Content-Type', 'text/plain').send('x').expect(400);
  await server.http.post('/api/stand/driven').set('Content-Type', 'text/plain').send('x').expect(400);
});

test('as many stands as are heard at once, and no more; those that went make room', async () => {
  for (let i = 0; i < 8; i++) await said(HEADER, `s${i}`).catch(() => '');
  await server.http
    .post('/api/stand/driven?name=one-too-many')
    .set('Content-Type', 'text/plain')
    .send(HEADER)
    .expect(409);
});

test('a run on a driven stand: tared, armed, throttled, points kept; a limit cuts in the very exchange; silence cuts too', async () => {
  const bench = new Bench();
  await said(HEADER);
  await bench.go(0.4);
  const id = v7();
  const started = (
    await post(`/campaigns/${campaignId}/live`, { id, propModelId, packPieceId: null, deviceName: 'bench' }).expect(201)
  ).body as LiveView;
  expect(started).toMatchObject({ deviceKind: 'driven', deviceName: 'bench' });
  expect(started.limits).toMatchObject({ temperatureC: null, vibrationMPerS2: null });
  await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
  await bench.go(1.2);
  await command(id, 'tare').expect(200);
  expect((await view(id)).restingCellV).toBeCloseTo(24.6 / 6, 6);
  await command(id, 'arm', { hasHardwareStop: true }).expect(200);
  expect((await command(id, 'fault', { fault: 'dropOut' })).status).toBe(200);
  await command(id, 'throttle', { throttleRatio: 0.4 }).expect(200);
  await bench.go(1.3);
  expect(bench.order.throttleRatio).toBeCloseTo(0.4, 6);
  await post(`/live/${id}/heartbeat`, { tabId: pilot }).expect(200);
  await command(id, 'keepPoint').expect(200);
  const { points, isZeroHeld } = await view(id);
  expect(isZeroHeld).toBe(false);
  expect(points[0]!.values.thrustN / 9.80665e-3).toBeCloseTo(360, 0);
  // What it does not read is nothing.
  expect(points[0]!.values.temperatureC).toBeNull();
  bench.currentA = 99;
  expect((await bench.exchange()).throttleRatio).toBe(0);
  expect((await view(id)).cut).toMatchObject({ reason: 'limit', channel: 'currentA' });
  bench.currentA = 0.1;
  await bench.exchange();
  await bench.go(1, async () => (await view(id)).isZeroHeld === true);
  expect((await view(id)).isZeroHeld).toBe(true);
  await command(id, 'arm', { hasHardwareStop: true }).expect(200);
  await command(id, 'throttle', { throttleRatio: 0.2 }).expect(200);
  await bench.go(0.3);
  await new Promise((resolve) => setTimeout(resolve, 900));
  expect((await view(id)).cut).toMatchObject({ reason: 'deviceSilent' });
  expect((await bench.exchange()).throttleRatio).toBe(0);
  const kept = (await post(`/live/${id}/keep`, { tabId: pilot }).expect(200)).body as RunView;
  expect(kept).toMatchObject({ origin: 'stand', stepCount: 1 });
  expect(kept.steps[0]).toMatchObject({ temperatureC: null, speedRpm: null });
  // Off the stand again, it is told nothing more.
  expect((await bench.exchange()).throttleRatio).toBe(0);
}, 40_000);
