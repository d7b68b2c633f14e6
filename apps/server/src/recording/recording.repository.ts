import { Inject, Injectable } from '@nestjs/common';
import { and, asc, desc, eq, gte, lte, sql } from 'drizzle-orm';
import { NotFoundError } from '../common/featureError.ts';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { recording, recordingBlock, recordingSegment } from './recording.table.ts';

export type RecordingRow = typeof recording.$inferSelect;
export type SegmentRow = typeof recordingSegment.$inferSelect;
export type BlockRow = typeof recordingBlock.$inferSelect;

/** More than any view reads: a level has fewer than eight times the points that are wanted. */
const BLOCKS_MAX_COUNT = 100_000;

/** One level of one track of one segment. */
export type BlockPlace = Pick<BlockRow, 'recordingId' | 'segment' | 'track' | 'level'>;

@Injectable()
export class RecordingRepository {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  async add(db: DbOrTx, row: Omit<RecordingRow, 'workshopId'>): Promise<void> {
    await db
      .insert(recording)
      .values({ ...row, workshopId: this.workshop.id })
      .onConflictDoNothing();
  }

  async find(db: DbOrTx, id: string): Promise<RecordingRow> {
    const [row] = await db
      .select()
      .from(recording)
      .where(and(eq(recording.id, id), eq(recording.workshopId, this.workshop.id)))
      .limit(1);
    if (!row) throw new NotFoundError('recording', id);
    return row;
  }

  /** Takes it away with all its samples. */
  async remove(db: DbOrTx, id: string): Promise<void> {
    await db.delete(recording).where(and(eq(recording.id, id), eq(recording.workshopId, this.workshop.id)));
  }

  async addSegment(db: DbOrTx, row: SegmentRow): Promise<void> {
    await db.insert(recordingSegment).values(row);
  }

  async segmentsOf(db: DbOrTx, recordingId: string): Promise<SegmentRow[]> {
    return db
      .select()
      .from(recordingSegment)
      .where(eq(recordingSegment.recordingId, recordingId))
      .orderBy(asc(recordingSegment.ordinal));
  }

  async addBlocks(db: DbOrTx, rows: BlockRow[]): Promise<void> {
    // A block that is sent again, because nobody knows whether it arrived, is the same block.
    await db.insert(recordingBlock).values(rows).onConflictDoNothing();
  }

  /** Blocks of a level that have something between two times, in their order. */
  async blocksOf(
    db: DbOrTx,
    place: BlockPlace,
    fromS: number,
    toS: number,
    limit = BLOCKS_MAX_COUNT,
  ): Promise<BlockRow[]> {
    const first = sql`coalesce((select max(b.start_s) from ${recordingBlock} b where b.recording_id = ${place.recordingId} and b.segment = ${place.segment} and b.track = ${place.track} and b.level = ${place.level} and b.start_s <= ${fromS}), ${fromS})`;
    return db
      .select()
      .from(recordingBlock)
      .where(and(at(place), gte(recordingBlock.startS, first), lte(recordingBlock.startS, toS)))
      .orderBy(asc(recordingBlock.startS))
      .limit(limit);
  }

  /** The last block of a level, without its samples. */
  async lastBlock(
    db: DbOrTx,
    place: BlockPlace,
  ): Promise<Pick<BlockRow, 'startS' | 'lastS' | 'firstSample' | 'count'> | null> {
    const { startS, lastS, firstSample, count } = recordingBlock;
    const [row] = await db
      .select({ startS, lastS, firstSample, count })
      .from(recordingBlock)
      .where(at(place))
      .orderBy(desc(startS))
      .limit(1);
    return row ?? null;
  }
}

function at({ recordingId, segment, track, level }: BlockPlace) {
  return and(
    eq(recordingBlock.recordingId, recordingId),
    eq(recordingBlock.segment, segment),
    eq(recordingBlock.track, track),
    eq(recordingBlock.level, level),
  );
}
