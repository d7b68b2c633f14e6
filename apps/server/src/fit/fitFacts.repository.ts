import { and, eq, max, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { event } from '../event/event.table.ts';
import { armKey } from '../ready/sources.ts';

/** What the ledger knows of arrangements; what came before what is told by its numbers. */
export class FitFactsRepository {
  /** Number of the newest signature of each craft. */
  async signatures(db: DbOrTx, craftIds: string[]): Promise<Map<string, number>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .select({ craftId: event.subjectId, last: max(event.sequence) })
      .from(event)
      .where(and(oneOfIds(event.subjectId, craftIds), eq(event.kind, 'fittingConfirmed')))
      .groupBy(event.subjectId);
    return new Map(rows.map((r) => [r.craftId, Number(r.last)]));
  }

  /** Number of the newest change of each arm, by craft and then by place and level. */
  async armChanges(db: DbOrTx, craftIds: string[]): Promise<Map<string, Map<string, number>>> {
    const found = new Map<string, Map<string, number>>(craftIds.map((id) => [id, new Map()]));
    if (craftIds.length === 0) return found;
    const [place, level] = [sql<string>`${event.fact} ->> 'place'`, sql<string>`${event.fact} ->> 'level'`];
    const rows = await db
      .select({ craftId: event.subjectId, place, level, last: max(event.sequence) })
      .from(event)
      .where(and(oneOfIds(event.subjectId, craftIds), eq(event.kind, 'armChanged')))
      .groupBy(event.subjectId, place, level);
    for (const r of rows) found.get(r.craftId)!.set(armKey({ place: r.place, level: Number(r.level) }), Number(r.last));
    return found;
  }
}
