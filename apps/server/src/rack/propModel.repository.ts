import { Inject, Injectable } from '@nestjs/common';
import { max } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { oneAtATime } from '../database/oneAtATime.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { propModel } from './propModel.table.ts';

export type PropModelRow = typeof propModel.$inferSelect;

@Injectable()
export class PropModelRepository extends RowRepository<typeof propModel> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(propModel, 'prop model', workshop.id);
  }

  /** Next place in the order of colours and markers; deleted models keep theirs. */
  async nextSeriesIndex(db: DbOrTx): Promise<number> {
    await oneAtATime(db, 'prop_model.series_index');
    const [row] = await db.select({ last: max(propModel.seriesIndex) }).from(propModel);
    return (row?.last ?? -1) + 1;
  }

  /** Models by id, deleted ones too: their runs are still shown. */
  async byIds(db: DbOrTx, ids: string[]): Promise<PropModelRow[]> {
    return ids.length === 0 ? [] : db.select().from(propModel).where(oneOfIds(propModel.id, ids));
  }
}
