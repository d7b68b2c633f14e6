import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, inArray } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { rig, balanceJob } from './balance.table.ts';

export type RigRow = typeof rig.$inferSelect;
export type BalanceJobRow = typeof balanceJob.$inferSelect;

@Injectable()
export class RigRepository extends RowRepository<typeof rig> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(rig, 'rig', workshop.id);
  }
}

@Injectable()
export class BalanceJobRepository extends RowRepository<typeof balanceJob> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(balanceJob, 'balancing job', workshop.id);
  }

  async ofPiece(db: DbOrTx, pieceId: string, limit: number): Promise<{ rows: BalanceJobRow[]; total: number }> {
    return this.list(db, limit, eq(balanceJob.pieceId, pieceId));
  }

  /** The newest finished job of each piece. */
  async lastOf(db: DbOrTx, pieceIds: string[]): Promise<Map<string, BalanceJobRow>> {
    if (pieceIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([balanceJob.pieceId])
      .from(balanceJob)
      .where(
        and(inArray(balanceJob.pieceId, pieceIds), inArray(balanceJob.state, ['trued', 'truedDynamic', 'sentBack'])),
      )
      .orderBy(balanceJob.pieceId, desc(balanceJob.finishedAt));
    return new Map(rows.map((r) => [r.pieceId, r]));
  }
}
