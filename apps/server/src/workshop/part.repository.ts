import { Inject, Injectable } from '@nestjs/common';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { motorPiece, sparePart } from './pieces.table.ts';

export type MotorPieceRow = typeof motorPiece.$inferSelect;
export type SparePartRow = typeof sparePart.$inferSelect;

@Injectable()
export class MotorPieceRepository extends RowRepository<typeof motorPiece> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(motorPiece, 'motor', workshop.id);
  }
}

@Injectable()
export class SparePartRepository extends RowRepository<typeof sparePart> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(sparePart, 'spare part', workshop.id);
  }
}
