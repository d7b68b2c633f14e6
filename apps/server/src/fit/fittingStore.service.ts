import { Injectable } from '@nestjs/common';
import { RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import type { DbOrTx } from '../database/database.ts';
import { statesOf } from './fit.mapper.ts';
import { FittingRepository, type FittingRow } from './fit.repository.ts';

type FittingColumns = Pick<FittingRow, 'arms' | 'isHanging' | 'sideThrust' | 'note'>;

/** The one row a craft has for what was seen on it, made when it is first needed. */
@Injectable()
export class FittingStore {
  constructor(
    private readonly rows: RowMaker,
    private readonly fittings: FittingRepository,
  ) {}

  ofCraft(db: DbOrTx, craftId: string): Promise<FittingRow | null> {
    return this.fittings.ofCraft(db, craftId);
  }

  /** @throws {RevisionConflictError} if it has moved on since the sender saw it */
  async save(
    tx: DbOrTx,
    craftId: string,
    before: FittingRow | null,
    revision: number,
    columns: FittingColumns,
  ): Promise<void> {
    if (before) await this.fittings.revise(tx, before.id, revision, columns, this.rows.now());
    else if (revision !== 0) throw new RevisionConflictError('fitting', revision, 0);
    else await this.add(tx, craftId, columns);
  }

  /** Changes what is known of arms, whatever it was before. */
  async reviseStates(
    tx: DbOrTx,
    craft: CraftRow,
    change: (states: FittingRow['arms']) => FittingRow['arms'],
  ): Promise<void> {
    const row = await this.fittings.ofCraft(tx, craft.id);
    const arms = change(statesOf(craft, row));
    if (row) await this.fittings.revise(tx, row.id, row.revision, { arms }, this.rows.now());
    else await this.add(tx, craft.id, { arms, isHanging: false, sideThrust: null, note: null });
  }

  private async add(tx: DbOrTx, craftId: string, columns: FittingColumns): Promise<void> {
    await this.fittings.add(tx, { ...this.rows.newRow(this.rows.makeId()), craftId, ...columns });
  }
}
