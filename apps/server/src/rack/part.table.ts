import { bearingFeels, craftLimits, packChemistries, pieceLimits, type rotorPlaces } from '@zivvo/contract';
import { doublePrecision, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { craft } from '../craft/craft.table.ts';

/** A physical pack with its tag. */
export const packPiece = pgTable(
  'pack_piece',
  {
    ...rowColumns(),
    tag: text().notNull(),
    chemistry: text().$type<(typeof packChemistries)[number]>().notNull(),
    seriesCount: integer().notNull(),
    parallelCount: integer().notNull(),
    capacityAh: doublePrecision().notNull(),
    cellResistanceOhm: doublePrecision(),
    cRating: doublePrecision('c_rating'),
    cycleCount: integer(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId, t.tag),
    index().on(t.personId),
    oneOf('pack_piece', 'chemistry', t.chemistry, packChemistries),
    within('pack_piece', 'series_count', t.seriesCount, craftLimits.seriesCount),
    within('pack_piece', 'parallel_count', t.parallelCount, craftLimits.parallelCount),
    within('pack_piece', 'capacity_ah', t.capacityAh, craftLimits.capacityAh),
    within('pack_piece', 'cell_resistance_ohm', t.cellResistanceOhm, craftLimits.cellResistanceOhm),
    within('pack_piece', 'c_rating', t.cRating, craftLimits.cRating),
    within('pack_piece', 'cycle_count', t.cycleCount, { min: 0, max: 10_000 }),
  ],
);

/** A physical motor with its tag and the arm it sits on. */
export const motorPiece = pgTable(
  'motor_piece',
  {
    ...rowColumns(),
    tag: text().notNull(),
    craftId: uuid().references(() => craft.id),
    place: text().$type<(typeof rotorPlaces)[number]>(),
    hours: doublePrecision().notNull().default(0),
    overLimitCount: integer().notNull().default(0),
    strikeCount: integer().notNull().default(0),
    bearing: text().$type<(typeof bearingFeels)[number]>(),
    shaftPlayM: doublePrecision(),
    shaftRunOutM: doublePrecision(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId, t.tag),
    index().on(t.craftId),
    index().on(t.personId),
    within('motor_piece', 'hours', t.hours, { min: 0, max: 100_000 }),
    within('motor_piece', 'over_limit_count', t.overLimitCount, { min: 0, max: 100_000 }),
    within('motor_piece', 'strike_count', t.strikeCount, { min: 0, max: 100_000 }),
    oneOf('motor_piece', 'bearing', t.bearing, bearingFeels),
    within('motor_piece', 'shaft_play_m', t.shaftPlayM, pieceLimits.runOutM),
    within('motor_piece', 'shaft_run_out_m', t.shaftRunOutM, { min: 0, max: 0.01 }),
  ],
);

/** Small parts that get lost. */
export const sparePart = pgTable(
  'spare_part',
  {
    ...rowColumns(),
    name: text().notNull(),
    count: integer().notNull(),
    perPieceCount: integer().notNull(),
  },
  (t) => [
    index().on(t.workshopId, t.name),
    index().on(t.personId),
    within('spare_part', 'count', t.count, pieceLimits.count),
    within('spare_part', 'per_piece_count', t.perPieceCount, { min: 1, max: 12 }),
  ],
);
