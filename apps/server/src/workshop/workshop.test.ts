import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type {
  AirView,
  CraftView,
  HealthView,
  MotorPieceView,
  PackPieceView,
  PartEventView,
  PersonView,
  Problem,
  SparePartView,
  ListView,
} from '@zivvo/contract';
import { v7 } from 'uuid';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { aCraft, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

const aPack = (more: object = {}) => ({
  id: v7(),
  tag: 'P1',
  chemistry: 'lipo',
  seriesCount: 6,
  parallelCount: 1,
  capacityAh: 4,
  cellResistanceOhm: 0.0034,
  ...more,
});
const pathsOf = (body: unknown): string[] => (body as Problem).fields.map((f) => f.path);

test('health tells database, schema and version, and nothing else', async () => {
  const health = (await server.http.get('/api/health').expect(200)).body as HealthView;
  expect(health).toMatchObject({
    status: 'ok',
    version: expect.any(String),
    database: { schema: expect.any(String), postgres: expect.stringMatching(/^\d+/) },
  });
  expect(Object.keys(health).sort()).toEqual(['database', 'now', 'status', 'version', 'workshop']);
});

describe('people', () => {
  test('are added once and listed in the order in which they came', async () => {
    const irva = { id: v7(), name: 'Irva Solt' };
    await server.http.post('/api/people').send(irva).expect(201);
    await server.http.post('/api/people').send(irva).expect(201);
    await server.http.post('/api/people').send({ id: v7(), name: 'Benno Krail' }).expect(201);
    const people = ((await server.http.get('/api/people').expect(200)).body as ListView<PersonView>).items;
    expect(people.map((p) => p.name)).toEqual(['Irva Solt', 'Benno Krail']);
  });

  test('go with the rows they make', async () => {
    const [person] = ((await server.http.get('/api/people')).body as ListView<PersonView>).items;
    const craft = aCraft();
    const nobodys = aCraft();
    await server.http.post('/api/crafts').set('Zivvo-Person', person!.id).send(craft).expect(201);
    await server.http.post('/api/crafts').send(nobodys).expect(201);
    const personOf = async (id: string): Promise<string | null> =>
      (await server.app.get(CraftRepository, { strict: false }).find(server.app.get<Db>(DB), id)).personId;
    expect(await personOf(craft.id)).toBe(person!.id);
    expect(await personOf(nobodys.id)).toBeNull();
  });

  test('a header that names nobody is refused', async () => {
    await server.http.get('/api/people').set('Zivvo-Person', 'me').expect(400);
  });

  test('without a name there is nobody', async () => {
    const answer = await server.http.post('/api/people').send({ id: v7(), name: '' }).expect(400);
    expect(pathsOf(answer.body)).toEqual(['name']);
  });
});

describe('air', () => {
  test('nobody has read it yet, then the latest reading stands with its density', async () => {
    expect((await server.http.get('/api/air')).body).toEqual({ air: null });
    await server.http
      .post('/api/air')
      .send({ id: v7(), temperatureC: 15, pressurePa: 101_325, humidityRatio: 0 })
      .expect(201);
    await server.http
      .post('/api/air')
      .send({ id: v7(), temperatureC: 30, pressurePa: 95_000, humidityRatio: 0.8 })
      .expect(201);
    const { air } = (await server.http.get('/api/air').expect(200)).body as { air: AirView };
    expect(air).toMatchObject({ temperatureC: 30, pressurePa: 95_000 });
    expect(air.densityKgPerM3).toBeCloseTo(1.078, 2);
    expect(air.densityAltitudeM).toBeGreaterThan(1000);
  });

  test.each([
    ['colder than any workshop', { temperatureC: -80 }, 'temperatureC'],
    ['humidity in percent', { humidityRatio: 50 }, 'humidityRatio'],
    ['pressure in hectopascals', { pressurePa: 1013 }, 'pressurePa'],
  ])('%s is refused', async (_what, change, path) => {
    const answer = await server.http
      .post('/api/air')
      .send({ id: v7(), temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5, ...change })
      .expect(400);
    expect(pathsOf(answer.body)).toEqual([path]);
  });
});

describe('packs', () => {
  test('keep what was changed, by whom, and on which revision', async () => {
    const pack = aPack({ tag: 'P8' });
    const { id, ...columns } = pack;
    await server.http.post('/api/pack-pieces').send(pack).expect(201);
    await server.http
      .put(`/api/pack-pieces/${id}`)
      .send({ ...columns, cycleCount: 12, note: 'puffs a little', revision: 1 })
      .expect(200);
    await server.http
      .put(`/api/pack-pieces/${id}`)
      .send({ ...columns, cycleCount: 13, revision: 1 })
      .expect(409);
    const history = (
      (await server.http.get(`/api/pack-pieces/${id}/history`).expect(200)).body as ListView<PartEventView>
    ).items;
    expect(history.map((e) => e.change)).toEqual(['changed', 'added']);
    expect(history[0]!.values).toEqual({ cycleCount: 12, note: 'puffs a little' });
    expect((await server.http.get(`/api/pack-pieces/${id}/runs`).expect(200)).body).toEqual({
      runs: [],
      record: { runCount: 0, deepestSagCellV: null, lowestCellV: null, overDrawnCount: 0, measured: null },
    });
    await server.http.get(`/api/pack-pieces/${v7()}/runs`).expect(404);
  });

  test.each([
    ['half a charge', { cycleCount: 1.5 }, 'cycleCount'],
    ['no cells', { seriesCount: 0 }, 'seriesCount'],
    ['a chemistry nobody knows', { chemistry: 'steam' }, 'chemistry'],
    ['no capacity', { capacityAh: 0 }, 'capacityAh'],
    ['no tag', { tag: '' }, 'tag'],
    ['a negative resistance', { cellResistanceOhm: -1 }, 'cellResistanceOhm'],
  ])('%s is refused', async (_what, change, path) => {
    const answer = await server.http.post('/api/pack-pieces').send(aPack(change)).expect(400);
    expect(pathsOf(answer.body)).toEqual([path]);
  });
});

describe('a pack of the shelf and the craft that fly it', () => {
  test('a craft has the figures of its pack, follows it when that is measured, and keeps them when it is taken off', async () => {
    const { id, ...columns } = aPack({ tag: 'P20', capacityAh: 5.2, cRating: 60, cellResistanceOhm: 0.0029 });
    await server.http
      .post('/api/pack-pieces')
      .send({ id, ...columns })
      .expect(201);
    const craft = aCraft({ packPieceId: id, packCapacityAh: 1 });
    const made = (await server.http.post('/api/crafts').send(craft).expect(201)).body as CraftView;
    expect(made).toMatchObject({
      packPieceId: id,
      packCapacityAh: 5.2,
      packCellResistanceOhm: 0.0029,
      packCRating: 60,
    });
    const find = async (): Promise<CraftView> =>
      (await server.http.get(`/api/crafts/${craft.id}`).expect(200)).body as CraftView;
    await server.http
      .put(`/api/pack-pieces/${id}`)
      .send({ ...columns, cellResistanceOhm: 0.0055, revision: 1 })
      .expect(200);
    expect(await find()).toMatchObject({ packCellResistanceOhm: 0.0055 });
    await server.http.delete(`/api/pack-pieces/${id}`).expect(204);
    expect(await find()).toMatchObject({ packCapacityAh: 5.2, packCellResistanceOhm: 0.0055 });
    const back = (await server.http.post(`/api/pack-pieces/${id}/restore`).expect(200)).body as PackPieceView;
    expect(back).toMatchObject({ tag: 'P20', cellResistanceOhm: 0.0055 });
    const history = (
      (await server.http.get(`/api/pack-pieces/${id}/history`).expect(200)).body as ListView<PartEventView>
    ).items;
    expect(history.map((e) => e.change)).toEqual(['restored', 'removed', 'changed', 'added']);
  });

  test('a craft cannot fly a pack that nobody ever put on the shelf', async () => {
    await server.http
      .post('/api/crafts')
      .send(aCraft({ packPieceId: v7() }))
      .expect(404);
  });
});

describe('motors', () => {
  const aMotor = (craftId: string | null, more: object = {}) => ({
    id: v7(),
    tag: 'M1',
    craftId,
    place: 'frontLeft',
    hours: 3.5,
    overLimitCount: 0,
    strikeCount: 0,
    bearing: 'smooth',
    shaftPlayM: null,
    shaftRunOutM: 0.00002,
    note: null,
    ...more,
  });
  const list = async (): Promise<MotorPieceView[]> =>
    ((await server.http.get('/api/motor-pieces').expect(200)).body as ListView<MotorPieceView>).items;

  test('grow older with their craft, ask to be felt after a strike on their arm, and younger when a flight goes out', async () => {
    const craft = aCraft();
    await server.http.post('/api/crafts').send(craft).expect(201);
    const [struck, other] = [
      aMotor(craft.id, { tag: 'M31' }),
      aMotor(craft.id, { tag: 'M32', place: 'rearRight', hours: 0 }),
    ];
    for (const motor of [struck, other]) await server.http.post('/api/motor-pieces').send(motor).expect(201);
    const of = async (id: string): Promise<MotorPieceView> => (await list()).find((m) => m.id === id)!;
    const flightId = v7();
    const hit = {
      id: v7(),
      thing: 'twigs',
      throttleRatio: 0.4,
      isCrash: false,
      arms: [{ place: 'frontLeft', level: 0 }],
      note: null,
    };
    await server.http
      .post(`/api/care/${craft.id}/flights`)
      .send({ id: flightId, durationS: 1800, packPieceId: null, strikes: [hit], note: null })
      .expect(201);
    expect(await of(struck.id)).toMatchObject({ hours: 4, strikeCount: 1, bearing: null });
    expect(await of(other.id)).toMatchObject({ hours: 0.5, strikeCount: 0, bearing: 'smooth' });
    const { id, createdAt: _created, updatedAt: _updated, ...felt } = await of(struck.id);
    await server.http
      .put(`/api/motor-pieces/${id}`)
      .send({ ...felt, bearing: 'dry' })
      .expect(200);
    await server.http.delete(`/api/care/${craft.id}/flights/${flightId}`).expect(204);
    expect(await of(struck.id)).toMatchObject({ hours: 3.5, strikeCount: 0, bearing: 'dry' });
    // More than was flown is never taken away.
    expect((await of(other.id)).hours).toBe(0);
    const history = (
      (await server.http.get(`/api/motor-pieces/${id}/history`).expect(200)).body as ListView<PartEventView>
    ).items;
    expect(history.map((e) => e.change)).toEqual(['changed', 'changed', 'changed', 'added']);
  });

  test('taken off and put back they are who they were; two with one tag are refused', async () => {
    const motor = aMotor(null, { tag: 'M40', place: null });
    await server.http.post('/api/motor-pieces').send(motor).expect(201);
    await server.http.delete(`/api/motor-pieces/${motor.id}`).expect(204);
    expect((await list()).some((m) => m.id === motor.id)).toBe(false);
    await server.http.post(`/api/motor-pieces/${motor.id}/restore`).expect(200);
    expect((await list()).find((m) => m.id === motor.id)).toMatchObject({ tag: 'M40', hours: 3.5 });
    await server.http.post('/api/motor-pieces').send(motor).expect(201);
    expect((await list()).filter((m) => m.tag === 'M40')).toHaveLength(1);
  });

  test.each([
    ['hours before it was made', { hours: -1 }, 'hours'],
    ['half a strike', { strikeCount: 0.5 }, 'strikeCount'],
    ['a bearing like butter', { bearing: 'buttery' }, 'bearing'],
    ['a shaft bent by a centimetre and more', { shaftRunOutM: 0.02 }, 'shaftRunOutM'],
    ['an arm nobody has', { place: 'upstairs' }, 'place'],
    ['no tag', { tag: '' }, 'tag'],
  ])('%s is refused at its field', async (_what, change, path) => {
    expect(pathsOf((await server.http.post('/api/motor-pieces').send(aMotor(null, change)).expect(400)).body)).toEqual([
      path,
    ]);
  });
});

describe('small parts', () => {
  test('are counted up and down on their revision, and never below none', async () => {
    const nuts = { id: v7(), name: '  M5 lock nut ', count: 2, perPieceCount: 1 };
    expect((await server.http.post('/api/spare-parts').send(nuts).expect(201)).body).toMatchObject({
      name: 'M5 lock nut',
      count: 2,
      revision: 1,
    });
    const put = (count: number, revision: number) =>
      server.http.put(`/api/spare-parts/${nuts.id}`).send({ name: 'M5 lock nut', count, perPieceCount: 1, revision });
    await put(1, 1).expect(200);
    await put(5, 1).expect(409);
    expect(pathsOf((await put(-1, 2).expect(400)).body)).toEqual(['count']);
    const all = async (): Promise<SparePartView[]> =>
      ((await server.http.get('/api/spare-parts').expect(200)).body as ListView<SparePartView>).items;
    expect((await all()).find((s) => s.id === nuts.id)).toMatchObject({ count: 1, revision: 2 });
    await server.http.delete(`/api/spare-parts/${nuts.id}`).expect(204);
    expect((await all()).some((s) => s.id === nuts.id)).toBe(false);
    await server.http.post(`/api/spare-parts/${nuts.id}/restore`).expect(200);
    expect((await all()).some((s) => s.id === nuts.id)).toBe(true);
  });
});
