import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { CampaignResultsView, InstrumentsView, Problem, RunView } from '@zivvo/contract';
import { v7 } from 'uuid';
import {
  aCampaign,
  aCraft,
  aDraft,
  aPropModel,
  someReadings,
  startTestServer,
  type TestServer,
} from '../test/testServer.ts';

let server: TestServer;
let campaignId: string;
let propModelId: string;

beforeAll(async () => {
  server = await startTestServer();
  const model = aPropModel();
  const craft = aCraft();
  const campaign = aCampaign(craft.id, { referencePropModelId: model.id });
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
  campaignId = campaign.id;
  propModelId = model.id;
}, 60_000);
afterAll(() => server.close());

const aCheck = (factor: number, more: object = {}) => ({
  id: v7(),
  quantity: 'thrustN',
  method: 'knownMass',
  reachesBack: false,
  armM: null,
  pairs: [
    { shown: 5, actual: 5 * factor },
    { shown: 20, actual: 20 * factor },
  ],
  note: null,
  ...more,
});
const post = (body: object) => server.http.post('/api/instruments/checks').send(body);
const instruments = async () => (await server.http.get('/api/instruments').expect(200)).body as InstrumentsView;
const fullThrust = async (): Promise<number> => {
  const answer = await server.http.get(`/api/campaigns/${campaignId}/results`).expect(200);
  return (answer.body as CampaignResultsView).props[0]!.points.full.thrustN!.figure.value;
};
async function aRun(more: object = {}): Promise<RunView> {
  const body = { id: v7(), propModelId, packPieceId: null, replacesRunId: null, draft: aDraft(), ...more };
  const run = (await server.http.post(`/api/campaigns/${campaignId}/runs`).send(body).expect(201)).body as RunView;
  const kept = await server.http
    .post(`/api/runs/${run.id}/keep`)
    .send({ ...someReadings(), revision: run.revision })
    .expect(200);
  return kept.body as RunView;
}

test('a check multiplies what is read from then on; one that reaches back also what was read before; taken back, nothing', async () => {
  const raw = await aRun();
  const asRead = await fullThrust();
  expect((await instruments()).standings.every((s) => s.state === 'unchecked')).toBe(true);

  const later = aCheck(1.02);
  await post(later).expect(201);
  expect(await fullThrust()).toBeCloseTo(asRead, 9);

  const found = aCheck(1.05, { reachesBack: true });
  await server.http.delete(`/api/instruments/checks/${later.id}`).expect(204);
  const view = (await post(found).expect(201)).body as InstrumentsView;
  expect(view.checks).toHaveLength(1);
  expect(view.checks[0]!.factor).toBeCloseTo(1.05, 9);
  expect(view.standings[0]).toMatchObject({ quantity: 'thrustN', state: 'fresh', ageDays: 0, checkId: found.id });
  expect(await fullThrust()).toBeCloseTo(asRead * 1.05, 9);
  const stored = (await server.http.get(`/api/runs/${raw.id}`).expect(200)).body as RunView;
  expect(stored.steps).toEqual(raw.steps);

  await server.http.delete(`/api/instruments/checks/${found.id}`).expect(204);
  expect(await fullThrust()).toBeCloseTo(asRead, 9);
  await server.http.post(`/api/instruments/checks/${found.id}/restore`).expect(200);
  expect(await fullThrust()).toBeCloseTo(asRead * 1.05, 9);
  await server.http.delete(`/api/instruments/checks/${found.id}`).expect(204);
});

test('a run that corrects another one was read when that one was: a later check leaves both alone', async () => {
  const first = await aRun();
  const before = await fullThrust();
  const check = aCheck(1.1);
  await post(check).expect(201);
  await aRun({ replacesRunId: first.id });
  expect(await fullThrust()).toBeCloseTo(before, 9);
  await server.http.delete(`/api/instruments/checks/${check.id}`).expect(204);
});

test('the same check sent twice is one', async () => {
  const check = aCheck(1.01);
  await post(check).expect(201);
  await post(check).expect(201);
  expect((await instruments()).checks.filter((c) => c.id === check.id)).toHaveLength(1);
});

test.each([
  ['another unit or pole count', { pairs: [1, 4].map((shown) => ({ shown, actual: shown * 7 })) }, 422, 'outOfRange'],
  ['a scale at one point', { pairs: [{ shown: 5, actual: 5 }] }, 422, 'notEnoughReadings'],
  ['nothing shown', { pairs: [0, 5].map((shown) => ({ shown, actual: 5 })) }, 422, 'outOfRange'],
  ['an ammeter’s way for a scale', { method: 'putBack' }, 422, 'invalidField'],
  ['an arm that has no length', { quantity: 'torqueNm', method: 'torqueArm' }, 422, 'outOfRange'],
  ['an unknown quantity', { quantity: 'levelDb' }, 400, 'invalid'],
  ['no pairs', { pairs: [] }, 400, 'invalid'],
  ['less than nothing', { pairs: [{ shown: -5, actual: 5 }] }, 400, 'invalid'],
])('%s is refused and nothing is kept', async (_, more, status, code) => {
  const before = (await instruments()).checks.length;
  const answer = await post(aCheck(1, more)).expect(status);
  expect((answer.body as Problem).code).toContain(code);
  expect((await instruments()).checks).toHaveLength(before);
});
