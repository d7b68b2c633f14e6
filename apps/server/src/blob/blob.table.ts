import { bigint, index, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { moment } from '../database/moment.ts';
import { person, workshop } from '../workshop/workshop.table.ts';

/** A file beside the database, named by its own digest; the row is written after the file is safe. */
export const blob = pgTable(
  'blob',
  {
    sha256: text().primaryKey(),
    workshopId: uuid()
      .notNull()
      .references(() => workshop.id),
    personId: uuid().references(() => person.id),
    size: bigint({ mode: 'number' }).notNull(),
    mediaType: text().notNull(),
    name: text().notNull(),
    createdAt: moment().notNull(),
  },
  (t) => [index().on(t.workshopId), index().on(t.personId)],
);
