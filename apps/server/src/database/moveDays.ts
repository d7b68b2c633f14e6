import type { PGlite } from '@electric-sql/pglite';

const DAY_MS = 86_400_000;

/** Last day of a workshop that was played to be copied; copies are moved from it to their own first day. */
export const PLAYED_DAY = new Date(2026, 5, 15, 23, 59);

interface MomentColumn {
  table: string;
  columns: string[];
}

/**
 * Moves every moment of a database by as many whole local days as lie between two days; what would be later than the
 * second one was a minute before it.
 *
 * @param zone - whose days they are, as PostgreSQL names it
 */
export async function moveDays(
  database: PGlite,
  from: Date,
  to: Date,
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone,
): Promise<void> {
  const days = Math.round((midnight(to) - midnight(from)) / DAY_MS);
  const latest = new Date(to.getTime() - 60_000).toISOString();
  const found = await database.query<MomentColumn>(
    'select table_name as "table", array_agg(column_name::text) as columns from information_schema.columns ' +
      `where table_schema = 'public' and data_type = 'timestamp with time zone' group by table_name`,
  );
  await database.transaction(async (tx) => {
    for (const { table, columns } of found.rows) {
      // The least of nothing and a moment is that moment: what is empty stays so.
      const moved = columns.map(
        (c) =>
          `"${c}" = case when "${c}" is not null then least((("${c}" at time zone $1) + make_interval(days => ` +
          '$2::int)) at time zone $1, $3::timestamptz) end',
      );
      await tx.query(`update "${table}" set ${moved.join(', ')}`, [zone, days, latest]);
    }
  });
}

function midnight(moment: Date): number {
  return new Date(moment.getFullYear(), moment.getMonth(), moment.getDate()).getTime();
}
