import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CreateListeningDto, CreateTakeDto, ListenView } from '@zivvo/contract';
import { analyseSound, heardSound, simulateMicrophone, writeWav, type LineStop } from '@zivvo/core';
import { v7 } from 'uuid';
import { aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
let craftId: string;
const [tri, two] = [aPropModel(), aPropModel({ label: '7.4x4.2x2', bladeCount: 2 })];

const aListening = (more: Partial<CreateListeningDto> = {}): CreateListeningDto => ({
  id: v7(),
  heardOn: 'craft',
  method: 'meter',
  place: 'meadow',
  surface: 'grass',
  distanceM: 4,
  heightM: 1.5,
  windMPerS: null,
  note: null,
  chainOffsetDb: null,
  ...more,
});
const aTake = (
  propModelId: string | null,
  levelDb: number | null,
  more: Partial<CreateTakeDto> = {},
): CreateTakeDto => ({
  id: v7(),
  propModelId,
  pattern: null,
  levelDb,
  distanceM: 4,
  thrustN: propModelId === null ? null : 18.8,
  rpm: null,
  spinDownS: null,
  clippedRatio: 0,
  sound: null,
  soundSha256: null,
  runId: null,
  flightCardId: null,
  note: null,
  ...more,
});
const post = (path: string, body: object) => server.http.post(`/api/listen/${craftId}/${path}`).send(body);
const listen = async (query = ''): Promise<ListenView> =>
  (await server.http.get(`/api/listen/${craftId}${query}`).expect(200)).body as ListenView;
const begin = async (more: Partial<CreateListeningDto> = {}): Promise<string> => {
  const body = aListening(more);
  await post('listenings', body).expect(201);
  return body.id;
};
const takes = async (listeningId: string, bodies: CreateTakeDto[]): Promise<void> => {
  for (const body of bodies) await post(`listenings/${listeningId}/takes`, body).expect(201);
};
const stop = async (): Promise<LineStop> => {
  const { body } = await server.http.get(`/api/crafts/${craftId}/line`).expect(200);
  return (body as { stops: LineStop[] }).stops.find((s) => s.station === 'listen')!;
};
const wav = Buffer.from(
  writeWav([simulateMicrophone({ seed: 'take', rateHz: 8000, durationS: 1, rotors: [], rushDb: 80 })], 8000),
);

beforeAll(async () => {
  server = await startTestServer();
  for (const model of [tri, two]) await server.http.post('/api/prop-models').send(model).expect(201);
  const craft = aCraft({ referencePropModelId: tri.id });
  craftId = craft.id;
  await server.http.post('/api/crafts').send(craft).expect(201);
});
afterAll(() => server.close());

describe('a listening', () => {
  test('before any there is none, and an empty stop', async () => {
    expect(await listen()).toMatchObject({ listenings: [], open: null, referencePropModelId: tri.id });
    expect(await stop()).toMatchObject({ state: 'empty', code: 'listen.stop.none' });
  });

  test('from takes to a ranking at the craft’s hover, the place taken out, the model beside; the stop follows', async () => {
    const id = await begin();
    await takes(id, [aTake(null, 44), aTake(tri.id, 70)]);
    expect(await stop()).toMatchObject({ state: 'half' });
    await takes(id, [aTake(two.id, 64, { distanceM: 4, spinDownS: 1.2 }), aTake(tri.id, 70.4)]);
    const { open } = await listen();
    expect(open).toMatchObject({ id, backgroundDb: expect.closeTo(44, 9), driftDb: expect.closeTo(0.4, 9) });
    expect(open!.ranking!.sounds.map((s) => [s.soundKey, s.verdict])).toEqual([
      [two.id, 'quieter'],
      [tri.id, 'reference'],
    ]);
    expect(open!.hoverThrustN).toBeCloseTo(open!.thrustN!, 9);
    expect(open!.correction.count).toBe(2);
    const quiet = open!.props.find((p) => p.soundKey === two.id)!;
    expect(quiet).toMatchObject({ spinDownS: 1.2, bladeCount: 2, passing: null });
    expect(quiet.predictedDb!).toBeGreaterThan(30);
    expect(quiet.riseTimeS!).toBeGreaterThan(0);
    expect(open!.reasons.map((r) => r.code)).toContain('listen.quieter');
    expect(await stop()).toMatchObject({ state: 'full', values: { takes: 3, props: 2 } });
  });

  test('at another thrust, by the address; one that is none is refused at its place', async () => {
    const { open } = await listen('?thrustN=40');
    expect([open!.thrustN, open!.ranking!.sounds.every((s) => s.isExtended)]).toEqual([40, true]);
    for (const bad of ['', 'much', '-3', '1e9', 'NaN'])
      await server.http.get(`/api/listen/${craftId}?thrustN=${bad}`).expect(422);
    await server.http.get(`/api/listen/${craftId}?thrustN=5&thrustN=6`).expect(422);
  });

  test('sent twice is begun once; changed on top of what was seen; taken out with its takes and brought back', async () => {
    const body = aListening({ place: 'yard' });
    await post('listenings', body).expect(201);
    await post('listenings', body).expect(201);
    const take = aTake(null, 40);
    await takes(body.id, [take, take]);
    expect((await listen()).listenings.filter((l) => l.place === 'yard')).toEqual([
      expect.objectContaining({ takeCount: 1 }),
    ]);
    const { id, ...rest } = body;
    const put = (revision: number) =>
      server.http.put(`/api/listen/${craftId}/listenings/${id}`).send({ ...rest, windMPerS: 2, revision });
    await put(1).expect(200);
    await put(1).expect(409);
    expect((await listen(`?listening=${id}`)).open).toMatchObject({ windMPerS: 2, place: 'yard' });
    await server.http.delete(`/api/listen/${craftId}/listenings/${id}`).expect(204);
    expect((await listen()).listenings.some((l) => l.id === id)).toBe(false);
    await server.http.post(`/api/listen/${craftId}/listenings/${id}/restore`).expect(200);
    expect((await listen(`?listening=${id}`)).open!.takes).toHaveLength(1);
    await server.http.delete(`/api/listen/${craftId}/takes/${take.id}`).expect(204);
    expect((await listen(`?listening=${id}`)).open!.takes).toHaveLength(0);
    await server.http.post(`/api/listen/${craftId}/takes/${take.id}/restore`).expect(200);
    expect((await listen(`?listening=${id}`)).open!.takes).toHaveLength(1);
  });

  test('of another craft is not this one’s: nothing is changed', async () => {
    const id = await begin({ place: 'mine' });
    const take = aTake(null, 40);
    await takes(id, [take]);
    const other = aCraft({ name: 'Dunlin' });
    await server.http.post('/api/crafts').send(other).expect(201);
    await server.http.post(`/api/listen/${other.id}/listenings/${id}/takes`).send(aTake(null, 40)).expect(404);
    await server.http.delete(`/api/listen/${other.id}/takes/${take.id}`).expect(404);
    await server.http.delete(`/api/listen/${other.id}/listenings/${id}`).expect(404);
    expect((await listen(`?listening=${id}`)).open!.takes).toHaveLength(1);
    // Not even brought back from there.
    await server.http.delete(`/api/listen/${craftId}/takes/${take.id}`).expect(204);
    await server.http.post(`/api/listen/${other.id}/takes/${take.id}/restore`).expect(404);
    expect((await listen(`?listening=${id}`)).open!.takes).toHaveLength(0);
    await server.http.get(`/api/listen/${v7()}`).expect(404);
  });
});

describe('a take', () => {
  test('with its recording keeps what was heard; the chain’s offset is added where it is known', async () => {
    const { body: blob } = await server.http
      .post('/api/blobs?name=take.wav')
      .set('content-type', 'application/octet-stream')
      .send(wav)
      .expect(201);
    expect(blob).toMatchObject({ mediaType: 'audio/wav' });
    const sound = simulateMicrophone({
      seed: 'kept',
      rateHz: 24_000,
      durationS: 2,
      rotors: [{ rpm: 7000, bladeCount: 3, toneDb: 70, fallDb: 4 }],
      rushDb: 66,
    });
    const analysis = analyseSound(sound, 24_000);
    const id = await begin({ method: 'recording', place: 'recorded' });
    await takes(id, [
      aTake(tri.id, analysis.levels.aDb, {
        sound: heardSound(analysis, null),
        soundSha256: (blob as { sha256: string }).sha256,
        rpm: 7000,
      }),
    ]);
    const relative = (await listen(`?listening=${id}`)).open!;
    expect(relative.reasons.map((r) => r.code)).toContain('listen.relative');
    expect(relative.correction.count).toBe(0);
    const { body: played } = await server.http.get(`/api/blobs/${(blob as { sha256: string }).sha256}`).expect(200);
    expect(Buffer.from(played as Buffer).equals(wav)).toBe(true);
    const { id: _id, ...setup } = aListening({ method: 'recording', place: 'recorded', chainOffsetDb: 12 });
    await server.http
      .put(`/api/listen/${craftId}/listenings/${id}`)
      .send({ ...setup, revision: 1 })
      .expect(200);
    const { open } = await listen(`?listening=${id}`);
    expect(open!.takes[0]!.heard!.levelDb).toBeCloseTo(analysis.levels.aDb + 12, 6);
    expect(open!.takes[0]!.levelDb).toBeCloseTo(analysis.levels.aDb, 6);
    expect(open!.takes[0]!.shownDb).toBeCloseTo(analysis.levels.aDb + 12, 6);
  });

  test('of a hub counts by its pattern of slots; slots that are not there are refused', async () => {
    const id = await begin({ place: 'hub' });
    const slots = (...places: number[]) => ({ slotCount: 9, slots: places.map((slot) => ({ slot })) });
    await takes(id, [
      aTake(tri.id, 70, { pattern: slots(0, 3, 6) }),
      aTake(tri.id, 66, { pattern: slots(0, 1, 2) }),
      aTake(tri.id, 70.1),
    ]);
    const { open } = await listen(`?listening=${id}`);
    expect(open!.props.map((p) => p.name)).toEqual([
      'Brindlow 7.2×3.9×3, slots 1 4 7 of 9',
      'Brindlow 7.2×3.9×3, slots 1 2 3 of 9',
      'Brindlow 7.2×3.9×3',
    ]);
    for (const pattern of [slots(0, 0, 3), slots(0, 9)])
      await post(`listenings/${id}/takes`, aTake(tri.id, 70, { pattern }))
        .expect(/^/)
        .expect((r) => {
          if (r.status !== 422 && r.status !== 400) throw new Error(`answered ${r.status}`);
        });
  });

  test.each<[string, object, number]>([
    ['louder than a sound can be', { levelDb: 400 }, 400],
    ['from nowhere', { distanceM: 0 }, 400],
    ['of a prop that is nowhere', { propModelId: v7() }, 404],
    ['of a recording that is nowhere', { soundSha256: 'a'.repeat(64) }, 422],
    ['beside a run that is nowhere', { runId: v7() }, 422],
    ['cut off more than whole', { clippedRatio: 2 }, 400],
    ['with three hundred bands too many', { sound: { bands: [] } }, 400],
  ])('%s is refused, and nothing is kept', async (_name, more, status) => {
    const id = await begin({ place: 'refused' });
    await post(`listenings/${id}/takes`, { ...aTake(tri.id, 70), ...more }).expect(status);
    expect((await listen(`?listening=${id}`)).open!.takes).toEqual([]);
  });
});

test('what turned and how it was read stay once there are takes; a take has what its way of reading has', async () => {
  const id = await begin({ place: 'fixed' });
  const { id: _id, ...setup } = aListening({ place: 'fixed', method: 'walkAway' });
  const put = (revision: number) =>
    server.http.put(`/api/listen/${craftId}/listenings/${id}`).send({ ...setup, revision });
  await put(1).expect(200);
  await post(`listenings/${id}/takes`, aTake(tri.id, 60)).expect(422);
  await post(`listenings/${id}/takes`, aTake(null, null)).expect(422);
  await takes(id, [aTake(tri.id, null, { distanceM: 118 }), aTake(two.id, null, { distanceM: 59 })]);
  setup.method = 'meter';
  await put(2).expect(422);
  expect((await listen(`?listening=${id}`)).open).toMatchObject({ method: 'walkAway', isAbsolute: false });
  const metered = await begin({ place: 'metered' });
  await post(`listenings/${metered}/takes`, aTake(tri.id, null)).expect(422);
});

test('the stop is that of the last listening with takes, not of an empty one begun after it', async () => {
  const before = await stop();
  await begin({ place: 'begun and left' });
  expect(await stop()).toEqual(before);
});

test('votes between two takes are counted by pairs with what chance would do; others are none', async () => {
  const id = await begin({ place: 'votes' });
  const [a, b] = [aTake(tri.id, 70), aTake(two.id, 64)];
  await takes(id, [a, b]);
  const vote = (likedTakeId: string, otherTakeId: string) =>
    post(`listenings/${id}/votes`, { id: v7(), likedTakeId, otherTakeId });
  for (let i = 0; i < 5; i++) await vote(b.id, a.id).expect(201);
  await vote(a.id, b.id).expect(201);
  expect((await listen(`?listening=${id}`)).open!.votes).toEqual([
    expect.objectContaining({
      likedKey: two.id,
      otherKey: tri.id,
      liked: 5,
      votes: 6,
      chance: expect.closeTo(14 / 64, 9),
    }),
  ]);
  await vote(a.id, a.id).expect(422);
  await vote(a.id, v7()).expect(422);
});
