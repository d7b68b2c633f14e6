import { Inject, Injectable } from '@nestjs/common';
import { listenLimits } from '@zivvo/contract';
import { and, asc, count, desc, eq, getTableColumns, isNull, type InferSelectModel } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { listening, soundTake, soundVote } from './listen.table.ts';

export type ListeningRow = InferSelectModel<typeof listening>;
export type SoundTakeRow = InferSelectModel<typeof soundTake>;
export type SoundVoteRow = InferSelectModel<typeof soundVote>;

@Injectable()
export class ListeningRepository extends RowRepository<typeof listening> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(listening, 'listening', workshop.id);
  }

  /** Listenings of a craft, the newest first, each with how many takes it has. */
  async ofCraft(db: DbOrTx, craftId: string): Promise<(ListeningRow & { takeCount: number })[]> {
    const rows = await db
      .select({ row: listening, takeCount: count(soundTake.id) })
      .from(listening)
      .leftJoin(soundTake, and(eq(soundTake.listeningId, listening.id), isNull(soundTake.deletedAt)))
      .where(
        and(eq(listening.workshopId, this.workshop.id), eq(listening.craftId, craftId), isNull(listening.deletedAt)),
      )
      .groupBy(listening.id)
      .orderBy(desc(listening.createdAt))
      .limit(listenLimits.listeningsMost);
    return rows.map(({ row, takeCount }) => ({ ...row, takeCount }));
  }

  /** The newest listening of each craft at which something was taken. */
  async newestOf(db: DbOrTx, craftIds: readonly string[]): Promise<ListeningRow[]> {
    if (craftIds.length === 0) return [];
    return db
      .selectDistinctOn([listening.craftId], getTableColumns(listening))
      .from(listening)
      .innerJoin(soundTake, and(eq(soundTake.listeningId, listening.id), isNull(soundTake.deletedAt)))
      .where(
        and(
          eq(listening.workshopId, this.workshop.id),
          oneOfIds(listening.craftId, craftIds),
          isNull(listening.deletedAt),
        ),
      )
      .orderBy(listening.craftId, desc(listening.createdAt));
  }
}

@Injectable()
export class SoundTakeRepository extends RowRepository<typeof soundTake> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(soundTake, 'take', workshop.id);
  }

  /** Takes of listenings in the order in which they were taken. */
  async ofListenings(db: DbOrTx, listeningIds: readonly string[]): Promise<SoundTakeRow[]> {
    if (listeningIds.length === 0) return [];
    return db
      .select()
      .from(soundTake)
      .where(
        and(
          eq(soundTake.workshopId, this.workshop.id),
          oneOfIds(soundTake.listeningId, listeningIds),
          isNull(soundTake.deletedAt),
        ),
      )
      .orderBy(asc(soundTake.createdAt), asc(soundTake.id));
  }
}

@Injectable()
export class SoundVoteRepository extends RowRepository<typeof soundVote> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(soundVote, 'vote', workshop.id);
  }

  async ofListening(db: DbOrTx, listeningId: string): Promise<SoundVoteRow[]> {
    const { rows } = await this.list(db, listenLimits.votesMost, eq(soundVote.listeningId, listeningId));
    return rows;
  }
}
