import { Inject, Injectable } from '@nestjs/common';
import { and, count, desc, eq, gt, inArray, isNull, max, sql } from 'drizzle-orm';
import { flight, strike, walkaround, type StoredLook } from '../care/care.table.ts';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { event } from '../event/event.table.ts';
import { motorPiece } from '../workshop/pieces.table.ts';

/** The newest walkaround of a craft, as the ledger numbers it. */
export interface LastLook {
  sequence: number;
  at: Date;
  durationS: number;
  looks: StoredLook[];
}

/** What the ledger knows that decides whether craft may fly; what came before what is told by its numbers. */
@Injectable()
export class ReadyRepository {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  async lastLooks(db: DbOrTx, craftIds: string[]): Promise<Map<string, LastLook>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([event.subjectId], { craftId: event.subjectId, sequence: event.sequence, at: event.at, durationS: walkaround.durationS, looks: walkaround.looks })
      .from(event)
      .innerJoin(walkaround, sql`${walkaround.id} = (${event.fact} ->> 'walkaroundId')::uuid`)
      .where(and(inArray(event.subjectId, craftIds), eq(event.kind, 'walkedRound'), isNull(walkaround.deletedAt)))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(rows.map(({ craftId, ...look }) => [craftId, look]));
  }

  /** Number of the newest signature of each craft. */
  async signatures(db: DbOrTx, craftIds: string[]): Promise<Map<string, number>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db.select({ craftId: event.subjectId, last: max(event.sequence) }).from(event).where(and(inArray(event.subjectId, craftIds), eq(event.kind, 'fittingConfirmed'))).groupBy(event.subjectId);
    return new Map(rows.map((r) => [r.craftId, Number(r.last)]));
  }

  /** Number of the newest change of each arm, by craft and then by place and level. */
  async armChanges(db: DbOrTx, craftIds: string[]): Promise<Map<string, Map<string, number>>> {
    const found = new Map<string, Map<string, number>>(craftIds.map((id) => [id, new Map()]));
    if (craftIds.length === 0) return found;
    const [place, level] = [sql<string>`${event.fact} ->> 'place'`, sql<string>`${event.fact} ->> 'level'`];
    const rows = await db.select({ craftId: event.subjectId, place, level, last: max(event.sequence) }).from(event).where(and(inArray(event.subjectId, craftIds), eq(event.kind, 'armChanged'))).groupBy(event.subjectId, place, level);
    for (const r of rows) found.get(r.craftId)!.set(armKey(r.place, Number(r.level)), Number(r.last));
    return found;
  }

  /** Flights of each craft after an event, those that were taken out left out. */
  async flightsAfter(db: DbOrTx, craftId: string, sequence: number): Promise<number> {
    const [row] = await db.select({ total: count() }).from(event).innerJoin(flight, sql`${flight.id} = (${event.fact} ->> 'flightId')::uuid`).where(and(eq(event.subjectId, craftId), eq(event.kind, 'flown'), gt(event.sequence, sequence), isNull(flight.deletedAt)));
    return row?.total ?? 0;
  }

  /** Strikes of a craft after an event, those that were taken out left out. */
  async strikesAfter(db: DbOrTx, craftId: string, sequence: number): Promise<number> {
    const [row] = await db.select({ total: count() }).from(event).innerJoin(strike, sql`${strike.id} = (${event.fact} ->> 'strikeId')::uuid`).where(and(eq(event.subjectId, craftId), eq(event.kind, 'struck'), gt(event.sequence, sequence), isNull(strike.deletedAt)));
    return row?.total ?? 0;
  }

  /** Struck motors of craft that nobody has felt since. */
  async motorsToFeel(db: DbOrTx, craftIds: string[]): Promise<{ craftId: string | null; tag: string }[]> {
    if (craftIds.length === 0) return [];
    return db.select({ craftId: motorPiece.craftId, tag: motorPiece.tag }).from(motorPiece).where(and(eq(motorPiece.workshopId, this.workshop.id), isNull(motorPiece.deletedAt), inArray(motorPiece.craftId, craftIds), gt(motorPiece.strikeCount, 0), isNull(motorPiece.bearing))).orderBy(motorPiece.tag);
  }
}

/** An arm as a key of a map. */
export function armKey(place: string, level: number): string {
  return `${place}/${level}`;
}
