import { Inject, Injectable } from '@nestjs/common';
import { and, count, desc, eq, gt, inArray, isNull, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
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
      .where(and(inArray(event.subjectId, craftIds), eq(event.kind, 'walkedRound'), isNull(walkaround.deletedAt)))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(rows.map(({ craftId, ...look }) => [craftId, look]));
  }

  /** Flights of a craft after an event, those that were taken out left out. */
  async flightsAfter(db: DbOrTx, craftId: string, sequence: number): Promise<number> {
    const [row] = await db
      .select({ total: count() })
      .from(event)
      .innerJoin(flight, sql`${flight.id} = (${event.fact} ->> 'flightId')::uuid`)
      .where(
        and(
          eq(event.subjectId, craftId),
          eq(event.kind, 'flown'),
          gt(event.sequence, sequence),
          isNull(flight.deletedAt),
        ),
      );
    return row?.total ?? 0;
  }

  /** Strikes of a craft after an event, those that were taken out left out. */
  async strikesAfter(db: DbOrTx, craftId: string, sequence: number): Promise<number> {
    const [row] = await db
      .select({ total: count() })
      .from(event)
      .innerJoin(strike, sql`${strike.id} = (${event.fact} ->> 'strikeId')::uuid`)
      .where(
        and(
          eq(event.subjectId, craftId),
          eq(event.kind, 'struck'),
          gt(event.sequence, sequence),
          isNull(strike.deletedAt),
        ),
      );
    return row?.total ?? 0;
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
          inArray(motorPiece.craftId, craftIds),
          gt(motorPiece.strikeCount, 0),
          isNull(motorPiece.bearing),
        ),
      )
      .orderBy(motorPiece.tag);
  }
}
