import { Inject, Injectable } from '@nestjs/common';
import { asc, eq, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { craft } from '../craft/craft.table.ts';
import { motorPiece, packPiece, sparePart } from './part.table.ts';

export type MotorPieceRow = typeof motorPiece.$inferSelect;
export type PackPieceRow = typeof packPiece.$inferSelect;
export type SparePartRow = typeof sparePart.$inferSelect;

const MOTORS_MOST = 48;

@Injectable()
export class MotorPieceRepository extends RowRepository<typeof motorPiece> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(motorPiece, 'motor', workshop.id);
  }

  async byTag(db: DbOrTx, limit: number): Promise<{ rows: MotorPieceRow[]; total: number }> {
    return this.list(db, limit, undefined, asc(motorPiece.tag));
  }

  async onCraft(db: DbOrTx, craftId: string): Promise<MotorPieceRow[]> {
    return (await this.list(db, MOTORS_MOST, eq(motorPiece.craftId, craftId))).rows;
  }
}

@Injectable()
export class PackPieceRepository extends RowRepository<typeof packPiece> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(packPiece, 'pack', workshop.id);
  }

  /** Craft that fly with a pack take its figures over: a measured resistance is known to all of them. */
  async tellCrafts(
    tx: DbOrTx,
    packPieceId: string,
    columns: Partial<typeof craft.$inferInsert>,
    at: Date,
  ): Promise<void> {
    await tx
      .update(craft)
      .set({ ...columns, updatedAt: at, revision: sql`${craft.revision} + 1` })
      .where(eq(craft.packPieceId, packPieceId));
  }

  /** A pack that is still on the shelf; null where it was taken off. */
  async onShelf(db: DbOrTx, id: string): Promise<PackPieceRow | null> {
    return (await this.list(db, 1, eq(packPiece.id, id))).rows[0] ?? null;
  }

  async byTag(db: DbOrTx, limit: number): Promise<{ rows: PackPieceRow[]; total: number }> {
    return this.list(db, limit, undefined, asc(packPiece.tag));
  }
}

@Injectable()
export class SparePartRepository extends RowRepository<typeof sparePart> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(sparePart, 'spare part', workshop.id);
  }

  async byName(db: DbOrTx, limit: number): Promise<{ rows: SparePartRow[]; total: number }> {
    return this.list(db, limit, undefined, asc(sparePart.name));
  }
}
