import { Inject, Injectable } from '@nestjs/common';
import { RECIPE_MAX_COUNT, type ImportRecipeDto, type ImportRecipeView, type ListView } from '@zivvo/contract';
import { desc, eq } from 'drizzle-orm';
import { toListView } from '../common/listView.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { importRecipe } from './stand.table.ts';

/** How rows of headers were read the last time. */
@Injectable()
export class ImportRecipeRepository {
  constructor(
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly rows: RowMaker,
  ) {}

  /** The latest first. */
  async list(db: DbOrTx): Promise<ListView<ImportRecipeView>> {
    const where = eq(importRecipe.workshopId, this.workshop.id);
    const rows = await db
      .select()
      .from(importRecipe)
      .where(where)
      .orderBy(desc(importRecipe.updatedAt))
      .limit(RECIPE_MAX_COUNT);
    const total = rows.length < RECIPE_MAX_COUNT ? rows.length : await db.$count(importRecipe, where);
    return toListView({ rows, total }, (row) => ({ ...toRowView(row), header: row.header, columns: row.columns }));
  }

  /** Remembers how headers were read; the last reading of the same headers holds. */
  async remember(db: DbOrTx, { header, columns }: ImportRecipeDto): Promise<void> {
    const row = this.rows.newRow(this.rows.makeId());
    await db
      .insert(importRecipe)
      .values({ ...row, header, columns })
      .onConflictDoUpdate({
        target: [importRecipe.workshopId, importRecipe.header],
        set: { columns, updatedAt: row.updatedAt, personId: row.personId },
      });
  }
}
