import type { Fact, FactKind } from './facts.ts';
import { bigserial, index, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
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
    kind: text().$type<FactKind>().notNull(),
    subjectId: uuid().notNull(),
    fact: jsonb().$type<Fact>().notNull(),
  },
  (t) => [index().on(t.workshopId), index().on(t.subjectId, t.kind), index().on(t.personId)],
);
