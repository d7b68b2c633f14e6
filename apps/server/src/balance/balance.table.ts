import {
  balanceLimits,
  shakeTargetNames,
  balanceJobStates,
  type CorrectionDto,
  type LevelObservationDto,
  type SingleBladeDto,
  type SwingDto,
  type VibrationRunDto,
} from '@zivvo/contract';
import { boolean, doublePrecision, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { propPiece } from '../rack/piece.table.ts';

/** A balancing rig and what it cannot show. */
export const rig = pgTable(
  'rig',
  {
    ...rowColumns(),
    name: text().notNull(),
    frictionKgM: doublePrecision().notNull(),
    borePlayM: doublePrecision().notNull(),
    largestM: doublePrecision().notNull(),
    inertiaKgM2: doublePrecision().notNull(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId, t.name),
    index().on(t.personId),
    within('rig', 'friction_kg_m', t.frictionKgM, balanceLimits.unbalanceKgM),
    within('rig', 'bore_play_m', t.borePlayM, balanceLimits.borePlayM),
    within('rig', 'largest_m', t.largestM, balanceLimits.largestM),
    within('rig', 'inertia_kg_m2', t.inertiaKgM2, balanceLimits.inertiaKgM2),
  ],
);

/** One balancing job on one piece: everything that was seen, step by step. */
export const balanceJob = pgTable(
  'true_up',
  {
    ...rowColumns(),
    pieceId: uuid()
      .notNull()
      .references(() => propPiece.id),
    rigId: uuid()
      .notNull()
      .references(() => rig.id),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    state: text().$type<(typeof balanceJobStates)[number]>().notNull(),
    target: text().$type<(typeof shakeTargetNames)[number]>().notNull(),
    isLookedAt: boolean().notNull(),
    observations: jsonb().$type<LevelObservationDto[]>().notNull(),
    swings: jsonb().$type<SwingDto[]>().notNull(),
    heavyDegrees: doublePrecision(),
    bladeMomentsKgM: doublePrecision().array().notNull(),
    runs: jsonb().$type<VibrationRunDto[]>().notNull(),
    corrections: jsonb().$type<CorrectionDto[]>().notNull().default([]),
    singleBlade: jsonb().$type<SingleBladeDto>(),
    runSpeedRpm: doublePrecision(),
    note: text(),
    finishedAt: moment(),
  },
  (t) => [
    index().on(t.workshopId, t.createdAt),
    index().on(t.pieceId, t.createdAt),
    index().on(t.rigId),
    index().on(t.craftId),
    index().on(t.personId),
    oneOf('true_up', 'state', t.state, balanceJobStates),
    oneOf('true_up', 'target', t.target, shakeTargetNames),
    within('true_up', 'heavy_degrees', t.heavyDegrees, balanceLimits.degrees),
    within('true_up', 'run_speed_rpm', t.runSpeedRpm, balanceLimits.speedRpm),
  ],
);
