import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type StrikeDto } from '@zivvo/contract';
import { strikeSeverity } from '@zivvo/core';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PartService } from '../rack/part.service.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { NoSuchArmError } from './care.errors.ts';
import { StrikeRepository } from './care.repository.ts';

/** What blades hit, and what that asks of pieces and motors. */
@Injectable()
export class StrikeService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly pieces: PieceRepository,
    private readonly strikes: StrikeRepository,
    private readonly parts: PartService,
    private readonly ledger: EventLedger,
  ) {}

  async add(craftId: string, dto: StrikeDto): Promise<void> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) =>
      this.note(tx, craft, await this.pieces.onCraft(tx, craftId, LIST_MAX), dto, null),
    );
  }

  /** Writes a strike down inside the caller's transaction: what it hit, and whose motors are to be felt. */
  async note(
    tx: DbOrTx,
    craft: CraftRow,
    on: readonly LivingPiece[],
    { id, thing, throttleRatio, isCrash, arms, note }: StrikeDto,
    flightId: string | null,
  ): Promise<void> {
    for (const arm of arms)
      if (!craft.rotors.some((r) => r.place === arm.place && r.level === arm.level))
        throw new NoSuchArmError(craft.name, arm.place);
    const severity = strikeSeverity(thing, throttleRatio);
    const isNew = await this.strikes.add(tx, {
      ...this.rows.newRow(id),
      craftId: craft.id,
      struckAt: this.rows.now(),
      flightId,
      thing,
      throttleRatio,
      severity,
      isCrash,
      arms,
      note: note ?? null,
    });
    if (!isNew) return;
    await this.ledger.record(tx, craft.id, {
      kind: 'struck',
      craftId: craft.id,
      strikeId: id,
      thing,
      throttleRatio,
      severity,
      isCrash,
    });
    const struck = on.filter((p) => arms.some((a) => a.place === p.life.place && a.level === p.life.level));
    await this.strikes.addPieces(
      tx,
      struck.map(({ piece }) => ({ strikeId: id, pieceId: piece.id })),
    );
    for (const { piece } of struck)
      await this.ledger.record(tx, piece.id, {
        kind: 'pieceStruck',
        pieceId: piece.id,
        craftId: craft.id,
        thing,
        severity,
      });
    await this.parts.noteStrike(
      tx,
      craft.id,
      arms.map((a) => a.place),
    );
  }

  /** Takes the strikes of a flight out with all that they counted, or puts them back. */
  async markOfFlight(tx: DbOrTx, flightId: string, deletedAt: Date | null): Promise<void> {
    for (const { craftId, arms, deletedAt: before } of await this.strikes.ofFlight(tx, flightId)) {
      if ((before === null) === (deletedAt === null)) continue;
      const places = arms.map((a) => a.place);
      if (deletedAt === null) await this.parts.noteStrike(tx, craftId, places);
      else await this.parts.takeBackStrike(tx, craftId, places);
    }
    await this.strikes.markOfFlight(tx, flightId, deletedAt);
  }
}
