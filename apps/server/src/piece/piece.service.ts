import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX, PIECE_PAGE_MAX, type AvailableView, type BatchDetailView, type BatchView, type BulkPieceActionDto, type CreateBatchDto, type DescribePieceDto, type MeasurePieceDto, type PieceActionDto, type PieceDetailView, type PieceListView, type PieceQueryDto, type PieceView, type YieldView,
} from '@zivvo/contract';
import { checkInFindings, conditionOf, isRetiring, judgeFate, pieceTag, refusalOf, sumOfYields, yieldOf, type PieceAction, type PieceHand, type PropMaterial, type YieldCounts } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { Conditions } from '../care/conditions.service.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import type { StoredFact } from '../event/event.facts.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { IncompleteActionError, PieceRefusedError } from './piece.errors.ts';
import { toEventView, toMeasureColumns, toPieceView } from './piece.mapper.ts';
import { BatchRepository, PieceRepository, type BatchRow, type FateRow, type LivingPiece } from './piece.repository.ts';

/** An action's fields while none of them counts. */
export const NO_ACTION = { isDynamic: null, craftId: null, place: null, level: null, as: null, location: null, setId: null, reason: null };

const UNTOUCHED_MS = 182 * 86_400_000;

@Injectable()
export class PieceService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly pieces: PieceRepository,
    private readonly batches: BatchRepository,
    private readonly models: PropModelRepository,
    private readonly ledger: EventLedger,
    private readonly events: EventRepository,
    private readonly conditions: Conditions,
  ) {}

  async list(query: PieceQueryDto): Promise<PieceListView> {
    const before = new Date(this.clock.nowMs() - UNTOUCHED_MS);
    const { rows, total, states } = await this.pieces.page(this.db, query, before, query.limit ?? PIECE_PAGE_MAX);
    return { items: rows.map(toPieceView), total, states };
  }

  async find(id: string): Promise<PieceDetailView> {
    const living = await this.pieces.findLiving(this.db, id);
    return { ...toPieceView(living), condition: await this.conditions.of(this.db, living.piece, living.life.craftId), history: (await this.events.ofSubject(this.db, id, LIST_MAX)).map(toEventView) };
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
      if (life.state === 'new' && columns.boreFit !== null && columns.look !== null) await this.ledger.record(tx, id, { kind: 'pieceCheckedIn', pieceId: id, reason: null });
    });
    return this.find(id);
  }

  async describe(id: string, dto: DescribePieceDto): Promise<PieceDetailView> {
    await this.db.transaction(async (tx) => {
      const { piece } = await this.pieces.findLiving(tx, id);
      const columns = { ...toMeasureColumns(dto), hand: dto.hand, hubThicknessM: dto.hubThicknessM ?? null, droopM: dto.droopM ?? null, bladeTags: dto.bladeTags ?? null, colour: dto.colour ?? null, note: dto.note ?? null, photoSha256: dto.photoSha256 ?? null };
      await this.pieces.revise(tx, id, piece.revision, columns, this.clock.now());
      await this.ledger.record(tx, id, { kind: 'pieceDescribed', pieceId: id, ...columns });
    });
    return this.find(id);
  }

  async act(id: string, dto: PieceActionDto): Promise<PieceDetailView> {
    await this.db.transaction(async (tx) => this.record(tx, await this.pieces.findLiving(tx, id), dto));
    return this.find(id);
  }

  /** The same for many: all of them or none. */
  async actOnMany({ ids, ...dto }: BulkPieceActionDto): Promise<PieceView[]> {
    await this.db.transaction(async (tx) => {
      for (const living of await this.pieces.livingByIds(tx, ids)) await this.record(tx, living, dto);
    });
    return (await this.pieces.livingByIds(this.db, ids)).map(toPieceView);
  }

  /** Records an action inside the caller's transaction; other features that true or fit pieces use it too. */
  async record(tx: DbOrTx, { piece, life }: LivingPiece, dto: PieceActionDto & { isCorrected?: boolean; markSha256?: string | null }): Promise<void> {
    await this.requireAllowed(tx, { piece, life }, dto.action, dto.craftId ?? life.craftId);
    await this.ledger.record(tx, piece.id, toFact(piece.id, toAction(dto), { reason: dto.reason ?? null, isCorrected: dto.isCorrected ?? false, markSha256: dto.markSha256 ?? null }));
    await this.noteArm(tx, life, dto);
  }

  /** What comes onto an arm or off it voids what was looked at and signed for there. */
  private async noteArm(tx: DbOrTx, life: LivingPiece['life'], { action, craftId, place, level }: PieceActionDto): Promise<void> {
    const changed = (id: string, at: NonNullable<typeof life.place>, on: number): Promise<void> => this.ledger.record(tx, id, { kind: 'armChanged', craftId: id, place: at, level: on, what: 'piece' });
    if ((action === 'remove' || action === 'retire') && life.craftId !== null && life.place !== null) await changed(life.craftId, life.place, life.level);
    if (action === 'fit' && craftId && place) await changed(craftId, place, level ?? 0);
  }

  /** Whether all that is known of a piece says that it is to be retired. */
  async isBeyondMending(db: DbOrTx, { piece, life }: LivingPiece): Promise<boolean> {
    return isRetiring((await this.conditions.of(db, piece, life.craftId)).outcome);
  }

  /**
   * @param craftId - whose policy judges; the lenient one without a craft
   * @throws {PieceRefusedError} if the life or the condition of the piece does not allow an action
   */
  async requireAllowed(db: DbOrTx, { piece, life }: LivingPiece, action: PieceActionDto['action'], craftId: string | null): Promise<void> {
    const { outcome, reasons } = await this.conditions.of(db, piece, craftId);
    const refusal = refusalOf(life, { action }, { boreFit: piece.boreFit, isUnsound: isRetiring(outcome) });
    if (refusal !== null) throw new PieceRefusedError(piece.tag, refusal, reasons);
  }

  async listBatches(): Promise<{ items: BatchView[]; total: number }> {
    const { rows, total } = await this.batches.list(this.db, LIST_MAX);
    const counts = await this.batches.counts(this.db, rows.map((r) => r.id));
    return { items: rows.map((row) => toBatchView(row, counts.get(row.id))), total };
  }

  async findBatch(id: string): Promise<BatchDetailView> {
    const row = await this.batches.find(this.db, id);
    const model = await this.models.find(this.db, row.propModelId);
    const pieces = (await this.pieces.ofBatch(this.db, id, LIST_MAX)).map(toPieceView);
    const counts = (await this.batches.counts(this.db, [id])).get(id);
    return { ...toBatchView(row, counts), pieces, findings: checkInFindings(pieces, model.diameterM, row.resolutionKg) };
  }

  /** A delivery, with a piece and a tag for each that was counted. */
  async addBatch(dto: CreateBatchDto): Promise<BatchDetailView> {
    const hands: PieceHand[] = [...Array<PieceHand>(dto.cwCount).fill('cw'), ...Array<PieceHand>(dto.ccwCount).fill('ccw'), ...Array<PieceHand>(dto.eitherCount).fill('either')];
    await this.db.transaction(async (tx) => {
      await this.models.find(tx, dto.propModelId);
      const isNew = await this.batches.add(tx, { ...this.rows.newRow(dto.id), propModelId: dto.propModelId, resolutionKg: dto.resolutionKg, supplierName: dto.supplierName?.trim() ?? null, location: dto.location ?? null, note: dto.note ?? null });
      if (isNew) await this.addPieces(tx, dto, hands);
    });
    return this.findBatch(dto.id);
  }

  private async addPieces(tx: DbOrTx, dto: CreateBatchDto, hands: readonly PieceHand[]): Promise<void> {
    const model = await this.models.find(tx, dto.propModelId);
    const first = await this.pieces.nextSerial(tx);
    for (const [i, hand] of hands.entries()) {
      const id = this.rows.makeId();
      const serialNumber = first + i;
      const tag = pieceTag(serialNumber);
      await this.pieces.add(tx, { ...this.rows.newRow(id), serialNumber, tag, propModelId: dto.propModelId, batchId: dto.id, hand, massKg: null, diameterM: null, boreFit: null, look: null, hubThicknessM: null, droopM: null, bladeTags: null, colour: model.colour, note: null, photoSha256: null });
      await this.ledger.record(tx, id, { kind: 'pieceAdded', pieceId: id, location: dto.location ?? null });
    }
  }

  /** Pieces of each hand that could be fitted now, by model. */
  async available(): Promise<AvailableView[]> {
    return this.pieces.available(this.db);
  }

  /** How the pieces of each model, maker and delivery turned out. */
  async yields(): Promise<YieldView> {
    const rows = await this.pieces.fates(this.db);
    const models = new Map((await this.models.byIds(this.db, [...new Set(rows.map((r) => r.propModelId))])).map((m) => [m.id, m]));
    const judged = rows.map((row) => ({ row, makerName: models.get(row.propModelId)?.makerName ?? null, counts: countsOf(row, models.get(row.propModelId)?.material ?? 'unknown') }));
    const by = (key: (j: (typeof judged)[number]) => string | null) => {
      const names = new Set(judged.flatMap((j) => key(j) ?? []));
      return [...names].map((name) => ({ name, ...yieldOf(sumOfYields(judged.filter((j) => key(j) === name).map((j) => j.counts))) }));
    };
    const { rows: batches } = await this.batches.list(this.db, LIST_MAX);
    const deliveries = by((j) => j.row.batchId);
    return {
      models: by((j) => j.row.propModelId).map(({ name, ...y }) => ({ propModelId: name, ...y })),
      makers: by((j) => j.makerName).map(({ name, ...y }) => ({ makerName: name, ...y })),
      deliveries: batches.flatMap((b) => {
        const found = deliveries.find((d) => d.name === b.id);
        if (!found) return [];
        const { name: batchId, ...y } = found;
        return [{ batchId, propModelId: b.propModelId, cameAt: b.createdAt.toISOString(), supplierName: b.supplierName, location: b.location, ...y }];
      }).sort((a, b) => b.cameAt.localeCompare(a.cameAt)),
    };
  }
}

