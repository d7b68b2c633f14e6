import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type BatchDetailView, type BatchView, type CreateBatchDto, type ListView } from '@zivvo/contract';
import { checkInFindings, pieceTag, type PieceHand } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { toPieceView } from './piece.mapper.ts';
import { BatchRepository, PieceRepository, type BatchRow } from './piece.repository.ts';
import { PropModelRepository } from './propModel.repository.ts';

/** Deliveries, and the pieces that came with them. */
@Injectable()
export class BatchService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly batches: BatchRepository,
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
    private readonly ledger: EventLedger,
  ) {}

  async list(): Promise<ListView<BatchView>> {
    const { rows, total } = await this.batches.list(this.db, LIST_MAX);
    const counts = await this.batches.counts(
      this.db,
      rows.map((r) => r.id),
    );
    return toListView({ rows, total }, (row) => toBatchView(row, counts.get(row.id)));
  }

  async find(id: string): Promise<BatchDetailView> {
    const row = await this.batches.find(this.db, id);
    const model = await this.models.find(this.db, row.propModelId);
    const pieces = (await this.pieces.ofBatch(this.db, id, LIST_MAX)).map(toPieceView);
    const counts = (await this.batches.counts(this.db, [id])).get(id);
    return {
      ...toBatchView(row, counts),
      pieces,
      findings: checkInFindings(pieces, model.diameterM, row.resolutionKg),
    };
  }

  /** A delivery, with a piece and a tag for each that was counted. */
  async add(dto: CreateBatchDto): Promise<BatchDetailView> {
    const hands: PieceHand[] = [
      ...Array<PieceHand>(dto.cwCount).fill('cw'),
      ...Array<PieceHand>(dto.ccwCount).fill('ccw'),
      ...Array<PieceHand>(dto.eitherCount).fill('either'),
    ];
    await this.db.transaction(async (tx) => {
      await this.models.find(tx, dto.propModelId);
      const isNew = await this.batches.add(tx, {
        ...this.rows.newRow(dto.id),
        propModelId: dto.propModelId,
        resolutionKg: dto.resolutionKg,
        supplierName: dto.supplierName?.trim() ?? null,
        location: dto.location ?? null,
        note: dto.note ?? null,
      });
      if (isNew) await this.addPieces(tx, dto, hands);
    });
    return this.find(dto.id);
  }

  private async addPieces(tx: DbOrTx, dto: CreateBatchDto, hands: readonly PieceHand[]): Promise<void> {
    const model = await this.models.find(tx, dto.propModelId);
    const first = await this.pieces.nextSerial(tx);
    for (const [i, hand] of hands.entries()) {
      const id = this.rows.makeId();
      const serialNumber = first + i;
      const tag = pieceTag(serialNumber);
      await this.pieces.add(tx, {
        ...this.rows.newRow(id),
        serialNumber,
        tag,
        propModelId: dto.propModelId,
        batchId: dto.id,
        hand,
        massKg: null,
        diameterM: null,
        boreFit: null,
        look: null,
        hubThicknessM: null,
        droopM: null,
        bladeTags: null,
        colour: model.colour,
        note: null,
        photoSha256: null,
      });
      await this.ledger.record(tx, id, { kind: 'pieceAdded', pieceId: id, location: dto.location ?? null });
    }
  }
}

function toBatchView(
  row: BatchRow,
  counts: { pieceCount: number; checkedInCount: number } = { pieceCount: 0, checkedInCount: 0 },
): BatchView {
  const { propModelId, resolutionKg, supplierName, location, note } = row;
  return { ...toRowView(row), propModelId, resolutionKg, supplierName, location, note, ...counts };
}
