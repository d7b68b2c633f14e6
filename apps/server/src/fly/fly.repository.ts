import { Inject, Injectable } from '@nestjs/common';
import { and, count, desc, eq, isNull, lte, sql, type InferSelectModel } from 'drizzle-orm';
import { flight } from '../care/care.table.ts';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { packPiece } from '../rack/part.table.ts';
import { propModel } from '../rack/propModel.table.ts';
import { flightCard, flightProtocol } from './fly.table.ts';

export type FlightCardRow = InferSelectModel<typeof flightCard>;
export type FlightProtocolRow = InferSelectModel<typeof flightProtocol>;

/** A card with what it points at. */
export interface WholeCard {
  card: FlightCardRow;
  flight: Pick<InferSelectModel<typeof flight>, 'flownAt' | 'durationS' | 'packPieceId' | 'note'>;
  pack: Pick<InferSelectModel<typeof packPiece>, 'chemistry' | 'capacityAh'> | null;
  model: InferSelectModel<typeof propModel>;
}

@Injectable()
export class FlightProtocolRepository extends RowRepository<typeof flightProtocol> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(flightProtocol, 'protocol', workshop.id);
  }

  /** The version in force; null where a craft has none of its own yet. */
  async inForce(db: DbOrTx, craftId: string): Promise<FlightProtocolRow | null> {
    return (await this.ofCrafts(db, [craftId])).get(craftId) ?? null;
  }

  /** The version in force of each craft that has one of its own. */
  async ofCrafts(db: DbOrTx, craftIds: readonly string[]): Promise<Map<string, FlightProtocolRow>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([flightProtocol.craftId])
      .from(flightProtocol)
      .where(
        and(
          eq(flightProtocol.workshopId, this.workshop.id),
          isNull(flightProtocol.deletedAt),
          oneOfIds(flightProtocol.craftId, craftIds),
        ),
      )
      .orderBy(flightProtocol.craftId, desc(flightProtocol.version));
    return new Map(rows.map((row) => [row.craftId, row]));
  }
}

@Injectable()
export class FlightCardRepository extends RowRepository<typeof flightCard> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(flightCard, 'flight card', workshop.id);
  }

  /**
   * Cards of craft whose flights still count, the newest first, and how many there are in all.
   *
   * @param perCraft - at most so many of each, so that no craft loses its own to another
   */
  async ofCrafts(
    db: DbOrTx,
    craftIds: readonly string[],
    perCraft: number,
  ): Promise<{ rows: WholeCard[]; total: number }> {
    if (craftIds.length === 0) return { rows: [], total: 0 };
    const where = and(
      eq(flightCard.workshopId, this.workshop.id),
      oneOfIds(flightCard.craftId, craftIds),
      isNull(flightCard.deletedAt),
      isNull(flight.deletedAt),
    );
    const order = sql`${flight.flownAt} desc, ${flightCard.createdAt} desc`;
    const ranked = db
      .select({
        id: flightCard.id,
        place: sql<number>`row_number() over (partition by ${flightCard.craftId} order by ${order})`.as('place'),
      })
      .from(flightCard)
      .innerJoin(flight, eq(flight.id, flightCard.flightId))
      .where(where)
      .as('ranked');
    const rows = await db
      .select({
        card: flightCard,
        flight: {
          flownAt: flight.flownAt,
          durationS: flight.durationS,
          packPieceId: flight.packPieceId,
          note: flight.note,
        },
        pack: { chemistry: packPiece.chemistry, capacityAh: packPiece.capacityAh },
        model: propModel,
      })
      .from(flightCard)
      .innerJoin(ranked, and(eq(ranked.id, flightCard.id), lte(ranked.place, perCraft)))
      .innerJoin(flight, eq(flight.id, flightCard.flightId))
      .innerJoin(propModel, eq(propModel.id, flightCard.propModelId))
      .leftJoin(packPiece, eq(packPiece.id, flight.packPieceId))
      .orderBy(order);
    const [counted] = await db
      .select({ total: count() })
      .from(flightCard)
      .innerJoin(flight, eq(flight.id, flightCard.flightId))
      .where(where);
    return { rows, total: counted?.total ?? 0 };
  }
}
