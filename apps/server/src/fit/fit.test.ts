import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BatchDetailView, FittingView, PieceDetailView, PieceView, Problem } from '@zivvo/contract';
import { v7 } from 'uuid';
import { aCraft, aPropModel, aSigner, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
const model = aPropModel();
const other = aPropModel({ label: '7x5x3' });
const craft = aCraft({ referencePropModelId: model.id });
const pieces: Record<'cw' | 'ccw', PieceView[]> = { cw: [], ccw: [] };
let stranger: PieceView;

beforeAll(async () => {
  server = await startTestServer();
  signer = await aSigner(server);
  for (const m of [model, other]) await server.http.post('/api/prop-models').send(m).expect(201);
  await server.http.post('/api/crafts').send(craft).expect(201);
  const deliver = async (propModelId: string, cwCount: number, ccwCount: number): Promise<PieceView[]> => {
    const batch = (
      await server.http
        .post('/api/batches')
        .send({
          id: v7(),
          propModelId,
          cwCount,
          ccwCount,
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
    return batch.pieces;
  };
  for (const p of await deliver(model.id, 4, 3)) pieces[p.hand as 'cw' | 'ccw'].push(p);
  [stranger] = (await deliver(other.id, 1, 0)) as [PieceView];
}, 60_000);
afterAll(() => server.close());

const fit = (tag: string, place: string, more: object = {}) =>
  server.http
    .post(`/api/fittings/${craft.id}/pieces`)
    .send({ tag, place, level: 0, oldTag: null, oldMarkSha256: null, overrideReason: null, ...more });
const put = (body: object, craftId = craft.id) =>
  server.http
    .put(`/api/fittings/${craftId}`)
    .send({ arms: [], isHanging: false, sideThrust: null, note: null, revision: 0, ...body });
const swap = (first: string, second: string, craftId = craft.id) =>
  server.http
    .post(`/api/fittings/${craftId}/swap`)
    .send({ first: { place: first, level: 0 }, second: { place: second, level: 0 } });
let signer: Record<string, string>;
const sign = (craftId = craft.id) =>
  server.http.post(`/api/fittings/${craftId}/confirm`).set(signer).send({ note: null });
const view = async (): Promise<FittingView> =>
  (await server.http.get(`/api/fittings/${craft.id}`).expect(200)).body as FittingView;
const arm = (place: string, more: object = {}) => ({
  place,
  level: 0,
  seenSpin: null,
  spinBy: null,
  outputName: null,
  hand: null,
  isLabelForward: true,
  thread: null,
  checks: [],
  ...more,
});
const ARMS = [
  ['frontLeft', 'cw'],
  ['frontRight', 'ccw'],
  ['rearRight', 'cw'],
  ['rearLeft', 'ccw'],
] as const;

describe('fitting a set', () => {
  test('an empty craft asks for its pieces', async () => {
    expect((await view()).takeOff).toMatchObject({ verdict: 'unknown', isConfirmed: false });
  });

  test('the other hand is refused in words, another model too; a reason of one’s own overrides and is written down', async () => {
    const refused = await fit(pieces.ccw[0]!.tag, 'frontLeft').expect(422);
    expect(refused.body as Problem).toMatchObject({
      code: 'fit.otherHand',
      detail: expect.stringContaining('this arm needs CW'),
    });
    await fit(pieces.cw[0]!.tag, 'frontLeft').expect(200);
    expect((await fit(stranger.tag, 'rearRight').expect(422)).body).toMatchObject({ code: 'fit.otherModel' });
    await fit(stranger.tag, 'rearRight', { overrideReason: 'bench test only' }).expect(200);
    expect((await view()).propModelIds).toHaveLength(2);
  });

  test('the old mark is read before it comes off', async () => {
    const next = pieces.cw[1]!.tag;
    expect((await fit(next, 'rearRight').expect(422)).body).toMatchObject({ code: 'fit.oldTag' });
    expect((await fit(next, 'rearRight', { oldTag: 'AAAA' }).expect(422)).body).toMatchObject({
      detail: expect.stringContaining('AAAA was read'),
    });
    await fit(next, 'rearRight', { oldTag: stranger.tag.toLowerCase() }).expect(200);
    await fit(pieces.ccw[0]!.tag, 'frontRight').expect(200);
    const full = (await fit(pieces.ccw[1]!.tag, 'rearLeft').expect(200)).body as FittingView;
    expect(full).toMatchObject({
      takeOff: { verdict: 'flies', isConfirmed: false },
      plan: { moves: [] },
      propModelIds: [model.id],
    });
    expect(full.spares).toEqual({ cwCount: 2, ccwCount: 1 });
    const reason = (code: string) => full.reasons.find((r) => r.code === code)!.values;
    // A quad on three arms holds nothing level; a lost blade pulls many times the weight.
    expect(reason('fit.lossDrops')).toMatchObject({ worst: expect.closeTo(0, 6), of: 4 });
    expect(reason('fit.bladeLoss').timesWeight).toBeGreaterThan(3);
    expect(reason('fit.steers').yawNm).toBeLessThan(reason('fit.steers').rollNm as number);
    expect(full.arms.map((a) => a.pullN)).toEqual(full.arms.map(() => expect.closeTo((craft.massKg * 9.80665) / 4, 6)));
    expect(full.arms.every((a) => a.fittedAt !== null)).toBe(true);
  });

  test('a retired piece, one twice, an arm that is not there, a tag of nobody', async () => {
    await server.http
      .post(`/api/pieces/${pieces.cw[2]!.id}/actions`)
      .send({ action: 'retire', as: 'scrapped' })
      .expect(200);
    expect((await fit(pieces.cw[2]!.tag, 'frontLeft', { oldTag: pieces.cw[0]!.tag }).expect(422)).body).toMatchObject({
      code: 'piece.retired',
    });
    expect((await fit(pieces.cw[1]!.tag, 'frontLeft', { oldTag: pieces.cw[0]!.tag }).expect(422)).body).toMatchObject({
      code: 'piece.alreadyFitted',
    });
    expect((await fit(pieces.cw[3]!.tag, 'front').expect(422)).body).toMatchObject({ code: 'fit.noSuchArm' });
    await fit('ZZZZ', 'frontLeft').expect(404);
  });
});

describe('what is seen', () => {
  test('spins seen confirm it; a motor the wrong way is told and mended in the plan', async () => {
    const before = await view();
    const seen = (
      await put({
        arms: ARMS.map(([place, spin]) => arm(place, { seenSpin: spin, spinBy: 'strip' })),
        revision: before.revision,
      }).expect(200)
    ).body as FittingView;
    expect(seen.takeOff).toMatchObject({ verdict: 'flies', isConfirmed: true });
    const wrong = (
      await put({
        arms: ARMS.map(([place, spin]) => arm(place, { seenSpin: place === 'rearLeft' ? 'cw' : spin })),
        revision: seen.revision,
      }).expect(200)
    ).body as FittingView;
    expect(wrong.takeOff.verdict).toBe('tips');
    expect(wrong.plan.moves).toEqual([expect.objectContaining({ kind: 'reverse', to: 'ccw' })]);
    await put({ revision: 1 }).expect(409);
  });

  test('two rear pieces swapped in the record: tips to the rear, one swap mends it', async () => {
    const now = await view();
    await put({
      arms: ARMS.map(([place, spin]) =>
        arm(place, { seenSpin: spin, checks: [{ what: 'locked' }, { what: 'noDamage' }] }),
      ),
      revision: now.revision,
    }).expect(200);
    const swapped = (await swap('rearRight', 'rearLeft').expect(200)).body as FittingView;
    expect(swapped.takeOff).toMatchObject({ verdict: 'tips', tip: { toward: 'rear' } });
    expect(swapped.plan).toMatchObject({ cost: 2, moves: [{ kind: 'swap', areNeighbours: true }] });
    // The touched arms start anew, the others are looked at again.
    expect(Object.fromEntries(swapped.arms.map((a) => [a.place, a.checks.map((c) => c.what)]))).toEqual({
      frontLeft: ['locked'],
      frontRight: ['locked'],
      rearRight: [],
      rearLeft: [],
    });
    expect((await sign().expect(422)).body).toMatchObject({
      code: 'fit.wrong',
      detail: expect.stringContaining('rear right, rear left'),
    });
    const mended = (await swap('rearRight', 'rearLeft').expect(200)).body as FittingView;
    expect(mended.takeOff.verdict).toBe('flies');
  });

  test('nobody signs before every spin was seen and every piece looked at, on untouched arms too', async () => {
    expect((await sign().expect(422)).body).toMatchObject({
      code: 'fit.notLooked',
      detail: expect.stringContaining('front left'),
    });
    const looked = ARMS.map(([place, spin]) =>
      arm(place, { seenSpin: spin, spinBy: 'table', checks: [{ what: 'noDamage' }] }),
    );
    const one = (
      await put({
        arms: looked.map((a) => (a.place === 'rearLeft' ? { ...a, seenSpin: null } : a)),
        revision: (await view()).revision,
      }).expect(200)
    ).body as FittingView;
    expect((await sign().expect(422)).body).toMatchObject({
      code: 'fit.unseen',
      detail: expect.stringContaining('rear left'),
    });
    await put({ arms: looked, revision: one.revision }).expect(200);
    // Nobody is no signature; and what is missing beside it goes into the record.
    expect(
      (await server.http.post(`/api/fittings/${craft.id}/confirm`).send({ note: null }).expect(422)).body,
    ).toMatchObject({ code: 'fit.noPerson' });
    const signed = (await sign().expect(200)).body as FittingView;
    expect(signed).toMatchObject({
      confirmedAt: expect.any(String),
      confirmedBy: 'Irva Solt',
      isSignatureStale: false,
    });
    expect(signed.confirmedMissing.map((r) => r.code).sort()).toEqual(['care.neverLooked', 'care.untrued']);
    expect(signed.missing).toEqual(signed.confirmedMissing);
  });

  test('a photo of the old mark stands in for reading it, and is in the history; the signature is stale then', async () => {
    const before = (await view()).arms.find((a) => a.place === 'rearRight')!.piece!;
    const sha256 = 'ab'.repeat(32);
    const after = (await fit(pieces.cw[3]!.tag, 'rearRight', { oldMarkSha256: sha256 }).expect(200))
      .body as FittingView;
    expect(after).toMatchObject({ isSignatureStale: true });
    const { history } = (await server.http.get(`/api/pieces/${before.id}`).expect(200)).body as PieceDetailView;
    expect(history.find((e) => e.action === 'remove')!.values).toMatchObject({ markSha256: sha256 });
    await fit(before.tag, 'rearRight', { oldMarkSha256: 'short' }).expect(400);
  });

  test.each<[string, object, string]>([
    ['an unknown place', { arms: [arm('chimney')] }, 'arms.0.place'],
    ['twenty-five arms', { arms: Array.from({ length: 25 }, () => arm('front')) }, 'arms'],
    ['an unknown check', { arms: [arm('frontLeft', { checks: [{ what: 'smell' }] })] }, 'arms.0.checks.0.what'],
  ])('%s is refused', async (_name, change, path) => {
    const answer = await put(change).expect(400);
    expect((answer.body as Problem).fields.map((f) => f.path)).toContain(path);
  });

  test('an arm that is not there, or left out, is refused', async () => {
    expect((await swap('rearRight', 'nose').expect(422)).body).toMatchObject({
      code: 'fit.noSuchArm',
      detail: expect.stringContaining('its 4 are front left'),
    });
    await server.http
      .post(`/api/fittings/${craft.id}/swap`)
      .send({ first: { place: 'rearRight', level: 0 } })
      .expect(400);
  });
});

describe('other craft', () => {
  const own = async (more: Parameters<typeof aCraft>[0]): Promise<string> => {
    const other = aCraft({ referencePropModelId: model.id, ...more });
    await server.http.post('/api/crafts').send(other).expect(201);
    return other.id;
  };
  const of = async (id: string): Promise<FittingView> =>
    (await server.http.get(`/api/fittings/${id}`).expect(200)).body as FittingView;

  test('untagged pieces change places too', async () => {
    const id = await own({ name: 'Knot' });
    await put(
      {
        arms: ARMS.map(([place, spin]) =>
          arm(place, { hand: place.startsWith('rear') ? (spin === 'cw' ? 'ccw' : 'cw') : spin }),
        ),
      },
      id,
    ).expect(200);
    expect((await of(id)).takeOff.verdict).toBe('tips');
    expect((await swap('rearLeft', 'rearRight', id).expect(200)).body).toMatchObject({ takeOff: { verdict: 'flies' } });
  });

  test('a plane has a right-hand nut that comes off CCW, and side thrust for its spin', async () => {
    const id = await own({ name: 'Eider', layout: 'tractor', diagonalM: null });
    const [nose] = (await of(id)).arms;
    expect(nose).toMatchObject({ neededHand: 'ccw', thread: { selfTightening: 'right', undo: 'ccw' } });
    const wrong = (await put({ arms: [arm('nose', { seenSpin: 'ccw' })], sideThrust: 'right' }, id).expect(200))
      .body as FittingView;
    expect(wrong).toMatchObject({ wantedSideThrust: 'left', sideThrust: 'right' });
    expect(wrong.reasons.map((r) => r.code)).toContain('fit.sideThrust');
  });

  test('behind a one-stage gear the motor turns the other way; a gear of nothing is refused at its field', async () => {
    const id = await own({ name: 'Teal', gearRatio: -2.5 });
    expect((await of(id)).arms.map((a) => a.motorSpin === a.spin)).toEqual([false, false, false, false]);
    const refused = await server.http
      .post('/api/crafts')
      .send(aCraft({ gearRatio: 0.1 }))
      .expect(422);
    expect((refused.body as Problem).fields[0]).toMatchObject({ path: 'gearRatio' });
  });

  test('two measured arms side by side: kept, and told that it cannot be steered', async () => {
    const id = await own({
      name: 'Stilt',
      layout: 'custom',
      diagonalM: null,
      clearanceDiameterM: null,
      massKg: 0.8,
      arms: [
        { xM: 0, yM: -0.2, spin: 'cw' },
        { xM: 0, yM: 0.2, spin: 'ccw' },
      ],
    });
    expect((await of(id)).reasons).toContainEqual(
      expect.objectContaining({
        code: 'fit.cannotSteer',
        severity: 'danger',
        values: { axes: 'roll, pitch, yaw', count: 3 },
      }),
    );
  });
});
