import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BatchDetailView, CareView, CraftView, FittingView, PieceView } from '@zivvo/contract';
import { labelSpinOf, seededRandom, type SeededRandom } from '@zivvo/core';
import { v7 } from 'uuid';
import { Clock } from '../common/clock.ts';
import { aCraft, aPropModel, aSigner, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
let clock: Clock;
let craft: CraftView;
let pieces: PieceView[];
const MINUTE_MS = 60_000;

let signer: Record<string, string>;

beforeAll(async () => {
  server = await startTestServer();
  signer = await aSigner(server);
  clock = server.app.get(Clock);
  clock.hold(new Date(2026, 10, 24, 9).getTime());
  const model = aPropModel();
  await server.http.post('/api/prop-models').send(model).expect(201);
  craft = (
    await server.http
      .post('/api/crafts')
      .send(aCraft({ referencePropModelId: model.id }))
      .expect(201)
  ).body as CraftView;
  const batch = (
    await server.http
      .post('/api/batches')
      .send({
        id: v7(),
        propModelId: model.id,
        cwCount: 4,
        ccwCount: 4,
        eitherCount: 0,
        resolutionKg: 1e-5,
        location: null,
        note: null,
      })
      .expect(201)
  ).body as BatchDetailView;
  pieces = batch.pieces;
  for (const { id } of pieces)
    await server.http
      .put(`/api/pieces/${id}/measures`)
      .send({ massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' })
      .expect(200);
  for (const { id } of pieces)
    await server.http.post(`/api/pieces/${id}/actions`).send({ action: 'true', isDynamic: false }).expect(200);
}, 60_000);
afterAll(() => server.close());

const care = async (): Promise<CareView> =>
  (await server.http.get(`/api/care/${craft.id}`).expect(200)).body as CareView;
const fitting = async (): Promise<FittingView> =>
  (await server.http.get(`/api/fittings/${craft.id}`).expect(200)).body as FittingView;
const codes = async (): Promise<string[]> => (await care()).ready.missing.map((m) => m.reason.code).sort();
const later = (minutes: number): void => clock.hold(clock.nowMs() + minutes * MINUTE_MS);

/** What a person may do to a craft, sensible or not; what is refused changes nothing. */
const acts = {
  look: () =>
    server.http.post(`/api/care/${craft.id}/walkarounds`).send({
      id: v7(),
      durationS: 60,
      looks: craft.rotors.map(({ place, level }) => ({
        place,
        level,
        seen: ['top', 'underside', 'edges'],
        findings: [],
        photoSha256: null,
      })),
      note: null,
    }),
  fly: () =>
    server.http
      .post(`/api/care/${craft.id}/flights`)
      .send({ id: v7(), durationS: 300, packPieceId: null, strikes: [], note: null }),
  strike: () =>
    server.http.post(`/api/care/${craft.id}/strikes`).send({
      id: v7(),
      thing: 'grass',
      throttleRatio: 0.1,
      isCrash: false,
      arms: [{ place: craft.rotors[0]!.place, level: 0 }],
      note: null,
    }),
  see: async () => {
    const { revision } = await fitting();
    const arms = craft.rotors.map(({ place, level, spin }) => ({
      place,
      level,
      seenSpin: spin,
      spinBy: 'strip',
      outputName: null,
      hand: null,
      isLabelForward: true,
      thread: null,
      checks: [{ what: 'seated' }, { what: 'locked' }, { what: 'noDamage' }],
    }));
    return server.http
      .put(`/api/fittings/${craft.id}`)
      .send({ arms, isHanging: false, sideThrust: null, note: null, revision });
  },
  turnOver: async () => {
    const { revision, arms } = await fitting();
    const states = arms.map(({ place, level, seenSpin, spinBy, checks, isLabelForward }, i) => ({
      place,
      level,
      seenSpin,
      spinBy,
      outputName: null,
      hand: null,
      isLabelForward: i === 0 ? !isLabelForward : isLabelForward,
      thread: null,
      checks,
    }));
    return server.http
      .put(`/api/fittings/${craft.id}`)
      .send({ arms: states, isHanging: false, sideThrust: null, note: null, revision });
  },
  sign: () => server.http.post(`/api/fittings/${craft.id}/confirm`).set(signer).send({ note: null }),
  swap: () =>
    server.http.post(`/api/fittings/${craft.id}/swap`).send({
      first: { place: craft.rotors[0]!.place, level: 0 },
      second: { place: craft.rotors[1]!.place, level: 0 },
    }),
  fit: async (random: SeededRandom) => {
    const rotor = craft.rotors[Math.floor(random.next() * craft.rotors.length)]!;
    const { pieces: on } = await care();
    const old = on.find((p) => p.piece.place === rotor.place)?.piece.tag ?? null;
    const free = pieces.find(
      (p) => p.hand === labelSpinOf(rotor.spin, 'multirotor') && !on.some((o) => o.piece.id === p.id),
    )!;
    return server.http
      .post(`/api/fittings/${craft.id}/pieces`)
      .send({ place: rotor.place, level: 0, tag: free.tag, oldTag: old, oldMarkSha256: null, overrideReason: null });
  },
};

/** Puts the right piece onto every arm, as a person does in the morning. */
async function fitAll(): Promise<void> {
  const free = [...pieces];
  for (const { place, level, spin } of craft.rotors) {
    const [piece] = free.splice(
      free.findIndex((p) => p.hand === labelSpinOf(spin, 'multirotor')),
      1,
    );
    await server.http
      .post(`/api/fittings/${craft.id}/pieces`)
      .send({ place, level, tag: piece!.tag, oldTag: null, oldMarkSha256: null, overrideReason: null })
      .expect(200);
  }
}

/** Everything is set right, seen, signed for and looked over. */
async function tidy(): Promise<void> {
  const [first] = (await fitting()).arms;
  if (first!.hand !== first!.neededHand) await acts.swap();
  for (const name of ['see', 'sign', 'look'] as const) await acts[name]();
}

describe('the morning of a craft', () => {
  test('without pieces it may not fly, and everything that is missing is listed with the place where it is done', async () => {
    const { ready } = await care();
    expect(ready.verdict).toBe('incomplete');
    expect(ready.missing.length).toBeGreaterThan(0);
    for (const { reason } of ready.missing) expect(reason.code).toMatch(/^(care|fit)\./);
  });

  test('fitted, seen, signed and looked over, it is fit; one flight later somebody has to look again', async () => {
    await fitAll();
    await acts.see();
    later(5);
    await acts.sign().expect(200);
    await acts.look().expect(201);
    expect(await codes()).toEqual([]);
    expect((await care()).ready.verdict).toBe('fit');
    later(5);
    await acts.fly().expect(201);
    expect((await care()).ready.verdict).toBe('look');
    await acts.look().expect(201);
    expect((await care()).ready.verdict).toBe('fit');
  });

  test('yesterday’s look does not count this morning', async () => {
    later(24 * 60);
    expect((await care()).ready.verdict).toBe('look');
    await acts.look().expect(201);
    expect((await care()).ready.verdict).toBe('fit');
  });

  test('two pieces swapped after the look ground it, swapping them back leaves look and signature void', async () => {
    await acts.swap().expect(200);
    expect((await care()).ready.verdict).toBe('wrong');
    await acts.swap().expect(200);
    const { ready } = await care();
    expect(ready.verdict).not.toBe('fit');
    expect(ready.missing.map((m) => m.reason.code)).toEqual(expect.arrayContaining(['care.signedBefore']));
  });

  test('an alert grounds it whatever was seen, its release does not make it fit without a look', async () => {
    const id = v7();
    await server.http
      .post('/api/model-alerts')
      .send({ id, propModelId: pieces[0]!.propModelId, batchId: null, reason: 'cracked at the root elsewhere' })
      .expect(201);
    expect((await care()).ready.verdict).toBe('grounded');
    await server.http.post(`/api/model-alerts/${id}/release`).send({ reason: 'another bag' }).expect(200);
    expect((await care()).ready.verdict).not.toBe('fit');
  });
});

test('whatever is done to it in whatever order, Care and Fit give one answer, and fit means all of it', async () => {
  const random = seededRandom('any order');
  const names = Object.keys(acts) as (keyof typeof acts)[];
  const seen = new Set<string>();
  for (let i = 0; i < 40; i++) {
    later(1 + Math.floor(20 * random.next()));
    // A tidy hand now and then and a flight after it, so that fit comes up, and what follows from it.
    if (i % 10 === 8) await tidy();
    else if (i % 10 === 9) await acts.fly();
    else await acts[names[Math.floor(random.next() * names.length)]!](random);
    const [byCare, byFit] = [await care(), await fitting()];
    expect(byFit.ready).toEqual(byCare.ready);
    seen.add(byCare.ready.verdict);
    if (byCare.ready.verdict !== 'fit') {
      expect(byCare.ready.missing.length).toBeGreaterThan(0);
      continue;
    }
    expect(byCare.ready.missing).toEqual([]);
    expect([
      byFit.takeOff.verdict,
      byFit.isSignatureStale,
      byFit.confirmedAt !== null,
      byFit.arms.every((a) => a.seenSpin !== null),
    ]).toEqual(['flies', false, true, true]);
    // Nothing happened to it since it was looked over today.
    const newest = [byCare.flights[0]?.flownAt, byCare.strikes[0]?.struckAt, ...byFit.arms.map((a) => a.fittedAt)]
      .filter((at) => at != null)
      .sort()
      .at(-1)!;
    expect(byCare.lastWalkaround!.lookedAt >= newest).toBe(true);
    expect(clock.localDay(new Date(byCare.lastWalkaround!.lookedAt))).toBe(clock.localDay(clock.now()));
  }
  expect([...seen].sort()).toEqual(expect.arrayContaining(['fit', 'look', 'wrong']));
}, 120_000);
