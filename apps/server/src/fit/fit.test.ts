import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BatchDetailView, FittingView, PieceView, Problem } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const model = aPropModel();
const other = aPropModel({ label: '7x5x3' });
const craft = aCraft({ referencePropModelId: model.id });
const pieces: Record<'cw' | 'ccw', PieceView[]> = { cw: [], ccw: [] };
let stranger: PieceView;

beforeAll(async () => {
  server = await startTestServer();
  for (const m of [model, other]) await server.http.post('/api/prop-models').send(m).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  const deliver = async (propModelId: string, cwCount: number, ccwCount: number): Promise<PieceView[]> => {
    const batch = (await server.http.post('/api/batches').send({ id: v7(), propModelId, cwCount, ccwCount, eitherCount: 0, resolutionKg: 1e-5, location: null, note: null }).expect(201)).body as BatchDetailView;
    for (const p of batch.pieces) await server.http.put(`/api/pieces/${p.id}/measures`).send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' }).expect(200);
    return batch.pieces;
  };
  for (const p of await deliver(model.id, 4, 3)) pieces[p.hand as 'cw' | 'ccw'].push(p);
  [stranger] = (await deliver(other.id, 1, 0)) as [PieceView];
}, 60_000);
afterAll(() => server.close());

const fit = (tag: string, place: string, more: object = {}) => server.http.post(`/api/fittings/${craft.id}/pieces`).send({ tag, place, level: 0, oldTag: null, overrideReason: null, ...more });
const view = async (): Promise<FittingView> => (await server.http.get(`/api/fittings/${craft.id}`).expect(200)).body as FittingView;
const arm = (place: string, more: object = {}) => ({ place, level: 0, seenSpin: null, hand: null, isLabelForward: true, thread: null, checks: [], ...more });
const ARMS = [['frontLeft', 'cw'], ['frontRight', 'ccw'], ['rearRight', 'cw'], ['rearLeft', 'ccw']] as const;

describe('fitting a set', () => {
  test('an empty craft asks for its pieces', async () => {
    expect((await view()).takeOff).toMatchObject({ verdict: 'unknown', isConfirmed: false });
  });

  test('the other hand is refused in words, another model too; a reason of one’s own overrides and is written down', async () => {
    const refused = await fit(pieces.ccw[0]!.tag, 'frontLeft').expect(422);
    expect(refused.body as Problem).toMatchObject({ code: 'fit.otherHand', detail: expect.stringContaining('this arm needs CW') });
    await fit(pieces.cw[0]!.tag, 'frontLeft').expect(200);
    expect((await fit(stranger.tag, 'rearRight').expect(422)).body).toMatchObject({ code: 'fit.otherModel' });
    await fit(stranger.tag, 'rearRight', { overrideReason: 'bench test only' }).expect(200);
    expect((await view()).propModelIds).toHaveLength(2);
  });

  test('the old mark is read before it comes off', async () => {
    const next = pieces.cw[1]!.tag;
    expect((await fit(next, 'rearRight').expect(422)).body).toMatchObject({ code: 'fit.oldTag' });
    expect((await fit(next, 'rearRight', { oldTag: 'AAAA' }).expect(422)).body).toMatchObject({ detail: expect.stringContaining('AAAA was read') });
    await fit(next, 'rearRight', { oldTag: stranger.tag.toLowerCase() }).expect(200);
    await fit(pieces.ccw[0]!.tag, 'frontRight').expect(200);
    const full = (await fit(pieces.ccw[1]!.tag, 'rearLeft').expect(200)).body as FittingView;
    expect(full).toMatchObject({ takeOff: { verdict: 'flies', isConfirmed: false }, plan: { moves: [] }, propModelIds: [model.id] });
    expect(full.spares).toEqual({ cwCount: 2, ccwCount: 1 });
    expect(full.marginsAfterLoss!.every((m) => m < 0.01)).toBe(true);
    expect(full.bladeLoss!.forceN).toBeGreaterThan(full.bladeLoss!.weightN);
  });

  test('a retired piece, one twice, an arm that is not there, a tag of nobody', async () => {
    await server.http.post(`/api/pieces/${pieces.cw[2]!.id}/actions`).send({ action: 'retire', as: 'scrapped' }).expect(200);
    expect((await fit(pieces.cw[2]!.tag, 'frontLeft', { oldTag: pieces.cw[0]!.tag }).expect(422)).body).toMatchObject({ code: 'piece.retired' });
    expect((await fit(pieces.cw[1]!.tag, 'frontLeft', { oldTag: pieces.cw[0]!.tag }).expect(422)).body).toMatchObject({ code: 'piece.alreadyFitted' });
    expect((await fit(pieces.cw[3]!.tag, 'front').expect(422)).body).toMatchObject({ code: 'fit.noSuchArm' });
    await fit('ZZZZ', 'frontLeft').expect(404);
  });
});

