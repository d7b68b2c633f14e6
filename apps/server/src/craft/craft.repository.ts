import { Inject, Injectable } from '@nestjs/common';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { RowRepository } from '../database/row.repository.ts';
import { craft } from './craft.table.ts';

export type CraftRow = typeof craft.$inferSelect;

@Injectable()
export class CraftRepository extends RowRepository<typeof craft> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(craft, 'craft', workshop.id);
  }
}
