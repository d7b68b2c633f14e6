import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import {
  SAMPLES_AT_ONCE,
  type CampaignDetailView,
  type CampaignResultsView,
  type RecordingSamplesView,
  type RunView,
} from '@zivvo/contract';
import { emptyStep, findSteps, floatChannel, type StandStep, type Working } from '@zivvo/core';
import { and, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { fromPayload } from '../recording/blockPayload.ts';
import { RecordingService } from '../recording/recording.service.ts';
import { recordingBlock } from '../recording/recording.table.ts';
import { SampleImports } from './sampleImport.service.ts';
import { aCampaign, aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const craft = aCraft();
const model = aPropModel();
const campaign = aCampaign(craft.id);
beforeAll(async () => {
  server = await startTestServer();
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/campaigns').send(campaign).expect(201);
}, 60_000);
afterAll(() => server.close());

/** Samples of throttle and thrust from one on, ten a second. */
function part(first: number, rows: number, tick = 0.1): Buffer {
  const body = new ArrayBuffer(rows * 16);
  new Float64Array(body, 0, rows).set(Array.from({ length: rows }, (_, i) => (first + i) * tick));
  new Float32Array(body, 8 * rows, rows).fill(0.5);
  new Float32Array(body, 12 * rows, rows).set(Array.from({ length: rows }, (_, i) => first + i));
  return Buffer.from(body);
}

const begin = (id: string, more: object = {}) =>
  server.http
    .post('/api/sample-imports')
    .send({ id, campaignId: campaign.id, quantities: ['throttleRatio', 'thrustN'], ...more });
const send = (id: string, first: number, body: Buffer) =>
  server.http
    .post(`/api/sample-imports/${id}/samples?first=${first}`)
    .set('content-type', 'application/octet-stream')
    .send(body);
const aStep: StandStep = { ...emptyStep(), throttleRatio: 1, thrustN: 12 };
const keep = (id: string, runId = v7(), steps: readonly StandStep[] = [aStep]) =>
  server.http.post(`/api/sample-imports/${id}/keep`).send({
    runs: [
      {
        id: runId,
        propModelId: model.id,
        packPieceId: null,
        restingCellV: null,
        zeroBeforeN: null,
        zeroAfterN: null,
        readingKinds: [],
        steps,
      },
    ],
    kitId: null,
    blobSha256: null,
    recipe: null,
  });
const runCount = async (): Promise<number> =>
  ((await server.http.get(`/api/campaigns/${campaign.id}`).expect(200)).body as CampaignDetailView).runs.length;

describe('samples of a logger', () => {
  test('come in parts, one sent twice counts once, and belong to the run that is kept last', async () => {
    const [id, runId] = [v7(), v7()];
    await begin(id).expect(201);
    await begin(id).expect(201, { id, count: 0 });
    await send(id, 0, part(0, 5000)).expect(200, { id, count: 5000 });
    await send(id, 0, part(0, 5000)).expect(200, { id, count: 5000 });
    await send(id, 5000, part(5000, 700)).expect(200, { id, count: 5700 });
    const before = await runCount();
    await keep(id, runId).expect(200);
    // Its answer got lost: asked again, nothing is there twice.
    await keep(id, runId).expect(200);
    expect(await runCount()).toBe(before + 1);
    const run = (await server.http.get(`/api/runs/${runId}`).expect(200)).body as RunView;
    expect(run).toMatchObject({ recordingId: id, origin: 'imported', stepCount: 1 });
    const samples = (
      await server.http.get(`/api/recordings/${id}/samples?track=0&channels=1&fromS=569&toS=570&count=100`).expect(200)
    ).body as RecordingSamplesView;
    const thrust = new Float32Array(Uint8Array.from(Buffer.from(samples.stretches[0]!.least[0]!, 'base64')).buffer);
    expect(thrust.at(-1)).toBe(5699);
    // What is kept is not given up.
    await server.http.delete(`/api/sample-imports/${id}`).expect(204);
    await server.http.get(`/api/recordings/${id}`).expect(200);
  });

  test('that leave one out, run back or have another length are refused with what is next, and nothing is kept', async () => {
    const id = v7();
    await begin(id).expect(201);
    await send(id, 0, part(0, 10)).expect(200);
    expect((await send(id, 12, part(12, 3)).expect(422)).body.detail).toContain('Sample 10 is the next, not 12.');
    expect((await send(id, 10, part(3, 5)).expect(422)).body.detail).toContain('Time does not go on.');
    expect((await send(id, 10, part(10, 5).subarray(1)).expect(422)).body.detail).toContain('16 bytes');
    await send(id, 10, part(10, SAMPLES_AT_ONCE + 1)).expect(422);
    await send(id, 10, Buffer.alloc(0)).expect(422);
    await send(id, 10, part(-5, 3)).expect(422);
    const before = await runCount();
    await keep(id, v7(), []).expect(400);
    expect(await runCount()).toBe(before);
    await server.http.delete(`/api/sample-imports/${id}`).expect(204);
    await server.http.get(`/api/recordings/${id}`).expect(404);
    await send(id, 10, part(10, 5)).expect(404);
    await keep(id).expect(404);
  });

  test('of a run that is kept are nobody else’s; begun, kept and given up at once they are kept once', async () => {
    const [id, runId] = [v7(), v7()];
    expect((await Promise.all([begin(id), begin(id)])).map((r) => r.status)).toEqual([201, 201]);
    await Promise.all([send(id, 0, part(0, 100)).expect(200), send(id, 100, part(100, 100)).expect(200)]);
    const before = await runCount();
    const [first, second, given] = await Promise.all([
      keep(id, runId),
      keep(id, runId),
      server.http.delete(`/api/sample-imports/${id}`),
    ]);
    expect([first.status, second.status, given.status]).toEqual([200, 200, 204]);
    expect(await runCount()).toBe(before + 1);
    await server.http.get(`/api/recordings/${id}`).expect(200);
    await begin(id).expect(409);
  });

  test('that the database did not take the first time are taken the next, as they were', async () => {
    const id = v7();
    await begin(id).expect(201);
    const fails = jest.spyOn(server.app.get(RecordingService), 'write').mockRejectedValueOnce(new Error('disk full'));
    await send(id, 0, part(0, 50)).expect(500);
    fails.mockRestore();
    await send(id, 0, part(0, 50)).expect(200, { id, count: 50 });
    await send(id, 50, part(50, 50)).expect(200, { id, count: 100 });
    await server.http.delete(`/api/sample-imports/${id}`).expect(204);
  });

  test('begun and not kept are gone once Zivvo starts again', async () => {
    const id = v7();
    await begin(id).expect(201);
    await send(id, 0, part(0, 10)).expect(200);
    await server.app.get(SampleImports).onModuleInit();
    await server.http.get(`/api/recordings/${id}`).expect(404);
    await server.http.delete(`/api/sample-imports/${id}`).expect(204);
  });

  test('are refused for an evening that is not there, and more than four at once', async () => {
    await begin(v7(), { campaignId: v7() }).expect(404);
    await begin(v7(), { quantities: ['thrustN', 'thrustN'] }).expect(400);
    const ids = Array.from({ length: 5 }, () => v7());
    for (const id of ids.slice(0, 4)) await begin(id).expect(201);
    await begin(ids[4]!).expect(409);
    expect((await keep(ids[0]!).expect(422)).body.detail).toContain('No sample came.');
    for (const id of ids) await server.http.delete(`/api/sample-imports/${id}`).expect(204);
    await begin(ids[4]!).expect(201);
    await server.http.delete(`/api/sample-imports/${ids[4]!}`).expect(204);
  });
});

test('one figure, from the results to the bytes that it was read from', async () => {
  // Two steps of five seconds, a hundred samples each second, thrust about 6 and 14 newtons.
  const rows = 1000;
  const timesS = Float64Array.from({ length: rows }, (_, i) => i / 100);
  const throttle = Float32Array.from(timesS, (t) => (t < 5 ? 0.5 : 1));
  const thrust = Float32Array.from(timesS, (t, i) => (t < 5 ? 6 : 14) + 0.02 * Math.sin(i));
  const found = findSteps({
    timesS,
    channels: new Map([
      ['throttleRatio', throttle],
      ['thrustN', thrust],
    ]),
  }).steps;
  const body = Buffer.concat([timesS, throttle, thrust].map((part) => Buffer.from(part.buffer)));
  const [id, runId] = [v7(), v7()];
  const own = aCampaign(craft.id, { name: 'walked' });
  await server.http.post('/api/campaigns').send(own).expect(201);
  await begin(id, { campaignId: own.id }).expect(201);
  await send(id, 0, body).expect(200);
  await keep(
    id,
    runId,
    found.map(({ step }) => step),
  ).expect(200);

  // The figure of the page, and the working that opens beneath it.
  const { props } = (await server.http.get(`/api/campaigns/${own.id}/results`).expect(200)).body as CampaignResultsView;
  const { figure } = props[0]!.points.full.thrustN!;
  const working = (
    await server.http
      .get(`/api/campaigns/${own.id}/working?throttleRatio=0.5&key=${encodeURIComponent(figure.working!)}`)
      .expect(200)
  ).body as Working;
  const read = working.inputs.find((i) => i.what === 'run.1.thrustN')!;
  expect([figure.value, working.result.value, read.value]).toEqual(Array(3).fill(expect.closeTo(14, 2)));

  // The step of the run that it was read from, the samples of that step, and their mean.
  const run = (await server.http.get(`/api/runs/${runId}`).expect(200)).body as RunView;
  expect(run.steps.at(-1)!.thrustN).toBe(read.value);
  const { settledFromS, toS } = found.at(-1)!;
  const csv = (
    await server.http
      .get(`/api/recordings/${run.recordingId!}/samples.csv?track=0&channels=1&fromS=${settledFromS}&toS=${toS}`)
      .expect(200)
  ).text;
  const samples = csv
    .trim()
    .split(/\r?\n/)
    .slice(1)
    .map((line) => Number(line.split(',').at(-1)));
  expect(samples).toHaveLength(found.at(-1)!.count);
  expect(samples.reduce((a, b) => a + b, 0) / samples.length).toBeCloseTo(read.value, 4);

  // The block in the database that holds them, and its bytes as they were written.
  const { db } = server.database;
  const [block] = await db
    .select()
    .from(recordingBlock)
    .where(and(eq(recordingBlock.recordingId, id), eq(recordingBlock.level, 0)));
  const tracks = [
    {
      name: 'import',
      rateHz: null,
      channels: [floatChannel('throttleRatio', 'ratio'), floatChannel('thrustN', 'force')],
    },
  ];
  const { timesS: storedS, least } = fromPayload(tracks[0]!, block!, [1]);
  expect([...storedS]).toEqual([...timesS]);
  expect([...least[0]!]).toEqual([...thrust]);
});
