import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { JSON_BODY_MAX_BYTES } from '@zivvo/contract';
import { seededRandom } from '@zivvo/core';
import type { AddressInfo } from 'node:net';
import { attack, send } from '../../../../bench/attack.mjs';
import { heavyBodies, routesOf, type ApiDocument } from '../../../../bench/hostileRequests.mjs';
import { startDemoServer, type TestServer } from './testServer.ts';

let server: TestServer;
let address: string;
let document: ApiDocument;
beforeAll(async () => {
  server = await startDemoServer();
  await server.app.listen(0, '127.0.0.1');
  const { port } = (server.app.getHttpServer() as { address(): AddressInfo }).address();
  address = `http://127.0.0.1:${port}`;
  document = (await (await fetch(`${address}/api/docs-json`)).json()) as ApiDocument;
  // It starts the built program beside; journeys do that.
  delete document.paths['/api/demo'];
}, 120_000);
afterAll(() => server.close());

test('two thousand requests that nobody means well: each is answered, none makes it fail', async () => {
  const { failed, silent, byStatus } = await attack(address, document, seededRandom('holds'), 2000);
  expect(failed).toEqual([]);
  expect(silent).toEqual([]);
  // Some are meant as they are, so that what is refused is not refused at the door alone.
  expect(byStatus.get(200)).toBeGreaterThan(100);
}, 240_000);

test('the largest bodies of every route are refused for what they are', async () => {
  const routes = routesOf(document).filter((r) => r.schema !== null);
  expect(routes.length).toBeGreaterThan(60);
  const taken: string[] = [];
  for (const route of routes)
    for (const [kind, body] of Object.entries(heavyBodies(document, route, JSON_BODY_MAX_BYTES)).slice(0, 5)) {
      const path = route.path.replace(/\{\w+\}/g, '01922904-1a0d-72b8-80eb-3103f832088a');
      const status = await send(address, { ...route, path, body, type: 'application/json' }, () => undefined);
      if (![400, 404, 422].includes(status)) taken.push(`${status} ${route.method} ${path}: ${kind}`);
    }
  expect(taken).toEqual([]);
}, 240_000);
