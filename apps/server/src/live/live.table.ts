import { liveChannels, livePhases, POINT_MAX_COUNT, type LiveCut, type LiveLimits, type LivePhase } from '@zivvo/core';
import { sql } from 'drizzle-orm';
import { check, doublePrecision, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { oneOf, within } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { run } from '../stand/stand.table.ts';

const CHANNEL_COUNT = sql.raw(String(liveChannels.length));
const ref = () =>
  uuid()
    .notNull()
    .references(() => run.id);

/** A run on the live stand: where it stands now, and what it may not pass. */
export const liveRun = pgTable(
  'live_run',
  {
    runId: ref().primaryKey(),
    phase: text().$type<LivePhase>().notNull(),
    limits: jsonb().$type<LiveLimits>().notNull(),
    /** The driven stand that it is on; null for the simulated one. */
    deviceName: text(),
    zeroN: doublePrecision(),
    cut: jsonb().$type<LiveCut>(),
    restingCellV: doublePrecision(),
    /** State of charge that the pack was left with; null until the run ended. */
    endChargeRatio: doublePrecision(),
    updatedAt: moment().notNull(),
  },
  (t) => [
    oneOf('live_run', 'phase', t.phase, livePhases),
    within('live_run', 'end_charge_ratio', t.endChargeRatio, { min: 0, max: 1 }),
  ],
);

/** Kept points: means of all channels over the settled second, in the order of the live channels. */
export const livePoint = pgTable(
  'live_point',
  {
    runId: ref(),
    ordinal: integer().notNull(),
    atS: doublePrecision().notNull(),
    values: doublePrecision().array().$type<number[]>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.runId, t.ordinal] }),
    within('live_point', 'ordinal', t.ordinal, { min: 1, max: POINT_MAX_COUNT }),
    check('live_point_values_check', sql`cardinality(${t.values}) = ${CHANNEL_COUNT}`),
  ],
);
