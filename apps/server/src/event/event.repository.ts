import { asc, eq, gt, inArray, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import type { StoredFact } from './event.facts.ts';
import { event, standFact, stockLevel } from './event.table.ts';

type EventRow = typeof event.$inferInsert;
export type StockRow = typeof stockLevel.$inferSelect;
export type StandFactRow = typeof standFact.$inferSelect;

const REPLAY_BATCH = 500;

export class EventRepository {
  /** Writes an event and its projection; the caller's transaction holds both. */
  async append(tx: DbOrTx, row: EventRow): Promise<void> {
    await tx.insert(event).values(row);
    await this.project(tx, row.fact, row.at);
  }

  /** Empties the projections and replays every event in order. */
  async rebuild(tx: DbOrTx): Promise<number> {
    await tx.delete(stockLevel);
    await tx.delete(standFact);
    let last = 0;
    let replayed = 0;
    for (;;) {
      const rows = await tx.select().from(event).where(gt(event.sequence, last)).orderBy(asc(event.sequence)).limit(REPLAY_BATCH);
      for (const row of rows) await this.project(tx, row.fact, row.at);
      replayed += rows.length;
      if (rows.length < REPLAY_BATCH) return replayed;
      last = rows.at(-1)!.sequence;
    }
  }

  private async project(tx: DbOrTx, fact: StoredFact, at: Date): Promise<void> {
    switch (fact.kind) {
      case 'stockCounted': {
        const row = { propModelId: fact.propModelId, cwCount: fact.cwCount, ccwCount: fact.ccwCount, countedAt: at };
        await tx.insert(stockLevel).values(row).onConflictDoUpdate({ target: stockLevel.propModelId, set: row });
        return;
      }
      case 'runKept': {
        const { runId, craftId, propModelId, maxCurrentA, maxSpeedRpm, replacesRunId } = fact;
        await tx.insert(standFact).values({ runId, craftId, propModelId, keptAt: at, maxCurrentA, maxSpeedRpm, isCurrent: true });
        if (replacesRunId !== null) await this.setCurrent(tx, replacesRunId, false);
        return;
      }
      case 'runRemoved':
        return this.setCurrent(tx, fact.runId, false);
      case 'runRestored':
        return this.setCurrent(tx, fact.runId, true);
    }
  }

  private async setCurrent(tx: DbOrTx, runId: string, isCurrent: boolean): Promise<void> {
    await tx.update(standFact).set({ isCurrent }).where(eq(standFact.runId, runId));
  }

  async stockOf(db: DbOrTx, propModelIds: string[]): Promise<StockRow[]> {
    return propModelIds.length === 0 ? [] : db.select().from(stockLevel).where(inArray(stockLevel.propModelId, propModelIds));
  }

  async standFactsOf(db: DbOrTx, craftIds: string[]): Promise<StandFactRow[]> {
    if (craftIds.length === 0) return [];
    return db.select().from(standFact).where(sql`${inArray(standFact.craftId, craftIds)} and ${standFact.isCurrent}`);
  }

  async allProjections(db: DbOrTx): Promise<{ stock: StockRow[]; stand: StandFactRow[] }> {
    return { stock: await db.select().from(stockLevel).orderBy(asc(stockLevel.propModelId)), stand: await db.select().from(standFact).orderBy(asc(standFact.runId)) };
  }
}
