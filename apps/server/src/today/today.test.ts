import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { TodayView } from '@zivvo/contract';
import { v7 } from 'uuid';
import {
  aCampaign,
  aCraft,
  aPropModel,
  startDemoServer,
  startTestServer,
  type TestServer,
} from '../test/testServer.ts';

let server: TestServer;
const today = async (): Promise<TodayView> => (await server.http.get('/api/today').expect(200)).body as TodayView;
const codes = (view: TodayView): string[] => view.due.map((d) => d.reason.code);

beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

describe('an own workshop', () => {
  const tri = aPropModel();
  const craft = aCraft({ name: 'Dunlin', referencePropModelId: tri.id });

  test('begins with nothing', async () =>
    expect(await today()).toEqual({
      at: expect.stringMatching(/^2026-11-24T12:0/),
      crafts: [],
      craftTotal: 0,
      due: [],
      dueTotal: 0,
      jobs: [],
      recent: [],
    }));

  test('a craft says whether it may fly, with its line; what is wanted, delivered and complained of waits', async () => {
    await server.http.post('/api/prop-models').send(tri).expect(201);
    await server.http.post('/api/crafts').send(craft).expect(201);
    await server.http.put(`/api/prop-models/${tri.id}/want`).send({ count: 4, craftId: craft.id }).expect(200);
    const ticket = {
      id: v7(),
      craftId: craft.id,
      ownerName: null,
      complaint: 'hums since the fall',
      found: null,
      done: null,
      parts: null,
      minutes: null,
      isClosed: false,
    };
    await server.http.post('/api/job-tickets').send(ticket).expect(201);
    const view = await today();
    expect(view.crafts).toMatchObject([{ id: craft.id, name: 'Dunlin', verdict: 'incomplete' }]);
    expect(view.crafts[0]!.missing.length).toBeGreaterThan(0);
    expect(view.crafts[0]!.stops.map((s) => s.station)).toEqual([
      'pick',
      'balance',
      'fit',
      'stand',
      'fly',
      'listen',
      'judge',
    ]);
    // What is done on the field before each flight does not wait here.
    expect(codes(view)).toEqual(['due.ticket', 'due.buy']);
    expect(view.due[1]!.reason.values).toEqual({
      name: 'Brindlow 7.2×3.9×3',
      count: 4,
      craft: 'Dunlin',
      hands: '2 CW and 2 CCW',
    });
    expect(view.jobs.map((j) => [j.reason.code, j.minutes])).toEqual([['due.ticket', 30]]);
    expect(view.recent.map((r) => [r.kind, r.title])).toEqual(
      expect.arrayContaining([
        ['craft', 'Dunlin'],
        ['ticket', 'hums since the fall'],
      ]),
    );
  });

  test('a delivery waits until its pieces are checked in', async () => {
    const batch = {
      id: v7(),
      propModelId: tri.id,
      cwCount: 1,
      ccwCount: 1,
      eitherCount: 0,
      resolutionKg: 0.00001,
      supplierName: 'Tall Shed',
      location: null,
      note: null,
    };
    await server.http.post('/api/batches').send(batch).expect(201);
    const view = await today();
    const waiting = view.due.find((d) => d.reason.code === 'due.checkIn')!;
    expect(waiting).toMatchObject({
      path: `/rack/deliveries/${batch.id}`,
      reason: { values: { count: 2, supplier: 'Tall Shed' } },
    });
    expect(view.recent[0]).toMatchObject({ kind: 'delivery', detail: 'Tall Shed' });
  });

  test('a planned evening waits until it is run; a verdict until it is looked at beside what came in since', async () => {
    const campaign = aCampaign(craft.id, { name: 'Evening', referencePropModelId: tri.id });
    await server.http.post('/api/campaigns').send(campaign).expect(201);
    const runs = [false, false, true].map((isSkipped) => ({
      id: v7(),
      propModelId: tri.id,
      packPieceId: null,
      isReference: true,
      isSkipped,
    }));
    const plan = {
      kind: 'full',
      stepCount: 2,
      holdS: 4,
      throttles: null,
      changeS: 150,
      runsPerPack: 3,
      runs,
      revision: 0,
    };
    await server.http.put(`/api/campaigns/${campaign.id}/plan`).send(plan).expect(200);
    expect((await today()).due.find((d) => d.reason.code === 'due.evening')).toMatchObject({
      path: `/stand/${campaign.id}/evening`,
      reason: { values: { name: 'Evening', done: 0, of: 2 } },
    });
    await server.http.post(`/api/judge/${craft.id}/verdicts`).send({ id: v7(), note: 'for now' }).expect(201);
    expect(codes(await today())).not.toContain('due.judge');
    expect((await today()).recent.map((r) => r.kind)).toContain('verdict');
  });

  test('a deleted craft and its things are gone from it', async () => {
    await server.http.delete(`/api/crafts/${craft.id}`).expect(204);
    const view = await today();
    expect(view.crafts).toEqual([]);
    expect(view.recent.filter((r) => r.craftId === craft.id)).toEqual([]);
  });
});

test('the demo: the gravest first, each craft by name, jobs with minutes; the finder finds what it leads to', async () => {
  const demo = await startDemoServer();
  try {
    const view = (await demo.http.get('/api/today').expect(200)).body as TodayView;
    expect(view.crafts.map((c) => [c.name, c.verdict])).toEqual(
      expect.arrayContaining([
        ['Skua', 'grounded'],
        ['Petrel', 'look'],
      ]),
    );
    expect(view.due[0]!.reason).toMatchObject({ code: 'care.grounded', severity: 'danger' });
    expect(codes(view)).toEqual(expect.arrayContaining(['due.ticket', 'due.checkIn', 'dueCheck.currentA']));
    for (const { kind, title, id } of view.recent) {
      const words = encodeURIComponent(title.slice(0, 30));
      const { body } = await demo.http.get(`/api/finder?words=${words}`).expect(200);
      expect((body as { kind: string; id: string }[]).some((f) => f.kind === kind && f.id === id)).toBe(true);
    }
  } finally {
    await demo.close();
  }
});
