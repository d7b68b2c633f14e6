import type { FoundView } from '@zivvo/contract';
import { and, desc, eq, ilike, isNull, or } from 'drizzle-orm';
import type { AnyPgColumn, PgTable } from 'drizzle-orm/pg-core';
import { jobTicket } from '../care/care.table.ts';
import { craft } from '../craft/craft.table.ts';
import type { DbOrTx } from '../database/database.ts';
import { frozenVerdict } from '../judge/judge.table.ts';
import { listening } from '../listen/listen.table.ts';
import { campaign } from '../stand/stand.table.ts';

/** Something that can be found, and when it was worked on last. */
export type DatedFound = FoundView & { at: string };

type CraftTable = PgTable & Record<'id' | 'craftId' | 'workshopId' | 'updatedAt' | 'deletedAt', AnyPgColumn>;

/** Things of craft that have a title of their own. */
const KINDS: readonly { kind: FoundView['kind']; table: CraftTable; title: AnyPgColumn }[] = [
  { kind: 'campaign', table: campaign, title: campaign.name },
  { kind: 'listening', table: listening, title: listening.place },
  { kind: 'ticket', table: jobTicket, title: jobTicket.complaint },
  { kind: 'verdict', table: frozenVerdict, title: frozenVerdict.note },
];

/**
 * Evenings, listenings, tickets and verdicts, the newest of each kind first.
 *
 * @param pattern - that the title or the craft's name is like; null for all
 * @param most - of each kind
 */
export async function craftThings(
  db: DbOrTx,
  workshopId: string,
  pattern: string | null,
  most: number,
): Promise<DatedFound[]> {
  const found = await Promise.all(
    KINDS.map(async ({ kind, table, title }) => {
      const rows = await db
        .select({ id: table.id, title, craftId: craft.id, craftName: craft.name, at: table.updatedAt })
        .from(table as PgTable)
        .innerJoin(craft, eq(craft.id, table.craftId))
        .where(
          and(
            eq(table.workshopId, workshopId),
            isNull(table.deletedAt),
            isNull(craft.deletedAt),
            pattern === null ? undefined : or(ilike(title, pattern), ilike(craft.name, pattern)),
          ),
        )
        .orderBy(desc(table.updatedAt))
        .limit(most);
      return rows.map((row): DatedFound => ({
        kind,
        id: row.id as string,
        title: (row.title as string | null) ?? 'without a word',
        detail: row.craftName,
        craftId: row.craftId,
        propModelId: null,
        at: (row.at as Date).toISOString(),
      }));
    }),
  );
  return found.flat();
}
