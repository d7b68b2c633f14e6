import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { JudgeView, SayingsView, WholeVerdictView } from '@zivvo/contract';
import { judge as judgeOf, sayingNames, type LineStop } from '@zivvo/core';
import { v7 } from 'uuid';
import { aCraft, aPropModel, startDemoServer, startTestServer, type TestServer } from '../test/testServer.ts';

let server: TestServer;
let craftId: string;
const [tri, two] = [aPropModel({ bagPrice: 8, bagCount: 4 }), aPropModel({ label: '7.4x4.2x2', bladeCount: 2 })];

const judge = async (id = craftId): Promise<JudgeView> =>
  (await server.http.get(`/api/judge/${id}`).expect(200)).body as JudgeView;
const stop = async (): Promise<LineStop> => {
  const { body } = await server.http.get(`/api/crafts/${craftId}/line`).expect(200);
  return (body as { stops: LineStop[] }).stops.find((s) => s.station === 'judge')!;
};
const wishes = (view: JudgeView, more: object = {}) => ({
  id: view.wishes.isOwn ? view.wishes.id : v7(),
  revision: view.wishes.revision,
  weights: view.input.weights,
  matters: view.input.matters,
  addedPropModelIds: view.wishes.addedPropModelIds,
  ...more,
});
const whole = async (id: string): Promise<WholeVerdictView> =>
  (await server.http.get(`/api/judge/${craftId}/verdicts/${id}`).expect(200)).body as WholeVerdictView;
const put = (body: object, id = craftId) => server.http.put(`/api/judge/${id}/wishes`).send(body);
const freeze = (body: object, id = craftId) => server.http.post(`/api/judge/${id}/verdicts`).send(body);

beforeAll(async () => {
  server = await startTestServer();
  for (const model of [tri, two]) await server.http.post('/api/prop-models').send(model).expect(201);
  const craft = aCraft({ referencePropModelId: tri.id });
  craftId = craft.id;
  await server.http.post('/api/crafts').send(craft).expect(201);
});
afterAll(() => server.close());

