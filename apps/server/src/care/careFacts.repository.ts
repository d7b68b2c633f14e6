import { Inject, Injectable } from '@nestjs/common';
import { and, count, desc, eq, gt, isNotNull, isNull, or, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { event } from '../event/event.table.ts';
import { motorPiece } from '../rack/part.table.ts';
import type { LastLook } from '../ready/sources.ts';
import { flight, strike, walkaround } from './care.table.ts';

/** What the ledger knows of looks, flights and strikes; what came before what is told by its numbers. */
@Injectable()
export class CareFactsRepository {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  async lastLooks(db: DbOrTx, craftIds: string[]): Promise<Map<string, LastLook>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([event.subjectId], {
        craftId: event.subjectId,
        sequence: event.sequence,
        at: event.at,
        durationS: walkaround.durationS,
        looks: walkaround.looks,
      })
      .from(event)
      .innerJoin(walkaround, sql`${walkaround.id} = (${event.fact} ->> 'walkaroundId')::uuid`)
      .where(and(oneOfIds(event.subjectId, craftIds), eq(event.kind, 'walkedRound'), isNull(walkaround.deletedAt)))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(rows.map(({ craftId, ...look }) => [craftId, look]));
  }

  /** Flights and strikes of craft after an event each, those that were taken out left out. */
  async happenedAfter(
    db: DbOrTx,
    after: ReadonlyMap<string, number>,
  ): Promise<Map<string, { flights: number; strikes: number }>> {
    const found = new Map([...after.keys()].map((id) => [id, { flights: 0, strikes: 0 }]));
    if (after.size === 0) return found;
    const since = sql.join(
      [...after].map(([craftId, sequence]) => sql`(${craftId}::uuid, ${sequence}::bigint)`),
      sql`, `,
    );
    const rows = await db
      .select({ craftId: event.subjectId, kind: event.kind, total: count() })
      .from(sql`(values ${since}) as since (craft_id, last)`)
      .innerJoin(event, sql`${event.subjectId} = since.craft_id and ${event.sequence} > since.last`)
      .leftJoin(flight, and(eq(event.kind, 'flown'), sql`${flight.id} = (${event.fact} ->> 'flightId')::uuid`))
      .leftJoin(strike, and(eq(event.kind, 'struck'), sql`${strike.id} = (${event.fact} ->> 'strikeId')::uuid`))
      .where(
        or(
          and(eq(event.kind, 'flown'), isNotNull(flight.id), isNull(flight.deletedAt)),
          and(eq(event.kind, 'struck'), isNotNull(strike.id), isNull(strike.deletedAt)),
        ),
      )
      .groupBy(event.subjectId, event.kind);
    for (const { craftId, kind, total } of rows) found.get(craftId)![kind === 'flown' ? 'flights' : 'strikes'] = total;
    return found;
  }

  /** Struck motors of craft that nobody has felt since. */
  async motorsToFeel(db: DbOrTx, craftIds: string[]): Promise<{ craftId: string | null; tag: string }[]> {
    if (craftIds.length === 0) return [];
    return db
      .select({ craftId: motorPiece.craftId, tag: motorPiece.tag })
      .from(motorPiece)
      .where(
        and(
          eq(motorPiece.workshopId, this.workshop.id),
          isNull(motorPiece.deletedAt),
          oneOfIds(motorPiece.craftId, craftIds),
          gt(motorPiece.strikeCount, 0),
          isNull(motorPiece.bearing),
        ),
      )
      .orderBy(motorPiece.tag);
  }
}
