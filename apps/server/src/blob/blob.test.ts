import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BlobView, Problem } from '@zivvo/contract';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const sha256 = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const send = (bytes: Buffer, name = 'scale.png') =>
  server.http
    .post(`/api/blobs?name=${encodeURIComponent(name)}`)
    .set('Content-Type', 'application/octet-stream')
    .send(bytes);

describe('pictures and texts', () => {
  test('are named by their digest, whole on the disk, and come back as they were', async () => {
    const stored = (await send(PNG).expect(201)).body as BlobView;
    expect(stored).toEqual({ sha256: sha256(PNG), size: PNG.length, mediaType: 'image/png', name: 'scale.png' });
    const read = await server.http.get(`/api/blobs/${stored.sha256}`).buffer(true).expect(200);
    expect(Buffer.compare(read.body as Buffer, PNG)).toBe(0);
    expect(read.headers['content-type']).toBe('image/png');
    const folder = path.join(server.dataFolder, 'blobs', stored.sha256.slice(0, 2));
    expect(fs.readdirSync(folder)).toEqual([stored.sha256]);
  });

  test('the same bytes twice are one file', async () => {
    const first = (await send(PNG).expect(201)).body as BlobView;
    const second = (await send(PNG, 'again.png').expect(201)).body as BlobView;
    expect(second.sha256).toBe(first.sha256);
  });

  test('a table is text, whatever it is called', async () => {
    const stored = (await send(Buffer.from('Throttle,Thrust (g)\n50,700\n'), 'run.csv').expect(201)).body as BlobView;
    expect(stored.mediaType).toMatch(/^text\//);
  });

  test('a flight controller’s log is one by its first bytes, and comes back as it was', async () => {
    const log = Buffer.from([0x55, 0x4c, 0x6f, 0x67, 0x01, 0x12, 0x35, 0x01, 0, 0, 7]);
    const stored = (await send(log, 'evening.ulg').expect(201)).body as BlobView;
    expect(stored.mediaType).toBe('application/x-ulog');
    const read = await server.http.get(`/api/blobs/${stored.sha256}`).responseType('blob').expect(200);
    expect(Buffer.compare(read.body as Buffer, log)).toBe(0);
  });
});

describe('refused', () => {
  test.each([
    ['a program', Buffer.from([0x4d, 0x5a, 0, 1])],
    ['a picture in name only', Buffer.from([0, 1, 2, 3, 4, 5, 6, 7])],
    ['nothing', Buffer.alloc(0)],
  ])('%s', async (_what, bytes) => {
    const answer = await send(bytes);
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect((answer.body as Problem).code).toEqual(expect.any(String));
  });

  test('more than the limit', async () => {
    const answer = await send(Buffer.alloc(26_000_000));
    expect(answer.status).toBe(413);
    expect((answer.body as Problem).code).toBe('bodyTooLarge');
  });

  test.each(['..%2f..%2fdatabase.lock', 'x', 'g'.repeat(64), '0'.repeat(64)])('reading %s', async (name) => {
    const { status } = await server.http.get(`/api/blobs/${name}`);
    expect([400, 404]).toContain(status);
  });
});
