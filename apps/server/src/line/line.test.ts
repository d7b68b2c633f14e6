import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { CampaignDetailView, LineView } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aCampaign, aCraft, aPropModel, someReadings, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const reference = aPropModel({ label: '7.2x3.9x3' });
const other = aPropModel({ label: '7x5x3' });
const craft = aCraft({ referencePropModelId: reference.id, escLimitA: 40 });
const campaign = aCampaign(craft.id, { referencePropModelId: reference.id });

beforeAll(async () => {
  server = await startTestServer();
  for (const model of [reference, other]) await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
}, 60_000);
afterAll(() => server.close());

/** Keeps a run of a prop whose full throttle draws a power at 24 V. */
async function keep(propModelId: string, topW: number): Promise<string> {
  const id = v7();
  await server.http
    .post(`/api/campaigns/${campaign.id}/imports`)
    .send({ runs: [{ id, propModelId, ...someReadings(20, topW) }], blobSha256: null })
    .expect(201);
  return id;
}

const stand = async (propModelId?: string): Promise<LineView['stops'][number]> => {
  const { stops } = (
    await server.http.get(`/api/crafts/${craft.id}/line${propModelId ? `?propModelId=${propModelId}` : ''}`).expect(200)
  ).body as LineView;
  return stops.find((s) => s.station === 'stand')!;
};

test('the stop follows the work, run by run, and back when one is taken out', async () => {
  expect(await stand()).toMatchObject({ state: 'empty', code: 'stand.noRuns' });
  await keep(other.id, 600);
  expect(await stand()).toMatchObject({ state: 'half', code: 'stand.noReference' });
  const first = await keep(reference.id, 600);
  expect(await stand()).toMatchObject({ state: 'half', code: 'stand.fewRuns', values: { count: 1, needed: 2 } });
  await keep(reference.id, 600);
  expect(await stand()).toMatchObject({ state: 'full', code: 'stand.measured' });
  await server.http.delete(`/api/runs/${first}`).expect(204);
  expect(await stand()).toMatchObject({ state: 'half', code: 'stand.fewRuns' });
  await server.http.post(`/api/runs/${first}/restore`).expect(200);
  expect(await stand()).toMatchObject({ state: 'full' });
});

test('a prop over the limit notches the stop while it is in hand, and only then', async () => {
  await keep(other.id, 1200);
  expect(await stand(other.id)).toMatchObject({ state: 'notched', code: 'stand.breach' });
  expect((await stand(reference.id)).state).not.toBe('notched');
});

test('the runs stay in the order in which they were kept', async () => {
  const { runs } = (await server.http.get(`/api/campaigns/${campaign.id}`).expect(200)).body as CampaignDetailView;
  expect(runs.filter((r) => r.propModelId === reference.id).map((r) => r.ordinal)).toEqual([1, 2]);
});

test('a craft that is not there has no line', async () => {
  await server.http.get(`/api/crafts/${v7()}/line`).expect(404);
});