/** Pieces that turned out alike, under the one word for it. */
function countsOf({ look, pieceCount, ...fate }: FateRow, material: PropMaterial): YieldCounts {
  const isUnsound = isRetiring(conditionOf({ material, isFolding: false, strike: 'none', look, openOutcome: null }, 'lenient').outcome);
  const judgement = judgeFate({ ...fate, isUnsound });
  return { goodFromBagCount: 0, goodCorrectedCount: 0, rejectedCount: 0, notJudgedCount: 0, [`${judgement}Count`]: pieceCount };
}

function toBatchView(row: BatchRow, counts: { pieceCount: number; checkedInCount: number } = { pieceCount: 0, checkedInCount: 0 }): BatchView {
  const { propModelId, resolutionKg, supplierName, location, note } = row;
  return { ...toRowView(row), propModelId, resolutionKg, supplierName, location, note, ...counts };
}

/** An action with everything it needs. */
function toAction(dto: PieceActionDto): PieceAction {
  const need = <K extends 'craftId' | 'place' | 'as' | 'location' | 'setId'>(field: K): NonNullable<PieceActionDto[K]> => {
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

function toFact(pieceId: string, act: PieceAction, { reason, isCorrected, markSha256 }: { reason: string | null; isCorrected: boolean; markSha256: string | null }): StoredFact {
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
