import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AirView, HealthView, PartEventView, PersonView, Problem } from '@zivvo/contract';
import { v7 } from 'uuid';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { aCraft, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

const aPack = (more: object = {}) => ({ id: v7(), tag: 'P1', chemistry: 'lipo', seriesCount: 6, parallelCount: 1, capacityAh: 4, cellResistanceOhm: 0.0034, ...more });
const pathsOf = (body: unknown): string[] => (body as Problem).fields.map((f) => f.path);

test('health tells database, schema and version, and nothing else', async () => {
  const health = (await server.http.get('/api/health').expect(200)).body as HealthView;
  expect(health).toMatchObject({ status: 'ok', version: expect.any(String), database: { schema: expect.any(String), postgres: expect.stringMatching(/^\d+/) } });
  expect(Object.keys(health).sort()).toEqual(['database', 'now', 'status', 'version', 'workshop']);
});

describe('people', () => {
  test('are added once and listed in the order in which they came', async () => {
    const irva = { id: v7(), name: 'Irva Solt' };
    await server.http.post('/api/people').send(irva).expect(201);
    await server.http.post('/api/people').send(irva).expect(201);
    await server.http.post('/api/people').send({ id: v7(), name: 'Benno Krail' }).expect(201);
    const people = (await server.http.get('/api/people').expect(200)).body as PersonView[];
    expect(people.map((p) => p.name)).toEqual(['Irva Solt', 'Benno Krail']);
  });

  test('go with the rows they make', async () => {
    const [person] = (await server.http.get('/api/people')).body as PersonView[];
    const craft = aCraft();
    const nobodys = aCraft();
    await server.http.post('/api/crafts').set('Zivvo-Person', person!.id).send(craft).expect(201);
    await server.http.post('/api/crafts').send(nobodys).expect(201);
    const personOf = async (id: string): Promise<string | null> => (await server.app.get(CraftRepository, { strict: false }).find(server.app.get<Db>(DB), id)).personId;
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
    await server.http.post('/api/air').send({ id: v7(), temperatureC: 15, pressurePa: 101_325, humidityRatio: 0 }).expect(201);
    await server.http.post('/api/air').send({ id: v7(), temperatureC: 30, pressurePa: 95_000, humidityRatio: 0.8 }).expect(201);
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
    const answer = await server.http.post('/api/air').send({ id: v7(), temperatureC: 15, pressurePa: 101_325, humidityRatio: 0.5, ...change }).expect(400);
    expect(pathsOf(answer.body)).toEqual([path]);
  });
});

describe('packs', () => {
  test('keep what was changed, by whom, and on which revision', async () => {
    const pack = aPack({ tag: 'P8' });
    const { id, ...columns } = pack;
    await server.http.post('/api/pack-pieces').send(pack).expect(201);
    await server.http.put(`/api/pack-pieces/${id}`).send({ ...columns, cycleCount: 12, note: 'puffs a little', revision: 1 }).expect(200);
    await server.http.put(`/api/pack-pieces/${id}`).send({ ...columns, cycleCount: 13, revision: 1 }).expect(409);
    const history = (await server.http.get(`/api/pack-pieces/${id}/history`).expect(200)).body as PartEventView[];
    expect(history.map((e) => e.change)).toEqual(['changed', 'added']);
    expect(history[0]!.values).toEqual({ cycleCount: 12, note: 'puffs a little' });
    expect((await server.http.get(`/api/pack-pieces/${id}/runs`).expect(200)).body).toEqual({ runs: [], record: { runCount: 0, deepestSagCellV: null, lowestCellV: null, overDrawnCount: 0 } });
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
