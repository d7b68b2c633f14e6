import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type CreateFlightCardDto, type FlightProtocolDto, type FlyView } from '@zivvo/contract';
import { bySeverity, compareFlights, flightRule, USUAL_PROTOCOL, type FlightProtocol } from '@zivvo/core';
import { FlightService } from '../care/flight.service.ts';
import { NotFoundError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { writtenModelName } from '../rack/propModel.mapper.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { HeightsCrossedError } from './fly.errors.ts';
import { currentReasons, toFlightCardView, toFlownCard } from './fly.mapper.ts';
import { FlightCardRepository, FlightProtocolRepository, type WholeCard } from './fly.repository.ts';
import { StaticFigures } from './staticFigures.service.ts';

/** Flights by protocol and what they say side by side. */
@Injectable()
export class FlyService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly models: PropModelRepository,
    private readonly cards: FlightCardRepository,
    private readonly protocols: FlightProtocolRepository,
    private readonly flights: FlightService,
    private readonly standing: StaticFigures,
  ) {}

  async ofCraft(craftId: string): Promise<FlyView> {
    const craft = await this.crafts.find(this.db, craftId);
    const protocol = await this.protocolOf(this.db, craftId);
    const { rows, total } = await this.cards.ofCrafts(this.db, [craftId], LIST_MAX);
    const models = new Map(rows.map((r) => [r.card.propModelId, r.model]));
    const flown = rows.map((row) => toFlownCard(row, craft));
    const rule = flightRule(flown, protocol.version);
    const comparison = compareFlights(
      rows.map((row, i) => ({
        cardId: row.card.id,
        propId: row.card.propModelId,
        propName: writtenModelName(row.model),
        card: flown[i]!,
      })),
      craft.referencePropModelId,
      protocol.version,
    );
    const standing = await this.standing.of(
      craft,
      comparison.props.map(({ propId, figures }) => ({
        model: models.get(propId)!,
        airspeedMPerS: figures.airspeedMPerS?.mean ?? null,
      })),
      rule.payloadKg,
    );
    return {
      protocol,
      cards: rows.map((row, i) => toFlightCardView(row, craft, rule, nthOf(rows, i))),
      total,
      isCut: total > rows.length,
      referencePropModelId: craft.referencePropModelId,
      comparison: {
        ...comparison,
        reasons: bySeverity([...comparison.reasons, ...currentReasons(comparison.props, standing)]),
      },
      static: standing,
    };
  }

  /** A card and its flight, or neither; sending it again changes nothing. */
  async add(craftId: string, dto: CreateFlightCardDto): Promise<FlyView> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.models.find(this.db, dto.propModelId);
    const { version, ...how } = await this.protocolOf(this.db, craftId);
    const { id, flight, ...said } = dto;
    await this.db.transaction(async (tx) => {
      await this.flights.addIn(tx, craft, flight, dto.propModelId);
      await this.cards.add(tx, {
        ...this.rows.newRow(id),
        ...said,
        ...how,
        craftId,
        flightId: flight.id,
        protocolVersion: version,
      });
    });
    return this.ofCraft(craftId);
  }

  /** Takes a card out together with its flight and what that counted. */
  async remove(craftId: string, id: string): Promise<void> {
    const { flightId } = await this.cards.find(this.db, id);
    await this.flights.remove(craftId, flightId);
    await this.cards.remove(this.db, id, this.rows.now());
  }

  async restore(craftId: string, id: string): Promise<FlyView> {
    await this.db.transaction(async (tx) => {
      await this.cards.restore(tx, id);
      if ((await this.cards.find(tx, id)).craftId !== craftId) throw new NotFoundError('flight card', id);
    });
    const { flightId } = await this.cards.find(this.db, id);
    await this.flights.restore(craftId, flightId);
    return this.ofCraft(craftId);
  }

  /** Another way of flying is another version: what was flown by the one before does not count beside it. */
  async setProtocol(craftId: string, { angleDegrees, lowerM, upperM }: FlightProtocolDto): Promise<FlyView> {
    if (lowerM >= upperM) throw new HeightsCrossedError(lowerM, upperM);
    await this.crafts.find(this.db, craftId);
    const now = await this.protocolOf(this.db, craftId);
    if (now.angleDegrees !== angleDegrees || now.lowerM !== lowerM || now.upperM !== upperM)
      await this.protocols.add(this.db, {
        ...this.rows.newRow(this.rows.makeId()),
        craftId,
        version: now.version + 1,
        angleDegrees,
        lowerM,
        upperM,
      });
    return this.ofCraft(craftId);
  }

  private async protocolOf(db: DbOrTx, craftId: string): Promise<FlightProtocol> {
    const own = await this.protocols.inForce(db, craftId);
    if (own === null) return USUAL_PROTOCOL;
    const { angleDegrees, lowerM, upperM, version } = own;
    return { angleDegrees, lowerM, upperM, version };
  }
}

/** The how-manieth flight of its prop a card is, in a list that begins with the newest. */
function nthOf(rows: readonly WholeCard[], index: number): number {
  return rows.slice(index).filter((r) => r.card.propModelId === rows[index]!.card.propModelId).length;
}
