import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { v7 } from 'uuid';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const craft = aCraft();
const model = aPropModel();

beforeAll(async () => {
  server = await startTestServer();
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
}, 60_000);
afterAll(() => server.close());

interface Row {
  id: string;
  revision: number;
}

/** Everything that a person may add, change and take out: where, where it is seen, what is added, and a change. */
const kinds: {
  name: string;
  address: string;
  seenAt?: string;
  body: () => { id: string };
  fixed?: string[];
  change: object;
}[] = [
  { name: 'a craft', address: '/api/crafts', body: () => aCraft({ name: 'Skua' }), change: { massKg: 2.1 } },
  {
    name: 'a prop model',
    address: '/api/prop-models',
    body: () => aPropModel({ label: '6x4x2' }),
    change: { bagPrice: 9.5, bagCount: 4 },
  },
  {
    name: 'a campaign',
    address: '/api/campaigns',
    body: () => aCampaign(craft.id),
    fixed: ['craftId'],
    change: { name: 'Cold evening', temperatureC: 2 },
  },
  {
    name: 'a rig',
    address: '/api/rigs',
    body: () => ({
      id: v7(),
      name: 'Knife edge',
      frictionKgM: 5e-8,
      borePlayM: 0,
      largestM: 0.4,
      inertiaKgM2: 1e-7,
      note: null,
    }),
    change: { frictionKgM: 8e-8 },
  },
  {
    name: 'a set',
    address: '/api/sets',
    body: () => ({ id: v7(), name: 'K12', craftId: craft.id }),
    change: { name: 'K13' },
  },
  {
    name: 'a motor',
    address: '/api/motor-pieces',
    body: () => ({
      id: v7(),
      tag: 'M1',
      craftId: craft.id,
      place: 'frontLeft',
      hours: 2.5,
      overLimitCount: 0,
      strikeCount: 0,
      bearing: 'smooth',
      shaftPlayM: null,
      shaftRunOutM: 0.00003,
      note: null,
    }),
    change: { hours: 3 },
  },
  {
    name: 'a pack',
    address: '/api/pack-pieces',
    body: () => ({
      id: v7(),
      tag: 'P1',
      chemistry: 'lipo',
      seriesCount: 6,
      parallelCount: 1,
      capacityAh: 4,
      cellResistanceOhm: null,
    }),
    change: { cellResistanceOhm: 0.004 },
  },
  {
    name: 'a small part',
    address: '/api/spare-parts',
    body: () => ({ id: v7(), name: 'M2 × 8', count: 30, perPieceCount: 2 }),
    change: { count: 22 },
  },
  {
    name: 'a gain sheet',
    address: '/api/gain-sheets',
    seenAt: `/api/gain-sheets/of-craft/${craft.id}`,
    body: () => ({
      id: v7(),
      craftId: craft.id,
      oldPropModelId: model.id,
      newPropModelId: model.id,
      payloadKg: 0,
      hasGuards: false,
      packSeriesCount: 6,
      pitchPercent: 100,
      rollPercent: 100,
      yawPercent: 100,
      verticalPercent: 100,
    }),
    fixed: [
      'craftId',
      'oldPropModelId',
      'newPropModelId',
      'payloadKg',
      'hasGuards',
      'packSeriesCount',
      'pitchPercent',
      'rollPercent',
      'yawPercent',
      'verticalPercent',
    ],
    change: { checks: ['balance'], testFlights: [], note: 'windy' },
  },
  {
    name: 'a ticket',
    address: '/api/job-tickets',
    body: () => ({
      id: v7(),
      craftId: craft.id,
      ownerName: 'Upper school',
      complaint: 'hums',
      found: null,
      done: null,
      parts: null,
      minutes: null,
      isClosed: false,
    }),
    fixed: ['craftId'],
    change: { found: 'nick', minutes: 25 },
  },
];

describe.each(kinds)('$name', ({ address, seenAt = address, body, fixed = [], change }) => {
  const seen = async (id: string): Promise<{ revision: number } | null> => {
    const { body: answer } = (await server.http.get(seenAt).expect(200)) as { body: Row[] | { items: Row[] } };
    return (Array.isArray(answer) ? answer : answer.items).find((one) => one.id === id) ?? null;
  };

  test('is gone when it is taken out and comes back as it was', async () => {
    const one = body();
    await server.http.post(address).send(one).expect(201);
    const before = (await seen(one.id))!;
    expect(before).toMatchObject({ id: one.id, revision: 1 });
    await server.http.delete(`${address}/${one.id}`).expect(204);
    expect(await seen(one.id)).toBeNull();
    expect((await server.http.post(`${address}/${one.id}/restore`).expect(200)).body).toMatchObject({ id: one.id });
    // Whoever still shows what it was before is told so when they change it.
    expect(await seen(one.id)).toEqual({ ...before, revision: 3 });
  });

  test('is changed by who saw it last; who saw less is told, and nothing is lost', async () => {
    const one = body();
    await server.http.post(address).send(one).expect(201);
    const columns = {
      ...Object.fromEntries(Object.entries(one).filter(([key]) => key !== 'id' && !fixed.includes(key))),
      ...change,
    };
    await server.http
      .put(`${address}/${one.id}`)
      .send({ ...columns, revision: 1 })
      .expect(200);
    const changed = await seen(one.id);
    expect(changed).toMatchObject({ ...change, revision: 2 });
    expect(
      (
        await server.http
          .put(`${address}/${one.id}`)
          .send({ ...columns, revision: 1 })
          .expect(409)
      ).body,
    ).toMatchObject({ code: 'revisionConflict' });
    expect(await seen(one.id)).toEqual(changed);
    await server.http
      .put(`${address}/${v7()}`)
      .send({ ...columns, revision: 1 })
      .expect(404);
  });

  test('sent twice it is there once: a page may repeat what it got no answer to', async () => {
    const one = body();
    await server.http.post(address).send(one).expect(201);
    const before = await seen(one.id);
    await server.http.post(address).send(one).expect(201);
    expect(await seen(one.id)).toEqual(before);
  });

  test('what is not there can be neither taken out nor brought back', async () => {
    expect((await server.http.delete(`${address}/${v7()}`).expect(404)).body).toMatchObject({ code: 'notFound' });
    await server.http.post(`${address}/${v7()}/restore`).expect(404);
    await server.http.delete(`${address}/none`).expect(400);
  });
});
