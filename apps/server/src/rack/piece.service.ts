import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  PIECE_PAGE_MAX,
  type AvailableView,
  type BulkPieceActionDto,
  type MeasurePieceDto,
  type PieceActionDto,
  type PieceDetailView,
  type PieceListView,
  type PieceQueryDto,
  type PieceView,
  type UpdatePieceDto,
} from '@zivvo/contract';
import { isRetiring, refusalOf, type PieceAction } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { NotFoundError } from '../common/featureError.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import type { Fact } from '../event/facts.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { requireHand, requireReleased } from './fitRules.ts';
import { FitRefusedError, IncompleteActionError, PieceRefusedError } from './piece.errors.ts';
import { toEventView, toMeasureColumns, toPieceView } from './piece.mapper.ts';
import { PieceRepository, type LivingPiece } from './piece.repository.ts';
import { PieceJudge } from './pieceJudge.ts';

/** An action's fields while none of them counts. */
export const NO_ACTION = {
  isDynamic: null,
  craftId: null,
  place: null,
  level: null,
  as: null,
  location: null,
  setId: null,
  reason: null,
};

const UNTOUCHED_MS = 182 * 86_400_000;

@Injectable()
export class PieceService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly pieces: PieceRepository,
    private readonly ledger: EventLedger,
    private readonly events: EventRepository,
    private readonly judge: PieceJudge,
  ) {}

  async list(query: PieceQueryDto): Promise<PieceListView> {
    const before = new Date(this.clock.nowMs() - UNTOUCHED_MS);
    const { rows, total, states } = await this.pieces.page(this.db, query, before, query.limit ?? PIECE_PAGE_MAX);
    return { items: rows.map(toPieceView), total, isCut: (query.offset ?? 0) + rows.length < total, states };
  }

  async find(id: string): Promise<PieceDetailView> {
    const living = await this.pieces.findLiving(this.db, id);
    return {
      ...toPieceView(living),
      condition: await this.judge.of(this.db, living.piece, living.life.craftId),
      history: (await this.events.ofSubject(this.db, id, LIST_MAX)).map(toEventView),
    };
  }

  async onCraft(craftId: string): Promise<PieceView[]> {
    return (await this.pieces.onCraft(this.db, craftId, LIST_MAX)).map(toPieceView);
  }

  /** Writes measures down as they come; a piece whose bore and look are known is checked in. */
  async measure(id: string, dto: MeasurePieceDto): Promise<PieceDetailView> {
    await this.db.transaction(async (tx) => {
      const { piece, life } = await this.pieces.findLiving(tx, id);
      const columns = toMeasureColumns(dto);
      await this.pieces.revise(tx, id, piece.revision, columns, this.clock.now());
      await this.ledger.record(tx, id, { kind: 'pieceMeasured', pieceId: id, ...columns });
      if (life.state === 'new' && columns.boreFit !== null && columns.look !== null)
        await this.ledger.record(tx, id, { kind: 'pieceCheckedIn', pieceId: id, reason: null });
    });
    return this.find(id);
  }

  async describe(id: string, { revision, ...dto }: UpdatePieceDto): Promise<PieceDetailView> {
    await this.db.transaction(async (tx) => {
      await this.pieces.findLiving(tx, id);
      const columns = {
        ...toMeasureColumns(dto),
        hand: dto.hand,
        hubThicknessM: dto.hubThicknessM ?? null,
        droopM: dto.droopM ?? null,
        bladeTags: dto.bladeTags ?? null,
        colour: dto.colour ?? null,
        note: dto.note ?? null,
        photoSha256: dto.photoSha256 ?? null,
      };
      await this.pieces.revise(tx, id, revision, columns, this.clock.now());
      await this.ledger.record(tx, id, { kind: 'pieceDescribed', pieceId: id, ...columns });
    });
    return this.find(id);
  }

  async act(id: string, dto: PieceActionDto): Promise<PieceDetailView> {
    await this.db.transaction(async (tx) => {
      const living = await this.pieces.hold(tx, id);
      await this.requireBelongs(tx, living, dto);
      await this.record(tx, living, dto);
    });
    return this.find(id);
  }

  /** The same for many: all of them or none. */
  async actOnMany({ ids, ...dto }: BulkPieceActionDto): Promise<PieceView[]> {
    await this.db.transaction(async (tx) => {
      const all = await this.pieces.holdMany(tx, ids);
      const missing = ids.find((id) => !all.some(({ piece }) => piece.id === id));
      if (missing !== undefined) throw new NotFoundError('piece', missing);
      for (const living of all) {
        await this.requireBelongs(tx, living, dto);
        await this.record(tx, living, dto);
      }
    });
    return (await this.pieces.livingByIds(this.db, ids)).map(toPieceView);
  }

  /**
   * Whoever asks: a piece goes onto a free arm that is there and takes its hand, and into a set that is there.
   *
   * @throws {FitRefusedError} if it does not belong there, {NotFoundError} without the craft or the set
   */
  private async requireBelongs(tx: DbOrTx, { piece }: LivingPiece, dto: PieceActionDto): Promise<void> {
    if (dto.action === 'joinSet' && dto.setId) await this.pieces.requireSet(tx, dto.setId);
    if (dto.action !== 'fit' || !dto.craftId || !dto.place) return;
    const arm = { place: dto.place, level: dto.level ?? 0 };
    const craft = await this.pieces.craftOf(tx, dto.craftId);
    requireHand(craft, piece, arm);
    requireReleased(piece.tag, await this.judge.groundedBy(tx, piece));
    const on = await this.pieces.onCraft(tx, dto.craftId, LIST_MAX);
    const there = on.find(({ life }) => life.place === arm.place && life.level === arm.level);
    if (there && there.piece.id !== piece.id)
      throw new FitRefusedError('armTaken', `${there.piece.tag} is on this arm: take it off first.`);
  }

  /** Records an action inside the caller's transaction; other features that true or fit pieces use it too. */
  async record(
    tx: DbOrTx,
    { piece, life }: LivingPiece,
    dto: PieceActionDto & { isCorrected?: boolean; markSha256?: string | null },
  ): Promise<void> {
    await this.requireAllowed(tx, { piece, life }, dto.action, dto.craftId ?? life.craftId);
    await this.ledger.record(
      tx,
      piece.id,
      toFact(piece.id, toAction(dto), {
        reason: dto.reason ?? null,
        isCorrected: dto.isCorrected ?? false,
        markSha256: dto.markSha256 ?? null,
      }),
    );
    await this.noteArm(tx, life, dto);
  }

  /** The same for a piece by its id. */
  async recordById(tx: DbOrTx, pieceId: string, dto: PieceActionDto): Promise<void> {
    await this.record(tx, await this.pieces.hold(tx, pieceId), dto);
  }

  /** What comes onto an arm or off it voids what was looked at and signed for there. */
  private async noteArm(
    tx: DbOrTx,
    life: LivingPiece['life'],
    { action, craftId, place, level }: PieceActionDto,
  ): Promise<void> {
    const changed = (id: string, at: NonNullable<typeof life.place>, on: number): Promise<void> =>
      this.ledger.record(tx, id, { kind: 'armChanged', craftId: id, place: at, level: on, what: 'piece' });
    if ((action === 'remove' || action === 'retire') && life.craftId !== null && life.place !== null)
      await changed(life.craftId, life.place, life.level);
    if (action === 'fit' && craftId && place) await changed(craftId, place, level ?? 0);
  }

  /**
   * @param craftId - whose policy judges; the lenient one without a craft
   * @throws {PieceRefusedError} if the life or the condition of the piece does not allow an action
   */
  async requireAllowed(
    db: DbOrTx,
    { piece, life }: LivingPiece,
    action: PieceActionDto['action'],
    craftId: string | null,
  ): Promise<void> {
    const { outcome, reasons } = await this.judge.of(db, piece, craftId);
    const refusal = refusalOf(life, { action }, { boreFit: piece.boreFit, isUnsound: isRetiring(outcome) });
    if (refusal !== null) throw new PieceRefusedError(piece.tag, refusal, reasons);
  }

  /** Pieces of each hand that could be fitted now, by model. */
  async available(): Promise<AvailableView[]> {
    return this.pieces.available(this.db);
  }
}

