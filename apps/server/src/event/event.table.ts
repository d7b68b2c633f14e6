import type { pieceStates, retirements, rotorPlaces } from '@zivvo/contract';
import type { StoredFact } from './event.facts.ts';
import { bigserial, boolean, doublePrecision, index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { moment } from '../database/moment.ts';
import { person, workshop } from '../workshop/workshop.table.ts';

/** What happened, append-only, in the order of its sequence number. */
export const event = pgTable(
  'event',
  {
    sequence: bigserial({ mode: 'number' }).primaryKey(),
    workshopId: uuid()
      .notNull()
      .references(() => workshop.id),
    personId: uuid().references(() => person.id),
    at: moment().notNull(),
    kind: text().$type<StoredFact['kind']>().notNull(),
    subjectId: uuid().notNull(),
    fact: jsonb().$type<StoredFact>().notNull(),
  },
  (t) => [index().on(t.workshopId), index().on(t.subjectId), index().on(t.personId)],
);

/** Projection: pieces of each hand, as last counted. */
export const stockLevel = pgTable('stock_level', {
  propModelId: uuid().primaryKey(),
  cwCount: integer().notNull(),
  ccwCount: integer().notNull(),
  countedAt: moment().notNull(),
});

/** Projection: kept runs with what the line needs of them. */
export const standFact = pgTable(
  'stand_fact',
  {
    runId: uuid().primaryKey(),
    craftId: uuid().notNull(),
    propModelId: uuid().notNull(),
    keptAt: moment().notNull(),
    maxCurrentA: doublePrecision(),
    maxSpeedRpm: doublePrecision(),
    /** False once the run is deleted or corrected. */
    isCurrent: boolean().notNull(),
  },
  (t) => [index().on(t.craftId, t.propModelId)],
);

/** Projection: where a piece stands, replayed from its events. */
export const pieceLife = pgTable(
  'piece_life',
  {
    pieceId: uuid().primaryKey(),
    state: text().$type<(typeof pieceStates)[number]>().notNull(),
    stateBefore: text().$type<(typeof pieceStates)[number]>(),
    retiredAs: text().$type<(typeof retirements)[number]>(),
    craftId: uuid(),
    place: text().$type<(typeof rotorPlaces)[number]>(),
    level: integer().notNull(),
    setId: uuid(),
    location: text(),
    isTruedStatic: boolean().notNull(),
    isTruedDynamic: boolean().notNull(),
    touchedAt: moment().notNull(),
  },
  (t) => [index().on(t.state), index().on(t.craftId), index().on(t.setId)],
);
