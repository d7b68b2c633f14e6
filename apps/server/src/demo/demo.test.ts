import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { CampaignListView, CampaignResultsView, CraftListView, PackPieceView, PackServiceView, PieceListView, PieceSetView, PropModelListView, YieldView } from '@zivvo/contract';
import { startTestServer, type TestServer } from '../test/testServer.ts';
import { demoWorld } from './demoWorld.ts';
import { seedDemo } from './seedDemo.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
  await seedDemo(server.app);
}, 60_000);
afterAll(() => server.close());

test('the demo is the same bytes every time', () => expect(JSON.stringify(demoWorld())).toBe(JSON.stringify(demoWorld())));

test('four crafts, thirteen models counted, one evening of nine props with three runs each over five packs', async () => {
  expect(((await server.http.get('/api/crafts')).body as CraftListView).total).toBe(4);
  const models = (await server.http.get('/api/prop-models')).body as PropModelListView;
  expect(models.total).toBe(13);
  expect(models.items.every((m) => m.stock !== null)).toBe(true);
  const packs = (await server.http.get('/api/pack-pieces')).body as PackPieceView[];
  expect(packs).toHaveLength(5);
  const { runs, record } = (await server.http.get(`/api/pack-pieces/${packs[0]!.id}/runs`)).body as PackServiceView;
  expect(record).toMatchObject({ runCount: runs.length, deepestSagCellV: expect.any(Number) });
  expect(record.lowestCellV).toBe(Math.min(...runs.map((r) => r.loadedCellV!)));
  const [evening] = ((await server.http.get('/api/campaigns')).body as CampaignListView).items;
  expect(evening!.runCount).toBe(27);
  const results = (await server.http.get(`/api/campaigns/${evening!.id}/results`)).body as CampaignResultsView;
  expect(results.props).toHaveLength(9);
  expect(results.degreesOfFreedom).toBe(17);
  expect(results.props.every((p) => p.origin === 'simulated')).toBe(true);
  expect(results.reasons.map((r) => r.code)).toEqual(expect.arrayContaining(['breaches.escCurrent', 'leftOut.belowGate', 'mostThrust']));
});

test('a second start adds nothing', async () => {
  await seedDemo(server.app);
  expect(((await server.http.get('/api/crafts')).body as CraftListView).total).toBe(4);
});

test('three makers deliver with different spread, sets fly, one lacks a piece, one bag is still open', async () => {
  const pieces = (await server.http.get('/api/pieces')).body as PieceListView;
  expect(pieces.total).toBe(60);
  expect(pieces.states).toMatchObject({ fitted: 13, new: 3 });
  const sets = (await server.http.get('/api/sets')).body as PieceSetView[];
  expect(sets.filter((s) => s.needs?.isComplete).map((s) => s.name).sort()).toEqual(['E1', 'F3', 'K12', 'S1']);
  expect(sets.find((s) => s.name === 'T2')!.needs!.missing).toEqual({ cwCount: 0, ccwCount: 1 });
  const { makers } = (await server.http.get('/api/pieces/yield')).body as YieldView;
  const usable = Object.fromEntries(makers.map((m) => [m.makerName, m.usable!.ratio]));
  expect(usable.Brindlow).toBeGreaterThan(usable.Orle!);
});