/** An action with everything it needs. */
function toAction(dto: PieceActionDto): PieceAction {
  const need = <K extends 'craftId' | 'place' | 'as' | 'location' | 'setId'>(
    field: K,
  ): NonNullable<PieceActionDto[K]> => {
    const value = dto[field];
    if (value === null || value === undefined) throw new IncompleteActionError(dto.action, field);
    return value;
  };
  switch (dto.action) {
    case 'true':
      return { action: 'true', isDynamic: dto.isDynamic ?? false };
    case 'fit':
      return { action: 'fit', craftId: need('craftId'), place: need('place'), level: dto.level ?? 0 };
    case 'retire':
      return { action: 'retire', as: need('as') };
    case 'move':
      return { action: 'move', location: need('location') };
    case 'joinSet':
      return { action: 'joinSet', setId: need('setId') };
    default:
      return { action: dto.action };
  }
}

function toFact(
  pieceId: string,
  act: PieceAction,
  { reason, isCorrected, markSha256 }: { reason: string | null; isCorrected: boolean; markSha256: string | null },
): Fact {
  switch (act.action) {
    case 'checkIn':
      return { kind: 'pieceCheckedIn', pieceId, reason };
    case 'true':
      return { kind: 'pieceTrued', pieceId, isDynamic: act.isDynamic, isCorrected, reason };
    case 'fit':
      return { kind: 'pieceFitted', pieceId, craftId: act.craftId, place: act.place, level: act.level, reason };
    case 'remove':
      return { kind: 'pieceRemoved', pieceId, reason, ...(markSha256 === null ? {} : { markSha256 }) };
    case 'dress':
      return { kind: 'pieceDressed', pieceId, reason };
    case 'retire':
      return { kind: 'pieceRetired', pieceId, as: act.as, reason };
    case 'unretire':
      return { kind: 'pieceUnretired', pieceId, reason };
    case 'move':
      return { kind: 'pieceMoved', pieceId, location: act.location };
    case 'joinSet':
      return { kind: 'pieceJoinedSet', pieceId, setId: act.setId };
    case 'leaveSet':
      return { kind: 'pieceLeftSet', pieceId };
  }
}
