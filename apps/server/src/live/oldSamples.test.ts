import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { RecordingSamplesView, RecordingView, RunView } from '@zivvo/contract';
import { LIVE_RATE_HZ, liveChannels } from '@zivvo/core';
import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { DB, type Db } from '../database/database.ts';
import { runMigration } from '../test/runMigration.ts';
import { aCampaign, aCraft, aDraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';
import { OldSamples } from './oldSamples.ts';

let server: TestServer;
let db: Db;
let campaignId: string;
let propModelId: string;
beforeAll(async () => {
  server = await startTestServer();
  db = server.app.get<Db>(DB);
  const craft = aCraft();
  const model = aPropModel();
  const campaign = aCampaign(craft.id);
  await post('/prop-models', model);
  await post('/crafts', craft);
  await post('/campaigns', campaign);
  campaignId = campaign.id;
  propModelId = model.id;
}, 60_000);
afterAll(() => server.close());

const post = (path: string, body: object) => server.http.post(`/api${path}`).send(body).expect(201);
const floats = (text: string): number[] => [...new Float32Array(Uint8Array.from(Buffer.from(text, 'base64')).buffer)];
const bytesOf = (values: readonly number[]): Buffer => Buffer.from(Float32Array.from(values).buffer);
/** A value that says which reading and which channel it is. */
const valueOf = (reading: number, channel: number): number => 10 * reading + channel;
const readings = (from: number, count: number): number[] => Array.from({ length: count }, (_, i) => from + i);

/** The tables as they were before there were recordings. */
async function oldTables(): Promise<void> {
  await db.execute(
    sql`create table live_chunk (run_id uuid, ordinal int, start_s float8, reading_count int, samples bytea)`,
  );
  await db.execute(
    sql`create table run_samples (run_id uuid, channel text, rate_hz float8, samples bytea, pyramid_spans int[], pyramid bytea)`,
  );
}

async function aRun(): Promise<string> {
  const id = v7();
  await post(`/campaigns/${campaignId}/runs`, {
    id,
    propModelId,
    packPieceId: null,
    replacesRunId: null,
    draft: aDraft(),
  });
  return id;
}

async function addSecond(runId: string, ordinal: number, startS: number, of: readonly number[]): Promise<void> {
  const samples = bytesOf(of.flatMap((r) => liveChannels.map((_, c) => valueOf(r, c))));
  await db.execute(sql`insert into live_chunk values (${runId}, ${ordinal}, ${startS}, ${of.length}, ${samples})`);
}

async function addChannels(runId: string, of: readonly number[]): Promise<void> {
  for (const [c, channel] of liveChannels.entries()) {
    const samples = bytesOf(of.map((r) => valueOf(r, c)));
    await db.execute(sql`insert into run_samples values (${runId}, ${channel}, ${LIVE_RATE_HZ}, ${samples}, '{}', '')`);
  }
}

const isThere = async (table: string): Promise<boolean> =>
  (await db.execute<{ isThere: boolean }>(sql`select to_regclass(${table}) is not null as "isThere"`)).rows[0]!.isThere;

async function recordingOf(runId: string): Promise<RecordingView> {
  const run = (await server.http.get(`/api/runs/${runId}`).expect(200)).body as RunView;
  return (await server.http.get(`/api/recordings/${run.recordingId}`).expect(200)).body as RecordingView;
}

async function samplesOf({ id }: RecordingView, channel: number, toS: number): Promise<number[]> {
  const query = `track=0&channels=${channel}&fromS=0&toS=${toS}&count=2000`;
  const view = (await server.http.get(`/api/recordings/${id}/samples?${query}`).expect(200))
    .body as RecordingSamplesView;
  return view.stretches.flatMap(({ least }) => floats(least[0]!));
}

describe('samples of earlier versions', () => {
  test('stay through the migration, become recordings at the next start, and leave no table behind', async () => {
    const held = await aRun();
    const kept = await aRun();
    await oldTables();
    await addSecond(held, 1, 0, readings(0, LIVE_RATE_HZ));
    await addSecond(held, 2, 1, readings(100, 40));
    // Interrupted there, and put on the stand again.
    await addSecond(held, 3, 0, readings(140, LIVE_RATE_HZ));
    await addChannels(kept, readings(7, 6 * LIVE_RATE_HZ));

    await runMigration(db, '0018_no_more_chunks.sql');
    expect([await isThere('live_chunk'), await isThere('run_samples')]).toEqual([true, true]);
    await server.app.get(OldSamples, { strict: false }).onModuleInit();

    const heldRecording = await recordingOf(held);
    expect(heldRecording.segments.map(({ startS, endS }) => [startS, endS])).toEqual([
      [0, expect.closeTo(1.4, 6)],
      [expect.closeTo(1.4, 6), expect.closeTo(2.4, 6)],
    ]);
    expect(await samplesOf(heldRecording, 1, 3)).toEqual(readings(0, 240).map((r) => valueOf(r, 1)));
    const last = liveChannels.length - 1;
    expect(await samplesOf(await recordingOf(kept), last, 10)).toEqual(readings(7, 600).map((r) => valueOf(r, last)));
    expect([await isThere('live_chunk'), await isThere('run_samples')]).toEqual([false, false]);
  });

  test('are taken over once where a start was cut off between', async () => {
    const runId = await aRun();
    await oldTables();
    await addChannels(runId, readings(0, 50));
    const old = server.app.get(OldSamples, { strict: false });
    await old.onModuleInit();
    // As if the power had failed before the old rows were gone.
    await db.execute(sql`update run set recording_id = null where id = ${runId}`);
    await oldTables();
    await addChannels(runId, readings(0, 50));
    await old.onModuleInit();
    expect(await samplesOf(await recordingOf(runId), 0, 10)).toEqual(readings(0, 50).map((r) => valueOf(r, 0)));
  });

  test('that never were leave nothing: the migration drops what is empty', async () => {
    await oldTables();
    await runMigration(db, '0018_no_more_chunks.sql');
    expect([await isThere('live_chunk'), await isThere('run_samples')]).toEqual([false, false]);
  });
});
