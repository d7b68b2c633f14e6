import { and, count, eq, max } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { standFact } from './stand.table.ts';

/** Kept runs of one prop on one craft, taken together. */
export interface StandFacts {
  craftId: string;
  propModelId: string;
  runCount: number;
  lastKeptAt: Date | null;
  maxCurrentA: number | null;
}

/** Kept runs, as the line asks for them. */
export class StandFactRepository {
  /** Those that count, of some craft, summed where they are. */
  async ofCrafts(db: DbOrTx, craftIds: string[]): Promise<StandFacts[]> {
    return craftIds.length === 0
      ? []
      : db
          .select({
            craftId: standFact.craftId,
            propModelId: standFact.propModelId,
            runCount: count(),
            lastKeptAt: max(standFact.keptAt),
            maxCurrentA: max(standFact.maxCurrentA),
          })
          .from(standFact)
          .where(and(oneOfIds(standFact.craftId, craftIds), eq(standFact.isCurrent, true)))
          .groupBy(standFact.craftId, standFact.propModelId);
  }
}
