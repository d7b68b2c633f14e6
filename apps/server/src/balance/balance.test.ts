import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type {
  BatchDetailView,
  PieceDetailView,
  Problem,
  TraysView,
  BalanceJobView,
  YieldView,
  ListView,
} from '@zivvo/contract';
import { and, eq } from 'drizzle-orm';
import fs from 'node:fs';
import { v7 } from 'uuid';
import { DB, type Db } from '../database/database.ts';
import { event } from '../event/event.table.ts';
import { aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const model = aPropModel();
const craft = aCraft({ referencePropModelId: model.id });
const rig = {
  id: v7(),
  name: 'Knife edge',
  frictionKgM: 5e-8,
  borePlayM: 0,
  largestM: 0.4,
  inertiaKgM2: 1e-7,
  note: null,
};
let pieces: string[] = [];

beforeAll(async () => {
  server = await startTestServer();
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  await server.http.post('/api/rigs').send(rig).expect(201);
  const batch = (
    await server.http
      .post('/api/batches')
      .send({
        id: v7(),
        propModelId: model.id,
        cwCount: 6,
        ccwCount: 0,
        eitherCount: 0,
        resolutionKg: 1e-5,
        location: null,
        note: null,
      })
      .expect(201)
  ).body as BatchDetailView;
  pieces = batch.pieces.map((p) => p.id);
  for (const id of pieces.slice(0, 5))
    await server.http
      .put(`/api/pieces/${id}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' })
      .expect(200);
}, 60_000);
afterAll(() => server.close());

const begin = (pieceId: string, more: object = {}) =>
  server.http
    .post('/api/balance-jobs')
    .send({ id: v7(), pieceId, rigId: rig.id, craftId: craft.id, isLookedAt: false, ...more });
const started = async (pieceId: string): Promise<BalanceJobView> =>
  (await begin(pieceId).expect(201)).body as BalanceJobView;
const evidence = (more: object = {}) => ({
  target: 'good',
  observations: [],
  swings: [],
  heavyDegrees: null,
  bladeMomentsKgM: [],
  corrections: [],
  singleBlade: null,
  runs: [],
  runSpeedRpm: null,
  note: null,
  ...more,
});
const step = async (job: BalanceJobView, more: object): Promise<BalanceJobView> =>
  (
    await server.http
      .put(`/api/balance-jobs/${job.id}`)
      .send({ ...evidence(more), revision: job.revision })
      .expect(200)
  ).body as BalanceJobView;
const stays = (tape: number[]) => ({ tape, kind: 'stays', downDegrees: null, fallS: null });
const falls = (tape: number[], downDegrees: number) => ({ tape, kind: 'falls', downDegrees, fallS: null });

describe('a tape job', () => {
  test('is written down at every step, undone by sending less, and ends in a balanced piece', async () => {
    let job = await started(pieces[0]!);
    expect(job).toMatchObject({ state: 'open', result: { verdict: 'open', targetKgM: expect.any(Number) } });
    expect(job.hoverSpeedRpm).toBeGreaterThan(5000);
    job = await step(job, { observations: [falls([0, 0, 0], 0)] });
    expect(job.result!.next!.filter((t) => t > 0)).toHaveLength(2);
    expect(job.result!.plan.every((s) => s.want!.lengthM > 0 && s.place > 0)).toBe(true);
    const tape = job.result!.next!;
    job = await step(job, { observations: [falls([0, 0, 0], 0), stays(tape)] });
    expect(job.result!.verdict).toBe('trued');
    expect(job.result!.reasons.map((r) => r.code)).toEqual(expect.arrayContaining(['balance.enough']));
    job = await step(job, { observations: [falls([0, 0, 0], 0)] });
    expect(job.result!.verdict).toBe('open');
    job = await step(job, { observations: [falls([0, 0, 0], 0), stays(tape)] });
    await server.http.post(`/api/balance-jobs/${job.id}/finish`).send({ as: 'trued', note: null }).expect(200);
    const piece = (await server.http.get(`/api/pieces/${pieces[0]}`)).body as PieceDetailView;
    expect(piece).toMatchObject({ state: 'trued', isTruedStatic: true });
    expect(piece.history[0]!.values).toMatchObject({ isCorrected: true });
    expect(
      (
        await server.http
          .put(`/api/balance-jobs/${job.id}`)
          .send({ ...evidence(), revision: job.revision + 1 })
          .expect(409)
      ).body,
    ).toMatchObject({ code: 'balanceJob.ended' });
  });

  test('sanding makes what was seen before void, and is undone by sending less', async () => {
    let job = await started(pieces[4]!);
    const first = falls([0, 0, 0], 0);
    job = await step(job, { observations: [first] });
    const before = job.result!.tape!.unbalance!.amountKgM;
    const corrections = [{ school: 'sand', place: 0, observationCount: 1, swingCount: 0, isWeighed: false }];
    job = await step(job, { observations: [first], corrections });
    expect(job.result).toMatchObject({ verdict: 'open', tape: null, next: null });
    job = await step(job, { observations: [first, falls([0, 0, 0], 180)], corrections });
    expect(job.result).toMatchObject({ verdict: 'open' });
    expect(job.result!.next![0]).toBeGreaterThan(0);
    job = await step(job, { observations: [first, stays([0, 0, 0])], corrections });
    expect(job.result!.verdict).toBe('trued');
    job = await step(job, { observations: [first] });
    expect(job.result!.tape!.unbalance!.amountKgM).toBeCloseTo(before, 12);
    await server.http
      .put(`/api/balance-jobs/${job.id}`)
      .send({ ...evidence({ corrections: [{ ...corrections[0], school: 'fire' }] }), revision: job.revision })
      .expect(400);
  });

  test('blades that were weighed far off go back at once, and sanding says how much', async () => {
    const open = (
      (await server.http.get(`/api/balance-jobs/of-piece/${pieces[4]}`).expect(200)).body as ListView<BalanceJobView>
    ).items[0]!;
    const far = await step(open, { bladeMomentsKgM: [0.001, 0.00103, 0.001] });
    expect(far.result).toMatchObject({ verdict: 'sendBack', plan: [], next: null });
    expect(far.result!.schools.find((s) => s.school === 'sand')!.steps).toMatchObject([
      { place: 1, momentKgM: expect.closeTo(3e-5, 9) },
    ]);
  });

  test('sent back it lies in the tray for that, and stays untrued', async () => {
    const job = await started(pieces[1]!);
    await server.http
      .post(`/api/balance-jobs/${job.id}/finish`)
      .send({ as: 'sentBack', note: 'hub far off' })
      .expect(200);
    const trays = (await server.http.get(`/api/balance-jobs/trays?craftId=${craft.id}`).expect(200)).body as TraysView;
    expect([trays.good.map((p) => p.id), trays.back.map((p) => p.id)]).toEqual([[pieces[0]], [pieces[1]]]);
    expect(trays).toMatchObject({ elsewhereCount: 0 });
    expect(trays.toDo).toHaveLength(3);
    // With another prop in hand its trays are shown, and what waits is still told.
    const other = aPropModel({ label: '9x4.7x2' });
    await server.http.post('/api/prop-models').send(other).expect(201);
    const elsewhere = (
      await server.http.get(`/api/balance-jobs/trays?craftId=${craft.id}&propModelId=${other.id}`).expect(200)
    ).body as TraysView;
    expect(elsewhere).toMatchObject({ toDo: [], elsewhereCount: 3 });
    // A cracked one is never offered for balancing.
    await server.http
      .put(`/api/pieces/${pieces[3]}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'crack' })
      .expect(200);
    const cracked = (await server.http.get(`/api/balance-jobs/trays?craftId=${craft.id}`).expect(200))
      .body as TraysView;
    expect(cracked.toDo.map((p) => p.id)).not.toContain(pieces[3]);
    await server.http
      .put(`/api/pieces/${pieces[3]}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' })
      .expect(200);
  });

  test('one that an older Zivvo sent back is told in its history and counted as rejected after the update', async () => {
    const db = server.app.get<Db>(DB);
    const ofPiece = and(eq(event.subjectId, pieces[1]!), eq(event.kind, 'pieceSentBack'));
    const [before] = await db.select().from(event).where(ofPiece);
    await db.delete(event).where(ofPiece);
    await db.execute(fs.readFileSync(new URL('../../drizzle/0011_sent_back.sql', import.meta.url), 'utf8'));
    const [after] = await db.select().from(event).where(ofPiece);
    expect(after).toEqual({ ...before, sequence: expect.any(Number), at: expect.any(Date) });
    // The job says when it ended to the millisecond, the ledger when it was written down.
    expect(Math.abs(after!.at.getTime() - before!.at.getTime())).toBeLessThan(1000);
    const { history } = (await server.http.get(`/api/pieces/${pieces[1]}`).expect(200)).body as PieceDetailView;
    expect(history[0]).toMatchObject({ action: 'sendBack', values: { reason: 'hub far off' } });
    const { models } = (await server.http.get('/api/pieces/yield').expect(200)).body as YieldView;
    expect(models.find((m) => m.propModelId === model.id)).toMatchObject({ rejectedCount: 1 });
  });
});

describe('swings, weighing, vibration', () => {
  test('two swings give unbalance; where it hangs is asked for; contradictions are told', async () => {
    let job = await started(pieces[2]!);
    const swing = (tapsS: number[], tapeKgM = 0) => ({
      tapsS,
      isHalf: false,
      startDegrees: 15,
      tapeKgM,
      side: 'heavy',
    });
    job = await step(job, { swings: [swing([0, 2.6, 5.2, 7.8, 10.4])] });
    expect(job.result!.swing).toMatchObject({ kind: 'one', unbalanceKgM: expect.any(Number) });
    expect(job.result!.reasons.map((r) => r.code)).toContain('balance.whereIsHeavy');
    job = await step(job, { swings: [swing([0, 5.2, 10.4, 15.6, 20.8])], heavyDegrees: 200 });
    expect(job.result!.next).not.toBeNull();
    job = await step(job, { swings: [swing([0, 0.01, 0.02])] });
    expect(job).toMatchObject({ result: null, problem: { what: 'periodS' } });
  });

  test('three places without phase, a phase beyond 360 wrapped, too heavy a trial refused with the largest allowed', async () => {
    let job = await started(pieces[3]!);
    const run = (massKg: number, degrees: number, amplitude: number, phaseDegrees: number | null = null) => ({
      massKg,
      degrees,
      readings: [{ amplitude, phaseDegrees }],
      isCheck: false,
    });
    const most = job.vibration!.largestTrialKg;
    job = await step(job, { runs: [run(0, 0, 2), run(most / 2, 0, 2.44582), run(most / 2, 120, 2.06155)] });
    expect(job.vibration).toMatchObject({ status: 'needsMoreTrials', nextTrialDegrees: 240 });
    job = await step(job, {
      runs: [run(0, 0, 2), run(most / 2, 0, 2.44582), run(most / 2, 120, 2.06155), run(most / 2, 240, 1.5868)],
    });
    expect(job.vibration).toMatchObject({
      status: 'found',
      method: 'amplitudes',
      correction: { degrees: expect.closeTo(210, 0), massKg: expect.closeTo(2 * most, 5) },
    });
    job = await step(job, { runs: [run(0, 0, 2, 730), run(most / 2, 0, 3, 100)] });
    expect(job.runs[0]!.readings[0]!.phaseDegrees).toBe(10);
    expect(job.vibration).toMatchObject({ status: 'found', method: 'phase' });
    const refused = await server.http
      .put(`/api/balance-jobs/${job.id}`)
      .send({ ...evidence({ runs: [run(0, 0, 2), run(most * 1.1, 0, 3)] }), revision: job.revision })
      .expect(422);
    expect((refused.body as Problem).fields[0]).toMatchObject({
      path: 'runs',
      allowed: { max: expect.closeTo(most, 8) },
    });
  });
});

test('the jobs of a piece are found by the piece, the newest first, and each by itself', async () => {
  const [piece] = pieces;
  const job = await started(piece!);
  const jobs = (
    (await server.http.get(`/api/balance-jobs/of-piece/${piece}`).expect(200)).body as ListView<BalanceJobView>
  ).items;
  expect(jobs.length).toBeGreaterThan(1);
  expect(jobs[0]!.id).toBe(job.id);
  expect((await server.http.get(`/api/balance-jobs/${job.id}`).expect(200)).body).toEqual(job);
  await server.http.get(`/api/balance-jobs/${v7()}`).expect(404);
  expect((await server.http.get('/api/rigs').expect(200)).body).toEqual({
    items: [expect.objectContaining({ id: rig.id, name: 'Knife edge' })],
    total: 1,
    isCut: false,
  });
});

test('a single blade is balanced by washers, and ends trued', async () => {
  const single = aPropModel({ label: '5x3x1', bladeCount: 1 });
  await server.http.post('/api/prop-models').send(single).expect(201);
  const {
    pieces: [piece],
  } = (
    await server.http
      .post('/api/batches')
      .send({
        id: v7(),
        propModelId: single.id,
        cwCount: 1,
        ccwCount: 0,
        eitherCount: 0,
        resolutionKg: 1e-5,
        location: null,
        note: null,
      })
      .expect(201)
  ).body as BatchDetailView;
  await server.http
    .put(`/api/pieces/${piece!.id}/measures`)
    .send({ massKg: 0.004, diameterM: null, boreFit: 'fits', look: 'good' })
    .expect(200);
  let job = await started(piece!.id);
  expect(job).toMatchObject({ result: null, single: null, problem: null });
  const entries = { bladeMassKg: 0.004, centreOfMassM: 0.05, washerMassKg: 0.00002, washerRadiusM: 0.02 };
  job = await step(job, { singleBlade: { ...entries, washerCount: 200 } });
  expect(job.single).toMatchObject({
    verdict: 'open',
    washerCount: 500,
    reasons: [{ code: 'balance.single.thrust', severity: 'danger' }, { code: 'balance.single.washers' }],
  });
  job = await step(job, { singleBlade: { ...entries, washerMassKg: 0.0005, washerCount: 20 } });
  expect(job.single).toMatchObject({ verdict: 'trued' });
  await server.http
    .put(`/api/balance-jobs/${job.id}`)
    .send({ ...evidence({ singleBlade: { ...entries, washerMassKg: 0, washerCount: 1 } }), revision: job.revision })
    .expect(400);
  await server.http.post(`/api/balance-jobs/${job.id}/finish`).send({ as: 'trued', note: null }).expect(200);
});

describe('what is refused', () => {
  test('a piece that was never checked in, one that has flown and was not looked at, one too large for the rig', async () => {
    expect((await begin(pieces[5]!).expect(422)).body).toMatchObject({ code: 'piece.notCheckedIn' });
    await server.http
      .post(`/api/pieces/${pieces[4]}/actions`)
      .send({ action: 'fit', craftId: craft.id, place: 'frontLeft' })
      .expect(200);
    expect((await begin(pieces[4]!).expect(422)).body).toMatchObject({ code: 'balanceJob.lookFirst' });
    await begin(pieces[4]!, { isLookedAt: true }).expect(201);
    const small = { ...rig, id: v7(), name: 'Small', largestM: 0.15 };
    await server.http.post('/api/rigs').send(small).expect(201);
    expect((await begin(pieces[2]!, { rigId: small.id }).expect(422)).body).toMatchObject({
      code: 'balanceJob.tooLarge',
    });
  });
  test.each<[string, object, string]>([
    ['sixty-one looks', { observations: Array.from({ length: 61 }, () => stays([0, 0, 0])) }, 'observations'],
    ['a negative moment', { observations: [stays([-1, 0, 0])] }, 'observations.0.tape'],
    [
      'a text for a tap',
      { swings: [{ tapsS: ['a'], isHalf: true, startDegrees: 5, tapeKgM: 0, side: 'light' }] },
      'swings.0.tapsS',
    ],
    ['no readings', { runs: [{ massKg: 0, degrees: 0, readings: [], isCheck: false }] }, 'runs.0.readings'],
  ])('%s', async (_name, change, path) => {
    const job = await started(pieces[2]!);
    const answer = await server.http
      .put(`/api/balance-jobs/${job.id}`)
      .send({ ...evidence(change), revision: 1 })
      .expect(400);
    expect((answer.body as Problem).fields.map((f) => f.path)).toContain(path);
  });
});
