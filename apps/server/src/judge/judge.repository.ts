import { Inject, Injectable } from '@nestjs/common';
import { and, eq, inArray, isNull, sql, type InferSelectModel } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { frozenVerdict, judgeWishes } from './judge.table.ts';

export type JudgeWishesRow = InferSelectModel<typeof judgeWishes>;
export type FrozenVerdictRow = InferSelectModel<typeof frozenVerdict>;

/** Nobody has a row of their own for a craft, people one each. */
const WISHES_MOST = 500;

@Injectable()
export class JudgeWishesRepository extends RowRepository<typeof judgeWishes> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(judgeWishes, 'weights', workshop.id);
  }

  /** The newest first. */
  async ofCraft(db: DbOrTx, craftId: string): Promise<JudgeWishesRow[]> {
    const { rows } = await this.list(
      db,
      WISHES_MOST,
      eq(judgeWishes.craftId, craftId),
      sql`${judgeWishes.updatedAt} desc`,
    );
    return rows;
  }
}

@Injectable()
export class FrozenVerdictRepository extends RowRepository<typeof frozenVerdict> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(frozenVerdict, 'verdict', workshop.id);
  }

  ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<{ rows: FrozenVerdictRow[]; total: number }> {
    return this.list(db, limit, eq(frozenVerdict.craftId, craftId));
  }

  /** How many verdicts each craft has, and whether its newest names a winner. */
  async tally(db: DbOrTx, craftIds: readonly string[]): Promise<Map<string, { count: number; isNamed: boolean }>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .select({
        craftId: frozenVerdict.craftId,
        count: sql<number>`count(*)::int`,
        isNamed: sql<boolean>`(array_agg(${frozenVerdict.winnerPropModelId} order by ${frozenVerdict.createdAt} desc))[1] is not null`,
      })
      .from(frozenVerdict)
      .where(
        and(
          eq(frozenVerdict.workshopId, this.workshop.id),
          inArray(frozenVerdict.craftId, [...craftIds]),
          isNull(frozenVerdict.deletedAt),
        ),
      )
      .groupBy(frozenVerdict.craftId);
    return new Map(rows.map(({ craftId, ...tally }) => [craftId, tally]));
  }
}