describe('evidence', () => {
  test('an own craft begins with the prop it flies, predicted, and what the rack knows', async () => {
    const { input, props, verdicts, changes } = await judge();
    expect(input.contenders.map((c) => c.id)).toEqual([tri.id]);
    expect(input.contenders[0]!.row).toMatchObject({
      thrust: { source: 'model', gain: 0 },
      price: { source: 'rack', value: 2 },
    });
    expect(props).toMatchObject([{ runCount: 0, flightCount: 0, takeCount: 0, isAdded: false, opinions: [] }]);
    expect([verdicts, changes]).toEqual([[], null]);
    expect(judgeOf(input).headline.code).toBe('judge.alone');
    expect(await stop()).toMatchObject({ state: 'empty', code: 'judge.stop.none' });
  });

  test('a craft that flies nothing and of which nothing is known has nothing to judge, and says so', async () => {
    const bare = aCraft({ referencePropModelId: null });
    await server.http.post('/api/crafts').send(bare).expect(201);
    expect((await judge(bare.id)).input.contenders).toEqual([]);
    const { body } = await freeze({ id: v7(), note: null }, bare.id).expect(409);
    expect(body).toMatchObject({ code: 'judge.nothing' });
    // One that is added begins it.
    const view = await judge(bare.id);
    await put(wishes(view, { addedPropModelIds: [two.id] }), bare.id).expect(200);
    expect((await judge(bare.id)).input).toMatchObject({ referenceId: two.id, contenders: [{ id: two.id }] });
  });

  test('a prop that is added stands beside it, on predictions, and goes again', async () => {
    const added = (await put(wishes(await judge(), { addedPropModelIds: [two.id] })).expect(200)).body as JudgeView;
    expect(added.input.contenders.map((c) => c.id)).toEqual([tri.id, two.id]);
    expect(added.props[1]).toMatchObject({ propModelId: two.id, isAdded: true });
    expect(added.input.contenders[1]!.row.thrust).toMatchObject({ source: 'model' });
    expect(added.input.contenders[1]!.row.thrust!.difference!.halfWidth).toBeGreaterThan(0);
    await put(wishes(added, { addedPropModelIds: [v7()] })).expect(404);
  });

  test('one that was added and then deleted is no prop any more, and the weights can still be kept', async () => {
    const gone = aPropModel({ label: '9x4.5x2', bladeCount: 2 });
    await server.http.post('/api/prop-models').send(gone).expect(201);
    const view = await judge();
    await put(wishes(view, { addedPropModelIds: [...view.wishes.addedPropModelIds, gone.id] })).expect(200);
    await server.http.delete(`/api/prop-models/${gone.id}`).expect(204);
    const after = await judge();
    expect(after.wishes.addedPropModelIds).not.toContain(gone.id);
    await put(wishes(after)).expect(200);
  });

  test('a flight stands before what is predicted, and what was felt stays apart', async () => {
    const before = (await judge()).input.contenders.find((c) => c.id === two.id)!.row;
    expect(before.climb).toBeUndefined();
    for (const [propModelId, durationS] of [
      [tri.id, 6],
      [two.id, 4],
    ] as const)
      await server.http
        .post(`/api/fly/${craftId}/cards`)
        .send({
          id: v7(),
          flight: { id: v7(), durationS: 240, packPieceId: packId, strikes: [], note: null },
          propModelId,
          view: 'sight',
          payloadKg: 0,
          restCellV: 4.18,
          windMPerS: null,
          climbs: [{ durationS }],
          passes: [],
          hoverThrottleRatio: null,
          hoverCurrentA: null,
          takeOffRollM: null,
          usedAh: null,
          motors: [],
          opinions: [{ topic: 'grip', stars: 4, words: null }],
          logSha256: null,
          isCarefulFirst: false,
        })
        .expect(201);
    const { input, props } = await judge();
    const { climb } = input.contenders.find((c) => c.id === two.id)!.row;
    expect(climb).toMatchObject({ source: 'air', value: 10 });
    expect(climb!.difference!.value).toBeCloseTo(0.5, 9);
    expect(props.find((p) => p.propModelId === two.id)).toMatchObject({
      flightCount: 1,
      isAdded: false,
      opinions: [{ topic: 'grip', stars: 4, count: 1 }],
    });
    const { weights } = input;
    expect(Object.keys(weights)).not.toContain('grip');
  });

  let packId: string;
  beforeAll(async () => {
    packId = v7();
    const pack = { id: packId, tag: 'P1', chemistry: 'lipo', seriesCount: 6, parallelCount: 1, capacityAh: 4 };
    const rest = { cellResistanceOhm: null, cRating: null, cycleCount: null, note: null };
    await server.http
      .post('/api/pack-pieces')
      .send({ ...pack, ...rest })
      .expect(201);
  });
});

describe('sayings', () => {
  test('are answered at the prop in use, by the craft’s own limits of what matters', async () => {
    const { body } = await server.http.get(`/api/judge/${craftId}/sayings`).expect(200);
    const { referenceName, items } = body as SayingsView;
    expect(referenceName).toBe('Brindlow 7.2×3.9×3');
    expect(items.map((i) => i.name)).toEqual(sayingNames);
    expect(items.find((i) => i.name === 'pitchIsSpeed')).toMatchObject({ status: 'holds', basis: 'predicted' });
  });

  test('of a craft that flies nothing are not asked; of one that is not there neither', async () => {
    const bare = aCraft({ referencePropModelId: null });
    await server.http.post('/api/crafts').send(bare).expect(201);
    expect((await server.http.get(`/api/judge/${bare.id}/sayings`).expect(200)).body).toEqual({
      referenceName: null,
      items: [],
    });
    await server.http.get(`/api/judge/${v7()}/sayings`).expect(404);
  });
});

