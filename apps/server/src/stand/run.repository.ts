import { Inject, Injectable } from '@nestjs/common';
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { blob } from '../blob/blob.table.ts';
import { recording } from '../recording/recording.table.ts';
import { packPiece } from '../rack/part.table.ts';
import { campaign, run, runChannel, runPicture } from './stand.table.ts';

export type RunRow = typeof run.$inferSelect;
export type ChannelRow = typeof runChannel.$inferSelect;
export interface PictureRow {
  sha256: string;
  mediaType: string;
  name: string;
}

@Injectable()
export class RunRepository extends RowRepository<typeof run> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(run, 'run', workshop.id);
  }

  /** Runs of a campaign in the order in which they were started. */
  async ofCampaign(db: DbOrTx, campaignId: string, limit: number): Promise<RunRow[]> {
    return db
      .select()
      .from(run)
      .where(and(eq(run.workshopId, this.workshop.id), eq(run.campaignId, campaignId), isNull(run.deletedAt)))
      .orderBy(asc(run.createdAt), asc(run.id))
      .limit(limit);
  }

  /** Recordings that no run holds: what began and was not kept. */
  async recordingsOfNobody(db: DbOrTx): Promise<string[]> {
    const rows = await db
      .select({ id: recording.id })
      .from(recording)
      .leftJoin(run, eq(run.recordingId, recording.id))
      .where(and(eq(recording.workshopId, this.workshop.id), isNull(run.id)));
    return rows.map((r) => r.id);
  }

  /** The evening of the run that a recording belongs to; null where it belongs to none. */
  async campaignOfRecording(db: DbOrTx, recordingId: string): Promise<string | null> {
    const [row] = await db
      .select({ campaignId: run.campaignId })
      .from(run)
      .where(and(eq(run.workshopId, this.workshop.id), eq(run.recordingId, recordingId)))
      .limit(1);
    return row?.campaignId ?? null;
  }

  /** Says which recording holds the readings of a run. */
  async recordIn(db: DbOrTx, id: string, recordingId: string): Promise<void> {
    await db
      .update(run)
      .set({ recordingId })
      .where(and(eq(run.id, id), eq(run.workshopId, this.workshop.id)));
  }

  /** Changes a draft only: what is kept is never written again. */
  async reviseDraft(
    db: DbOrTx,
    id: string,
    seen: number,
    values: Partial<typeof run.$inferInsert>,
    at: Date,
  ): Promise<number> {
    return this.revise(db, id, seen, values, at, sql`${run.state} = 'draft'`);
  }

  /** Kept runs that a pack served, the newest first, each with the name of its evening; a corrected run counts once. */
  async ofPack(
    db: DbOrTx,
    packPieceId: string,
    limit: number,
  ): Promise<{ run: RunRow; campaignName: string; seriesCount: number }[]> {
    return db
      .select({ run, campaignName: campaign.name, seriesCount: packPiece.seriesCount })
      .from(run)
      .innerJoin(campaign, eq(campaign.id, run.campaignId))
      .innerJoin(packPiece, eq(packPiece.id, run.packPieceId))
      .where(and(this.standing(), eq(run.packPieceId, packPieceId)))
      .orderBy(desc(run.keptAt))
      .limit(limit);
  }

  /** Kept runs of a prop model, the newest first, each with the name of its evening; a corrected run counts once. */
  async ofModel(
    db: DbOrTx,
    propModelId: string,
    limit: number,
  ): Promise<{ rows: { run: RunRow; campaignName: string; craftId: string }[]; total: number }> {
    const where = and(this.standing(), eq(run.propModelId, propModelId));
    const rows = await db
      .select({ run, campaignName: campaign.name, craftId: campaign.craftId })
      .from(run)
      .innerJoin(campaign, eq(campaign.id, run.campaignId))
      .where(where)
      .orderBy(desc(run.keptAt))
      .limit(limit);
    return { rows, total: rows.length < limit ? rows.length : await db.$count(run, where) };
  }

  /** Kept, not taken out, and not corrected by a later run. */
  private standing() {
    return and(
      eq(run.workshopId, this.workshop.id),
      eq(run.state, 'kept'),
      isNull(run.deletedAt),
      sql`not exists (select 1 from run later where later.replaces_run_id = ${run.id} and later.state = 'kept' and later.deleted_at is null)`,
    );
  }

  async addChannels(db: DbOrTx, rows: ChannelRow[]): Promise<void> {
    if (rows.length > 0) await db.insert(runChannel).values(rows);
  }

  async channelsOf(db: DbOrTx, runIds: string[]): Promise<ChannelRow[]> {
    return runIds.length === 0
      ? []
      : db.select().from(runChannel).where(oneOfIds(runChannel.runId, runIds)).orderBy(asc(runChannel.quantity));
  }

  async attachPicture(db: DbOrTx, runId: string, blobSha256: string, createdAt: Date): Promise<void> {
    await db.insert(runPicture).values({ runId, blobSha256, createdAt }).onConflictDoNothing();
  }

  async picturesOf(db: DbOrTx, runId: string): Promise<PictureRow[]> {
    return db
      .select({ sha256: blob.sha256, mediaType: blob.mediaType, name: blob.name })
      .from(runPicture)
      .innerJoin(blob, eq(blob.sha256, runPicture.blobSha256))
      .where(eq(runPicture.runId, runId))
      .orderBy(asc(runPicture.createdAt))
      .limit(20);
  }
}
