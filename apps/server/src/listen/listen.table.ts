import {
  heardOn,
  listenLimits,
  listenSurfaces,
  type HeardSoundDto,
  type ListeningDto,
  type PatternDto,
} from '@zivvo/contract';
import { listenMethods } from '@zivvo/core';
import { doublePrecision, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { blob } from '../blob/blob.table.ts';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { flightCard } from '../fly/fly.table.ts';
import { propModel } from '../rack/propModel.table.ts';
import { run } from '../stand/stand.table.ts';

/** One place, one distance and one way of reading, for takes that are held against each other. */
export const listening = pgTable(
  'listening',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    heardOn: text().$type<ListeningDto['heardOn']>().notNull(),
    method: text().$type<ListeningDto['method']>().notNull(),
    place: text().notNull(),
    surface: text().$type<ListeningDto['surface']>().notNull(),
    distanceM: doublePrecision().notNull(),
    heightM: doublePrecision().notNull(),
    windMPerS: doublePrecision('wind_m_per_s'),
    note: text(),
    chainOffsetDb: doublePrecision(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.createdAt),
    index().on(t.personId),
    oneOf('listening', 'heard_on', t.heardOn, heardOn),
    oneOf('listening', 'method', t.method, listenMethods),
    oneOf('listening', 'surface', t.surface, listenSurfaces),
    within('listening', 'distance_m', t.distanceM, listenLimits.distanceM),
    within('listening', 'height_m', t.heightM, listenLimits.heightM),
    within('listening', 'wind_m_per_s', t.windMPerS, listenLimits.windMPerS),
    within('listening', 'chain_offset_db', t.chainOffsetDb, listenLimits.chainOffsetDb),
  ],
);

/** What was heard once: a prop, or the place alone. */
export const soundTake = pgTable(
  'sound_take',
  {
    ...rowColumns(),
    listeningId: uuid()
      .notNull()
      .references(() => listening.id),
    propModelId: uuid().references(() => propModel.id),
    pattern: jsonb().$type<PatternDto>(),
    levelDb: doublePrecision(),
    distanceM: doublePrecision().notNull(),
    thrustN: doublePrecision(),
    rpm: doublePrecision(),
    spinDownS: doublePrecision(),
    clippedRatio: doublePrecision().notNull(),
    sound: jsonb().$type<HeardSoundDto>(),
    soundSha256: text('sound_sha256').references(() => blob.sha256),
    runId: uuid().references(() => run.id),
    flightCardId: uuid().references(() => flightCard.id),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.listeningId, t.createdAt),
    index().on(t.propModelId),
    index().on(t.personId),
    within('sound_take', 'level_db', t.levelDb, listenLimits.levelDb),
    within('sound_take', 'distance_m', t.distanceM, listenLimits.distanceM),
    within('sound_take', 'thrust_n', t.thrustN, listenLimits.thrustN),
    within('sound_take', 'rpm', t.rpm, listenLimits.rpm),
    within('sound_take', 'spin_down_s', t.spinDownS, listenLimits.spinDownS),
    within('sound_take', 'clipped_ratio', t.clippedRatio, listenLimits.ratio),
  ],
);

/** Which of two takes was liked better by somebody who did not know which is which. */
export const soundVote = pgTable(
  'sound_vote',
  {
    ...rowColumns(),
    listeningId: uuid()
      .notNull()
      .references(() => listening.id),
    likedTakeId: uuid()
      .notNull()
      .references(() => soundTake.id),
    otherTakeId: uuid()
      .notNull()
      .references(() => soundTake.id),
  },
  (t) => [index().on(t.workshopId), index().on(t.listeningId, t.createdAt), index().on(t.personId)],
);