describe('what counts', () => {
  test('is kept by whom it is, over what was seen; others begin with it and keep their own', async () => {
    const seen = await judge();
    const weights = { ...seen.input.weights, quiet: 10 };
    await put(wishes(seen, { weights })).expect(200);
    expect((await judge()).input.weights.quiet).toBe(10);
    // On top of what another tab has changed it is refused.
    await put(wishes(seen, { weights: { ...weights, quiet: 1 } })).expect(409);
    const { body: person } = await server.http.post('/api/people').send({ id: v7(), name: 'Irva Solt' }).expect(201);
    const asIrva = { 'Zivvo-Person': (person as { id: string }).id };
    const hers = (await server.http.get(`/api/judge/${craftId}`).set(asIrva).expect(200)).body as JudgeView;
    expect(hers).toMatchObject({ input: { weights: { quiet: 10 } }, wishes: { isOwn: false, revision: 0 } });
    const body = wishes(hers, { weights: { ...weights, quiet: 2 } });
    await server.http.put(`/api/judge/${craftId}/wishes`).set(asIrva).send(body).expect(200);
    expect((await judge()).input.weights.quiet).toBe(10);
  });

  test.each<[string, object, number]>([
    ['a weight beyond ten', { weights: { thrust: 11 } }, 400],
    ['no weight above nothing', { zero: true }, 422],
    ['a difference of nothing', { matters: { thrust: 0 } }, 400],
    ['the same prop twice', { addedPropModelIds: [tri.id, tri.id] }, 400],
    ['forty props', { addedPropModelIds: Array.from({ length: 40 }, () => v7()) }, 400],
  ])('refuses %s and changes nothing', async (_what, change, status) => {
    const view = await judge();
    const { zero, weights, matters, ...more } = change as Record<string, object | boolean | undefined>;
    const nothing = Object.fromEntries(Object.keys(view.input.weights).map((k) => [k, 0]));
    await put(
      wishes(view, {
        ...more,
        weights: zero === true ? nothing : { ...view.input.weights, ...(weights as object) },
        matters: { ...view.input.matters, ...(matters as object) },
      }),
    ).expect(status);
    expect((await judge()).wishes.revision).toBe(view.wishes.revision);
  });
});

describe('a verdict', () => {
  test('is kept whole, once however often it is sent, and says what has changed since', async () => {
    const id = v7();
    const { input } = await judge();
    await freeze({ id, note: 'over the gardens' }).expect(201);
    const { body } = await freeze({ id, note: 'over the gardens' }).expect(201);
    const kept = body as JudgeView;
    expect(kept.verdictTotal).toBe(1);
    expect(kept.verdicts[0]).toMatchObject({ id, note: 'over the gardens' });
    expect((await whole(id)).input).toEqual(input);
    expect(kept.verdicts[0]!.headline).toEqual(judgeOf(input).headline);
    expect(kept.changes).toEqual([]);
    expect((await stop()).state).toBe(kept.verdicts[0]!.winnerPropModelId === null ? 'half' : 'full');
    await put(wishes(kept, { weights: { ...input.weights, price: 9 } })).expect(200);
    const now = await judge();
    expect(now.changes!.map((r) => r.code)).toContain('judge.changed.weights');
    expect(await whole(id)).toMatchObject({ input, changes: now.changes });
  });

  test('is taken out and comes back; another craft’s is not touched', async () => {
    const [verdict] = (await judge()).verdicts;
    const other = aCraft({ referencePropModelId: tri.id });
    await server.http.post('/api/crafts').send(other).expect(201);
    await server.http.get(`/api/judge/${other.id}/verdicts/${verdict!.id}`).expect(404);
    await server.http.delete(`/api/judge/${other.id}/verdicts/${verdict!.id}`).expect(404);
    await server.http.delete(`/api/judge/${craftId}/verdicts/${verdict!.id}`).expect(204);
    expect((await judge()).verdicts).toEqual([]);
    await server.http.post(`/api/judge/${other.id}/verdicts/${verdict!.id}/restore`).expect(404);
    expect((await judge()).verdicts).toEqual([]);
    await server.http.post(`/api/judge/${craftId}/verdicts/${verdict!.id}/restore`).expect(200);
    expect((await judge()).verdicts).toHaveLength(1);
  });
});

test('the demo: stand, air, ear and rack stand beside each other, and what the stand saw over a limit is barred', async () => {
  const demo = await startDemoServer();
  try {
    const { body } = await demo.http.get('/api/crafts').expect(200);
    const petrel = (body as { items: { id: string; name: string }[] }).items.find((c) => c.name === 'Petrel')!;
    const { input } = (await demo.http.get(`/api/judge/${petrel.id}`).expect(200)).body as JudgeView;
    const sources = new Set(input.contenders.flatMap((c) => Object.values(c.row).map((cell) => cell.source)));
    expect([...sources].sort()).toEqual(['air', 'ear', 'model', 'rack', 'stand']);
    const barred = input.contenders.filter((c) => c.bars.some((b) => b.isMeasured));
    expect(barred.map((c) => c.name)).toEqual(['Kessro 7.4×4.6×4']);
    const { verdict } = judgeOf(input);
    expect(verdict!.standings.map((s) => s.id)).not.toContain(barred[0]!.id);
    // A bag of which nobody found a good piece is dear, not endless.
    for (const c of input.contenders) expect(c.row.price?.value ?? 1).toBeLessThan(100);
  } finally {
    await demo.close();
  }
});
