import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import type {
  BatchDetailView,
  CareView,
  CraftView,
  DrillScoreView,
  FittingView,
  GainSheetView,
  JobTicketView,
  LineView,
  LogEntryView,
  LogView,
  ModelAlertView,
  MotorPieceView,
  PieceDetailView,
  PieceView,
  Problem,
  SymptomCaseView,
  SymptomStartView,
  WalkaroundView,
  ListView,
} from '@zivvo/contract';
import { makeDrill } from '@zivvo/core';
import { v7 } from 'uuid';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { EventRepository } from '../event/event.repository.ts';
import { Projectors } from '../event/projectors.ts';
import { aCraft, aPropModel, aSigner, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const model = aPropModel();
const stronger = aPropModel({ label: '7.7x4x3', diameterM: 0.19558, pitchM: 0.1016 });
const craft = aCraft({ referencePropModelId: model.id });
const ARMS = ['frontLeft', 'frontRight', 'rearRight', 'rearLeft'] as const;
const on = new Map<string, PieceView>();
const spare: PieceView[] = [];

let signer: Record<string, string>;

beforeAll(async () => {
  server = await startTestServer();
  signer = await aSigner(server);
  for (const m of [model, stronger]) await server.http.post('/api/prop-models').send(m).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  const batch = (
    await server.http
      .post('/api/batches')
      .send({
        id: v7(),
        propModelId: model.id,
        cwCount: 4,
        ccwCount: 3,
        eitherCount: 0,
        resolutionKg: 1e-5,
        location: null,
        note: null,
      })
      .expect(201)
  ).body as BatchDetailView;
  for (const p of batch.pieces)
    await server.http
      .put(`/api/pieces/${p.id}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' })
      .expect(200);
  for (const place of ARMS) {
    const hand = place === 'frontLeft' || place === 'rearRight' ? 'cw' : 'ccw';
    const piece = batch.pieces.find((p) => p.hand === hand && ![...on.values()].includes(p))!;
    on.set(place, piece);
    await server.http.post(`/api/pieces/${piece.id}/actions`).send({ action: 'true', isDynamic: false }).expect(200);
    await server.http
      .post(`/api/pieces/${piece.id}/actions`)
      .send({ action: 'fit', craftId: craft.id, place, level: 0 })
      .expect(200);
  }
  spare.push(...batch.pieces.filter((p) => ![...on.values()].includes(p)));
  await server.http
    .post('/api/motor-pieces')
    .send({
      id: v7(),
      tag: 'M1',
      craftId: craft.id,
      place: 'rearLeft',
      hours: 2,
      overLimitCount: 0,
      strikeCount: 0,
      bearing: 'smooth',
      shaftPlayM: null,
      shaftRunOutM: null,
      note: null,
    })
    .expect(201);
}, 60_000);
afterAll(() => server.close());

const url = (path = ''): string => `/api/care/${craft.id}${path}`;
const view = async (): Promise<CareView> => (await server.http.get(url()).expect(200)).body as CareView;
const look = (place: string, findings: object[] = []) => ({
  place,
  level: 0,
  seen: ['top', 'underside', 'edges'],
  findings,
  photoSha256: null,
});
const walk = (looks: object[], more: object = {}) =>
  server.http.post(url('/walkarounds')).send({ id: v7(), durationS: 45, looks, note: null, ...more });
const codes = (care: CareView): string[] => care.ready.missing.map((m) => m.reason.code);
const verdict = async (): Promise<string> => (await view()).ready.verdict;
const act = (id: string, body: object) => server.http.post(`/api/pieces/${id}/actions`).send(body);
/** Every spin seen, every arm looked at, signed. */
const sign = async (): Promise<void> => {
  const { revision, arms } = (await server.http.get(`/api/fittings/${craft.id}`).expect(200)).body as FittingView;
  const seen = arms.map(({ place, level, expectedSpin }) => ({
    place,
    level,
    seenSpin: expectedSpin,
    spinBy: 'strip',
    outputName: null,
    hand: null,
    isLabelForward: true,
    thread: null,
    checks: [{ what: 'noDamage' }],
  }));
  await server.http
    .put(`/api/fittings/${craft.id}`)
    .send({ arms: seen, isHanging: false, sideThrust: null, note: null, revision })
    .expect(200);
  await server.http.post(`/api/fittings/${craft.id}/confirm`).set(signer).send({ note: null }).expect(200);
};

describe('walking round', () => {
  test('nobody saw its spins, signed or looked: that is missing, one by one, until it is fit', async () => {
    expect(codes(await view())).toEqual(['care.unseen', 'care.neverSigned', 'care.neverLooked']);
    expect(await view()).toMatchObject({
      ready: { verdict: 'unseen' },
      setting: { policy: 'lenient', isFolding: false, revision: 0 },
    });
    await sign();
    expect(codes(await view())).toEqual(['care.neverLooked']);
    const walked = (await walk(ARMS.map((a) => look(a))).expect(201)).body as WalkaroundView;
    expect(walked).toMatchObject({ outcome: 'fly', isHurried: false });
    expect(await view()).toMatchObject({ ready: { verdict: 'fit', missing: [] }, lastWalkaround: { id: walked.id } });
  });

  test('two front pieces swapped after look and signature: it would tip, and the line and Fit say so too', async () => {
    const swap = () =>
      server.http
        .post(`/api/fittings/${craft.id}/swap`)
        .send({ first: { place: 'frontLeft', level: 0 }, second: { place: 'frontRight', level: 0 } })
        .expect(200);
    const wrong = (await swap()).body as FittingView;
    expect(wrong.ready.verdict).toBe('wrong');
    expect(codes(await view())).toEqual(['care.wrong.tips', 'care.signedBefore', 'care.changedSince']);
    const { stops } = (await server.http.get(`/api/crafts/${craft.id}/line`).expect(200)).body as LineView;
    expect(stops.find((s) => s.station === 'fit')).toMatchObject({ state: 'notched', code: 'fit.stop.wrong' });
    // Swapped back they are right again, and still nobody looked at them since.
    await swap();
    expect(codes(await view())).toEqual(['care.signedBefore', 'care.changedSince']);
    await sign();
    expect(await verdict()).toBe('look');
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
  });

  test('a motor noted to turn the other way, and the table changed, void both as well', async () => {
    const fitting = (await server.http.get(`/api/fittings/${craft.id}`).expect(200)).body as FittingView;
    const arms = fitting.arms.map(({ place, level, expectedSpin }) => ({
      place,
      level,
      seenSpin: place === 'frontLeft' ? 'ccw' : expectedSpin,
      spinBy: 'strip',
      outputName: null,
      hand: null,
      isLabelForward: true,
      thread: null,
      checks: [{ what: 'noDamage' }],
    }));
    await server.http
      .put(`/api/fittings/${craft.id}`)
      .send({ arms, isHanging: false, sideThrust: null, note: null, revision: fitting.revision })
      .expect(200);
    expect(codes(await view())).toEqual(['care.wrong.tips', 'care.signedBefore', 'care.changedSince']);
    await sign();
    await walk(ARMS.map((a) => look(a))).expect(201);
    const { id: _id, ...columns } = craft;
    const { revision } = (await server.http.get(`/api/crafts/${craft.id}`)).body as { revision: number };
    await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...columns, layout: 'quadPlus', revision })
      .expect(200);
    expect(await verdict()).not.toBe('fit');
    await server.http
      .put(`/api/crafts/${craft.id}`)
      .send({ ...columns, revision: revision + 1 })
      .expect(200);
    expect(codes(await view())).toEqual(['care.signedBefore', 'care.changedSince']);
    await sign();
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
  });

  test('what came before what is told by the ledger, not by the clock: set back half an hour, a crash after the look still counts', async () => {
    const clock = server.app.get(Clock, { strict: false });
    const offset = jest.spyOn(clock, 'nowMs').mockImplementation(() => Date.parse('2026-11-24T11:30:00Z'));
    await server.http
      .post(url('/strikes'))
      .send({
        id: v7(),
        thing: 'grass',
        throttleRatio: 1,
        isCrash: false,
        arms: [{ place: 'frontLeft', level: 0 }],
        note: null,
      })
      .expect(201);
    await server.http
      .post(url('/flights'))
      .send({ id: v7(), durationS: 60, packPieceId: null, strikes: [], note: null })
      .expect(201);
    offset.mockRestore();
    expect(codes(await view())).toEqual(['care.strikes', 'care.flownSince']);
    // A look of tomorrow, by a clock that ran ahead, is not of this day.
    const ahead = jest.spyOn(clock, 'nowMs').mockImplementation(() => Date.parse('2026-11-25T12:00:00Z'));
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
    ahead.mockRestore();
    expect(codes(await view())).toEqual(['care.staleLook']);
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
  });

  test('a nick is to be dressed on the lenient policy: mending makes the balancing void', async () => {
    const piece = on.get('frontRight')!;
    await walk(ARMS.map((a) => look(a, a === 'frontRight' ? [{ place: 'leadingEdge', what: 'nick' }] : []))).expect(
      201,
    );
    const care = await view();
    expect(care.ready.verdict).toBe('mend');
    expect(care.pieces.find((p) => p.piece.id === piece.id)!.openOutcome).toBe('clean');
    // A craft that is nowhere mends nothing.
    await server.http.post(`/api/care/${v7()}/pieces/${piece.id}/mended`).expect(404);
    const mended = (await server.http.post(url(`/pieces/${piece.id}/mended`)).expect(200)).body as CareView;
    expect(codes(mended)).toEqual(['care.untrued']);
    const detail = (await server.http.get(`/api/pieces/${piece.id}`)).body as PieceDetailView;
    expect(detail).toMatchObject({ state: 'fitted', isTruedStatic: false });
    expect(detail.history.map((e) => e.action)).toEqual(expect.arrayContaining(['dress', 'looked']));
    await server.http.post(url(`/pieces/${piece.id}/mended`)).expect(404);
    await act(piece.id, { action: 'true', isDynamic: false }).expect(200);
    expect(await verdict()).toBe('fit');
  });

  test('what a look said goes with the piece, whatever is done around it', async () => {
    const piece = on.get('rearRight')!;
    await walk(ARMS.map((a) => look(a, a === 'rearRight' ? [{ place: 'hub', what: 'crack' }] : []))).expect(201);
    expect(await verdict()).toBe('grounded');
    await act(piece.id, { action: 'remove' }).expect(200);
    expect(await verdict()).toBe('incomplete');
    // Neither fitted nor balanced again, from whatever bench.
    for (const body of [
      { action: 'fit', craftId: craft.id, place: 'rearRight', level: 0 },
      { action: 'true', isDynamic: false },
    ])
      expect((await act(piece.id, body).expect(422)).body).toMatchObject({ code: 'piece.unsound' });
    expect((await server.http.get(`/api/pieces/${piece.id}`)).body).toMatchObject({ condition: { outcome: 'retire' } });
    await act(piece.id, { action: 'retire', as: 'scrapped' }).expect(200);
    const next = spare.shift()!;
    expect(next.hand).toBe('cw');
    await act(next.id, { action: 'true', isDynamic: false }).expect(200);
    await act(next.id, { action: 'fit', craftId: craft.id, place: 'rearRight', level: 0 }).expect(200);
    on.set('rearRight', next);
    await sign();
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
  });

  test('white at the root grounds the craft until the piece is off', async () => {
    const piece = on.get('rearLeft')!;
    const walked = (
      await walk(
        ARMS.map((a) => look(a, a === 'rearLeft' ? [{ place: 'rootUnderside', what: 'whiteMark' }] : [])),
        { durationS: 12 },
      ).expect(201)
    ).body as WalkaroundView;
    expect(walked).toMatchObject({ outcome: 'retire', isHurried: true });
    expect(walked.looks.find((l) => l.place === 'rearLeft')!.reasons[0]!.code).toBe('care.white');
    expect(await verdict()).toBe('grounded');
    await server.http
      .post(`/api/pieces/${piece.id}/actions`)
      .send({ action: 'retire', as: 'scrapped', reason: 'white at the root' })
      .expect(200);
    expect(await verdict()).toBe('incomplete');
    const next = spare.find((p) => p.hand === 'ccw')!;
    await act(next.id, { action: 'true', isDynamic: false }).expect(200);
    await server.http
      .post(`/api/fittings/${craft.id}/pieces`)
      .send({ tag: next.tag, place: 'rearLeft', level: 0, oldTag: null, overrideReason: null })
      .expect(200);
    on.set('rearLeft', next);
    await sign();
    await walk(ARMS.map((a) => look(a))).expect(201);
    expect(await verdict()).toBe('fit');
  });

  test.each([
    ['an arm it does not have', [...ARMS.slice(1).map((a) => look(a)), look('nose')], 422, 'looks'],
    ['half a look', [look('rearLeft')], 422, 'looks'],
    ['one arm twice', [...ARMS.map((a) => look(a)), look('rearLeft')], 422, 'looks'],
    ['a side that nobody saw', ARMS.map((a) => ({ ...look(a), seen: ['top', 'edges'] })), 422, 'looks'],
    [
      'a bend in the bore',
      ARMS.map((a) => look(a, a === 'rearLeft' ? [{ place: 'bore', what: 'bend' }] : [])),
      422,
      'looks',
    ],
    ['no prop at all', [], 400, 'looks'],
    ['a side that props do not have', [{ ...look('rearLeft'), seen: ['inside'] }], 400, 'looks.0.seen'],
  ])('%s is refused', async (_name, looks, status, path) => {
    const answer = await walk(looks).expect(status);
    expect((answer.body as Problem).fields.map((f) => f.path)).toContain(path);
  });

  test('the policy is the craft’s own, and two who change it do not overwrite each other', async () => {
    await server.http.put(url('/setting')).send({ policy: 'strict', isFolding: true, revision: 0 }).expect(200);
    await server.http.put(url('/setting')).send({ policy: 'lenient', isFolding: false, revision: 0 }).expect(409);
    const walked = (
      await walk(ARMS.map((a) => look(a, a === 'rearLeft' ? [{ place: 'tip', what: 'nick' }] : []))).expect(201)
    ).body as WalkaroundView;
    expect(walked.outcome).toBe('retirePair');
    await server.http.put(url('/setting')).send({ policy: 'lenient', isFolding: false, revision: 1 }).expect(200);
    await walk(ARMS.map((a) => look(a))).expect(201);
  });
});

describe('flying', () => {
  test('life counts for what was on, motors grow older, and the craft waits for a look', async () => {
    const id = v7();
    const care = (
      await server.http
        .post(url('/flights'))
        .send({ id, durationS: 5400, packPieceId: null, strikes: [], note: null })
        .expect(201)
    ).body as CareView;
    expect(care).toMatchObject({ ready: { verdict: 'look' }, flownS: 5460 });
    // A handful of flights of one day tells no season.
    expect(care.season).toMatchObject({
      flightCount: expect.any(Number),
      hands: [
        { hand: 'cw', spares: null },
        { hand: 'ccw', spares: null },
      ],
    });
    expect(care.pieces.find((p) => p.piece.id === on.get('rearLeft')!.id)!.life).toMatchObject({
      durationS: 5400,
      flightCount: 1,
      dueInDays: expect.any(Number),
    });
    await server.http
      .post(url('/flights'))
      .send({ id, durationS: 5400, packPieceId: null, strikes: [], note: null })
      .expect(201);
    expect(((await server.http.get('/api/motor-pieces')).body as ListView<MotorPieceView>).items[0]!.hours).toBeCloseTo(
      2 + 5460 / 3600,
      9,
    );
    await server.http.delete(url(`/flights/${id}`)).expect(204);
    expect((await view()).pieces.find((p) => p.piece.id === on.get('rearLeft')!.id)!.life.durationS).toBe(0);
    const motorHours = async (): Promise<number> =>
      ((await server.http.get('/api/motor-pieces')).body as ListView<MotorPieceView>).items[0]!.hours;
    expect(await motorHours()).toBeCloseTo(2 + 60 / 3600, 9);
    await server.http.delete(url(`/flights/${id}`)).expect(404);
    // Twice brought back is once.
    for (let i = 0; i < 2; i++) await server.http.post(url(`/flights/${id}/restore`)).expect(200);
    expect((await view()).flownS).toBe(5460);
    expect(await motorHours()).toBeCloseTo(2 + 5460 / 3600, 9);
  });

  test('a flight that goes out takes its strikes along, and brings them back', async () => {
    const id = v7();
    const strikes = [
      {
        id: v7(),
        thing: 'twigs',
        throttleRatio: 0.3,
        isCrash: false,
        arms: [
          { place: 'frontLeft', level: 0 },
          { place: 'rearLeft', level: 0 },
        ],
        note: null,
      },
    ];
    await server.http
      .post(url('/flights'))
      .send({ id, durationS: 60, packPieceId: null, strikes, note: null })
      .expect(201);
    const count = async (): Promise<number> =>
      (await view()).pieces.find((p) => p.piece.place === 'frontLeft')!.life.strikeCount;
    const struck = async (): Promise<number> =>
      ((await server.http.get('/api/motor-pieces')).body as ListView<MotorPieceView>).items.reduce(
        (sum, m) => sum + m.strikeCount,
        0,
      );
    const counted = await struck();
    expect(await count()).toBe(2);
    await server.http.delete(url(`/flights/${id}`)).expect(204);
    expect([await count(), (await view()).strikes.length, await struck()]).toEqual([1, 1, counted - 1]);
    await server.http.post(url(`/flights/${id}/restore`)).expect(200);
    expect([await count(), await struck()]).toEqual([2, counted]);
    await server.http.delete(url(`/flights/${id}`)).expect(204);
  });

  test('a strike asks about its motor and grounds until somebody looks', async () => {
    await walk(ARMS.map((a) => look(a))).expect(201);
    const strike = {
      id: v7(),
      thing: 'gravel',
      throttleRatio: 0.8,
      isCrash: false,
      arms: [{ place: 'rearLeft', level: 0 }],
      note: null,
    };
    const care = (await server.http.post(url('/strikes')).send(strike).expect(201)).body as CareView;
    expect(care.ready.verdict).toBe('mend');
    expect(codes(care)).toEqual(['care.feelMotor', 'care.strikes']);
    expect(care.motorsToFeel).toMatchObject([{ tag: 'M1', strikeCount: 1, bearing: null }]);
    expect(care.strikes[0]).toMatchObject({ severity: 'hard' });
    expect(care.pieces.find((p) => p.piece.place === 'rearLeft')!.life).toMatchObject({
      strikeCount: 1,
      isByFatigue: true,
    });
    const walked = (await walk(ARMS.map((a) => look(a))).expect(201)).body as WalkaroundView;
    expect(walked.looks.find((l) => l.place === 'rearLeft')).toMatchObject({ outcome: 'clean', isTruingVoid: true });
    await server.http
      .post(url('/strikes'))
      .send({ ...strike, id: v7(), arms: [{ place: 'tail', level: 0 }] })
      .expect(422);
    await server.http
      .post(url('/strikes'))
      .send({ ...strike, id: v7(), throttleRatio: 1.5 })
      .expect(400);
  });
});

describe('a crash', () => {
  test('on the strict policy takes the whole set, though one prop hit', async () => {
    const { setting } = await view();
    await server.http
      .put(url('/setting'))
      .send({ ...setting, policy: 'strict' })
      .expect(200);
    await server.http
      .post(url('/strikes'))
      .send({
        id: v7(),
        thing: 'wood',
        throttleRatio: 1,
        isCrash: true,
        arms: [{ place: 'frontLeft', level: 0 }],
        note: null,
      })
      .expect(201);
    const walked = (await walk(ARMS.map((a) => look(a))).expect(201)).body as WalkaroundView;
    expect(walked.outcome).toBe('retireSet');
    const care = await view();
    expect(care.ready.verdict).toBe('grounded');
    expect(care.pieces.map((p) => p.openOutcome)).toEqual(ARMS.map(() => 'retireSet'));
    await server.http
      .put(url('/setting'))
      .send({ ...care.setting, policy: 'lenient' })
      .expect(200);
    await walk(ARMS.map((a) => look(a))).expect(201);
  });
});

describe('an alert', () => {
  test('grounds siblings and keeps spares off the arms until it is released', async () => {
    const id = v7();
    await server.http
      .post('/api/model-alerts')
      .send({ id, propModelId: model.id, batchId: null, reason: 'root cracked unstruck' })
      .expect(201);
    expect(await view()).toMatchObject({ ready: { verdict: 'grounded' }, alerts: [{ id }] });
    const cw = spare.find((p) => p.hand === 'cw')!;
    const refused = await server.http
      .post(`/api/fittings/${craft.id}/pieces`)
      .send({ tag: cw.tag, place: 'frontLeft', level: 0, oldTag: on.get('frontLeft')!.tag, overrideReason: 'hurry' })
      .expect(422);
    expect(refused.body).toMatchObject({
      code: 'fit.grounded',
      detail: expect.stringContaining('root cracked unstruck'),
    });
    expect(
      (await server.http.post(`/api/model-alerts/${id}/release`).send({ reason: 'whole bag looked at' }).expect(200))
        .body as ModelAlertView,
    ).toMatchObject({ releaseReason: 'whole bag looked at' });
    await server.http.post(`/api/model-alerts/${id}/release`).send({ reason: 'again' }).expect(409);
    expect((await view()).alerts).toEqual([]);
  });
});

describe('gains', () => {
  const sheet = () => ({
    id: v7(),
    craftId: craft.id,
    oldPropModelId: model.id,
    newPropModelId: stronger.id,
    payloadKg: 0,
    hasGuards: false,
    packSeriesCount: 6,
    pitchPercent: 100,
    rollPercent: 100,
    yawPercent: 100,
    verticalPercent: 100,
  });
  const put = (s: GainSheetView, more: object) =>
    server.http
      .put(`/api/gain-sheets/${s.id}`)
      .send({ checks: s.checks, testFlights: s.testFlights, note: null, revision: s.revision, ...more });
  const rest = { axis: 'roll', doesFlutter: false, doesReturn: true };

  test('a stronger prop proposes less; nothing is flown before the rest is excluded, and only by single percents', async () => {
    let s = (await server.http.post('/api/gain-sheets').send(sheet()).expect(201)).body as GainSheetView;
    expect(s.scale!.proportionalRatio).toBeLessThan(1);
    expect(s).toMatchObject({
      missingChecks: ['balance', 'tightness', 'shaft'],
      fitted: 'old',
      advice: { roll: { status: 'try', percent: 100 }, vertical: { status: 'stays' } },
    });
    const first = { axis: 'roll', percent: 100, doesFlutter: true, doesReturn: null };
    expect((await put(s, { testFlights: [first] }).expect(422)).body).toMatchObject({ code: 'gains.checksFirst' });
    s = (await put(s, { checks: ['balance', 'tightness', 'shaft'] }).expect(200)).body as GainSheetView;
    expect((await put(s, { testFlights: [first, { ...rest, percent: 90 }] }).expect(422)).body).toMatchObject({
      code: 'gains.step',
      detail: expect.stringContaining('99 %'),
    });
    s = (await put(s, { testFlights: [first, { ...rest, percent: 99 }] }).expect(200)).body as GainSheetView;
    expect(s.advice.roll).toEqual({ status: 'found', percent: 99 });
    expect(
      (await put(s, { testFlights: [...s.testFlights, { ...rest, percent: 98 }] }).expect(422)).body,
    ).toMatchObject({
      code: 'gains.step',
    });
    await put(s, { testFlights: [first], revision: 1 }).expect(409);
  });

  test('a weaker prop proposes nothing', async () => {
    const s = (
      await server.http
        .post('/api/gain-sheets')
        .send({ ...sheet(), oldPropModelId: stronger.id, newPropModelId: model.id })
        .expect(201)
    ).body as GainSheetView;
    expect(s.advice.pitch).toEqual({ status: 'stays', percent: 100 });
  });
});

describe('the rest of the bench', () => {
  test('a ticket is opened, filled, closed and brought back', async () => {
    const ticket = {
      id: v7(),
      craftId: craft.id,
      ownerName: 'Upper school',
      complaint: 'hums',
      found: null,
      done: null,
      parts: null,
      minutes: null,
      isClosed: false,
    };
    const opened = (await server.http.post('/api/job-tickets').send(ticket).expect(201)).body as JobTicketView;
    const { id: _id, craftId: _craft, ...columns } = ticket;
    const closed = (
      await server.http
        .put(`/api/job-tickets/${opened.id}`)
        .send({ ...columns, found: 'nick', done: 'dressed', minutes: 25, isClosed: true, revision: opened.revision })
        .expect(200)
    ).body as JobTicketView;
    expect(closed.closedAt).not.toBeNull();
    await server.http.delete(`/api/job-tickets/${opened.id}`).expect(204);
    expect((await server.http.get(`/api/job-tickets?craftId=${craft.id}`)).body).toMatchObject({ items: [], total: 0 });
    await server.http.post(`/api/job-tickets/${opened.id}/restore`).expect(200);
    await server.http
      .post('/api/job-tickets')
      .send({ ...ticket, id: v7(), complaint: '' })
      .expect(400);
  });

  test('the record speaks first, answers move the causes, and what was found is written down', async () => {
    const start = (await server.http.get(url('/symptoms')).expect(200)).body as SymptomStartView;
    expect(start.facts).toEqual(expect.arrayContaining(['struckPiece', 'motorStruck']));
    expect(start.recent.map((r) => r.change)).toEqual(expect.arrayContaining(['props', 'strike']));
    expect(start.recent.map((r) => r.sequence)).toEqual([...start.recent].map((r) => r.sequence).sort((a, b) => b - a));
    const id = v7();
    const told = { symptoms: ['tremblingPicture'], changes: ['strike'], answers: [], mendedCause: null };
    const first = (
      await server.http
        .put(url(`/symptoms/${id}`))
        .send({ ...told, revision: 0 })
        .expect(200)
    ).body as SymptomCaseView;
    expect(first.diagnosis.next).not.toBeNull();
    const shaft = (
      await server.http
        .put(url(`/symptoms/${id}`))
        .send({ ...told, answers: [{ test: 'shaftTip', answer: 'yes' }], revision: first.revision })
        .expect(200)
    ).body as SymptomCaseView;
    expect(shaft.diagnosis.ranked[0]!.cause).toBe('bentShaft');
    await server.http
      .put(url(`/symptoms/${id}`))
      .send({ ...told, revision: 1 })
      .expect(409);
    await server.http
      .put(url(`/symptoms/${id}`))
      .send({ ...told, answers: shaft.answers, mendedCause: 'bentShaft', revision: shaft.revision })
      .expect(200);
    expect((await server.http.get(url('/symptoms'))).body).toMatchObject({
      openCase: null,
      solved: [{ cause: 'bentShaft' }],
    });
    await server.http
      .put(url(`/symptoms/${v7()}`))
      .send({ ...told, symptoms: ['smells'], revision: 0 })
      .expect(400);
  });

  test('the log holds everything of the craft and the pieces on it, within its period', async () => {
    const logView = async (from: string, to: string): Promise<LogView> =>
      (await server.http.get(url(`/log?from=${from}&to=${to}`)).expect(200)).body as LogView;
    const log = async (from: string, to: string): Promise<LogEntryView[]> => (await logView(from, to)).items;
    const all = await log('2026-01-01', '2030-01-01');
    // What was taken back is told, and is not in the sums.
    const { total, isCut, flightCount, flownS } = await logView('2026-01-01', '2030-01-01');
    const counting = await view();
    expect([total, isCut, flownS]).toEqual([all.length, false, counting.flownS]);
    expect(flightCount).toBe(counting.flights.length);
    expect(all.filter((e) => e.kind === 'flown').length).toBeGreaterThan(flightCount);
    expect([...new Set(all.map((e) => e.kind))]).toEqual(
      expect.arrayContaining([
        'walkedRound',
        'flown',
        'struck',
        'pieceFitted',
        'pieceRetired',
        'pieceDressed',
        'gainsFlown',
        'ticketClosed',
        'faultFound',
      ]),
    );
    expect(all.find((e) => e.kind === 'pieceRetired' && e.values.reason !== null)).toMatchObject({
      tag: expect.any(String),
      values: { reason: 'white at the root' },
    });
    expect(await log('2020-01-01', '2021-01-01')).toEqual([]);
    expect(
      ((await server.http.get(url('/log?from=yesterday&to=2030-01-01')).expect(400)).body as Problem).fields[0]!.path,
    ).toBe('from');
  });

  test('whether a drill is right is worked out here, not sent', async () => {
    const drill = makeDrill('finding', 'seed-7');
    await server.http
      .post('/api/drills/answers')
      .send({ id: v7(), kind: 'finding', seed: 'seed-7', chosen: drill.right })
      .expect(201);
    const scores = (
      await server.http
        .post('/api/drills/answers')
        .send({ id: v7(), kind: 'finding', seed: 'seed-7', chosen: (drill.right + 1) % drill.options.length })
        .expect(201)
    ).body as DrillScoreView[];
    expect(scores).toMatchObject([{ kind: 'finding', askedCount: 2, rightCount: 1 }]);
    const ofCraft = makeDrill(
      'arm',
      'seed-8',
      (await server.http.get(`/api/crafts/${craft.id}`).expect(200)).body as CraftView,
    );
    const more = (
      await server.http
        .post('/api/drills/answers')
        .send({ id: v7(), kind: 'arm', seed: 'seed-8', chosen: ofCraft.right, craftId: craft.id })
        .expect(201)
    ).body as DrillScoreView[];
    expect(more.find((score) => score.kind === 'arm')).toMatchObject({ askedCount: 1, rightCount: 1 });
  });

  test('the projections follow from the events alone', async () => {
    const db = server.app.get<Db>(DB);
    const events = server.app.get(EventRepository, { strict: false });
    const projectors = server.app.get(Projectors, { strict: false });
    const before = await projectors.rows(db);
    await db.transaction((tx) => events.rebuild(tx));
    expect(await projectors.rows(db)).toEqual(before);
  });
});
