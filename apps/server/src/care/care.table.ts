import {
  careLimits,
  carePolicies,
  causeNames,
  drillKinds,
  strikeSeverities,
  struckThings,
  type TestFlightDto,
  type PropLookDto,
  type SymptomAnswerDto,
  type UpdateGainSheetDto,
} from '@zivvo/contract';
import type {
  CareOutcome,
  CauseName,
  ChangeName,
  DrillKind,
  StrikeSeverity,
  StruckThing,
  SymptomName,
  RotorPlace,
} from '@zivvo/core';
import {
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { batch, propPiece } from '../rack/piece.table.ts';
import { propModel } from '../rack/propModel.table.ts';
import { packPiece } from '../rack/part.table.ts';

const craftId = () =>
  uuid()
    .notNull()
    .references(() => craft.id);

/** How the pieces of a craft are judged. */
export const careSetting = pgTable(
  'care_setting',
  {
    ...rowColumns(),
    craftId: craftId(),
    policy: text().$type<(typeof carePolicies)[number]>().notNull(),
    isFolding: boolean().notNull(),
  },
  (t) => [
    uniqueIndex('care_setting_craft_unique').on(t.craftId),
    index().on(t.workshopId),
    index().on(t.personId),
    oneOf('care_setting', 'policy', t.policy, carePolicies),
  ],
);

/** One prop of a walkaround as it was judged then. */
export interface StoredLook extends PropLookDto {
  pieceId: string | null;
  tag: string | null;
  material: string;
  outcome: CareOutcome;
  isTruingVoid: boolean;
  strike: 'none' | 'light' | 'hard';
}

/** A look over a whole craft. */
export const walkaround = pgTable(
  'walkaround',
  {
    ...rowColumns(),
    craftId: craftId(),
    lookedAt: moment().notNull(),
    durationS: doublePrecision().notNull(),
    policy: text().$type<(typeof carePolicies)[number]>().notNull(),
    isFolding: boolean().notNull(),
    outcome: text().$type<CareOutcome>().notNull(),
    looks: jsonb().$type<StoredLook[]>().notNull(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.lookedAt),
    index().on(t.personId),
    within('walkaround', 'duration_s', t.durationS, careLimits.walkDurationS),
  ],
);

export const flight = pgTable(
  'flight',
  {
    ...rowColumns(),
    craftId: craftId(),
    flownAt: moment().notNull(),
    durationS: doublePrecision().notNull(),
    packPieceId: uuid().references(() => packPiece.id),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.flownAt),
    index().on(t.packPieceId),
    index().on(t.personId),
    within('flight', 'duration_s', t.durationS, careLimits.flightDurationS),
  ],
);

/** Which pieces flew, and at which one speed they wore as the craft is flown. */
export const flightPiece = pgTable(
  'flight_piece',
  {
    flightId: uuid()
      .notNull()
      .references(() => flight.id),
    pieceId: uuid()
      .notNull()
      .references(() => propPiece.id),
    speedRpm: doublePrecision().notNull(),
  },
  (t) => [primaryKey({ columns: [t.flightId, t.pieceId] }), index().on(t.pieceId)],
);

/** Something was hit. */
export const strike = pgTable(
  'strike',
  {
    ...rowColumns(),
    craftId: craftId(),
    struckAt: moment().notNull(),
    flightId: uuid().references(() => flight.id),
    thing: text().$type<StruckThing>().notNull(),
    throttleRatio: doublePrecision().notNull(),
    severity: text().$type<StrikeSeverity>().notNull(),
    isCrash: boolean().notNull(),
    arms: jsonb().$type<{ place: RotorPlace; level: number }[]>().notNull(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.struckAt),
    index().on(t.flightId),
    index().on(t.personId),
    oneOf('strike', 'thing', t.thing, struckThings),
    oneOf('strike', 'severity', t.severity, strikeSeverities),
    within('strike', 'throttle_ratio', t.throttleRatio, careLimits.throttleRatio),
  ],
);

/** Pieces that took a strike. */
export const strikePiece = pgTable(
  'strike_piece',
  {
    strikeId: uuid()
      .notNull()
      .references(() => strike.id),
    pieceId: uuid()
      .notNull()
      .references(() => propPiece.id),
  },
  (t) => [primaryKey({ columns: [t.strikeId, t.pieceId] }), index().on(t.pieceId)],
);

/** Grounds every piece of a model, or of one delivery, until it is released. */
export const modelAlert = pgTable(
  'model_alert',
  {
    ...rowColumns(),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    batchId: uuid().references(() => batch.id),
    reason: text().notNull(),
    raisedAt: moment().notNull(),
    releasedAt: moment(),
    releaseReason: text(),
  },
  (t) => [index().on(t.workshopId), index().on(t.propModelId), index().on(t.batchId), index().on(t.personId)],
);

const percent = () => integer().notNull();

/** Gains for one set, payload, guards and pack, in percent of stock, with every step that was flown. */
export const gainSheet = pgTable(
  'gain_sheet',
  {
    ...rowColumns(),
    craftId: craftId(),
    oldPropModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    newPropModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    payloadKg: doublePrecision().notNull(),
    hasGuards: boolean().notNull(),
    packSeriesCount: integer().notNull(),
    pitchPercent: percent(),
    rollPercent: percent(),
    yawPercent: percent(),
    verticalPercent: percent(),
    checks: jsonb().$type<UpdateGainSheetDto['checks']>().notNull(),
    testFlights: jsonb().$type<TestFlightDto[]>().notNull(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.createdAt),
    index().on(t.oldPropModelId),
    index().on(t.newPropModelId),
    index().on(t.personId),
    within('gain_sheet', 'payload_kg', t.payloadKg, careLimits.payloadKg),
    ...(['pitch', 'roll', 'yaw', 'vertical'] as const).map((axis) =>
      within('gain_sheet', `${axis}_percent`, t[`${axis}Percent`], careLimits.percent),
    ),
  ],
);

export const jobTicket = pgTable(
  'job_ticket',
  {
    ...rowColumns(),
    craftId: craftId(),
    ownerName: text(),
    complaint: text().notNull(),
    found: text(),
    done: text(),
    parts: text(),
    minutes: integer(),
    closedAt: moment(),
  },
  (t) => [
    index().on(t.workshopId, t.createdAt),
    index().on(t.craftId),
    index().on(t.personId),
    within('job_ticket', 'minutes', t.minutes, careLimits.minutes),
  ],
);

/** A craft that does not fly well, and what was found. */
export const symptomCase = pgTable(
  'symptom_case',
  {
    ...rowColumns(),
    craftId: craftId(),
    symptoms: jsonb().$type<SymptomName[]>().notNull(),
    changes: jsonb().$type<ChangeName[]>(),
    answers: jsonb().$type<SymptomAnswerDto[]>().notNull(),
    mendedCause: text().$type<CauseName>(),
    closedAt: moment(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.createdAt),
    index().on(t.personId),
    oneOf('symptom_case', 'mended_cause', t.mendedCause, causeNames),
  ],
);

export const drillAnswer = pgTable(
  'drill_answer',
  { ...rowColumns(), kind: text().$type<DrillKind>().notNull(), seed: text().notNull(), isRight: boolean().notNull() },
  (t) => [
    index().on(t.workshopId, t.personId),
    index().on(t.personId),
    oneOf('drill_answer', 'kind', t.kind, drillKinds),
  ],
);
