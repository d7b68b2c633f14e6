import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CountStockDto,
  type CreatePropModelDto,
  type PropModelDto,
  type PropModelListView,
  type PropModelView,
  type UpdatePropModelDto,
  type WantDto,
} from '@zivvo/contract';
import { FieldError } from '../common/featureError.ts';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PieceRepository } from './piece.repository.ts';
import { toPropModelColumns, toPropModelView } from './propModel.mapper.ts';
import { PropModelRepository, type PropModelRow } from './propModel.repository.ts';
import { StockRepository } from './stock.repository.ts';

@Injectable()
export class PropModelService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly propModels: PropModelRepository,
    private readonly pieces: PieceRepository,
    private readonly stock: StockRepository,
    private readonly ledger: EventLedger,
  ) {}

  async list(): Promise<PropModelListView> {
    const { rows, total } = await this.propModels.list(this.db, LIST_MAX);
    return toListView({ rows: await this.toViews(rows), total }, (view) => view);
  }

  async find(id: string): Promise<PropModelView> {
    const [view] = await this.toViews([await this.propModels.find(this.db, id)]);
    return view!;
  }

  /** Models with what lies on the rack of them: somebody's count, or else the pieces that have tags. */
  private async toViews(rows: PropModelRow[]): Promise<PropModelView[]> {
    const counted = new Map(
      (
        await this.stock.of(
          this.db,
          rows.map((r) => r.id),
        )
      ).map((s) => [s.propModelId, s]),
    );
    const tagged = rows.every((r) => counted.has(r.id)) ? [] : await this.pieces.available(this.db);
    return rows.map((row) =>
      toPropModelView(
        row,
        counted.get(row.id),
        tagged.find((t) => t.propModelId === row.id),
      ),
    );
  }

  async create(dto: CreatePropModelDto): Promise<PropModelView> {
    await requireParent(this.db, this.propModels, dto.id, dto);
    await this.db.transaction(async (tx) => {
      const seriesIndex = await this.propModels.nextSeriesIndex(tx);
      await this.propModels.add(tx, { ...this.rows.newRow(dto.id), ...toPropModelColumns(dto), seriesIndex });
    });
    return this.find(dto.id);
  }

  async update(id: string, dto: UpdatePropModelDto): Promise<PropModelView> {
    await requireParent(this.db, this.propModels, id, dto);
    await this.propModels.revise(this.db, id, dto.revision, toPropModelColumns(dto), this.clock.now());
    return this.find(id);
  }

  async countStock(id: string, { cwCount, ccwCount }: CountStockDto): Promise<PropModelView> {
    await this.propModels.find(this.db, id);
    await this.db.transaction((tx) =>
      this.ledger.record(tx, id, { kind: 'stockCounted', propModelId: id, cwCount, ccwCount }),
    );
    return this.find(id);
  }

  async want(id: string, { count, craftId }: WantDto): Promise<PropModelView> {
    const { revision } = await this.propModels.find(this.db, id);
    await this.propModels.revise(
      this.db,
      id,
      revision,
      { wantedCount: count, wantedCraftId: count === 0 ? null : (craftId ?? null) },
      this.clock.now(),
    );
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    await this.propModels.remove(this.db, id, this.clock.now());
  }

  async restore(id: string): Promise<PropModelView> {
    await this.propModels.restore(this.db, id);
    return this.find(id);
  }
}

/** A model that was cut from another names one that is there and larger, and has lost its maker's limit. */
async function requireParent(
  db: Db,
  models: PropModelRepository,
  id: string,
  { cutFromModelId, diameterM, speedLimitRpm }: PropModelDto,
): Promise<void> {
  if (cutFromModelId === null || cutFromModelId === undefined) return;
  if (cutFromModelId === id)
    throw new FieldError('cutFromModelId', 'cutFrom', 'a model cannot be cut from itself', cutFromModelId);
  const parent = await models.find(db, cutFromModelId);
  if (diameterM >= parent.diameterM)
    throw new FieldError(
      'diameterM',
      'cutFrom',
      'a cut model is smaller than the one it was cut from',
      String(diameterM),
      { max: parent.diameterM },
    );
  if (speedLimitRpm !== null && speedLimitRpm !== undefined)
    throw new FieldError(
      'speedLimitRpm',
      'cutFrom',
      'the maker’s limit does not hold for a cut blade',
      String(speedLimitRpm),
    );
}
