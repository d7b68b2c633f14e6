import { index, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { moment } from '../database/moment.ts';

/** The workshop that a folder belongs to; one today, several when workshops share a server. */
export const workshop = pgTable('workshop', {
  id: uuid().primaryKey(),
  name: text().notNull(),
  kind: text().$type<'own' | 'demo'>().notNull(),
  createdAt: moment().notNull(),
});

export const person = pgTable(
  'person',
  {
    id: uuid().primaryKey(),
    workshopId: uuid()
      .notNull()
      .references(() => workshop.id),
    name: text().notNull(),
    createdAt: moment().notNull(),
  },
  (t) => [index().on(t.workshopId)],
);
