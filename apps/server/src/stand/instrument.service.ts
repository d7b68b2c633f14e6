import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type CreateInstrumentCheckDto, type InstrumentsView } from '@zivvo/contract';
import { checkMethods, correctionOf, instrumentStandings, STALE_DAYS } from '@zivvo/core';
import { FieldError } from '../common/featureError.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { DB, type Db } from '../database/database.ts';
import { InstrumentCheckRepository } from './instrument.repository.ts';

/** The instruments of the stand and their checks. */
@Injectable()
export class InstrumentService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly checks: InstrumentCheckRepository,
  ) {}

  async all(): Promise<InstrumentsView> {
    const { rows } = await this.checks.list(this.db, LIST_MAX);
    const known = rows.map((row) => this.checks.toCheck(row));
    return {
      standings: instrumentStandings(known, this.rows.now().getTime()).map(({ quantity, state, ageDays, check }) => ({
        quantity,
        state,
        ageDays,
        staleAfterDays: STALE_DAYS[quantity],
        checkId: check?.id ?? null,
      })),
      checks: rows.map((row) => {
        const { quantity, method, reachesBack, armM, pairs, note } = row;
        return { ...toRowView(row), quantity, method, reachesBack, armM, pairs, note, ...correctionOf(row) };
      }),
    };
  }

  /** @throws {CoreError} if no correction can be made of the pairs */
  async add({ id, ...dto }: CreateInstrumentCheckDto): Promise<InstrumentsView> {
    if (!(checkMethods[dto.quantity] as readonly string[]).includes(dto.method))
      throw new FieldError('method', 'method', 'This quantity is not checked that way.', dto.method);
    correctionOf(dto);
    await this.checks.add(this.db, { ...this.rows.newRow(id), ...dto });
    return this.all();
  }

  async remove(id: string): Promise<void> {
    await this.checks.remove(this.db, id, this.rows.now());
  }

  async restore(id: string): Promise<InstrumentsView> {
    await this.checks.restore(this.db, id);
    return this.all();
  }
}
