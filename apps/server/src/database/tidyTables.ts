import { sql } from 'drizzle-orm';
import type { Db } from './database.ts';

/** Tidies and counts every table, so that whoever copies the database knows how large they are. */
export async function tidyTables(db: Db): Promise<void> {
  await db.execute(sql`vacuum (analyze)`);
}
