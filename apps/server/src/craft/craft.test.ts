import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CraftListView, CraftView, Problem } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aCraft, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

const problemOf = (body: unknown): Problem => body as Problem;

describe('crafts', () => {
  test('are described, listed, changed on top of what was seen, deleted and brought back', async () => {
    const craft = aCraft();
    const created = (await server.http.post('/api/crafts').send(craft).expect(201)).body as CraftView;
    expect(created).toMatchObject({ id: craft.id, revision: 1, hoverThrustN: expect.closeTo(4.707, 3) });
    expect(created.rotors.map((r) => r.spin)).toEqual(['cw', 'ccw', 'cw', 'ccw']);
    const { id: _id, ...body } = craft;
    const changed = (await server.http.put(`/api/crafts/${craft.id}`).send({ ...body, massKg: 2, revision: 1 }).expect(200)).body as CraftView;
    expect(changed).toMatchObject({ massKg: 2, revision: 2 });
    const conflict = await server.http.put(`/api/crafts/${craft.id}`).send({ ...body, revision: 1 }).expect(409);
    expect(problemOf(conflict.body).code).toBe('revisionConflict');
    await server.http.delete(`/api/crafts/${craft.id}`).expect(204);
    await server.http.get(`/api/crafts/${craft.id}`).expect(404);
    await server.http.post(`/api/crafts/${craft.id}/restore`).expect(200);
    const list = (await server.http.get('/api/crafts').expect(200)).body as CraftListView;
    expect(list.items.find((c) => c.id === craft.id)!.line).toEqual([expect.objectContaining({ station: 'stand', state: 'empty' })]);
  });

  test('the same creation sent twice, as after a lost answer, makes one craft', async () => {
    const craft = aCraft({ name: 'Twice' });
    await server.http.post('/api/crafts').send(craft).expect(201);
    await server.http.post('/api/crafts').send(craft).expect(201);
    const list = (await server.http.get('/api/crafts')).body as CraftListView;
    expect(list.items.filter((c) => c.name === 'Twice')).toHaveLength(1);
  });
});

describe('malformed requests are 4xx with field and rule', () => {
  const sent = async (body: object): Promise<[number, Problem]> => {
    const answer = await server.http.post('/api/crafts').send(body);
    return [answer.status, problemOf(answer.body)];
  };

  test.each<[string, object, string, string]>([
    ['a text for a number', { massKg: '1.9' }, 'massKg', 'isNumber'],
    ['too heavy', { massKg: 61 }, 'massKg', 'max'],
    ['null where a value is needed', { diagonalM: null }, 'diagonalM', 'isNumber'],
    ['an empty name', { name: '' }, 'name', 'minLength'],
    ['a name too long', { name: 'x'.repeat(81) }, 'name', 'maxLength'],
    ['an unknown field', { wings: 2 }, 'wings', 'whitelistValidation'],
    ['an unknown word', { packChemistry: 'nuclear' }, 'packChemistry', 'isIn'],
    ['half a cell', { packSeriesCount: 5.5 }, 'packSeriesCount', 'isInt'],
    ['no UUID', { id: '17' }, 'id', 'isUuid'],
    ['a list of the wrong words', { estimatedFields: ['everything'] }, 'estimatedFields', 'isIn'],
  ])('%s', async (_name, change, path, rule) => {
    const [status, problem] = await sent(aCraft(change));
    expect([status, problem.code]).toEqual([400, 'invalidBody']);
    expect(problem.fields).toContainEqual(expect.objectContaining({ path, rule }));
  });

  test('a limit is told with the problem', async () => {
    const [, problem] = await sent(aCraft({ massKg: 61 }));
    expect(problem.fields[0]).toMatchObject({ value: '61', allowed: { min: 0.01, max: 60 } });
  });

  test('what is well formed but cannot be is 422', async () => {
    expect(await sent(aCraft({ kind: 'plane' }))).toEqual([422, expect.objectContaining({ fields: [expect.objectContaining({ path: 'kind' })] })]);
    expect(await sent(aCraft({ clearanceDiameterM: 0.25 }))).toEqual([422, expect.objectContaining({ fields: [expect.objectContaining({ rule: 'discsMeet', allowed: { min: 0.02, max: 0.2079 } })] })]);
    const [status, problem] = await sent(aCraft({ referencePropModelId: v7() }));
    expect([status, problem.fields[0]!.path, problem.fields[0]!.rule]).toEqual([422, 'referencePropModelId', 'exists']);
  });

  test('a bad address, a bad body, a deep body, an unknown page', async () => {
    expect(problemOf((await server.http.get('/api/crafts/abc').expect(400)).body).fields[0]).toMatchObject({ path: 'id', rule: 'isUuid' });
    expect(problemOf((await server.http.post('/api/crafts').set('content-type', 'application/json').send('{"name":').expect(400)).body)).toMatchObject({ code: 'unreadableJson', fields: [{ path: 'body' }] });
    const deep = JSON.parse('['.repeat(40) + ']'.repeat(40)) as object;
    expect(problemOf((await server.http.post('/api/crafts').send(deep).expect(400)).body).fields[0]).toMatchObject({ rule: 'maxDepth' });
    expect(problemOf((await server.http.post('/api/crafts').send(aCraft({ note: 'a\u0000b' })).expect(400)).body).fields[0]).toMatchObject({ rule: 'noNul' });
    expect(problemOf((await server.http.post('/api/crafts').send(aCraft({ note: 'x'.repeat(3_000_000) })).expect(413)).body).code).toBe('bodyTooLarge');
    expect(problemOf((await server.http.get('/api/nothing').expect(404)).body).code).toBe('notFound');
  });

  test('nothing inner leaks: no SQL, no stack, no parameters', async () => {
    const [, problem] = await sent(aCraft({ referencePropModelId: v7() }));
    expect(JSON.stringify(problem)).not.toMatch(/insert|select|Petrel|at \w+ \(/i);
  });
});
