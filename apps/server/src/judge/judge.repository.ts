import { Inject, Injectable } from '@nestjs/common';
import {
  and,
  count,
  desc,
  eq,
  getTableColumns,
  gt,
  isNotNull,
  isNull,
  max,
  sql,
  type InferSelectModel,
  type SQL,
} from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { flightCard } from '../fly/fly.table.ts';
import { listening, soundTake } from '../listen/listen.table.ts';
import { campaign, run } from '../stand/stand.table.ts';
import { frozenVerdict, judgeWishes } from './judge.table.ts';

export type JudgeWishesRow = InferSelectModel<typeof judgeWishes>;
export type FrozenVerdictRow = InferSelectModel<typeof frozenVerdict>;
export type KeptVerdictRow = Omit<FrozenVerdictRow, 'input'>;

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

  /** Without what each is made of, the newest first, and how many there are in all. */
  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<{ rows: KeptVerdictRow[]; total: number }> {
    const { input: _input, ...told } = getTableColumns(frozenVerdict);
    const where = this.liveOf([craftId]);
    const rows = await db
      .select(told)
      .from(frozenVerdict)
      .where(where)
      .orderBy(desc(frozenVerdict.createdAt))
      .limit(limit);
    if (rows.length < limit) return { rows, total: rows.length };
    const [counted] = await db.select({ total: count() }).from(frozenVerdict).where(where);
    return { rows, total: counted?.total ?? 0 };
  }

  private liveOf(craftIds: readonly string[]): SQL | undefined {
    return and(
      eq(frozenVerdict.workshopId, this.workshop.id),
      oneOfIds(frozenVerdict.craftId, craftIds),
      isNull(frozenVerdict.deletedAt),
    );
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
      .where(this.liveOf(craftIds))
      .groupBy(frozenVerdict.craftId);
    return new Map(rows.map(({ craftId, ...tally }) => [craftId, tally]));
  }

  /**
   * Runs, flight cards and takes of each craft that came after its newest verdict; crafts without one are not there.
   */
  async readingsSince(db: DbOrTx, craftIds: readonly string[]): Promise<Map<string, number>> {
    if (craftIds.length === 0) return new Map();
    const since = db
      .select({ craftId: frozenVerdict.craftId, at: max(frozenVerdict.createdAt).as('at') })
      .from(frozenVerdict)
      .where(this.liveOf(craftIds))
      .groupBy(frozenVerdict.craftId)
      .as('since');
    const counted = { craftId: since.craftId, count: count() };
    const found = await Promise.all([
      db
        .select(counted)
        .from(since)
        .innerJoin(campaign, and(eq(campaign.craftId, since.craftId), isNull(campaign.deletedAt)))
        .innerJoin(run, and(eq(run.campaignId, campaign.id), isNull(run.deletedAt), gt(run.keptAt, since.at)))
        .groupBy(since.craftId),
      db
        .select(counted)
        .from(since)
        .innerJoin(
          flightCard,
          and(eq(flightCard.craftId, since.craftId), isNull(flightCard.deletedAt), gt(flightCard.createdAt, since.at)),
        )
        .groupBy(since.craftId),
      db
        .select(counted)
        .from(since)
        .innerJoin(listening, and(eq(listening.craftId, since.craftId), isNull(listening.deletedAt)))
        .innerJoin(
          soundTake,
          and(
            eq(soundTake.listeningId, listening.id),
            isNull(soundTake.deletedAt),
            isNotNull(soundTake.propModelId),
            gt(soundTake.createdAt, since.at),
          ),
        )
        .groupBy(since.craftId),
    ]);
    const sums = new Map<string, number>();
    for (const row of found.flat()) sums.set(row.craftId, (sums.get(row.craftId) ?? 0) + row.count);
    return sums;
  }
}
