import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type {
  AvailableView,
  BatchDetailView,
  BatchView,
  FoundView,
  PieceDetailView,
  PieceListView,
  PieceSetView,
  RotationView,
  Problem,
  PropModelListView,
  PropModelView,
  YieldView,
  ListView,
  PartEventView,
} from '@zivvo/contract';
import { isPieceTag, seededRandom } from '@zivvo/core';
import { sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { EventRepository } from '../event/event.repository.ts';
import { testServerUrl } from '../test/serverDatabase.ts';
import { runMigration } from '../test/runMigration.ts';
import { aCraft, aPropModel, startBeside, startTestServer, type TestServer } from '../test/testServer.ts';
import { propPiece } from './piece.table.ts';
import { Projectors } from '../event/projectors.ts';
import { pieceLife } from './piece.table.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';

let server: TestServer;
const model = aPropModel();
const craft = aCraft();
beforeAll(async () => {
  server = await startTestServer();
  await server.http.post('/api/prop-models').send(model).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
}, 60_000);
afterAll(() => server.close());

const aBatch = (more: object = {}) => ({
  id: v7(),
  propModelId: model.id,
  cwCount: 2,
  ccwCount: 2,
  eitherCount: 0,
  resolutionKg: 0.00001,
  location: 'drawer 2',
  note: null,
  ...more,
});
const deliver = async (more: object = {}): Promise<BatchDetailView> =>
  (await server.http.post('/api/batches').send(aBatch(more)).expect(201)).body as BatchDetailView;
const measures = (more: object = {}) => ({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good', ...more });
const measure = async (id: string, more: object = {}): Promise<PieceDetailView> =>
  (await server.http.put(`/api/pieces/${id}/measures`).send(measures(more)).expect(200)).body as PieceDetailView;
const act = (id: string, body: object) => server.http.post(`/api/pieces/${id}/actions`).send(body);
const find = async (id: string): Promise<PieceDetailView> =>
  (await server.http.get(`/api/pieces/${id}`).expect(200)).body as PieceDetailView;

describe('a delivery', () => {
  test('makes a piece and a tag for each that was counted; sent twice it is one delivery', async () => {
    const body = aBatch({ eitherCount: 1 });
    await server.http.post('/api/batches').send(body).expect(201);
    const batch = (await server.http.post('/api/batches').send(body).expect(201)).body as BatchDetailView;
    expect(batch.pieces.map((p) => p.hand)).toEqual(['cw', 'cw', 'ccw', 'ccw', 'either']);
    expect(batch.pieces.every((p) => isPieceTag(p.tag) && p.state === 'new' && p.location === 'drawer 2')).toBe(true);
    expect(new Set(batch.pieces.map((p) => p.tag)).size).toBe(5);
  });

  test('is checked in row by row: half a row is written down, bore and look complete it', async () => {
    const { id, pieces } = await deliver();
    const first = pieces[0]!.id;
    expect(await measure(first, { boreFit: null, look: null })).toMatchObject({ state: 'new', massKg: 0.0079 });
    expect(await measure(first)).toMatchObject({ state: 'checkedIn' });
    const batch = (await server.http.get(`/api/batches/${id}`).expect(200)).body as BatchDetailView;
    expect(batch).toMatchObject({ pieceCount: 4, checkedInCount: 1 });
  });

  test('stands in the list of deliveries with what came of it', async () => {
    const { id, pieces } = await deliver({ ccwCount: 1 });
    await measure(pieces[0]!.id);
    const { items, total } = (await server.http.get('/api/batches').expect(200)).body as {
      items: BatchView[];
      total: number;
    };
    expect(items.find((b) => b.id === id)).toMatchObject({ pieceCount: 3, checkedInCount: 1, propModelId: model.id });
    expect(total).toBe(items.length);
  });

  test('what is checked in and neither fitted nor gone is there to be fitted', async () => {
    const own = aPropModel({ label: '8x4.5', diameterM: 0.2032, pitchM: 0.1143, bladeCount: 2 });
    await server.http.post('/api/prop-models').send(own).expect(201);
    const { pieces } = await deliver({ propModelId: own.id });
    const available = async (): Promise<Partial<AvailableView> | undefined> =>
      ((await server.http.get('/api/pieces/available').expect(200)).body as AvailableView[]).find(
        (a) => a.propModelId === own.id,
      );
    expect(await available()).toBeUndefined();
    for (const piece of pieces) await measure(piece.id);
    expect(await available()).toMatchObject({ cwCount: 2, ccwCount: 2 });
    await act(pieces[0]!.id, { action: 'retire', as: 'scrapped' }).expect(200);
    expect(await available()).toMatchObject({ cwCount: 1, ccwCount: 2 });
  });

  test('is the stock of its model until somebody counts, and then the count is', async () => {
    const own = aPropModel({ label: '8.5x4.5', diameterM: 0.2159, pitchM: 0.1143, bladeCount: 2 });
    await server.http.post('/api/prop-models').send(own).expect(201);
    const stock = async () => {
      const one = ((await server.http.get(`/api/prop-models/${own.id}`).expect(200)).body as PropModelView).stock;
      const { items } = (await server.http.get('/api/prop-models').expect(200)).body as PropModelListView;
      expect(items.find((m) => m.id === own.id)!.stock).toEqual(one);
      return one;
    };
    expect(await stock()).toBeNull();
    const { pieces } = await deliver({ propModelId: own.id, cwCount: 1, ccwCount: 2, eitherCount: 3 });
    expect(await stock()).toBeNull();
    for (const piece of pieces) await measure(piece.id);
    expect(await stock()).toEqual({ cwCount: 3, ccwCount: 3, countedAt: null });
    await server.http.put(`/api/prop-models/${own.id}/stock`).send({ cwCount: 7, ccwCount: 5 }).expect(200);
    expect(await stock()).toEqual({ cwCount: 7, ccwCount: 5, countedAt: expect.any(String) });
  });

  test('a piece is described anew, and its history says what was known before', async () => {
    const { pieces } = await deliver();
    const piece = await measure(pieces[0]!.id);
    const known = {
      massKg: 0.008,
      diameterM: 0.1826,
      boreFit: 'fits',
      look: 'good',
      hand: 'ccw',
      hubThicknessM: 0.0065,
      droopM: 0.004,
      colour: 'orange',
      note: 'was in the wrong bag',
      photoSha256: null,
    };
    const { revision } = piece;
    const described = (
      await server.http
        .put(`/api/pieces/${piece.id}`)
        .send({ ...known, revision })
        .expect(200)
    ).body;
    expect(described).toMatchObject(known);
    // Over what was known before, nothing is written: somebody else has written meanwhile.
    await server.http
      .put(`/api/pieces/${piece.id}`)
      .send({ ...known, note: 'late', revision })
      .expect(409);
    await server.http.put(`/api/pieces/${piece.id}`).send(known).expect(400);
    expect((await find(piece.id)).note).toBe(known.note);
    const [written] = (await find(piece.id)).history;
    expect(written).toMatchObject({
      action: 'described',
      values: { hand: 'ccw', massKg: 0.008, note: 'was in the wrong bag' },
    });
    expect(
      (
        (
          await server.http
            .put(`/api/pieces/${piece.id}`)
            .send({ ...known, revision: revision + 1, hand: 'left' })
            .expect(400)
        ).body as Problem
      ).fields.map((f) => f.path),
    ).toEqual(['hand']);
  });

  test('measures without a body are refused, and what was measured stays', async () => {
    const piece = await measure((await deliver()).pieces[0]!.id);
    await server.http.put(`/api/pieces/${piece.id}/measures`).expect(400);
    await server.http.put(`/api/pieces/${piece.id}/measures`).send([]).expect(400);
    expect(await find(piece.id)).toMatchObject({ massKg: piece.massKg, look: piece.look, revision: piece.revision });
  });

  test('says what stands out among its pieces', async () => {
    const { id, pieces } = await deliver();
    for (const [i, piece] of pieces.entries())
      await measure(piece.id, { massKg: i === 2 ? 0.0091 : 0.0079 + i * 1e-5 });
    const { findings } = (await server.http.get(`/api/batches/${id}`)).body as BatchDetailView;
    expect(findings).toEqual([expect.objectContaining({ code: 'massOutlier', id: pieces[2]!.id })]);
  });

  test.each<[string, object, string]>([
    ['forty-one pieces', { cwCount: 41 }, 'cwCount'],
    ['a scale of nothing', { resolutionKg: 0 }, 'resolutionKg'],
    ['no model', { propModelId: 'x' }, 'propModelId'],
  ])('%s is refused', async (_name, change, path) => {
    const answer = await server.http.post('/api/batches').send(aBatch(change)).expect(400);
    expect((answer.body as Problem).fields[0]!.path).toBe(path);
  });
});

describe('the life of a piece', () => {
  test('is told with who and when, and nothing is allowed out of turn', async () => {
    const piece = (await deliver()).pieces[0]!;
    expect(
      (await act(piece.id, { action: 'fit', craftId: craft.id, place: 'frontLeft' }).expect(422)).body,
    ).toMatchObject({ code: 'piece.notCheckedIn', detail: expect.stringContaining(piece.tag) });
    await measure(piece.id, { boreFit: 'needsReaming' });
    expect((await act(piece.id, { action: 'true', isDynamic: false }).expect(422)).body).toMatchObject({
      code: 'piece.boreOpen',
    });
    await measure(piece.id, { boreFit: 'reamed' });
    await act(piece.id, { action: 'true', isDynamic: false }).expect(200);
    await act(piece.id, { action: 'fit', craftId: craft.id, place: 'frontLeft' }).expect(200);
    expect(await find(piece.id)).toMatchObject({
      state: 'fitted',
      craftId: craft.id,
      place: 'frontLeft',
      isTruedStatic: true,
    });
    await act(piece.id, { action: 'retire', as: 'scrapped', reason: 'white at the root' }).expect(200);
    const retired = await find(piece.id);
    expect(retired).toMatchObject({ state: 'retired', retiredAs: 'scrapped', craftId: null });
    expect(retired.history.map((h) => h.action)).toEqual([
      'retire',
      'fit',
      'true',
      'measured',
      'checkIn',
      'measured',
      'added',
    ]);
    expect(retired.history[0]!.values).toMatchObject({ reason: 'white at the root' });
    expect(
      (await act(piece.id, { action: 'fit', craftId: craft.id, place: 'frontLeft' }).expect(422)).body,
    ).toMatchObject({ code: 'piece.retired' });
    await act(piece.id, { action: 'unretire' }).expect(200);
    expect((await find(piece.id)).state).toBe('resting');
  });

  test('a piece goes onto a free arm that is there and takes its hand, whoever asks; a set must be there', async () => {
    const { pieces } = await deliver({ cwCount: 3, ccwCount: 1 });
    for (const { id } of pieces) await measure(id);
    const hand = (wanted: string) => pieces.filter((p) => p.hand === wanted);
    const [first, second, third] = hand('cw');
    const refused = async (id: string, more: object): Promise<string> =>
      ((await act(id, { action: 'fit', craftId: craft.id, place: 'rearRight', ...more }).expect(422)).body as Problem)
        .code;
    await act(first!.id, { action: 'fit', craftId: v7(), place: 'rearRight' }).expect(404);
    expect(await refused(first!.id, { place: 'rear' })).toBe('fit.noSuchArm');
    expect(await refused(first!.id, { level: 1 })).toBe('fit.noSuchArm');
    expect(await refused(hand('ccw')[0]!.id, {})).toBe('fit.otherHand');
    await act(first!.id, { action: 'fit', craftId: craft.id, place: 'rearRight' }).expect(200);
    expect(await refused(second!.id, {})).toBe('fit.armTaken');
    await act(first!.id, { action: 'remove' }).expect(200);
    // Two at once on one arm: neither is on it then.
    const two = { ids: [second!.id, third!.id], action: 'fit', craftId: craft.id, place: 'rearRight' };
    expect(((await server.http.post('/api/pieces/actions').send(two).expect(422)).body as Problem).code).toBe(
      'fit.armTaken',
    );
    expect((await find(second!.id)).craftId).toBeNull();
    await act(second!.id, { action: 'joinSet', setId: v7() }).expect(404);
  });

  test('at the same moment one piece goes onto one arm, and onto one arm one piece', async () => {
    const { pieces } = await deliver({ cwCount: 6, ccwCount: 0 });
    for (const { id } of pieces) await measure(id);
    // Where the database is a server, a second Zivvo reaches for the same pieces.
    const beside = testServerUrl === null ? server : await startBeside(server);
    const places = ['rearRight', 'frontLeft'] as const;
    const fitted = (id: string, place: string, i: number): Promise<number> =>
      (i % 2 ? server : beside).http
        .post(`/api/pieces/${id}/actions`)
        .send({ action: 'fit', craftId: craft.id, place })
        .then((answer) => answer.status);
    const [one, ...others] = pieces;
    const onTwo = await Promise.all(Array.from({ length: 6 }, (_, i) => fitted(one!.id, places[i % 2]!, i)));
    expect(onTwo.filter((status) => status === 200)).toHaveLength(1);
    await act(one!.id, { action: 'remove' }).expect(200);
    const onOne = await Promise.all(others.map(({ id }, i) => fitted(id, 'rearRight', i)));
    expect(onOne.filter((status) => status === 200)).toHaveLength(1);
    expect([...onTwo, ...onOne].every((status) => [200, 409, 422].includes(status))).toBe(true);
    const list = (await server.http.get(`/api/pieces?craftId=${craft.id}`).expect(200)).body as PieceListView;
    expect(list.total).toBe(1);
    await act(list.items[0]!.id, { action: 'remove' }).expect(200);
    if (beside !== server) await beside.close();
  }, 60_000);

  test('an action without what it needs names it', async () => {
    const piece = (await deliver()).pieces[0]!;
    await measure(piece.id);
    expect(
      ((await act(piece.id, { action: 'fit', craftId: craft.id }).expect(422)).body as Problem).fields[0]!.path,
    ).toBe('place');
    expect(((await act(piece.id, { action: 'juggle' }).expect(400)).body as Problem).fields[0]!.path).toBe('action');
  });

  test('many at once: all of them or none', async () => {
    const { pieces } = await deliver();
    const ids = pieces.map((p) => p.id);
    await act(ids[3]!, { action: 'retire', as: 'display' }).expect(200);
    await server.http.post('/api/pieces/actions').send({ ids, action: 'move', location: 'box 7' }).expect(422);
    expect((await find(ids[0]!)).location).toBe('drawer 2');
    await server.http
      .post('/api/pieces/actions')
      .send({ ids: ids.slice(0, 3), action: 'move', location: 'box 7' })
      .expect(200);
    expect((await find(ids[0]!)).location).toBe('box 7');
    await server.http.post('/api/pieces/actions').send({ ids: [], action: 'move', location: 'box 7' }).expect(400);
    // One that is not there: none is moved.
    await server.http
      .post('/api/pieces/actions')
      .send({ ids: [...ids.slice(1), v7()], action: 'move', location: 'nowhere' })
      .expect(404);
    const { items } = (await server.http.get('/api/pieces?words=nowhere').expect(200)).body as PieceListView;
    expect(items).toEqual([]);
  });

  test('random lives leave exactly what their replayed events give', async () => {
    const random = seededRandom('lives');
    const pieces = (await deliver({ cwCount: 6 })).pieces;
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!;
    let refused = 0;
    for (let i = 0; i < 150; i++) {
      const body = pick([
        { action: 'checkIn' },
        { action: 'true', isDynamic: random.next() < 0.3 },
        { action: 'fit', craftId: craft.id, place: pick(['frontLeft', 'rearRight']) },
        { action: 'remove' },
        { action: 'retire', as: pick(['display', 'scrapped']) },
        { action: 'unretire' },
        { action: 'move', location: `box ${i}` },
      ]);
      const { status } = await act(pick(pieces).id, body);
      expect([200, 422]).toContain(status);
      if (status === 422) refused++;
    }
    expect(refused).toBeGreaterThan(20);
    const events = server.app.get(EventRepository, { strict: false });
    const projectors = server.app.get(Projectors, { strict: false });
    const { db } = server.database;
    const before = await projectors.rows(db);
    await db.transaction((tx) => events.rebuild(tx));
    expect(await projectors.rows(db)).toEqual(before);
    expect(
      (before.lives as (typeof pieceLife.$inferSelect)[])
        .filter((l) => l.state === 'retired')
        .every((l) => l.craftId === null),
    ).toBe(true);
  }, 60_000);
});

describe('sets', () => {
  test('say what they lack for their craft, and whom they do not want', async () => {
    const { pieces } = await deliver();
    const other = aPropModel({ label: '7x5x3' });
    await server.http.post('/api/prop-models').send(other).expect(201);
    const stranger = (await deliver({ propModelId: other.id, cwCount: 0, ccwCount: 1 })).pieces[0]!;
    const id = v7();
    await server.http.post('/api/sets').send({ id, name: 'K12', craftId: craft.id }).expect(201);
    const join = async (ids: string[]): Promise<PieceSetView> => {
      await server.http.post('/api/pieces/actions').send({ ids, action: 'joinSet', setId: id }).expect(200);
      return (await server.http.get(`/api/sets/${id}`).expect(200)).body as PieceSetView;
    };
    expect((await join(pieces.slice(0, 2).map((p) => p.id))).needs).toMatchObject({
      missing: { cwCount: 0, ccwCount: 2 },
      isComplete: false,
    });
    expect((await join([pieces[2]!.id, stranger.id])).needs).toMatchObject({
      missing: { cwCount: 0, ccwCount: 0 },
      strangers: [stranger.id],
      isComplete: false,
    });
    await act(stranger.id, { action: 'leaveSet' }).expect(200);
    expect((await join([pieces[3]!.id])).needs).toMatchObject({ isComplete: true });
    const { revision } = (await server.http.get(`/api/sets/${id}`).expect(200)).body as PieceSetView;
    const rested = (
      await server.http
        .put(`/api/sets/${id}`)
        .send({ name: 'K12', craftId: craft.id, isResting: true, revision })
        .expect(200)
    ).body as PieceSetView;
    expect(rested.restedAt).not.toBeNull();
    const renamed = (
      await server.http
        .put(`/api/sets/${id}`)
        .send({ name: 'K13', craftId: craft.id, revision: revision + 1 })
        .expect(200)
    ).body as PieceSetView;
    expect(renamed).toMatchObject({ name: 'K13', restedAt: rested.restedAt });
    const { sets } = (await server.http.get(`/api/care/${craft.id}/rotation`).expect(200)).body as RotationView;
    expect(sets.find((s) => s.id === id)).toMatchObject({ name: 'K13', restedAt: rested.restedAt });
    expect(
      (
        (
          await server.http
            .put(`/api/sets/${id}`)
            .send({ name: 'K12', craftId: craft.id, isResting: false, revision: revision + 2 })
            .expect(200)
        ).body as PieceSetView
      ).restedAt,
    ).toBeNull();
    await server.http.delete(`/api/sets/${id}`).expect(204);
    await server.http.post(`/api/sets/${id}/restore`).expect(200);
  });
});

test('a bag of ten, one cracked and six sent back: three are usable, the rest is rejected, none counts before it is judged', async () => {
  const own = aPropModel({ label: '9x5', makerName: 'Yieldish', diameterM: 0.2286, pitchM: 0.127, bladeCount: 2 });
  await server.http.post('/api/prop-models').send(own).expect(201);
  const { id: batchId, pieces } = await deliver({ propModelId: own.id, cwCount: 5, ccwCount: 5, location: 'drawer 7' });
  const yields = async (): Promise<YieldView> =>
    (await server.http.get('/api/pieces/yield').expect(200)).body as YieldView;
  const ofMaker = async () => (await yields()).makers.find((m) => m.makerName === 'Yieldish')!;
  expect(await ofMaker()).toMatchObject({ notJudgedCount: 10, pieceCount: 0, usable: null });
  const [cracked, ...sound] = pieces;
  for (const p of pieces) await measure(p.id, { look: p === cracked ? 'crack' : 'good' });
  expect(await ofMaker()).toMatchObject({ notJudgedCount: 9, rejectedCount: 1 });
  const craft = aCraft();
  await server.http.post('/api/crafts').send(craft).expect(201);
  const rigId = v7();
  await server.http
    .post('/api/rigs')
    .send({ id: rigId, name: 'Edges', frictionKgM: 1e-7, borePlayM: 0, largestM: 0.5, inertiaKgM2: 1e-7, note: null })
    .expect(201);
  const finish = async (pieceId: string, as: string): Promise<void> => {
    const id = v7();
    await server.http
      .post('/api/balance-jobs')
      .send({ id, pieceId, rigId, craftId: craft.id, isLookedAt: true })
      .expect(201);
    await server.http.post(`/api/balance-jobs/${id}/finish`).send({ as, note: null }).expect(200);
  };
  for (const p of sound.slice(0, 7)) await finish(p.id, 'sentBack');
  // One was tried again and came good.
  await finish(sound[0]!.id, 'trued');
  for (const p of sound.slice(7)) await finish(p.id, 'trued');
  const expected = {
    goodFromBagCount: 3,
    goodCorrectedCount: 0,
    rejectedCount: 7,
    notJudgedCount: 0,
    usable: expect.objectContaining({ ratio: 0.3 }),
  };
  expect(await ofMaker()).toMatchObject(expected);
  expect((await yields()).models.find((m) => m.propModelId === own.id)).toMatchObject(expected);
  expect((await yields()).deliveries.find((d) => d.batchId === batchId)).toMatchObject({
    ...expected,
    propModelId: own.id,
    location: 'drawer 7',
  });
  const { history } = (await server.http.get(`/api/pieces/${sound[1]!.id}`).expect(200)).body as PieceDetailView;
  expect(history[0]!.action).toBe('sendBack');
});

test('a tag typed into the finder leads to its piece', async () => {
  const piece = (await deliver()).pieces[0]!;
  const found = (await server.http.get(`/api/finder?words=${piece.tag.toLowerCase()}`).expect(200)).body as FoundView[];
  expect(found[0]).toMatchObject({ kind: 'piece', id: piece.id, title: piece.tag });
});

test('stickers are a PDF; an empty choice says so instead of failing', async () => {
  const batch = await deliver();
  for (const query of [`batchId=${batch.id}`, `setId=${v7()}`]) {
    const answer = await server.http
      .get(`/api/stickers?${query}`)
      .buffer()
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (chunk: Buffer) => chunks.push(chunk));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200);
    const pdf = answer.body as Buffer;
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.length).toBeGreaterThan(3000);
  }
});

