import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CraftLinesView, CraftListView, CraftView, Problem } from '@zivvo/contract';
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
    expect(created).toMatchObject({ id: craft.id, revision: 1, carryThrustN: expect.closeTo(4.707, 3) });
    expect(created.rotors.map((r) => r.spin)).toEqual(['cw', 'ccw', 'cw', 'ccw']);
    const { id: _id, ...body } = craft;
    const changed = (
      await server.http
        .put(`/api/crafts/${craft.id}`)
        .send({ ...body, massKg: 2, revision: 1 })
        .expect(200)
    ).body as CraftView;
    expect(changed).toMatchObject({ massKg: 2, revision: 2 });
    const conflict = await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...body, revision: 1 })
      .expect(409);
    expect(problemOf(conflict.body).code).toBe('revisionConflict');
    await server.http.delete(`/api/crafts/${craft.id}`).expect(204);
    await server.http.get(`/api/crafts/${craft.id}`).expect(404);
    await server.http.post(`/api/crafts/${craft.id}/restore`).expect(200);
    const list = (await server.http.get('/api/crafts').expect(200)).body as CraftListView;
    expect(list.items.map((c) => c.id)).toContain(craft.id);
    const lines = (await server.http.get('/api/crafts/lines').expect(200)).body as CraftLinesView;
    expect(lines.items.find((c) => c.craftId === craft.id)!.stops).toEqual([
      expect.objectContaining({ station: 'pick', state: 'empty' }),
      expect.objectContaining({ station: 'balance', state: 'empty' }),
      expect.objectContaining({ station: 'fit', state: 'empty' }),
      expect.objectContaining({ station: 'stand', state: 'empty' }),
      expect.objectContaining({ station: 'fly', state: 'empty' }),
      expect.objectContaining({ station: 'listen', state: 'empty' }),
      expect.objectContaining({ station: 'judge', state: 'empty' }),
    ]);
  });

  test('props out, and an own table: the rotors follow; a table of another length is refused at its field', async () => {
    const craft = aCraft({ name: 'Dunlin', spinTable: 'out' });
    const created = (await server.http.post('/api/crafts').send(craft).expect(201)).body as CraftView;
    expect(created).toMatchObject({ spinTable: 'out', ownSpins: null });
    expect(created.rotors.map((r) => r.spin)).toEqual(['ccw', 'cw', 'ccw', 'cw']);
    const { id: _id, ...body } = craft;
    const own = (
      await server.http
        .put(`/api/crafts/${craft.id}`)
        .send({ ...body, spinTable: 'own', ownSpins: ['cw', 'cw', 'ccw', 'ccw'], revision: 1 })
        .expect(200)
    ).body as CraftView;
    expect(own.rotors.map((r) => r.spin)).toEqual(['cw', 'cw', 'ccw', 'ccw']);
    const refused = await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...body, spinTable: 'own', ownSpins: ['cw'], revision: 2 })
      .expect(422);
    expect(problemOf(refused.body).fields.map((f) => f.path)).toEqual(['ownSpins']);
    await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...body, spinTable: 'sideways', revision: 2 })
      .expect(400);
  });

  test('the same creation sent twice, as after a lost answer, makes one craft', async () => {
    const craft = aCraft({ name: 'Twice' });
    await server.http.post('/api/crafts').send(craft).expect(201);
    await server.http.post('/api/crafts').send(craft).expect(201);
    const list = (await server.http.get('/api/crafts')).body as CraftListView;
    expect(list.items.filter((c) => c.name === 'Twice')).toHaveLength(1);
  });
});

describe('a pack of the shelf', () => {
  const pack = {
    id: v7(),
    tag: 'R1',
    chemistry: 'lipo',
    seriesCount: 6,
    parallelCount: 1,
    capacityAh: 1.3,
    cellResistanceOhm: null,
    cRating: 100,
  };
  const craft = aCraft({ name: 'Dunlin', packPieceId: pack.id, packCapacityAh: 9 });
  const { id: _craftId, ...body } = craft;
  const { id: _packId, ...figures } = pack;
  const now = async (): Promise<CraftView> =>
    (await server.http.get(`/api/crafts/${craft.id}`).expect(200)).body as CraftView;

  test('lends the craft its figures, and measured anew tells it', async () => {
    await server.http.post('/api/pack-pieces').send(pack).expect(201);
    const created = (await server.http.post('/api/crafts').send(craft).expect(201)).body as CraftView;
    expect(created).toMatchObject({
      packPieceId: pack.id,
      packCapacityAh: 1.3,
      packCRating: 100,
      packCellResistanceOhm: null,
    });
    await server.http
      .put(`/api/pack-pieces/${pack.id}`)
      .send({ ...figures, cellResistanceOhm: 0.0031, revision: 1 })
      .expect(200);
    expect(await now()).toMatchObject({ packCellResistanceOhm: 0.0031, revision: 2 });
  });

  test('taken off the shelf leaves its figures, and the craft can be saved; an unknown one is refused', async () => {
    await server.http.delete(`/api/pack-pieces/${pack.id}`).expect(204);
    const { revision } = await now();
    const saved = (
      await server.http
        .put(`/api/crafts/${craft.id}`)
        .send({ ...body, packCapacityAh: 1.3, packCellResistanceOhm: 0.0031, massKg: 0.7, revision })
        .expect(200)
    ).body as CraftView;
    expect(saved).toMatchObject({ massKg: 0.7, packPieceId: null, packCapacityAh: 1.3, packCellResistanceOhm: 0.0031 });
    await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...body, packPieceId: v7(), revision: saved.revision })
      .expect(404);
  });
});

