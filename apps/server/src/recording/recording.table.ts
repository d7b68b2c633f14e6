import { PYRAMID_MAX_LEVEL, TRACK_MAX_COUNT, type RecordingTrack } from '@zivvo/core';
import {
  bigint,
  customType,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  uuid,
} from 'drizzle-orm/pg-core';
import { SEGMENT_MAX_COUNT } from '@zivvo/contract';
import { within } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { workshop } from '../workshop/workshop.table.ts';

const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => 'bytea' });

/** Anything that has a time axis. Whose it is, its owner's row says; once that is gone for good, this goes with it. */
export const recording = pgTable(
  'recording',
  {
    id: uuid().primaryKey(),
    workshopId: uuid()
      .notNull()
      .references(() => workshop.id),
    tracks: jsonb().$type<RecordingTrack[]>().notNull(),
    createdAt: moment().notNull(),
  },
  (t) => [index().on(t.workshopId)],
);

/** A stretch without a gap, with both clocks at its beginning. */
export const recordingSegment = pgTable(
  'recording_segment',
  {
    recordingId: uuid()
      .notNull()
      .references(() => recording.id, { onDelete: 'cascade' }),
    ordinal: integer().notNull(),
    startedAt: moment().notNull(),
    deviceStartS: doublePrecision().notNull(),
    startS: doublePrecision().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.recordingId, t.ordinal] }),
    within('recording_segment', 'ordinal', t.ordinal, { min: 0, max: SEGMENT_MAX_COUNT - 1 }),
  ],
);

/** Samples of a track on end (level 0), or least and greatest values over spans of 8^level of them; written once. */
export const recordingBlock = pgTable(
  'recording_block',
  {
    recordingId: uuid().notNull(),
    segment: integer().notNull(),
    track: smallint().notNull(),
    level: smallint().notNull(),
    startS: doublePrecision().notNull(),
    /** Begin of the last of them [s]. */
    lastS: doublePrecision().notNull(),
    /** Samples of the track and segment before this block. */
    firstSample: bigint({ mode: 'number' }).notNull(),
    count: integer().notNull(),
    payload: bytes().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.recordingId, t.segment, t.track, t.level, t.startS] }),
    foreignKey({
      columns: [t.recordingId, t.segment],
      foreignColumns: [recordingSegment.recordingId, recordingSegment.ordinal],
      name: 'recording_block_segment_fk',
    }).onDelete('cascade'),
    within('recording_block', 'track', t.track, { min: 0, max: TRACK_MAX_COUNT - 1 }),
    within('recording_block', 'level', t.level, { min: 0, max: PYRAMID_MAX_LEVEL }),
    within('recording_block', 'count', t.count, { min: 1, max: 4096 }),
  ],
);
