import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { RecordingSamplesView, RecordingView } from '@zivvo/contract';
import { floatChannel, seededRandom, type RecordingTrack } from '@zivvo/core';
import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { DB, type Db } from '../database/database.ts';
import { startTestServer, type TestServer } from '../test/testServer.ts';
import { RecordingService } from './recording.service.ts';

let server: TestServer;
let recordings: RecordingService;
let db: Db;
beforeAll(async () => {
  server = await startTestServer();
  recordings = server.app.get(RecordingService, { strict: false });
  db = server.app.get<Db>(DB);
}, 60_000);
afterAll(() => server.close());

const RATE_HZ = 50;
const stand: RecordingTrack = {
  name: 'stand',
  rateHz: RATE_HZ,
  channels: [
    floatChannel('thrustN', 'force'),
    floatChannel('currentA', 'current'),
    { ...floatChannel('level', null), sampleType: 'int16', step: 1 / 32_768 },
  ],
};
/** Samples that each carry their own time, as a logger writes them. */
const loose: RecordingTrack = { name: 'air', rateHz: null, channels: [floatChannel('speedMPerS', null, 'm/s')] };

async function aRecording(tracks = [stand, loose]): Promise<string> {
  const id = v7();
  await recordings.create(db, id, tracks);
  return id;
}

/** Writes noise, a second at a time; answers what was written. */
async function write(id: string, seconds: number, seed = 'noise'): Promise<{ startS: number; values: Float32Array[] }> {
  const random = seededRandom(seed);
  const writer = await recordings.begin(id);
  const values = stand.channels.map((_, c) =>
    Float32Array.from({ length: seconds * RATE_HZ }, () => (c === 2 ? random.normal() / 8 : 10 * c + random.normal())),
  );
  for (let s = 0; s < seconds; s++)
    await recordings.write(
      db,
      writer.next(
        0,
        writer.segment.startS + s,
        values.map((v) => v.subarray(s * RATE_HZ, (s + 1) * RATE_HZ)),
      ),
    );
  return { startS: writer.segment.startS, values };
}

const floats = (text: string): Float32Array => new Float32Array(Uint8Array.from(Buffer.from(text, 'base64')).buffer);
const doubles = (text: string): Float64Array => new Float64Array(Uint8Array.from(Buffer.from(text, 'base64')).buffer);
const read = async (id: string, query: string): Promise<RecordingSamplesView> =>
  (await server.http.get(`/api/recordings/${id}/samples?${query}`).expect(200)).body as RecordingSamplesView;

describe('a recording of ten minutes', () => {
  let id: string;
  let values: Float32Array[];
  beforeAll(async () => {
    id = await aRecording();
    ({ values } = await write(id, 600));
  }, 60_000);

  test('says what it holds, from when to when', async () => {
    const view = (await server.http.get(`/api/recordings/${id}`).expect(200)).body as RecordingView;
    expect(view.tracks).toEqual([stand, loose]);
    expect(view.segments).toEqual([{ startedAt: expect.any(String), startS: 0, endS: expect.closeTo(600, 6) }]);
  });

  test.each([
    [0, 600, 1000],
    [0, 600, 13],
    [0, 90, 200],
    [123.4, 456.7, 500],
    [590, 600, 100],
    [599, 600, 4000],
    [300, 300.5, 1000],
  ])('from %s s to %s s with %s points: no more, and no extreme is lost', async (fromS, toS, count) => {
    const { stretches } = await read(id, `fromS=${fromS}&toS=${toS}&count=${count}`);
    expect(stretches).toHaveLength(1);
    const [{ timesS, least, most, isRaw }] = stretches as [RecordingSamplesView['stretches'][number]];
    const times = doubles(timesS);
    expect(times.length).toBeLessThanOrEqual(count);
    expect(times.length).toBeGreaterThanOrEqual(Math.min(count, (toS - fromS) * RATE_HZ) / 2);
    expect(isRaw).toBe((toS - fromS) * RATE_HZ + 1 <= count);
    const within = values[1]!.subarray(Math.ceil(fromS * RATE_HZ - 1e-6), Math.floor(toS * RATE_HZ + 1e-6) + 1);
    // A span may reach a little beyond the stretch; it never holds less than what is in it.
    expect(Math.min(...floats(least[1]!))).toBeLessThanOrEqual(Math.min(...within));
    expect(Math.max(...floats((most ?? least)[1]!))).toBeGreaterThanOrEqual(Math.max(...within));
    expect(times[0]!).toBeLessThanOrEqual(fromS + 600 / count + 1 / RATE_HZ);
    if (isRaw) expect([...floats(least[1]!)]).toEqual([...within]);
  });

  test('only the channels that are asked for come, in that order; whole steps come back as numbers', async () => {
    const { channels, stretches } = await read(id, 'channels=2,0&fromS=10&toS=11&count=100');
    expect(channels).toEqual([2, 0]);
    const level = floats(stretches[0]!.least[0]!);
    level.forEach((v, i) => expect(v).toBeCloseTo(values[2]![500 + i]!, 4));
  });

  test('a stretch as a table holds every sample, with both times', async () => {
    const { text, headers } = await server.http
      .get(`/api/recordings/${id}/samples.csv?channels=0,1&fromS=100&toS=100.1`)
      .expect(200);
    expect(headers['content-type']).toMatch(/text\/csv/);
    const lines = text.trim().split('\n');
    expect(lines[0]).toBe('time_s,moment,thrustN (N),currentA (A)');
    expect(lines).toHaveLength(1 + 6);
    const [timeS, moment, thrustN] = lines[1]!.split(',');
    expect([timeS, Number(thrustN)]).toEqual(['100.000000', Number(values[0]![5000]!.toPrecision(7))]);
    expect(Date.parse(moment!)).not.toBeNaN();
  });

  test('half a second at the very end is read from what fills no row yet', async () => {
    const { stretches } = await read(id, 'channels=0&fromS=599.5&toS=600&count=4');
    expect(Math.max(...floats(stretches[0]!.most![0]!))).toBe(Math.max(...values[0]!.subarray(29_975)));
  });
});

