import { Injectable } from '@nestjs/common';
import { and, asc, desc, eq, gt } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { person } from '../workshop/workshop.table.ts';
import { event } from './event.table.ts';
import type { Fact, FactKind } from './facts.ts';
import { Projectors } from './projectors.ts';

type EventRow = typeof event.$inferInsert;

const REPLAY_BATCH = 500;

/** An event as whoever asks for the last of its kind needs it. */
export interface NewestEvent<K extends FactKind = FactKind> {
  sequence: number;
  at: Date;
  personName: string | null;
  fact: Fact<K>;
}

/** Something that happened to a subject. */
export interface SubjectEvent extends NewestEvent {
  personId: string | null;
}

@Injectable()
export class EventRepository {
  constructor(private readonly projectors: Projectors) {}

  /** Writes an event and what follows from it; the caller's transaction holds both. */
  async append(tx: DbOrTx, row: EventRow): Promise<void> {
    await tx.insert(event).values(row);
    await this.projectors.project(tx, row.fact, row);
  }

  /** Empties the projections and replays every event in order. */
  async rebuild(tx: DbOrTx): Promise<number> {
    await this.projectors.reset(tx);
    let last = 0;
    let replayed = 0;
    for (;;) {
      const rows = await tx
        .select()
        .from(event)
        .where(gt(event.sequence, last))
        .orderBy(asc(event.sequence))
        .limit(REPLAY_BATCH);
      for (const row of rows) await this.projectors.project(tx, row.fact, row);
      replayed += rows.length;
      if (rows.length < REPLAY_BATCH) return replayed;
      last = rows.at(-1)!.sequence;
    }
  }

  /** What happened to one subject, the newest first. */
  async ofSubject(db: DbOrTx, subjectId: string, limit: number): Promise<SubjectEvent[]> {
    return db
      .select({
        sequence: event.sequence,
        at: event.at,
        personId: event.personId,
        personName: person.name,
        fact: event.fact,
      })
      .from(event)
      .leftJoin(person, eq(person.id, event.personId))
      .where(eq(event.subjectId, subjectId))
      .orderBy(desc(event.sequence))
      .limit(limit);
  }

  /** Events of one kind of a subject, the newest first, of so many that there are. */
  async pageOf<K extends FactKind>(
    db: DbOrTx,
    subjectId: string,
    kind: K,
    limit: number,
  ): Promise<{ rows: NewestEvent<K>[]; total: number }> {
    const where = and(eq(event.subjectId, subjectId), eq(event.kind, kind));
    const rows = await db
      .select({ sequence: event.sequence, at: event.at, personName: person.name, fact: event.fact })
      .from(event)
      .leftJoin(person, eq(person.id, event.personId))
      .where(where)
      .orderBy(desc(event.sequence))
      .limit(limit);
    return {
      rows: rows.map(({ fact, ...row }) => ({ ...row, fact: fact as unknown as Fact<K> })),
      total: rows.length < limit ? rows.length : await db.$count(event, where),
    };
  }

  /** The newest event of a kind for each of some subjects. */
  async newestOf<K extends FactKind>(db: DbOrTx, subjectIds: string[], kind: K): Promise<Map<string, NewestEvent<K>>> {
    if (subjectIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([event.subjectId], {
        subjectId: event.subjectId,
        sequence: event.sequence,
        at: event.at,
        personName: person.name,
        fact: event.fact,
      })
      .from(event)
      .leftJoin(person, eq(person.id, event.personId))
      .where(and(oneOfIds(event.subjectId, subjectIds), eq(event.kind, kind)))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(
      rows.map(({ subjectId, fact, ...newest }) => [subjectId, { ...newest, fact: fact as unknown as Fact<K> }]),
    );
  }
}
