import { sql } from 'drizzle-orm';
import type { Db } from '../database/database.ts';

/** Version of the PostgreSQL behind the database, as it tells itself. */
export async function postgresVersion(db: Db): Promise<string> {
  const { rows } = await db.execute<{ version: string }>(sql`select current_setting('server_version') as version`);
  return rows[0]?.version ?? '';
}
