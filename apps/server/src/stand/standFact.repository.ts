import { and, eq, inArray } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { standFact } from './stand.table.ts';

export type StandFactRow = typeof standFact.$inferSelect;

/** Kept runs, as the line asks for them. */
export class StandFactRepository {
  /** Those that count, of some craft. */
  async ofCrafts(db: DbOrTx, craftIds: string[]): Promise<StandFactRow[]> {
    return craftIds.length === 0
      ? []
      : db
          .select()
          .from(standFact)
          .where(and(inArray(standFact.craftId, craftIds), eq(standFact.isCurrent, true)));
  }
}
