import type { DbOrTx } from '../database/database.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { stockLevel } from './propModel.table.ts';

export type StockRow = typeof stockLevel.$inferSelect;

/** Pieces of each hand as somebody counted them. */
export class StockRepository {
  async of(db: DbOrTx, propModelIds: string[]): Promise<StockRow[]> {
    return propModelIds.length === 0
      ? []
      : db.select().from(stockLevel).where(oneOfIds(stockLevel.propModelId, propModelIds));
  }
}
