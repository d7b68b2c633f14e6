import type { Range } from '@zivvo/contract';
import { sql, type AnyColumn } from 'drizzle-orm';
import { check, integer, uuid, type CheckBuilder } from 'drizzle-orm/pg-core';
import { moment } from './moment.ts';
import { person, workshop } from '../workshop/workshop.table.ts';

/** The workshop that a row belongs to. */
export const workshopColumn = () =>
  uuid()
    .notNull()
    .references(() => workshop.id);

/** What every row carries: its maker-made id, workshop, revision, person and dates; deleting only marks. */
export const rowColumns = () => ({
  id: uuid().primaryKey(),
  workshopId: workshopColumn(),
  revision: integer().notNull().default(1),
  personId: uuid().references(() => person.id),
  createdAt: moment().notNull(),
  updatedAt: moment().notNull(),
  deletedAt: moment(),
});

/** Bounds on both sides, because NaN passes `>=` in PostgreSQL. The name leads back to the field. */
export function within(table: string, columnName: string, column: AnyColumn, { min, max }: Range): CheckBuilder {
  return check(
    `${table}_${columnName}_check`,
    sql`${column} between ${sql.raw(String(min))} and ${sql.raw(String(max))}`,
  );
}

/** One of a fixed set of words. */
export function oneOf(table: string, columnName: string, column: AnyColumn, words: readonly string[]): CheckBuilder {
  return check(`${table}_${columnName}_check`, sql`${column} in (${sql.raw(words.map((w) => `'${w}'`).join(', '))})`);
}