describe('what is seen', () => {
  test('spins seen confirm it; a motor the wrong way is told and mended in the plan', async () => {
    const before = await view();
    const seen = (await server.http.put(`/api/fittings/${craft.id}`).send({ arms: ARMS.map(([place, spin]) => arm(place, { seenSpin: spin })), isHanging: false, note: null, revision: before.revision }).expect(200)).body as FittingView;
    expect(seen.takeOff).toMatchObject({ verdict: 'flies', isConfirmed: true });
    const wrong = (await server.http.put(`/api/fittings/${craft.id}`).send({ arms: ARMS.map(([place, spin]) => arm(place, { seenSpin: place === 'rearLeft' ? 'cw' : spin })), isHanging: false, note: null, revision: seen.revision }).expect(200)).body as FittingView;
    expect(wrong.takeOff.verdict).toBe('tips');
    expect(wrong.plan.moves).toEqual([expect.objectContaining({ kind: 'reverse', to: 'ccw' })]);
    await server.http.put(`/api/fittings/${craft.id}`).send({ arms: [], isHanging: false, note: null, revision: 1 }).expect(409);
  });

  test('two rear pieces swapped in the record: tips to the rear, one swap mends it', async () => {
    const now = await view();
    await server.http.put(`/api/fittings/${craft.id}`).send({ arms: ARMS.map(([place, spin]) => arm(place, { seenSpin: spin })), isHanging: false, note: null, revision: now.revision }).expect(200);
    const [right, left] = [(await view()).arms.find((a) => a.place === 'rearRight')!.piece!, (await view()).arms.find((a) => a.place === 'rearLeft')!.piece!];
    const swapped = (await server.http.post(`/api/fittings/${craft.id}/swap`).send({ firstPieceId: right.id, secondPieceId: left.id }).expect(200)).body as FittingView;
    expect(swapped.takeOff).toMatchObject({ verdict: 'tips' });
    expect(swapped.plan).toMatchObject({ cost: 2, moves: [{ kind: 'swap', areNeighbours: true }] });
    const mended = (await server.http.post(`/api/fittings/${craft.id}/swap`).send({ firstPieceId: right.id, secondPieceId: left.id }).expect(200)).body as FittingView;
    expect(mended.takeOff.verdict).toBe('flies');
  });

  test('who signs for it is written down', async () => {
    const signed = (await server.http.post(`/api/fittings/${craft.id}/confirm`).send({ note: null }).expect(200)).body as FittingView;
    expect(signed.confirmedAt).not.toBeNull();
  });

  test.each<[string, object, string]>([
    ['an unknown place', { arms: [arm('chimney')] }, 'arms.0.place'],
    ['twenty-five arms', { arms: Array.from({ length: 25 }, () => arm('front')) }, 'arms'],
    ['an unknown check', { arms: [arm('frontLeft', { checks: [{ what: 'smell' }] })] }, 'arms.0.checks.0.what'],
  ])('%s is refused', async (_name, change, path) => {
    const answer = await server.http.put(`/api/fittings/${craft.id}`).send({ arms: [], isHanging: false, note: null, revision: 0, ...change }).expect(400);
    expect((answer.body as Problem).fields.map((f) => f.path)).toContain(path);
  });
});
