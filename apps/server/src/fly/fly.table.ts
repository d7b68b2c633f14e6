import {
  flightViews,
  flyLimits,
  type FlownClimbDto,
  type FlownPassDto,
  type MotorHeatDto,
  type OpinionDto,
} from '@zivvo/contract';
import { boolean, doublePrecision, index, integer, jsonb, pgTable, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { blob } from '../blob/blob.table.ts';
import { flight } from '../care/care.table.ts';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { propModel } from '../rack/propModel.table.ts';

/** How climbs are flown with a craft; a change is another version, and the last one is in force. */
export const flightProtocol = pgTable(
  'flight_protocol',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    version: integer().notNull(),
    angleDegrees: doublePrecision().notNull(),
    lowerM: doublePrecision().notNull(),
    upperM: doublePrecision().notNull(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.personId),
    uniqueIndex('flight_protocol_version_unique').on(t.craftId, t.version),
    within('flight_protocol', 'version', t.version, flyLimits.protocolVersion),
    within('flight_protocol', 'angle_degrees', t.angleDegrees, flyLimits.angleDegrees),
    within('flight_protocol', 'lower_m', t.lowerM, flyLimits.heightM),
    within('flight_protocol', 'upper_m', t.upperM, flyLimits.heightM),
  ],
);

/** One flight by protocol; the flight itself stands in Care's log. */
export const flightCard = pgTable(
  'flight_card',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    flightId: uuid()
      .notNull()
      .references(() => flight.id),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    protocolVersion: integer().notNull(),
    angleDegrees: doublePrecision().notNull(),
    lowerM: doublePrecision().notNull(),
    upperM: doublePrecision().notNull(),
    view: text().$type<(typeof flightViews)[number]>().notNull(),
    payloadKg: doublePrecision().notNull(),
    restCellV: doublePrecision(),
    windMPerS: doublePrecision('wind_m_per_s'),
    climbs: jsonb().$type<FlownClimbDto[]>().notNull(),
    passes: jsonb().$type<FlownPassDto[]>().notNull(),
    hoverThrottleRatio: doublePrecision(),
    hoverCurrentA: doublePrecision(),
    takeOffRollM: doublePrecision(),
    usedAh: doublePrecision(),
    motors: jsonb().$type<MotorHeatDto[]>().notNull(),
    opinions: jsonb().$type<OpinionDto[]>().notNull(),
    logSha256: text('log_sha256').references(() => blob.sha256),
    isCarefulFirst: boolean().notNull(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.createdAt),
    index().on(t.propModelId),
    index().on(t.personId),
    uniqueIndex('flight_card_flight_unique').on(t.flightId),
    oneOf('flight_card', 'view', t.view, flightViews),
    within('flight_card', 'protocol_version', t.protocolVersion, flyLimits.protocolVersion),
    within('flight_card', 'angle_degrees', t.angleDegrees, flyLimits.angleDegrees),
    within('flight_card', 'lower_m', t.lowerM, flyLimits.heightM),
    within('flight_card', 'upper_m', t.upperM, flyLimits.heightM),
    within('flight_card', 'payload_kg', t.payloadKg, flyLimits.payloadKg),
    within('flight_card', 'rest_cell_v', t.restCellV, flyLimits.restCellV),
    within('flight_card', 'wind_m_per_s', t.windMPerS, flyLimits.windMPerS),
    within('flight_card', 'hover_throttle_ratio', t.hoverThrottleRatio, flyLimits.throttleRatio),
    within('flight_card', 'hover_current_a', t.hoverCurrentA, flyLimits.currentA),
    within('flight_card', 'take_off_roll_m', t.takeOffRollM, flyLimits.takeOffRollM),
    within('flight_card', 'used_ah', t.usedAh, flyLimits.usedAh),
  ],
);
