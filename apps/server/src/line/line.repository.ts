import { count, inArray, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { pieceLife } from '../event/event.table.ts';
import { propModel } from '../propModel/propModel.table.ts';

/** What the line needs to know of things that have pages of their own. */
export class LineRepository {
  /** Diameters of prop models [m]: measured where somebody did, as printed elsewhere. */
  async diameters(db: DbOrTx, ids: string[]): Promise<Map<string, number>> {
    if (ids.length === 0) return new Map();
    const rows = await db.select({ id: propModel.id, labelM: propModel.diameterM, measuredM: propModel.measuredDiameterM }).from(propModel).where(inArray(propModel.id, ids));
    return new Map(rows.map((r) => [r.id, r.measuredM ?? r.labelM]));
  }

  /** Pieces on each craft, and those of them that are trued. */
  async fitted(db: DbOrTx, craftIds: string[]): Promise<Map<string, { fittedCount: number; truedCount: number }>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .select({ craftId: pieceLife.craftId, fittedCount: count(), truedCount: sql<number>`count(*) filter (where ${pieceLife.isTruedStatic} or ${pieceLife.isTruedDynamic})`.mapWith(Number) })
      .from(pieceLife)
      .where(inArray(pieceLife.craftId, craftIds))
      .groupBy(pieceLife.craftId);
    return new Map(rows.map(({ craftId, ...counts }) => [craftId!, counts]));
  }
}
