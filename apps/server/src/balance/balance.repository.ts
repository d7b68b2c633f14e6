import { Inject, Injectable } from '@nestjs/common';
import { and, desc, eq, inArray } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { rig, trueUp } from './balance.table.ts';

export type RigRow = typeof rig.$inferSelect;
export type TrueUpRow = typeof trueUp.$inferSelect;

@Injectable()
export class RigRepository extends RowRepository<typeof rig> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(rig, 'rig', workshop.id);
  }
}

@Injectable()
export class TrueUpRepository extends RowRepository<typeof trueUp> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(trueUp, 'true-up', workshop.id);
  }

  async ofPiece(db: DbOrTx, pieceId: string, limit: number): Promise<TrueUpRow[]> {
    return (await this.list(db, limit, eq(trueUp.pieceId, pieceId))).rows;
  }

  /** The newest finished job of each piece. */
  async lastOf(db: DbOrTx, pieceIds: string[]): Promise<Map<string, TrueUpRow>> {
    if (pieceIds.length === 0) return new Map();
    const rows = await db.selectDistinctOn([trueUp.pieceId]).from(trueUp).where(and(inArray(trueUp.pieceId, pieceIds), inArray(trueUp.state, ['trued', 'truedDynamic', 'sentBack']))).orderBy(trueUp.pieceId, desc(trueUp.finishedAt));
    return new Map(rows.map((r) => [r.pieceId, r]));
  }
}
