import { Inject, Injectable } from '@nestjs/common';
import { and, count, desc, eq, exists, inArray, isNull, ne, notInArray, or } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { strikePiece } from '../care/care.table.ts';
import { event } from '../event/event.table.ts';
import type { LivingPiece } from '../rack/piece.repository.ts';
import { pieceLife, propPiece } from '../rack/piece.table.ts';
import { rig, balanceJob } from './balance.table.ts';

export type RigRow = typeof rig.$inferSelect;
export type BalanceJobRow = typeof balanceJob.$inferSelect;

/** How a job ends that says something of its piece. */
const FINISHED: BalanceJobRow['state'][] = ['trued', 'truedDynamic', 'sentBack'];

@Injectable()
export class RigRepository extends RowRepository<typeof rig> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(rig, 'rig', workshop.id);
  }
}

@Injectable()
export class BalanceJobRepository extends RowRepository<typeof balanceJob> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(balanceJob, 'balancing job', workshop.id);
  }

  async ofPiece(db: DbOrTx, pieceId: string, limit: number): Promise<{ rows: BalanceJobRow[]; total: number }> {
    return this.list(db, limit, eq(balanceJob.pieceId, pieceId));
  }

  /**
   * Pieces of other models that nobody has balanced or sent back: how many, and those among them of which something is
   * known that may keep them off the shaft.
   */
  async waitingBeside(
    db: DbOrTx,
    propModelId: string,
    limit: number,
  ): Promise<{ count: number; doubtful: LivingPiece[] }> {
    const last = db
      .selectDistinctOn([balanceJob.pieceId], { pieceId: balanceJob.pieceId, state: balanceJob.state })
      .from(balanceJob)
      .where(inArray(balanceJob.state, FINISHED))
      .orderBy(balanceJob.pieceId, desc(balanceJob.finishedAt))
      .as('last');
    const waiting = and(
      eq(propPiece.workshopId, this.workshop.id),
      isNull(propPiece.deletedAt),
      ne(propPiece.propModelId, propModelId),
      notInArray(pieceLife.state, ['new', 'retired']),
      eq(pieceLife.isTruedStatic, false),
      eq(pieceLife.isTruedDynamic, false),
      or(isNull(last.state), ne(last.state, 'sentBack')),
    );
    const isDoubtful = or(
      ne(propPiece.look, 'good'),
      exists(db.select({ id: strikePiece.pieceId }).from(strikePiece).where(eq(strikePiece.pieceId, propPiece.id))),
      exists(
        db
          .select({ id: event.sequence })
          .from(event)
          .where(and(eq(event.subjectId, propPiece.id), eq(event.kind, 'pieceLooked'))),
      ),
    );
    const [counted] = await db
      .select({ count: count() })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .leftJoin(last, eq(last.pieceId, propPiece.id))
      .where(waiting);
    const doubtful = await db
      .select({ piece: propPiece, life: pieceLife })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .leftJoin(last, eq(last.pieceId, propPiece.id))
      .where(and(waiting, isDoubtful))
      .limit(limit);
    return { count: counted!.count, doubtful };
  }

  /** The newest finished job of each piece. */
  async lastOf(db: DbOrTx, pieceIds: string[]): Promise<Map<string, BalanceJobRow>> {
    if (pieceIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([balanceJob.pieceId])
      .from(balanceJob)
      .where(and(oneOfIds(balanceJob.pieceId, pieceIds), inArray(balanceJob.state, FINISHED)))
      .orderBy(balanceJob.pieceId, desc(balanceJob.finishedAt));
    return new Map(rows.map((r) => [r.pieceId, r]));
  }
}
