import { sql } from 'drizzle-orm';
import fs from 'node:fs';
import type { Db } from '../database/database.ts';

/** Runs one migration again, all of it or nothing, on tables that a test has put back to what they were before. */
export async function runMigration(db: Db, file: string): Promise<void> {
  const text = fs.readFileSync(new URL(`../../drizzle/${file}`, import.meta.url), 'utf8');
  await db.transaction(async (tx) => {
    for (const statement of text.split('--> statement-breakpoint')) await tx.execute(sql.raw(statement));
  });
}
