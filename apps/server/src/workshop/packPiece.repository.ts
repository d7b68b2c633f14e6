import { Inject, Injectable } from '@nestjs/common';
import { asc } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { packPiece } from './pieces.table.ts';

export type PackPieceRow = typeof packPiece.$inferSelect;

@Injectable()
export class PackPieceRepository extends RowRepository<typeof packPiece> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(packPiece, 'pack', workshop.id);
  }

  async byTag(db: DbOrTx, limit: number): Promise<PackPieceRow[]> {
    return (await this.list(db, limit, undefined, asc(packPiece.tag))).rows;
  }
}
