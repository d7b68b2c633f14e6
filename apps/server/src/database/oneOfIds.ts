import { sql, type AnyColumn, type SQL } from 'drizzle-orm';

/**
 * Whether a column is one of some ids, which go as one value: the question is the same however many there are, so that
 * the database reads it once, and nobody builds a text of a thousand places.
 */
export function oneOfIds(column: AnyColumn, ids: readonly string[]): SQL {
  return sql`${column} = any(${sql.param([...ids])}::uuid[])`;
}
