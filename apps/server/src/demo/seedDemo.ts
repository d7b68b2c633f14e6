import type { INestApplication } from '@nestjs/common';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { EventRepository } from '../event/event.repository.ts';
import { RunRepository } from '../stand/run.repository.ts';
import { toChannels } from '../stand/stand.mapper.ts';
import { DemoRepository } from './demo.repository.ts';
import { demoWorld } from './demoWorld.ts';

/** What would be later today was a minute ago. */
const LATEST_MS = 60_000;

/** Fills an empty demo workshop, its days laid back from this first start; nothing of it lies ahead. */
export async function seedDemo(app: INestApplication): Promise<void> {
  await app.init();
  const db = app.get<Db>(DB);
  const repository = new DemoRepository();
  if (!(await repository.isEmpty(db))) return;
  const workshop = app.get<Workshop>(WORKSHOP);
  const firstMs = app.get(Clock).nowMs();
  const world = demoWorld();
  const { care } = world;
  const midnightMs = new Date(firstMs).setHours(0, 0, 0, 0);
  const at = (atMs: number): Date => new Date(Math.min(midnightMs + atMs, firstMs - LATEST_MS));
  const [author] = world.people;
  const common = ({ atMs, ...row }: { id: string; atMs: number }) => {
    return { ...row, workshopId: workshop.id, personId: author!.id, createdAt: at(atMs), updatedAt: at(atMs) };
  };
  await db.transaction(async (tx) => {
    await repository.insert(tx, {
      people: world.people.map(({ id, name, atMs }) => ({ id, name, workshopId: workshop.id, createdAt: at(atMs) })),
      propModels: world.propModels.map((p) => ({ ...p, ...common(p) })),
      crafts: world.crafts.map((c) => ({ ...c, ...common(c) })),
      packs: world.packs.map((p) => ({ ...p, ...common(p) })),
      air: world.air.map((a) => ({ ...a, ...common(a) })),
      campaigns: world.campaigns.map((c) => ({ ...c, ...common(c) })),
      batches: world.rack.batches.map((b) => ({ ...b, ...common(b) })),
      pieces: world.rack.pieces.map((p) => ({ ...p, ...common(p) })),
      sets: world.rack.sets.map((x) => ({ ...x, ...common(x) })),
      fittings: world.rack.fittings.map((f) => ({ ...f, ...common(f) })),
      motors: world.rack.motors.map((m) => ({ ...m, ...common(m) })),
      spares: world.rack.spares.map((x) => ({ ...x, ...common(x) })),
      rigs: world.rigs.map((r) => ({ ...r, ...common(r) })),
      walkarounds: care.walkarounds.map((w) => ({ ...w, ...common(w), lookedAt: at(w.atMs) })),
      flights: care.flights.map((f) => ({ ...f, ...common(f), flownAt: at(f.atMs) })),
      flightPieces: care.flightPieces,
      strikes: care.strikes.map((x) => ({ ...x, ...common(x), struckAt: at(x.atMs) })),
      strikePieces: care.strikePieces,
      alerts: care.alerts.map((a) => ({ ...a, ...common(a), raisedAt: at(a.atMs) })),
      gainSheets: care.gainSheets.map((g) => ({ ...g, ...common(g) })),
      tickets: care.tickets.map(({ closedAtMs, ...t }) => ({ ...t, ...common(t), closedAt: closedAtMs === null ? null : at(closedAtMs) })),
      cases: care.cases.map(({ closedAtMs, ...c }) => ({ ...c, ...common(c), closedAt: at(closedAtMs) })),
      drills: care.drills.map((d) => ({ ...d, ...common(d), personId: d.personId })),
      runs: world.runs.map(({ steps, ...r }) => ({ ...r, ...common(r), state: 'kept' as const, origin: 'simulated' as const, stepCount: steps.length, keptAt: at(r.atMs) })),
    });
    const runs = app.get(RunRepository, { strict: false });
    for (const { id, steps } of world.runs) {
      await runs.addChannels(tx, toChannels(id, { steps: steps as never, readingKinds: [], restingCellV: null, zeroBeforeN: null, zeroAfterN: null, packPieceId: null }));
    }
    const events = app.get(EventRepository, { strict: false });
    await events.appendAll(tx, world.facts.map(({ subjectId, fact, atMs }) => ({ workshopId: workshop.id, personId: author!.id, at: at(atMs), kind: fact.kind, subjectId, fact })));
  });
}
