import { Injectable } from '@nestjs/common';
import { and, asc, desc, eq, inArray, isNotNull } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { run } from '../stand/stand.table.ts';
import { livePoint, liveRun } from './live.table.ts';

export type LiveRunRow = typeof liveRun.$inferSelect;
export type LivePointRow = typeof livePoint.$inferSelect;

@Injectable()
export class LiveRepository {
  async add(db: DbOrTx, row: LiveRunRow): Promise<void> {
    await db.insert(liveRun).values(row).onConflictDoNothing();
  }

  async find(db: DbOrTx, runId: string): Promise<LiveRunRow | null> {
    const [row] = await db.select().from(liveRun).where(eq(liveRun.runId, runId)).limit(1);
    return row ?? null;
  }

  async update(db: DbOrTx, runId: string, values: Partial<LiveRunRow>): Promise<void> {
    await db.update(liveRun).set(values).where(eq(liveRun.runId, runId));
  }

  /** What was going on when the server ended cannot go on by itself. */
  async holdInterrupted(db: DbOrTx, at: Date): Promise<number> {
    const held = await db
      .update(liveRun)
      .set({ phase: 'held', cut: { reason: 'restart', atS: 0 }, updatedAt: at })
      .where(inArray(liveRun.phase, ['idle', 'connected', 'tared', 'armed', 'running']))
      .returning({ runId: liveRun.runId });
    return held.length;
  }

  async addPoint(db: DbOrTx, row: LivePointRow): Promise<void> {
    await db.insert(livePoint).values(row).onConflictDoNothing();
  }

  async pointsOf(db: DbOrTx, runId: string): Promise<LivePointRow[]> {
    return db.select().from(livePoint).where(eq(livePoint.runId, runId)).orderBy(asc(livePoint.ordinal));
  }

  /** State of charge that the latest run left a pack with. */
  async lastChargeOf(db: DbOrTx, packPieceId: string): Promise<number | null> {
    const [row] = await db
      .select({ ratio: liveRun.endChargeRatio })
      .from(liveRun)
      .innerJoin(run, eq(run.id, liveRun.runId))
      .where(and(eq(run.packPieceId, packPieceId), isNotNull(liveRun.endChargeRatio)))
      .orderBy(desc(liveRun.updatedAt))
      .limit(1);
    return row?.ratio ?? null;
  }
}