describe('layouts and uses', () => {
  test.each<[string, object, number, string]>([
    ['an octo', { layout: 'octoX', diagonalM: 0.9, clearanceDiameterM: 0.3 }, 8, 'multirotor'],
    ['a plane', { layout: 'tractor', diagonalM: null, clearanceDiameterM: null, groundClearanceM: 0.17 }, 1, 'plane'],
    [
      'measured arms',
      {
        layout: 'custom',
        diagonalM: null,
        clearanceDiameterM: null,
        arms: [
          { xM: 0.1, yM: -0.1, spin: 'cw' },
          { xM: 0.1, yM: 0.1, spin: 'ccw' },
          { xM: -0.2, yM: 0, spin: 'cw' },
        ],
      },
      3,
      'multirotor',
    ],
  ])('%s keeps its rotors', async (_name, change, count, kind) => {
    const craft = aCraft(change);
    const view = (await server.http.post('/api/crafts').send(craft).expect(201)).body as CraftView;
    expect([view.rotors.length, view.kind]).toEqual([count, kind]);
  });

  test('a use is chosen, its weights changed, and both stay', async () => {
    const craft = aCraft();
    await server.http.post('/api/crafts').send(craft).expect(201);
    const weights = { minutes: 9, thrust: 1, answer: 0, quiet: 5, speed: 0, cool: 0, gentle: 0, tough: 2 };
    await server.http.put(`/api/crafts/${craft.id}/use`).send({ use: 'longEndurance', weights }).expect(200);
    expect((await server.http.get(`/api/crafts/${craft.id}`)).body).toMatchObject({ use: 'longEndurance', weights });
    const bad = await server.http
      .put(`/api/crafts/${craft.id}/use`)
      .send({ use: 'longEndurance', weights: { ...weights, quiet: 11 } })
      .expect(400);
    expect(problemOf(bad.body).fields).toContainEqual(expect.objectContaining({ path: 'weights.quiet', rule: 'max' }));
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
    ['null where a value is needed', { motorMassKg: null }, 'motorMassKg', 'isNumber'],
    [
      'an arm without a spin',
      {
        layout: 'custom',
        arms: [
          { xM: 0.1, yM: 0.1 },
          { xM: 0, yM: 0.1, spin: 'cw' },
        ],
      },
      'arms.0.spin',
      'isIn',
    ],
    ['one arm', { layout: 'custom', arms: [{ xM: 0.1, yM: 0.1, spin: 'cw' }] }, 'arms', 'arrayMinSize'],
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
    expect(await sent(aCraft({ diagonalM: null }))).toEqual([
      422,
      expect.objectContaining({ fields: [expect.objectContaining({ path: 'diagonalM' })] }),
    ]);
    expect(
      await sent(
        aCraft({
          layout: 'custom',
          arms: [
            { xM: 0.1, yM: 0, spin: 'cw' },
            { xM: 0.1, yM: 0, spin: 'cw' },
            { xM: 0.1, yM: 0, spin: 'cw' },
          ],
        }),
      ),
    ).toEqual([422, expect.objectContaining({ fields: [expect.objectContaining({ path: 'arms', rule: 'layout' })] })]);
    const leftOff = { id: v7(), name: 'all off', addedMassKg: -2, pack: null, motor: null, escLimitA: null };
    expect(await sent(aCraft({ kits: [leftOff] }))).toEqual([
      422,
      expect.objectContaining({
        fields: [
          expect.objectContaining({ path: 'kits.0.addedMassKg', allowed: { min: expect.closeTo(-1.915, 9), max: 30 } }),
        ],
      }),
    ]);
    expect(await sent(aCraft({ clearanceDiameterM: 0.25 }))).toEqual([
      422,
      expect.objectContaining({
        fields: [expect.objectContaining({ rule: 'discsMeet', allowed: { min: 0.02, max: 0.2079 } })],
      }),
    ]);
    const [status, problem] = await sent(aCraft({ referencePropModelId: v7() }));
    expect([status, problem.fields[0]!.path, problem.fields[0]!.rule]).toEqual([422, 'referencePropModelId', 'exists']);
  });

  test('a bad address, a bad body, a deep body, an unknown page', async () => {
    expect(problemOf((await server.http.get('/api/crafts/abc').expect(400)).body).fields[0]).toMatchObject({
      path: 'id',
      rule: 'isUuid',
    });
    expect(
      problemOf(
        (await server.http.post('/api/crafts').set('content-type', 'application/json').send('{"name":').expect(400))
          .body,
      ),
    ).toMatchObject({ code: 'unreadableJson', fields: [{ path: 'body' }] });
    const deep = JSON.parse('['.repeat(40) + ']'.repeat(40)) as object;
    expect(problemOf((await server.http.post('/api/crafts').send(deep).expect(400)).body).fields[0]).toMatchObject({
      rule: 'maxDepth',
    });
    expect(
      problemOf(
        (
          await server.http
            .post('/api/crafts')
            .send(aCraft({ note: 'a\u0000b' }))
            .expect(400)
        ).body,
      ).fields[0],
    ).toMatchObject({ rule: 'noNul' });
    expect(
      problemOf(
        (
          await server.http
            .post('/api/crafts')
            .send(aCraft({ note: 'x'.repeat(3_000_000) }))
            .expect(413)
        ).body,
      ).code,
    ).toBe('bodyTooLarge');
    expect(problemOf((await server.http.get('/api/nothing').expect(404)).body).code).toBe('notFound');
  });

  test('nothing inner leaks: no SQL, no stack, no parameters', async () => {
    const [, problem] = await sent(aCraft({ referencePropModelId: v7() }));
    expect(JSON.stringify(problem)).not.toMatch(/insert|select|Petrel|at \w+ \(/i);
  });
});