test('a cut model names what it was cut from and loses the maker’s limit', async () => {
  const cut = (more: object) =>
    server.http
      .post('/api/prop-models')
      .send(aPropModel({ label: 'cut', cutFromModelId: model.id, diameterM: 0.17, ...more }));
  await cut({}).expect(201);
  expect(((await cut({ diameterM: 0.2 }).expect(422)).body as Problem).fields[0]!.path).toBe('diameterM');
  expect(((await cut({ speedLimitRpm: 20_000 }).expect(422)).body as Problem).fields[0]!.path).toBe('speedLimitRpm');
});

test('three thousand pieces: pages, filters and searches are bounded and add up', async () => {
  const { id: workshopId } = server.app.get<Workshop>(WORKSHOP);
  const now = new Date('2026-11-24T12:00:00Z');
  const states = ['checkedIn', 'trued', 'fitted', 'resting', 'retired'] as const;
  const ids = Array.from({ length: 3000 }, () => v7());
  const common = { workshopId, revision: 1, personId: null, createdAt: now, updatedAt: now, deletedAt: null };
  for (let from = 0; from < 3000; from += 500) {
    const part = ids.slice(from, from + 500);
    await server.database.db.insert(propPiece).values(
      part.map((id, i) => ({
        ...common,
        id,
        serialNumber: 5000 + from + i,
        tag: `X${from + i}`,
        propModelId: model.id,
        hand: 'cw' as const,
      })),
    );
    await server.database.db.insert(pieceLife).values(
      part.map((pieceId, i) => ({
        pieceId,
        workshopId,
        state: states[i % 5]!,
        level: 0,
        location: `box ${i % 40}`,
        isTruedStatic: false,
        isTruedDynamic: false,
        touchedAt: now,
      })),
    );
  }
  for (const query of ['', 'state=resting', 'words=box 17', 'untouched=yes', `propModelId=${model.id}&offset=2000`]) {
    const list = (await server.http.get(`/api/pieces?${query}`).expect(200)).body as PieceListView;
    expect(list.items.length).toBeLessThanOrEqual(Math.min(200, list.total));
  }
  const all = (await server.http.get('/api/pieces')).body as PieceListView;
  expect(all.total).toBeGreaterThan(3000);
  expect(Object.values(all.states).reduce((sum, n) => sum + n, 0)).toBe(all.total);
}, 60_000);