test('it is small: under five bytes a sample, with all that drawing needs', async () => {
  const id = await aRecording();
  await write(id, 600, 'small');
  const { rows } = await db.execute<{ bytes: string }>(
    sql`select sum(length(payload)) as bytes from recording_block where recording_id = ${id}`,
  );
  expect(Number(rows[0]!.bytes) / (600 * RATE_HZ * stand.channels.length)).toBeLessThan(5);
});

test('a gap stays a gap: two segments, and nothing between them', async () => {
  const id = await aRecording();
  const first = await write(id, 20);
  const second = await write(id, 20, 'later');
  expect(second.startS).toBeGreaterThanOrEqual(first.startS + 20 - 1e-9);
  const { stretches } = await read(id, 'channels=0&count=100');
  expect(stretches.map((s) => s.segment)).toEqual([0, 1]);
  expect(doubles(stretches[0]!.timesS).at(-1)!).toBeLessThan(20);
  expect(doubles(stretches[1]!.timesS)[0]!).toBeGreaterThanOrEqual(second.startS);
});

test('samples with times of their own keep them, in a drawing as well', async () => {
  const id = await aRecording();
  const writer = await recordings.begin(id);
  const timesS = Float64Array.from({ length: 9000 }, (_, i) => 0.1 * i + (i > 4000 ? 500 : 0));
  const speeds = Float32Array.from(timesS, (t) => Math.sin(t));
  await recordings.write(db, writer.nextAt(1, timesS, [speeds]));
  const near = await read(id, 'track=1&fromS=399.9&toS=901&count=1000');
  expect([...doubles(near.stretches[0]!.timesS)].slice(0, 3).map((t) => Math.round(10 * t) / 10)).toEqual([
    399.9, 400, 900.1,
  ]);
  const far = doubles((await read(id, 'track=1&count=100')).stretches[0]!.timesS);
  expect(far.some((t) => t > 401 && t < 899)).toBe(false);
  expect(far.at(-1)!).toBeGreaterThan(1380);
});

test('a device that paused within a row is drawn where it read', async () => {
  const id = await aRecording();
  const writer = await recordings.begin(id);
  const second = (startS: number) =>
    recordings.write(
      db,
      writer.next(
        0,
        startS,
        stand.channels.map(() => new Float32Array(RATE_HZ).fill(1)),
      ),
    );
  for (let s = 0; s < 60; s++) await second(s);
  for (let s = 0; s < 60; s++) await second(1000 + s);
  const times = doubles((await read(id, 'channels=0&count=50')).stretches[0]!.timesS);
  expect(times.some((t) => t > 70 && t < 990)).toBe(false);
  expect(times.at(-1)!).toBeGreaterThan(1050);
});

test('what goes goes whole', async () => {
  const id = await aRecording();
  await write(id, 2);
  await recordings.remove(db, id);
  await server.http.get(`/api/recordings/${id}`).expect(404);
  const { rows } = await db.execute(sql`select 1 from recording_block where recording_id = ${id}`);
  expect(rows).toHaveLength(0);
});

describe('refused', () => {
  test('time that runs back, a rate for samples that have times, a track without channels', async () => {
    const id = await aRecording();
    const writer = await recordings.begin(id);
    writer.next(
      0,
      5,
      stand.channels.map(() => new Float32Array(10)),
    );
    expect(() =>
      writer.next(
        0,
        5.1,
        stand.channels.map(() => new Float32Array(10)),
      ),
    ).toThrow('timeRunsBack');
    expect(() => writer.nextAt(1, Float64Array.of(1, NaN), [new Float32Array(2)])).toThrow('timeRunsBack');
    expect(() => writer.next(1, 0, [new Float32Array(2)])).toThrow('noRate');
    await expect(recordings.create(db, v7(), [{ ...stand, channels: [] }])).rejects.toThrow('noTrack');
  });

  test.each([
    ['a track that is not there', 'track=2', 'track'],
    ['a channel that is not there', 'channels=3', 'channels'],
    ['channels in words', 'channels=thrust', 'channels'],
    ['an end before the beginning', 'fromS=5&toS=4', 'toS'],
    ['a time that is no number', 'fromS=now', 'fromS'],
    ['more points than any screen has', 'count=5000', 'count'],
  ])('%s', async (_what, query, field) => {
    const id = await aRecording();
    const { body } = await server.http.get(`/api/recordings/${id}/samples?${query}`).expect(400);
    expect(body).toMatchObject({ fields: [{ path: field }] });
  });

  test('an empty recording is empty, not broken; one that is not there is not found', async () => {
    const id = await aRecording();
    expect((await read(id, 'count=10')).stretches).toEqual([]);
    expect((await server.http.get(`/api/recordings/${id}/samples.csv`).expect(200)).text).toBe('');
    await server.http.get(`/api/recordings/${v7()}/samples`).expect(404);
  });
});
