import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type {
  CampaignListView,
  CampaignResultsView,
  CareView,
  CraftListView,
  CraftView,
  FittingView,
  FoundView,
  LogView,
  PackPieceView,
  PackServiceView,
  PieceListView,
  PieceSetView,
  PropModelListView,
  TraysView,
  YieldView,
  ListView,
} from '@zivvo/contract';
import { evaluateCandidate, modelGeometry } from '@zivvo/core';
import { flight, flightPiece, gainSheet, jobTicket, strike, symptomCase, walkaround } from '../care/care.table.ts';
import { Clock } from '../common/clock.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { event } from '../event/event.table.ts';
import { propPiece } from '../rack/piece.table.ts';
import { campaign, run } from '../stand/stand.table.ts';
import { startDemoServer, type TestServer } from '../test/testServer.ts';
import { motorPiece, packPiece } from '../rack/part.table.ts';
import { Diary } from './diary.ts';
import { playIfEmpty } from './playDemo.ts';

let server: TestServer;
let db: Db;
let crafts: CraftView[];
const get = async <T>(address: string): Promise<T> => (await server.http.get(address)).body as T;
beforeAll(async () => {
  server = await startDemoServer();
  db = server.app.get<Db>(DB);
  crafts = (await get<CraftListView>('/api/crafts')).items;
}, 300_000);
afterAll(() => server.close());

test('four crafts, thirteen models counted, one evening of nine props with three runs each over the packs of their craft', async () => {
  expect(crafts.map((c) => c.name).sort()).toEqual(['Eider', 'Fulmar', 'Petrel', 'Skua']);
  const models = await get<PropModelListView>('/api/prop-models');
  expect(models.total).toBe(13);
  expect(models.items.every((m) => m.stock !== null)).toBe(true);
  const { items: packs } = await get<ListView<PackPieceView>>('/api/pack-pieces');
  expect(packs.map((p) => p.tag)).toEqual(['P1', 'P10', 'P11', 'P12', 'P2', 'P3', 'P4', 'P5', 'P6', 'P7', 'P8', 'P9']);
  const { runs, record } = await get<PackServiceView>(`/api/pack-pieces/${packs[0]!.id}/runs`);
  expect(record).toMatchObject({ runCount: runs.length, deepestSagCellV: expect.any(Number) });
  expect(record.lowestCellV).toBe(Math.min(...runs.map((r) => r.loadedCellV!)));
  const [evening] = (await get<CampaignListView>('/api/campaigns')).items;
  expect(evening!.runCount).toBe(27);
  const results = await get<CampaignResultsView>(`/api/campaigns/${evening!.id}/results`);
  expect(results.props).toHaveLength(9);
  expect(results.degreesOfFreedom).toBe(17);
  expect(results.props.every((p) => p.origin === 'simulated')).toBe(true);
  expect(results.reasons.map((r) => r.code)).toEqual(
    expect.arrayContaining(['breach.escCurrent', 'leftOut.belowGate', 'mostThrust', 'reducedToVoltage']),
  );
});

test('where somebody has worked, nothing is played', async () => {
  await playIfEmpty(server.app);
  expect((await get<CraftListView>('/api/crafts')).total).toBe(4);
});

test('three makers deliver with different spread, sets fly, one lacks a piece, one bag is still open', async () => {
  const pieces = await get<PieceListView>('/api/pieces');
  expect(pieces.total).toBe(60);
  expect(pieces.states).toMatchObject({ fitted: 13, new: 3 });
  const { items: sets } = await get<ListView<PieceSetView>>('/api/sets');
  expect(
    sets
      .filter((s) => s.needs?.isComplete)
      .map((s) => s.name)
      .sort(),
  ).toEqual(['E1', 'F3', 'K12', 'S1']);
  expect(sets.find((s) => s.name === 'T2')!.needs!.missing).toEqual({ cwCount: 0, ccwCount: 1 });
  const { makers } = await get<YieldView>('/api/pieces/yield');
  const usable = Object.fromEntries(makers.map((m) => [m.makerName, m.usable!.ratio]));
  expect(usable.Brindlow).toBeGreaterThan(usable.Orle!);
  const trays = await get<TraysView>(`/api/balance-jobs/trays?craftId=${crafts.find((c) => c.name === 'Petrel')!.id}`);
  expect(trays.good.length).toBeGreaterThanOrEqual(4);
});

