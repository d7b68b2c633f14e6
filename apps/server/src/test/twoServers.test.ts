import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BatchDetailView, PropModelView } from '@zivvo/contract';
import { v7 } from 'uuid';
import { testServerUrl } from './serverDatabase.ts';
import { aCraft, aPropModel, startBeside, startTestServer, type TestServer } from './testServer.ts';

// The embedded database lets one server in; a PostgreSQL server several.
const onServer = testServerUrl === null ? describe.skip : describe;

onServer('two servers on one database', () => {
  let servers: [TestServer, TestServer];
  beforeAll(async () => {
    const first = await startTestServer();
    servers = [first, await startBeside(first)];
  }, 60_000);
  afterAll(async () => {
    await servers[1].close();
    await servers[0].close();
  });
  /** Sends things to both in turn, all at once. */
  const toBoth = <T>(bodies: object[], path: string): Promise<T[]> =>
    Promise.all(
      bodies.map(async (body, i) => (await servers[i % 2]!.http.post(`/api/${path}`).send(body).expect(201)).body as T),
    );

  test('number what they make without a double', async () => {
    const models = await toBoth<PropModelView>(
      Array.from({ length: 12 }, (_, i) => aPropModel({ label: `${5 + i}x4` })),
      'prop-models',
    );
    expect(new Set(models.map((m) => m.seriesIndex)).size).toBe(12);
    const batches = await toBoth<BatchDetailView>(
      models.map((m) => ({
        id: v7(),
        propModelId: m.id,
        cwCount: 5,
        ccwCount: 5,
        eitherCount: 0,
        resolutionKg: 1e-5,
        location: null,
        note: null,
      })),
      'batches',
    );
    const tags = batches.flatMap((b) => b.pieces.map((p) => p.tag));
    expect([tags.length, new Set(tags).size]).toEqual([120, 120]);
  });

  test('move one piece one after the other: what a life allows once is done once', async () => {
    const model = aPropModel({ label: '9x5' });
    const craft = aCraft();
    await servers[0].http.post('/api/prop-models').send(model).expect(201);
    await servers[0].http.post('/api/crafts').send(craft).expect(201);
    const { pieces } = (
      await servers[0].http
        .post('/api/batches')
        .send({
          id: v7(),
          propModelId: model.id,
          cwCount: 1,
          ccwCount: 0,
          eitherCount: 0,
          resolutionKg: 1e-5,
          location: null,
          note: null,
        })
        .expect(201)
    ).body as BatchDetailView;
    const id = pieces[0]!.id;
    await servers[1].http
      .put(`/api/pieces/${id}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.228, boreFit: 'fits', look: 'good' })
      .expect(200);
    const statuses = await Promise.all(
      Array.from({ length: 8 }, async (_, i) => {
        const answer = await servers[i % 2]!.http.post(`/api/pieces/${id}/actions`).send({
          action: 'move',
          location: `box ${i}`,
        });
        return answer.status;
      }),
    );
    expect(new Set(statuses)).toEqual(new Set([200]));
    const { body } = await servers[0].http.get(`/api/pieces/${id}`).expect(200);
    const moves = (body as { history: { action: string }[] }).history.filter((h) => h.action === 'move');
    expect(moves).toHaveLength(8);
  });
});
