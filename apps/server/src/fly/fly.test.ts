import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CareView, FlyView } from '@zivvo/contract';
import type { LineStop } from '@zivvo/core';
import { v7 } from 'uuid';
import { aCraft, aPropModel, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
let craftId: string;
const [tri, two] = [aPropModel(), aPropModel({ label: '7.4x4.2x2', bladeCount: 2 })];
let packId: string;

const aCard = (more: object = {}, flight: object = {}) => ({
  id: v7(),
  flight: { id: v7(), durationS: 240, packPieceId: packId, strikes: [], note: null, ...flight },
  propModelId: tri.id,
  view: 'sight',
  payloadKg: 0,
  restCellV: 4.18,
  windMPerS: null,
  climbs: [{ durationS: 6 }],
  passes: [
    { groundSpeedMPerS: 20, trackDegrees: 90, throttleRatio: 1, currentA: 60 },
    { groundSpeedMPerS: 16, trackDegrees: 270, throttleRatio: 1, currentA: 62 },
  ],
  hoverThrottleRatio: 0.32,
  hoverCurrentA: 12,
  takeOffRollM: null,
  usedAh: 1.2,
  motors: [{ place: 'frontLeft', level: 0, temperatureC: 52, touch: null }],
  opinions: [{ topic: 'grip', stars: 4, words: 'holds in corners' }],
  logSha256: null,
  isCarefulFirst: false,
  ...more,
});
const post = (card: object) => server.http.post(`/api/fly/${craftId}/cards`).send(card);
const fly = async (): Promise<FlyView> => (await server.http.get(`/api/fly/${craftId}`).expect(200)).body as FlyView;
const care = async (): Promise<CareView> =>
  (await server.http.get(`/api/care/${craftId}`).expect(200)).body as CareView;
const stop = async (): Promise<LineStop> => {
  const { body } = await server.http.get(`/api/crafts/${craftId}/line`).expect(200);
  return (body as { stops: LineStop[] }).stops.find((s) => s.station === 'fly')!;
};

beforeAll(async () => {
  server = await startTestServer();
  for (const model of [tri, two]) await server.http.post('/api/prop-models').send(model).expect(201);
  const craft = aCraft({ referencePropModelId: tri.id });
  craftId = craft.id;
  await server.http.post('/api/crafts').send(craft).expect(201);
  packId = v7();
  const pack = { id: packId, tag: 'P1', chemistry: 'lipo', seriesCount: 6, parallelCount: 1, capacityAh: 4 };
  const rest = { cellResistanceOhm: null, cRating: null, cycleCount: null, note: null };
  await server.http
    .post('/api/pack-pieces')
    .send({ ...pack, ...rest })
    .expect(201);
});
afterAll(() => server.close());

describe('a card', () => {
  test('before any, there is a protocol, no card and an empty stop', async () => {
    expect(await fly()).toMatchObject({
      protocol: { version: 1, angleDegrees: 55 },
      cards: [],
      total: 0,
      isCut: false,
    });
    expect(await stop()).toMatchObject({ state: 'empty', code: 'fly.stop.none' });
  });

  test('is the flight of the log too, entered once, however often it is sent', async () => {
    const card = aCard();
    await post(card).expect(201);
    await post(card).expect(201);
    const { cards } = await fly();
    expect(cards).toHaveLength(1);
    expect(cards[0]).toMatchObject({ nthFlight: 1, durationS: 240, refly: [], propName: 'Brindlow 7.2×3.9×3' });
    expect(cards[0]!.worked.figures).toMatchObject({ airspeedMPerS: 18, passCurrentA: 61, hoverCurrentA: 12 });
    expect(cards[0]!.worked.figures.climbRateMPerS).toBeCloseTo(40 / 6, 9);
    expect(cards[0]!.worked.figures.enduranceS).toBeCloseTo(((4 * 0.8) / 1.2) * 240, 6);
    const { flights, flownS } = await care();
    expect([flights.length, flownS]).toEqual([1, 240]);
    expect(await stop()).toMatchObject({ state: 'half', code: 'fly.stop.once' });
  });

  test('taken out takes its flight along, and both come back', async () => {
    const card = aCard();
    await post(card).expect(201);
    await server.http.delete(`/api/fly/${craftId}/cards/${card.id}`).expect(204);
    expect([(await fly()).total, (await care()).flownS]).toEqual([1, 240]);
    await server.http.post(`/api/fly/${craftId}/cards/${card.id}/restore`).expect(200);
    expect([(await fly()).total, (await care()).flownS]).toEqual([2, 480]);
    expect(await stop()).toMatchObject({ state: 'full', values: { count: 2, props: 1 } });
  });

  test('of another craft is not taken out, nor its flight, by either way', async () => {
    const card = aCard();
    await post(card).expect(201);
    const other = aCraft({ name: 'Dunlin' });
    await server.http.post('/api/crafts').send(other).expect(201);
    const before = (await care()).flownS;
    await server.http.delete(`/api/fly/${other.id}/cards/${card.id}`).expect(404);
    await server.http.delete(`/api/care/${other.id}/flights/${card.flight.id}`).expect(404);
    expect((await care()).flownS).toBe(before);
    await server.http.delete(`/api/fly/${craftId}/cards/${card.id}`).expect(204);
    const without = (await care()).flownS;
    await server.http.post(`/api/fly/${other.id}/cards/${card.id}/restore`).expect(404);
    await server.http.post(`/api/care/${other.id}/flights/${card.flight.id}/restore`).expect(404);
    expect((await care()).flownS).toBe(without);
  });

  test('a flight taken out in Care takes its card out of sight', async () => {
    const card = aCard();
    await post(card).expect(201);
    await server.http.delete(`/api/care/${craftId}/flights/${card.flight.id}`).expect(204);
    expect((await fly()).total).toBe(2);
  });

  test.each<[string, object, object, string]>([
    ['a climb of no time', { climbs: [{ durationS: 0 }] }, {}, 'climbs'],
    ['a track beyond the compass', { passes: [{ ...aCard().passes[0], trackDegrees: 400 }] }, {}, 'passes'],
    ['six stars', { opinions: [{ topic: 'grip', stars: 6, words: null }] }, {}, 'opinions'],
    ['a flight of nothing', {}, { durationS: 0 }, 'flight'],
    ['thirteen climbs', { climbs: Array.from({ length: 13 }, () => ({ durationS: 5 })) }, {}, 'climbs'],
  ])('%s is refused at its field, and nothing is logged', async (_name, more, flight, field) => {
    const before = (await care()).flownS;
    const { body } = await post(aCard(more, flight)).expect(400);
    expect(JSON.stringify(body)).toContain(field);
    expect((await care()).flownS).toBe(before);
  });

  test('of a prop, a craft or a log that is nowhere, is not taken', async () => {
    const before = (await care()).flownS;
    await post(aCard({ logSha256: 'a'.repeat(64) })).expect(422);
    await post(aCard({ propModelId: v7() })).expect(404);
    await server.http.post(`/api/fly/${v7()}/cards`).send(aCard()).expect(404);
    expect((await care()).flownS).toBe(before);
  });
});

describe('side by side', () => {
  test('a prop that climbs faster is said to, against the spread of the repeats', async () => {
    for (const durationS of [5, 5.1]) await post(aCard({ propModelId: two.id, climbs: [{ durationS }] })).expect(201);
    const { comparison } = await fly();
    expect(comparison.props.map((p) => [p.propName, p.isReference, p.flightCount])).toEqual([
      ['Brindlow 7.4×4.2×2', false, 2],
      ['Brindlow 7.2×3.9×3', true, 2],
    ]);
    expect(comparison.props[0]!.figures.climbRateMPerS).toMatchObject({ comparison: 'more', count: 2 });
    expect(comparison.reasons.map((r) => r.code)).toContain('fly.climbsMore');
  });

  test('without a pack, on a low pack, in a strong wind: kept, and to be flown again', async () => {
    const said = async (more: object, flight: object = {}): Promise<string[]> => {
      const card = aCard(more, flight);
      await post(card).expect(201);
      const codes = (await fly()).cards.find((c) => c.id === card.id)!.refly.map((r) => r.code);
      await server.http.delete(`/api/fly/${craftId}/cards/${card.id}`).expect(204);
      return codes;
    };
    expect(await said({}, { packPieceId: null })).toEqual(['fly.refly.noPack']);
    expect(await said({ restCellV: 3.8 })).toEqual(['fly.refly.lowPack']);
    expect(await said({ windMPerS: 9, passes: [] })).toEqual(['fly.refly.wind']);
    // A crosswind that was told outweighs the little that two opposite passes show of it.
    expect(await said({ windMPerS: 9 })).toEqual(['fly.refly.wind']);
    expect(await said({ payloadKg: 0.3 })).toEqual(['fly.refly.payload']);
    expect(await said({ payloadKg: 0.01 })).toEqual([]);
  });

  test('another way of flying is another version, and what was flown before does not count beside it', async () => {
    const same = { angleDegrees: 55, lowerM: 10, upperM: 50 };
    const put = (protocol: object) => server.http.put(`/api/fly/${craftId}/protocol`).send(protocol);
    await put(same).expect(200);
    expect((await fly()).protocol.version).toBe(1);
    await put({ ...same, lowerM: 60 }).expect(422);
    await put({ ...same, angleDegrees: 45 }).expect(200);
    const { protocol, comparison } = await fly();
    expect(protocol).toMatchObject({ version: 2, angleDegrees: 45 });
    expect(comparison.refly).toHaveLength(4);
    expect(comparison.props.every((p) => p.flightCount === 0)).toBe(true);
    expect(await stop()).toMatchObject({ state: 'half', code: 'fly.stop.refly', values: { count: 4 } });
  });
});
