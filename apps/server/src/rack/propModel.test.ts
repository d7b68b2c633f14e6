import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Problem, PropModelListView, PropModelView } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

const create = async (more: object = {}): Promise<PropModelView> =>
  (await server.http.post('/api/prop-models').send(aPropModel(more)).expect(201)).body as PropModelView;
const list = async (): Promise<PropModelListView> =>
  (await server.http.get('/api/prop-models').expect(200)).body as PropModelListView;
const problemOf = (body: unknown): Problem => body as Problem;

describe('prop models', () => {
  test('keep what the label says beside what was measured', async () => {
    const model = await create({ measuredDiameterM: 0.1824 });
    expect(model).toMatchObject({
      label: '7.2x3.9x3',
      diameterM: 0.18288,
      measuredDiameterM: 0.1824,
      revision: 1,
      stock: null,
    });
  });

  test('get their place in the order of colours once, and it stays', async () => {
    const first = await create({ label: 'a 5x4' });
    const second = await create({ label: 'b 5x4' });
    expect(second.seriesIndex).toBe(first.seriesIndex + 1);
    await server.http.delete(`/api/prop-models/${first.id}`).expect(204);
    const third = await create({ label: 'c 5x4' });
    expect(third.seriesIndex).toBeGreaterThan(second.seriesIndex);
    const back = (await server.http.post(`/api/prop-models/${first.id}/restore`).expect(200)).body as PropModelView;
    expect(back.seriesIndex).toBe(first.seriesIndex);
  });

  test('sent twice, as after a lost answer, there is one', async () => {
    const body = aPropModel({ label: 'twice 6x3' });
    await server.http.post('/api/prop-models').send(body).expect(201);
    await server.http.post('/api/prop-models').send(body).expect(201);
    expect((await list()).items.filter((m) => m.label === 'twice 6x3')).toHaveLength(1);
  });

  test('change on top of what was seen only', async () => {
    const { id } = await create();
    const { id: _id, ...body } = aPropModel({ note: 'second bag' });
    const changed = (
      await server.http
        .put(`/api/prop-models/${id}`)
        .send({ ...body, revision: 1 })
        .expect(200)
    ).body as PropModelView;
    expect(changed).toMatchObject({ note: 'second bag', revision: 2 });
    const late = await server.http
      .put(`/api/prop-models/${id}`)
      .send({ ...body, note: 'third', revision: 1 })
      .expect(409);
    expect(problemOf(late.body).code).toBe('revisionConflict');
    expect(((await server.http.get(`/api/prop-models/${id}`)).body as PropModelView).note).toBe('second bag');
  });
});

describe('counted by hand', () => {
  test('the last count stands, with its moment', async () => {
    const { id } = await create();
    await server.http.put(`/api/prop-models/${id}/stock`).send({ cwCount: 4, ccwCount: 3 }).expect(200);
    const counted = (
      await server.http.put(`/api/prop-models/${id}/stock`).send({ cwCount: 2, ccwCount: 3 }).expect(200)
    ).body as PropModelView;
    expect(counted.stock).toMatchObject({ cwCount: 2, ccwCount: 3 });
    expect((await list()).items.find((m) => m.id === id)!.stock).toEqual(counted.stock);
  });

  test.each([
    ['a half piece', { cwCount: 1.5, ccwCount: 0 }, 'cwCount'],
    ['less than none', { cwCount: 0, ccwCount: -1 }, 'ccwCount'],
    ['no count', { cwCount: 2 }, 'ccwCount'],
  ])('%s is refused', async (_what, body, path) => {
    const { id } = await create();
    const { fields } = problemOf((await server.http.put(`/api/prop-models/${id}/stock`).send(body).expect(400)).body);
    expect(fields.map((f) => f.path)).toContain(path);
  });

  test('a model that is not there cannot be counted', async () => {
    await server.http.put(`/api/prop-models/${v7()}/stock`).send({ cwCount: 1, ccwCount: 1 }).expect(404);
  });
});

describe('malformed models name field and rule', () => {
  test.each<[string, object, string, string]>([
    ['no diameter', { diameterM: 0 }, 'diameterM', 'min'],
    ['a diameter that is no number', { diameterM: 'seven' }, 'diameterM', 'isNumber'],
    ['nine blades', { bladeCount: 9 }, 'bladeCount', 'max'],
    ['half a blade', { bladeCount: 2.5 }, 'bladeCount', 'isInt'],
    ['an unknown tip', { tipShape: 'round' }, 'tipShape', 'isIn'],
    ['an unknown material', { material: 'unobtainium' }, 'material', 'isIn'],
    ['an unknown hand', { labelHand: 'left' }, 'labelHand', 'isIn'],
    ['an empty label', { label: '' }, 'label', 'minLength'],
    ['a label too long', { label: 'x'.repeat(61) }, 'label', 'maxLength'],
    ['a weight of nothing', { measuredMassKg: 0 }, 'measuredMassKg', 'min'],
    ['a speed no prop turns', { speedLimitRpm: 1e9 }, 'speedLimitRpm', 'max'],
  ])('%s', async (_what, change, path, rule) => {
    const { code, fields } = problemOf(
      (await server.http.post('/api/prop-models').send(aPropModel(change)).expect(400)).body,
    );
    expect(code).toBe('invalidBody');
    expect(fields).toContainEqual(expect.objectContaining({ path, rule }));
  });
});

test('pieces are wanted for a craft, and the wish is taken back', async () => {
  const model = aPropModel();
  await server.http.post('/api/prop-models').send(model).expect(201);
  const craftId = v7();
  expect(
    (await server.http.put(`/api/prop-models/${model.id}/want`).send({ count: 4, craftId }).expect(200)).body,
  ).toMatchObject({ wantedCount: 4, wantedCraftId: craftId });
  expect(
    (await server.http.put(`/api/prop-models/${model.id}/want`).send({ count: 0, craftId }).expect(200)).body,
  ).toMatchObject({ wantedCount: 0, wantedCraftId: null });
  await server.http.put(`/api/prop-models/${model.id}/want`).send({ count: -1, craftId }).expect(400);
});
