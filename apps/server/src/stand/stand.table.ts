import { STEP_MAX_COUNT, standLimits, type RunColumnDto, type RunDraftDto, type RunState } from '@zivvo/contract';
import {
  standQuantityNames,
  type RunFindings,
  type Origin,
  type RunProtocol,
  type ReadingKind,
  type StandQuantity,
} from '@zivvo/core';
import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';
import { blob } from '../blob/blob.table.ts';
import { recording } from '../recording/recording.table.ts';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within, workshopColumn } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { propModel } from '../rack/propModel.table.ts';
import { packPiece } from '../rack/part.table.ts';

export const campaign = pgTable(
  'campaign',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    name: text().notNull(),
    referencePropModelId: uuid().references(() => propModel.id),
    protocolVersion: integer().notNull(),
    /** How runs of each version are made, the first first; none before the evening was planned. */
    protocols: jsonb().$type<RunProtocol[]>().notNull().default([]),
    temperatureC: doublePrecision().notNull(),
    pressurePa: doublePrecision().notNull(),
    humidityRatio: doublePrecision().notNull(),
    gateCellV: doublePrecision(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId),
    index().on(t.referencePropModelId),
    index().on(t.personId),
    within('campaign', 'protocol_version', t.protocolVersion, standLimits.protocolVersion),
    within('campaign', 'temperature_c', t.temperatureC, standLimits.temperatureC),
    within('campaign', 'pressure_pa', t.pressurePa, standLimits.pressurePa),
    within('campaign', 'humidity_ratio', t.humidityRatio, standLimits.humidityRatio),
    within('campaign', 'gate_cell_v', t.gateCellV, standLimits.cellV),
  ],
);

/** How the columns under a row of headers were read the last time. */
export const importRecipe = pgTable(
  'import_recipe',
  {
    ...rowColumns(),
    header: text().notNull(),
    columns: jsonb().$type<RunColumnDto[]>().notNull(),
  },
  (t) => [uniqueIndex().on(t.workshopId, t.header), index().on(t.personId)],
);

const ORIGINS: readonly Origin[] = ['typed', 'imported', 'stand', 'simulated'];
const STATES: readonly RunState[] = ['draft', 'kept'];

/** One prop once through the protocol. A draft may change; a kept run never does, a correction is a new run. */
export const run = pgTable(
  'run',
  {
    ...rowColumns(),
    campaignId: uuid()
      .notNull()
      .references(() => campaign.id),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    /** Kit of the craft whose motor or pack it ran on; null as the craft is described. */
    kitId: uuid(),
    packPieceId: uuid().references(() => packPiece.id),
    state: text().$type<RunState>().notNull(),
    origin: text().$type<Origin>().notNull(),
    draft: jsonb().$type<RunDraftDto>(),
    restingCellV: doublePrecision(),
    zeroBeforeN: doublePrecision(),
    zeroAfterN: doublePrecision(),
    stepCount: integer().notNull().default(0),
    keptAt: moment(),
    /** Of its evening when it was begun: runs of another version do not count together. */
    protocolVersion: integer().notNull().default(1),
    replacesRunId: uuid().references((): AnyPgColumn => run.id),
    importBlobSha256: text().references(() => blob.sha256),
    /** All its readings over time, where it was not typed. */
    recordingId: uuid().references(() => recording.id),
    /** What its readings over time told; null where it was typed. */
    findings: jsonb().$type<RunFindings>(),
  },
  (t) => [
    index().on(t.recordingId),
    index().on(t.campaignId, t.propModelId),
    index().on(t.propModelId),
    index().on(t.packPieceId),
    index().on(t.replacesRunId),
    index().on(t.workshopId),
    index().on(t.personId),
    index().on(t.importBlobSha256),
    oneOf('run', 'state', t.state, STATES),
    oneOf('run', 'origin', t.origin, ORIGINS),
    within('run', 'protocol_version', t.protocolVersion, standLimits.protocolVersion),
    within('run', 'step_count', t.stepCount, { min: 0, max: STEP_MAX_COUNT }),
    within('run', 'resting_cell_v', t.restingCellV, standLimits.cellV),
    within('run', 'zero_before_n', t.zeroBeforeN, standLimits.zeroN),
    within('run', 'zero_after_n', t.zeroAfterN, standLimits.zeroN),
    check('run_replaces_check', sql`${t.replacesRunId} <> ${t.id}`),
    check('run_kept_check', sql`(${t.state} = 'kept') = (${t.keptAt} is not null)`),
  ],
);

/** Readings of one quantity of a run: one row a channel, one element a throttle step, null where nothing was read. */
export const runChannel = pgTable(
  'run_channel',
  {
    runId: uuid()
      .notNull()
      .references(() => run.id),
    quantity: text().$type<StandQuantity>().notNull(),
    readingKind: text().$type<ReadingKind>().notNull(),
    values: doublePrecision().array().$type<(number | null)[]>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.runId, t.quantity] }),
    oneOf('run_channel', 'quantity', t.quantity, standQuantityNames),
    oneOf('run_channel', 'reading_kind', t.readingKind, ['settledMean', 'peakHold']),
    check('run_channel_values_check', sql`cardinality(${t.values}) between 1 and ${sql.raw(String(STEP_MAX_COUNT))}`),
  ],
);

/** Pictures of the scale or the radio screen beside a run. */
export const runPicture = pgTable(
  'run_picture',
  {
    runId: uuid()
      .notNull()
      .references(() => run.id),
    blobSha256: text()
      .notNull()
      .references(() => blob.sha256),
    createdAt: moment().notNull(),
  },
  (t) => [primaryKey({ columns: [t.runId, t.blobSha256] }), index().on(t.blobSha256)],
);

/** Projection: kept runs with what the line needs of them. */
export const standFact = pgTable(
  'stand_fact',
  {
    runId: uuid()
      .primaryKey()
      .references(() => run.id),
    workshopId: workshopColumn(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    keptAt: moment().notNull(),
    maxCurrentA: doublePrecision(),
    maxSpeedRpm: doublePrecision(),
    /** False once the run is deleted or corrected. */
    isCurrent: boolean().notNull(),
  },
  (t) => [index().on(t.workshopId), index().on(t.craftId, t.propModelId)],
);
