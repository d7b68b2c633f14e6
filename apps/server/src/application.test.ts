import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Module } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import fs from 'node:fs';
import type { Server } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { dressApplication } from './application.ts';

@Module({})
class Empty {}

let app: NestExpressApplication;
let http: ReturnType<typeof request>;
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-web-'));

beforeAll(async () => {
  fs.mkdirSync(path.join(folder, 'assets'));
  fs.writeFileSync(path.join(folder, 'index.html'), '<title>Zivvo</title>');
  fs.writeFileSync(path.join(folder, 'icon.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
  fs.writeFileSync(path.join(folder, 'assets', 'index-abc.js'), 'export {}');
  app = await NestFactory.create<NestExpressApplication>(Empty, { bodyParser: false, logger: false });
  dressApplication(app, { webFolder: folder });
  await app.init();
  http = request(app.getHttpServer() as Server);
});
afterAll(async () => {
  await app.close();
  fs.rmSync(folder, { recursive: true });
});

test('hashed files are kept for ever, the page itself never: a new Zivvo is there at the next reload', async () => {
  expect((await http.get('/assets/index-abc.js').expect(200)).headers['cache-control']).toBe(
    'public, max-age=31536000, immutable',
  );
  const page = await http.get('/pick?craft=one').expect(200);
  expect([page.headers['cache-control'], page.text]).toEqual(['no-cache', '<title>Zivvo</title>']);
  await http.get('/icon.svg').expect(200).expect('content-type', /svg/);
});

test('a file of an older Zivvo is missing, not the page in its place', () =>
  http.get('/assets/index-old.js').expect(404));

test('addresses of the API never answer with the page, nor does anything but reading', async () => {
  await http.get('/api/nothing').expect(404).expect('content-type', /json/);
  await http.post('/rack').expect(404);
});

test('scripts come from here alone, and nobody frames the page', async () => {
  const { headers } = await http.get('/').expect(200);
  expect(headers['content-security-policy']).toMatch(/script-src 'self';/);
  expect(headers['content-security-policy']).toMatch(/frame-ancestors 'none'/);
  expect(headers['x-powered-by']).toBeUndefined();
});

test('a page of another host is turned away', () => http.get('/').set('Host', 'elsewhere.example').expect(403));
