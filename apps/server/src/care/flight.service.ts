import { Inject, Injectable } from '@nestjs/common';
import type { CreateFlightDto } from '@zivvo/contract';
import { NotFoundError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PartService } from '../rack/part.service.ts';
import { FlightRepository } from './care.repository.ts';
import { FlightWear } from './flightWear.service.ts';
import { StrikeService } from './strike.service.ts';

/** Flights, as the log counts them. */
@Injectable()
export class FlightService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly flights: FlightRepository,
    private readonly wear: FlightWear,
    private readonly strikes: StrikeService,
    private readonly parts: PartService,
    private readonly ledger: EventLedger,
  ) {}

  /** A flight: life counts for every piece that was on, and strikes ask about their motors. */
  async add(craftId: string, dto: CreateFlightDto): Promise<void> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.db.transaction((tx) => this.addIn(tx, craft, dto));
  }

  /**
   * The same within a transaction of whoever writes more of the flight down.
   *
   * @param propModelId - the model that flew, where it is told: pieces of another one on the craft did not
   */
  async addIn(tx: DbOrTx, craft: CraftRow, dto: CreateFlightDto, propModelId: string | null = null): Promise<void> {
    const craftId = craft.id;
    const now = this.rows.now();
    const isNew = await this.flights.add(tx, {
      ...this.rows.newRow(dto.id),
      craftId,
      flownAt: now,
      durationS: dto.durationS,
      packPieceId: dto.packPieceId ?? null,
      note: dto.note ?? null,
    });
    if (!isNew) return;
    await this.ledger.record(tx, craftId, { kind: 'flown', craftId, flightId: dto.id, durationS: dto.durationS });
    const worn = (await this.wear.of(tx, craft)).filter(
      ({ living }) => propModelId === null || living.piece.propModelId === propModelId,
    );
    await this.flights.addPieces(
      tx,
      worn.map(({ living, speedRpm }) => ({ flightId: dto.id, pieceId: living.piece.id, speedRpm })),
    );
    for (const strike of dto.strikes)
      await this.strikes.note(
        tx,
        craft,
        worn.map((w) => w.living),
        strike,
        dto.id,
      );
    await this.parts.noteHours(tx, craftId, dto.durationS / 3600);
  }

  /** A flight that was typed wrongly goes out with the strikes that were told with it, and with what both counted. */
  /** @throws {NotFoundError} if there is no such flight of this craft; nothing is changed then */
  async remove(craftId: string, id: string): Promise<void> {
    await this.db.transaction(async (tx) => {
      const { durationS } = await this.findOf(tx, craftId, id);
      await this.flights.remove(tx, id, this.rows.now());
      await this.strikes.markOfFlight(tx, id, this.rows.now());
      await this.parts.noteHours(tx, craftId, -durationS / 3600);
      await this.ledger.record(tx, craftId, { kind: 'flightRemoved', craftId, flightId: id });
    });
  }

  /** @throws {NotFoundError} if there is no such flight of this craft; nothing is changed then */
  async restore(craftId: string, id: string): Promise<void> {
    await this.db.transaction(async (tx) => {
      if (await this.flights.isThere(tx, id)) return;
      await this.flights.restore(tx, id);
      await this.strikes.markOfFlight(tx, id, null);
      const { durationS } = await this.findOf(tx, craftId, id);
      await this.parts.noteHours(tx, craftId, durationS / 3600);
      await this.ledger.record(tx, craftId, { kind: 'flightRestored', craftId, flightId: id });
    });
  }

  private async findOf(tx: DbOrTx, craftId: string, id: string): Promise<{ durationS: number }> {
    const row = await this.flights.find(tx, id);
    if (row.craftId !== craftId) throw new NotFoundError('flight', id);
    return row;
  }
}
