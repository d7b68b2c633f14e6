import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { HealthView, PersonView, Problem } from '@zivvo/contract';
import { v7 } from 'uuid';
import { testServerUrl } from '../test/serverDatabase.ts';
import { aCraft, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

describe('who may ask', () => {
  test('a foreign Host is refused: a rebound name must not reach the workshop', async () => {
    const answer = await server.http.get('/api/health').set('Host', 'evil.example');
    expect([answer.status, (answer.body as { code: string }).code]).toEqual([403, 'foreignHost']);
  });

  test.each(['http://evil.example', 'null', 'https://localhost:4600.evil.example', 'file://'])(
    'a page of %s is refused',
    async (origin) => {
      await server.http.post('/api/crafts').set('Origin', origin).send(aCraft()).expect(403);
    },
  );

  test('our own pages pass, in development too', async () => {
    await server.http.get('/api/health').set('Origin', 'http://127.0.0.1:5173').expect(200);
    await server.http.get('/api/health').set('Origin', 'http://localhost:4600').expect(200);
  });

  test('the strict content policy and no sniffing go with every answer', async () => {
    const { headers } = await server.http.get('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).not.toContain("script-src 'self' 'unsafe-inline'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('health and people', () => {
  test('health asks the database and names version and schema', async () => {
    const health = (await server.http.get('/api/health').expect(200)).body as HealthView;
    expect(health).toMatchObject({
      status: 'ok',
      database: { kind: testServerUrl === null ? 'embedded' : 'server', postgres: expect.stringMatching(/^\d+/) },
      workshop: { kind: 'own' },
      now: expect.stringMatching(/^2026-11-24T12:/),
    });
  });

  test('a row carries the person who made it; an unknown person is refused', async () => {
    const person = (await server.http.post('/api/people').send({ id: v7(), name: 'Irva Solt' }).expect(201))
      .body as PersonView;
    await server.http.post('/api/crafts').set('Zivvo-Person', person.id).send(aCraft()).expect(201);
    await server.http.post('/api/crafts').set('Zivvo-Person', v7()).send(aCraft()).expect(422);
    await server.http.post('/api/crafts').set('Zivvo-Person', 'somebody').send(aCraft()).expect(400);
  });

  test('the newest air is today’s, with its density', async () => {
    await server.http
      .post('/api/air')
      .send({ id: v7(), temperatureC: 20, pressurePa: 101_325, humidityRatio: 0.5 })
      .expect(201);
    expect((await server.http.get('/api/air').expect(200)).body).toMatchObject({
      air: { densityKgPerM3: expect.closeTo(1.1993, 4) },
    });
    await server.http
      .post('/api/air')
      .send({ id: v7(), temperatureC: 20, pressurePa: 101_325, humidityRatio: 1.5 })
      .expect(400);
  });
});

test('the API document has the rules of every body', async () => {
  const document = (await server.http.get('/api/docs-json').expect(200)).body as {
    components: {
      schemas: Record<
        string,
        { properties: Record<string, { minimum?: number; maximum?: number }>; required?: string[] }
      >;
    };
    paths: Record<string, unknown>;
  };
  expect(document.components.schemas.CreateCraftDto!.properties.massKg).toMatchObject({ minimum: 0.01, maximum: 60 });
  expect(document.components.schemas.CreateCraftDto!.required).toContain('id');
  expect(Object.keys(document.paths)).toContain('/api/runs/{id}/keep');
});

describe('refused before a rule is tried', () => {
  test('ten thousand empty looks are one problem, not ten thousand', async () => {
    const { body } = await server.http
      .post(`/api/care/${v7()}/walkarounds`)
      .send({ id: v7(), durationS: 30, looks: Array.from({ length: 10_000 }, () => ({})) })
      .expect(400);
    expect((body as Problem).fields).toEqual([expect.objectContaining({ path: 'looks', rule: 'arrayMaxSize' })]);
  });

  test('more values than any form has', async () => {
    const answer = await server.http
      .post('/api/crafts')
      .send({ a: Array.from({ length: 300_000 }, () => 1) })
      .expect(400);
    expect((answer.body as Problem).fields[0]).toMatchObject({ path: 'body', rule: 'maxNodes' });
  });
});
