import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX } from '@zivvo/contract';
import { type InstrumentCheck } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { instrumentCheck } from './instrument.table.ts';

export type InstrumentCheckRow = typeof instrumentCheck.$inferSelect;

@Injectable()
export class InstrumentCheckRepository extends RowRepository<typeof instrumentCheck> {
  constructor(
    @Inject(WORKSHOP) workshop: Workshop,
    private readonly clock: Clock,
  ) {
    super(instrumentCheck, 'instrument check', workshop.id);
  }

  /** Every check as the core takes it. */
  async checks(db: DbOrTx): Promise<InstrumentCheck[]> {
    const { rows } = await this.list(db, LIST_MAX);
    return rows.map((row) => this.toCheck(row));
  }

  toCheck({ id, quantity, method, createdAt, reachesBack, armM, pairs }: InstrumentCheckRow): InstrumentCheck {
    const day = this.clock.localDay(createdAt);
    return { id, quantity, method, atMs: createdAt.getTime(), day, reachesBack, armM, pairs };
  }
}
