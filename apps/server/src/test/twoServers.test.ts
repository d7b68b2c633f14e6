import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type { BatchDetailView, PropModelView } from '@zivvo/contract';
import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { openDatabase } from '../database/database.ts';
import { WorkshopRepository } from '../database/workshop.repository.ts';
import { emptyDatabase, once, testServerUrl } from './serverDatabase.ts';
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

onServer('a database that nobody has opened yet', () => {
  const config = {
    dataFolder: '',
    hasDatabaseThread: false,
    cacheFolder: '',
    workshopKind: 'own' as const,
  };

  test('is made ready once by those who start at once, and outlives the end of its resting connections', async () => {
    const { url, drop } = await emptyDatabase(testServerUrl!);
    const opened = await Promise.all(
      Array.from({ length: 4 }, () => openDatabase({ ...config, databaseUrl: url }, new Date())),
    );
    const row = () => ({ id: v7(), name: 'x', kind: 'own' as const, createdAt: new Date() });
    const founded = await Promise.all(opened.map(({ db }) => new WorkshopRepository(db).findOrFound(row())));
    expect(new Set(founded.map((w) => w.id)).size).toBe(1);
    const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    await once(
      url,
      'select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
    );
    for (const { db } of opened)
      await waitFor(async () => expect((await db.execute(sql`select 1 as one`)).rows).toEqual([{ one: 1 }]));
    expect(said).toHaveBeenCalledWith(expect.stringContaining('A resting connection to the database ended'));
    said.mockRestore();
    await Promise.all(opened.map((database) => database.close()));
    await drop();
  }, 60_000);
});

/** Until it holds: a connection learns a moment later that it was ended. */
async function waitFor(holds: () => Promise<void>): Promise<void> {
  for (let tries = 20; ; tries--)
    try {
      return await holds();
    } catch (error) {
      if (tries === 0) throw error;
    }
}
