import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CampaignListView, CampaignResultsView, CareView, CraftListView, LogEntryView, PackPieceView, PackServiceView, PieceListView, PieceSetView, PropModelListView, YieldView } from '@zivvo/contract';
import { evaluateCandidate, modelGeometry } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RotorBench } from '../craft/rotorBench.ts';
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

test('four crafts, thirteen models counted, one evening of nine props with three runs each over the packs of their craft', async () => {
  expect(((await server.http.get('/api/crafts')).body as CraftListView).total).toBe(4);
  const models = (await server.http.get('/api/prop-models')).body as PropModelListView;
  expect(models.total).toBe(13);
  expect(models.items.every((m) => m.stock !== null)).toBe(true);
  const packs = (await server.http.get('/api/pack-pieces')).body as PackPieceView[];
  expect(packs.map((p) => p.tag)).toEqual(['P1', 'P10', 'P11', 'P12', 'P2', 'P3', 'P4', 'P5', 'P6', 'P7', 'P8', 'P9']);
  const { runs, record } = (await server.http.get(`/api/pack-pieces/${packs[0]!.id}/runs`)).body as PackServiceView;
  expect(record).toMatchObject({ runCount: runs.length, deepestSagCellV: expect.any(Number) });
  expect(record.lowestCellV).toBe(Math.min(...runs.map((r) => r.loadedCellV!)));
  const [evening] = ((await server.http.get('/api/campaigns')).body as CampaignListView).items;
  expect(evening!.runCount).toBe(27);
  const results = (await server.http.get(`/api/campaigns/${evening!.id}/results`)).body as CampaignResultsView;
  expect(results.props).toHaveLength(9);
  expect(results.degreesOfFreedom).toBe(17);
  expect(results.props.every((p) => p.origin === 'simulated')).toBe(true);
  expect(results.reasons.map((r) => r.code)).toEqual(expect.arrayContaining(['breach.escCurrent', 'leftOut.belowGate', 'mostThrust', 'reducedToVoltage']));
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

describe('a world that could exist', () => {
  const { crafts, packs, propModels, rack, care, runs, campaigns } = demoWorld();
  const bench = new RotorBench();
  const nameOf = (craftId: string): string => crafts.find((c) => c.id === craftId)!.name;
  /** Local hour of a moment told from midnight on. */
  const hour = (atMs: number): number => (((atMs / 3_600_000) % 24) + 24) % 24;

  test('a flight is one pack of its own craft, no longer than the craft stays up, by day, and none overlaps another', () => {
    for (const craft of crafts) {
      const flights = care.flights.filter((f) => f.craftId === craft.id);
      const flown = new Set(care.flightPieces.filter((p) => flights.some((f) => f.id === p.flightId)).map((p) => rack.pieces.find((piece) => piece.id === p.pieceId)!.propModelId));
      const longest = Math.max(...[...flown].map((id) => evaluateCandidate(bench.of(craft), modelGeometry(propModels.find((m) => m.id === id)!)).figures.enduranceS));
      flights.forEach(({ durationS, atMs, packPieceId }, i) => {
        expect([craft.name, durationS < longest, hour(atMs) > 9 && hour(atMs) < 16]).toEqual([craft.name, true, true]);
        expect(packs.find((p) => p.id === packPieceId)!.seriesCount).toBe(craft.packSeriesCount);
        const before = flights.filter((f) => f.atMs < atMs && f.atMs > atMs - 1000 * durationS);
        expect([i, before]).toEqual([i, []]);
      });
    }
  });

  test('somebody looked before every flight, strikes end flights, motors turned as long as their craft flew', () => {
    for (const flight of care.flights) {
      const [last] = [...care.walkarounds, ...care.flights.filter((f) => f !== flight)].filter((x) => x.craftId === flight.craftId && x.atMs < flight.atMs).sort((a, b) => b.atMs - a.atMs);
      expect(care.walkarounds.includes(last as (typeof care.walkarounds)[number])).toBe(true);
    }
    for (const strike of care.strikes) expect(care.flights.find((f) => f.id === strike.flightId)).toMatchObject({ craftId: strike.craftId, atMs: strike.atMs });
    for (const motor of rack.motors) expect(motor.hours).toBeCloseTo(care.flights.filter((f) => f.craftId === motor.craftId && f.atMs > motor.atMs).reduce((sum, f) => sum + f.durationS / 3600, 0), 9);
  });

  test('gains are of props that were fitted and flown; tickets name what is in the record; the evening is one', () => {
    const flownBy = (craftId: string): Set<string> => new Set(care.flightPieces.filter((p) => care.flights.some((f) => f.id === p.flightId && f.craftId === craftId)).map((p) => rack.pieces.find((piece) => piece.id === p.pieceId)!.propModelId));
    for (const sheet of care.gainSheets) expect([...flownBy(sheet.craftId)]).toEqual(expect.arrayContaining([sheet.oldPropModelId, sheet.newPropModelId]));
    for (const { craftId, closedAtMs, atMs } of care.tickets) {
      const of = (rows: readonly { craftId: string | null; atMs: number }[]): boolean => rows.some((r) => r.craftId === craftId && r.atMs >= atMs - 86_400_000 && r.atMs <= (closedAtMs ?? 0));
      expect([nameOf(craftId), closedAtMs === null ? of(care.strikes) : of(care.cases) && of(care.flights)]).toEqual([nameOf(craftId), true]);
    }
    for (const { atMs } of [...campaigns, ...runs]) expect(hour(atMs) >= 18 && hour(atMs) < 23).toBe(true);
    for (const craft of crafts) expect(packs.some((p) => p.chemistry === craft.packChemistry && p.seriesCount === craft.packSeriesCount && p.capacityAh === craft.packCapacityAh)).toBe(true);
  });

  test('nothing lies ahead of the first start; one craft may fly, one waits for a look, one is grounded', async () => {
    const { items } = (await server.http.get('/api/crafts')).body as CraftListView;
    const ready = Object.fromEntries(await Promise.all(items.map(async (c) => [c.name, ((await server.http.get(`/api/care/${c.id}`)).body as CareView).ready.verdict])));
    expect(ready).toEqual({ Petrel: 'look', Fulmar: 'fit', Skua: 'grounded', Eider: 'look' });
    const fulmar = items.find((c) => c.name === 'Fulmar')!.id;
    const log = (await server.http.get(`/api/care/${fulmar}/log?from=2020-01-01T00:00:00Z&to=2100-01-01T00:00:00Z`)).body as LogEntryView[];
    expect(log.length).toBeGreaterThan(20);
    expect(log.every((e) => Date.parse(e.at) <= server.app.get(Clock).nowMs())).toBe(true);
  });
});
