import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { FoundView } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const craft = aCraft({ name: 'Fulmar 100%', ownerName: 'Avalanche slope survey' });
const model = aPropModel({ label: '9x5', makerName: 'Brindlow' });
const campaign = aCampaign(craft.id, { name: 'Cliff_season' });

beforeAll(async () => {
  server = await startTestServer();
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
  await server.http
    .post('/api/prop-models')
    .send(aPropModel({ label: '5.1x4.3x3', makerName: 'Veddick', diameterM: 0.12954, pitchM: 0.10922 }))
    .expect(201);
  await server.http
    .post('/api/pack-pieces')
    .send({
      id: v7(),
      tag: 'R-17',
      chemistry: 'lipo',
      seriesCount: 6,
      parallelCount: 1,
      capacityAh: 1.3,
      cellResistanceOhm: null,
      cRating: null,
    })
    .expect(201);
  await server.http
    .post('/api/motor-pieces')
    .send({
      id: v7(),
      tag: 'MOT3',
      craftId: null,
      place: null,
      hours: 2,
      overLimitCount: 0,
      strikeCount: 0,
      bearing: 'smooth',
      shaftPlayM: null,
      shaftRunOutM: null,
      note: null,
    })
    .expect(201);
}, 60_000);
afterAll(() => server.close());

const find = async (words: string): Promise<FoundView[]> =>
  (await server.http.get(`/api/finder?words=${encodeURIComponent(words)}`).expect(200)).body as FoundView[];

test.each([
  ['a few letters, whatever their case', 'fULm', 'craft', 'Fulmar 100%'],
  ['an owner', 'avalanche', 'craft', 'Fulmar 100%'],
  ['a maker', 'brind', 'propModel', 'Brindlow 9x5'],
  ['an evening', 'cliff', 'campaign', 'Cliff_season'],
  ['a size as it stands on a hub, whatever the label is', '5143', 'propModel', 'Veddick 5.1x4.3x3'],
  ['the same in millimetres', '129.5mm x 109mm', 'propModel', 'Veddick 5.1x4.3x3'],
  ['a pack', 'r-1', 'pack', 'R-17'],
  ['a motor', 'mot', 'motor', 'MOT3'],
])('%s', async (_what, words, kind, title) => {
  expect(await find(words)).toContainEqual(expect.objectContaining({ kind, title }));
});

test('what is found knows what has to be in hand', async () => {
  expect((await find('cliff'))[0]).toMatchObject({ craftId: craft.id });
  expect((await find('brind'))[0]).toMatchObject({ propModelId: model.id });
});

test('signs that mean something to the database mean themselves', async () => {
  expect((await find('100%')).map((f) => f.title)).toContain('Fulmar 100%');
  expect(await find('1%0')).toEqual([]);
  expect((await find('cliff_s')).length).toBe(1);
  expect(await find('cliff%s')).toEqual([]);
  expect(await find("'; drop table craft; --")).toEqual([]);
});

test('no words find nothing, and long ones are cut, not refused', async () => {
  expect(await find('')).toEqual([]);
  expect(await find('   ')).toEqual([]);
  expect(await find('x'.repeat(5000))).toEqual([]);
});

test('what was deleted is not found, and is again when it comes back', async () => {
  await server.http.delete(`/api/prop-models/${model.id}`).expect(204);
  expect(await find('brind')).toEqual([]);
  await server.http.post(`/api/prop-models/${model.id}/restore`).expect(200);
  expect(await find('brind')).toHaveLength(1);
});