describe('motors and small parts', () => {
  const aMotor = (more: object = {}) => ({
    id: v7(),
    tag: 'M1',
    craftId: craft.id,
    place: 'frontLeft',
    hours: 2.5,
    overLimitCount: 0,
    strikeCount: 0,
    bearing: 'smooth',
    shaftPlayM: null,
    shaftRunOutM: 0.00003,
    note: null,
    ...more,
  });
  test('a motor keeps what changed and when; deleting is undone', async () => {
    const motor = aMotor();
    await server.http.post('/api/motor-pieces').send(motor).expect(201);
    const { id, ...body } = motor;
    await server.http
      .put(`/api/motor-pieces/${id}`)
      .send({ ...body, strikeCount: 1, bearing: 'gritty', revision: 1 })
      .expect(200);
    const { items } = (await server.http.get(`/api/motor-pieces/${id}/history`).expect(200))
      .body as ListView<PartEventView>;
    expect(items.map((h) => [h.change, h.values])).toEqual([
      ['changed', { strikeCount: 1, bearing: 'gritty' }],
      ['added', expect.objectContaining({ tag: 'M1' })],
    ]);
    await server.http.delete(`/api/motor-pieces/${id}`).expect(204);
    await server.http.post(`/api/motor-pieces/${id}/restore`).expect(200);
    await server.http
      .put(`/api/motor-pieces/${id}`)
      .send({ ...body, revision: 1 })
      .expect(409);
  });

  test('screws are counted', async () => {
    const id = v7();
    await server.http.post('/api/spare-parts').send({ id, name: 'M2 × 8', count: 30, perPieceCount: 2 }).expect(201);
    expect(
      (
        await server.http
          .put(`/api/spare-parts/${id}`)
          .send({ name: 'M2 × 8', count: 22, perPieceCount: 2, revision: 1 })
          .expect(200)
      ).body,
    ).toMatchObject({ count: 22, revision: 2 });
    await server.http.post('/api/spare-parts').send({ id: v7(), name: 'M2', count: -1, perPieceCount: 2 }).expect(400);
  });
});