describe('a world that could exist', () => {
  const bench = new CraftRotors();
  const nameOf = (craftId: string): string => crafts.find((c) => c.id === craftId)!.name;
  const hour = (at: Date): number => at.getHours() + at.getMinutes() / 60;

  test('a flight is one pack of its own craft, no longer than the craft stays up, by day, and none overlaps another', async () => {
    const [flights, flown, pieces, packs] = [
      await db.select().from(flight),
      await db.select().from(flightPiece),
      await db.select().from(propPiece),
      await db.select().from(packPiece),
    ];
    const { items: models } = await get<PropModelListView>('/api/prop-models');
    for (const craft of crafts) {
      const own = flights.filter((f) => f.craftId === craft.id);
      const used = new Set(
        flown
          .filter((p) => own.some((f) => f.id === p.flightId))
          .map((p) => pieces.find((piece) => piece.id === p.pieceId)!.propModelId),
      );
      const longest = Math.max(
        ...[...used].map(
          (id) =>
            evaluateCandidate(bench.of(craft), modelGeometry(models.find((m) => m.id === id)!)).figures.enduranceS,
        ),
      );
      expect(own.length).toBeGreaterThan(10);
      own.forEach(({ durationS, flownAt, packPieceId }) => {
        expect([craft.name, durationS < longest, hour(flownAt) > 9 && hour(flownAt) < 16]).toEqual([
          craft.name,
          true,
          true,
        ]);
        expect(packs.find((p) => p.id === packPieceId)!.seriesCount).toBe(craft.packSeriesCount);
        expect(
          own.filter((f) => f.flownAt < flownAt && f.flownAt.getTime() > flownAt.getTime() - 1000 * durationS),
        ).toEqual([]);
      });
    }
  });

  test('somebody looked before every flight, strikes end flights, motors turned as long as their craft flew, packs were charged for each', async () => {
    const [flights, looks, strikes] = [
      await db.select().from(flight),
      await db.select().from(walkaround),
      await db.select().from(strike),
    ];
    for (const own of flights) {
      const before = [
        ...looks.map((l) => ({ craftId: l.craftId, at: l.lookedAt, isLook: true })),
        ...flights.filter((f) => f !== own).map((f) => ({ craftId: f.craftId, at: f.flownAt, isLook: false })),
      ];
      const [last] = before
        .filter((x) => x.craftId === own.craftId && x.at < own.flownAt)
        .sort((a, b) => b.at.getTime() - a.at.getTime());
      expect(last!.isLook).toBe(true);
    }
    expect(strikes).toHaveLength(2);
    for (const hit of strikes)
      expect(flights.find((f) => f.id === hit.flightId)).toMatchObject({ craftId: hit.craftId, flownAt: hit.struckAt });
    for (const motor of await db.select().from(motorPiece))
      expect(motor.hours).toBeCloseTo(
        flights
          .filter((f) => f.craftId === motor.craftId && f.flownAt > motor.createdAt)
          .reduce((sum, f) => sum + f.durationS / 3600, 0),
        6,
      );
    for (const pack of await db.select().from(packPiece))
      expect(pack.cycleCount).toBeGreaterThanOrEqual(flights.filter((f) => f.packPieceId === pack.id).length);
  });

  test('props are found as they flew and as they sounded, each once a craft and a place', async () => {
    const found = await get<FoundView[]>('/api/finder?words=Veddick');
    const [flights, takes] = (['flight', 'take'] as const).map((kind) => found.filter((f) => f.kind === kind));
    expect(flights!.length).toBeGreaterThan(0);
    expect(takes!.length).toBeGreaterThan(0);
    for (const { title, craftId, propModelId, detail } of [...flights!, ...takes!]) {
      expect(title).toContain('Veddick');
      expect([craftId, propModelId]).not.toContain(null);
      expect(detail).toMatch(/, \d+ (?:cards?|takes?)$/);
    }
    const keys = found.map((f) => `${f.kind} ${f.id} ${f.propModelId}`);
    expect(new Set(keys).size).toBe(keys.length);
  });

  test('gains are of props that were fitted and flown; tickets name what is in the record; the evening is one', async () => {
    const [flights, flown, pieces, strikes, cases] = [
      await db.select().from(flight),
      await db.select().from(flightPiece),
      await db.select().from(propPiece),
      await db.select().from(strike),
      await db.select().from(symptomCase),
    ];
    const flownBy = (craftId: string): Set<string> =>
      new Set(
        flown
          .filter((p) => flights.some((f) => f.id === p.flightId && f.craftId === craftId))
          .map((p) => pieces.find((piece) => piece.id === p.pieceId)!.propModelId),
      );
    for (const sheet of await db.select().from(gainSheet))
      expect([...flownBy(sheet.craftId)]).toEqual(expect.arrayContaining([sheet.oldPropModelId, sheet.newPropModelId]));
    for (const { craftId, closedAt, createdAt } of await db.select().from(jobTicket)) {
      const of = (rows: readonly { craftId: string | null; createdAt: Date }[]): boolean =>
        rows.some(
          (r) =>
            r.craftId === craftId &&
            r.createdAt.getTime() >= createdAt.getTime() - 86_400_000 &&
            r.createdAt <= (closedAt ?? createdAt),
        );
      expect([nameOf(craftId), closedAt === null ? of(strikes) : of(cases) && of(flights)]).toEqual([
        nameOf(craftId),
        true,
      ]);
    }
    for (const { createdAt } of [...(await db.select().from(campaign)), ...(await db.select().from(run))])
      expect(hour(createdAt) >= 18 && hour(createdAt) < 23).toBe(true);
    const packs = await db.select().from(packPiece);
    for (const craft of crafts)
      expect(
        packs.some(
          (p) =>
            p.chemistry === craft.packChemistry &&
            p.seriesCount === craft.packSeriesCount &&
            p.capacityAh === craft.packCapacityAh,
        ),
      ).toBe(true);
  });

  test('what happened was written down in the order in which it happened, by somebody of the shed, and nothing lies ahead', async () => {
    const events = await db.select().from(event).orderBy(event.sequence);
    expect(events.length).toBeGreaterThan(2000);
    for (let i = 1; i < events.length; i++)
      expect(events[i]!.at.getTime()).toBeGreaterThanOrEqual(events[i - 1]!.at.getTime());
    expect(events.every((e) => e.personId !== null)).toBe(true);
    expect(events.at(-1)!.at.getTime()).toBeLessThan(server.app.get(Clock).nowMs());
  });

  test('one craft may fly, two wait for a look, one is grounded; the signed ones take off by what was seen', async () => {
    const ready = Object.fromEntries(
      await Promise.all(crafts.map(async (c) => [c.name, (await get<CareView>(`/api/care/${c.id}`)).ready.verdict])),
    );
    expect(ready).toEqual({ Petrel: 'look', Fulmar: 'fit', Skua: 'grounded', Eider: 'look' });
    const signed = Object.fromEntries(
      await Promise.all(
        crafts.map(async (c) => {
          const { takeOff, confirmedAt, isSignatureStale } = await get<FittingView>(`/api/fittings/${c.id}`);
          return [c.name, [takeOff.verdict, confirmedAt !== null, isSignatureStale]];
        }),
      ),
    );
    expect(signed).toEqual({
      Petrel: ['flies', true, false],
      Fulmar: ['flies', true, false],
      Skua: ['flies', false, false],
      Eider: ['flies', true, false],
    });
    const log = await get<LogView>(
      `/api/care/${crafts.find((c) => c.name === 'Fulmar')!.id}/log?from=2020-01-01T00:00:00Z&to=2100-01-01T00:00:00Z`,
    );
    expect(log.items.length).toBeGreaterThan(20);
  });
});

test('an act may plan what follows from it; each has its hour and its person, and the clock runs again afterwards', async () => {
  const clock = new Clock(Date.UTC(2026, 4, 1));
  const diary = new Diary('somebody');
  const done: [string, string][] = [];
  const act = (name: string) => async () => void done.push([name, clock.now().toISOString()]);
  const hourMs = 3_600_000;
  const today = new Date(2026, 4, 1, 12);
  diary.plan(9 * hourMs, act('third'));
  diary.plan(-15 * hourMs, async () => {
    await act('first')();
    diary.plan(-14 * hourMs, act('second'));
  });
  diary.plan(20 * hourMs, act('too late'));
  await diary.play(clock, today, today);
  expect(done).toEqual([
    ['first', new Date(2026, 3, 30, 9).toISOString()],
    ['second', new Date(2026, 3, 30, 10).toISOString()],
    ['third', new Date(2026, 4, 1, 9).toISOString()],
    ['too late', today.toISOString()],
  ]);
  expect(clock.nowMs()).toBeGreaterThanOrEqual(Date.UTC(2026, 4, 1));
});
