import { sql } from 'drizzle-orm';
import type { DbOrTx } from './database.ts';

/** Lets one transaction at a time go on from here, over all servers of a database; the others wait until it ends. */
export async function oneAtATime(tx: DbOrTx, what: string): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${what}))`);
}
