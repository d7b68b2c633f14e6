import { Inject, Injectable } from '@nestjs/common';
import { eq } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { fitting } from './fit.table.ts';

export type FittingRow = typeof fitting.$inferSelect;

@Injectable()
export class FittingRepository extends RowRepository<typeof fitting> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(fitting, 'fitting', workshop.id);
  }

  async ofCrafts(db: DbOrTx, craftIds: string[]): Promise<FittingRow[]> {
    return craftIds.length === 0
      ? []
      : (await this.list(db, craftIds.length, oneOfIds(fitting.craftId, craftIds))).rows;
  }

  async ofCraft(db: DbOrTx, craftId: string): Promise<FittingRow | null> {
    return (await this.list(db, 1, eq(fitting.craftId, craftId))).rows[0] ?? null;
  }
}