test('of two that earlier rules let onto one arm the last one stays; the ledger says what came off', async () => {
  const { pieces } = await deliver({ cwCount: 3, ccwCount: 0 });
  for (const { id } of pieces) await measure(id);
  const ids = pieces.map((p) => p.id);
  const { db } = server.database;
  const undo = [
    'drop index "piece_life_arm_unique"',
    'drop index "piece_life_workshop_id_state_index"',
    'drop index "stock_level_workshop_id_index"',
    'drop index "stand_fact_workshop_id_index"',
    'alter table "run" drop constraint "run_replaces_check"',
    'alter table "true_up" rename column "observations" to "looks"',
    'alter table "gain_sheet" rename column "test_flights" to "looks"',
    'alter table "piece_life" drop constraint "piece_life_craft_id_craft_id_fk", drop constraint ' +
      '"piece_life_set_id_piece_set_id_fk"',
    ...['stock_level', 'stand_fact', 'piece_life'].map((table) => `alter table "${table}" drop column "workshop_id"`),
    'create index "piece_life_state_index" on "piece_life" ("state")',
    'create index "piece_life_craft_id_index" on "piece_life" ("craft_id")',
  ];
  for (const statement of undo) await db.execute(sql.raw(statement));
  const place = (id: string, craftId: string, minute: number) =>
    db.execute(
      sql`update piece_life set state = 'fitted', craft_id = ${craftId}, place = 'frontLeft', touched_at = ${new Date(Date.UTC(2026, 10, 1, 12, minute)).toISOString()} where piece_id = ${id}`,
    );
  await place(ids[0]!, craft.id, 1);
  await place(ids[1]!, craft.id, 2);
  await place(ids[2]!, v7(), 3);
  // A piece that was corrected twice says after how many observations, in the word of then.
  const correction = (lookCount: number) => ({ school: 'sand', place: 0, lookCount, swingCount: 0, isWeighed: false });
  const corrected = JSON.stringify([correction(3), correction(1)]);
  await db.execute(sql`update true_up set corrections = ${corrected}::jsonb`);
  await runMigration(server.database.db, '0029_projections_stand.sql');
  const { rows: jobs } = await db.execute<{ corrections: object[] }>(sql`select corrections from true_up`);
  expect(jobs.length).toBeGreaterThan(0);
  for (const { corrections } of jobs)
    expect(corrections).toEqual([3, 1].map((n) => ({ ...correction(n), lookCount: undefined, observationCount: n })));
  const found = await Promise.all(ids.map(find));
  expect(found.map((p) => [p.state, p.craftId])).toEqual([
    ['resting', null],
    ['fitted', craft.id],
    ['resting', null],
  ]);
  expect(found.map((p) => p.history[0]!.action)).toEqual(['remove', 'checkIn', 'remove']);
  await act(ids[1]!, { action: 'remove' }).expect(200);
}, 60_000);
