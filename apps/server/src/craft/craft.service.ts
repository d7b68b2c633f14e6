import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CraftDto,
  type CraftLinesView,
  type CraftListView,
  type CraftUseDto,
  type CraftView,
  type CreateCraftDto,
  type LineView,
  type UpdateCraftDto,
} from '@zivvo/contract';
import { explainCraftFigure, layoutKind, type Rotor, type Working } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { LineService } from '../line/line.service.ts';
import { packColumnsOf } from '../rack/part.mapper.ts';
import { PackPieceRepository } from '../rack/part.repository.ts';
import { toCraftColumns, toCraftView } from './craft.mapper.ts';
import { requireBuildable } from './craft.errors.ts';
import { CraftRepository } from './craft.repository.ts';

@Injectable()
export class CraftService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly line: LineService,
    private readonly ledger: EventLedger,
    private readonly packs: PackPieceRepository,
  ) {}

  async list(): Promise<CraftListView> {
    return toListView(await this.crafts.list(this.db, LIST_MAX), toCraftView);
  }

  async lines(): Promise<CraftLinesView> {
    const { rows } = await this.crafts.list(this.db, LIST_MAX);
    const stops = await this.line.stopsOf(rows);
    return { items: rows.map(({ id }) => ({ craftId: id, stops: stops.get(id)! })) };
  }

  async find(id: string): Promise<CraftView> {
    return toCraftView(await this.crafts.find(this.db, id));
  }

  async lineOf(id: string, propModelId: string | null): Promise<LineView> {
    const row = await this.crafts.find(this.db, id);
    return { stops: (await this.line.stopsOf([row], propModelId)).get(id)! };
  }

  /** How a figure of a craft follows from its entries. */
  async working(id: string, key: string): Promise<Working> {
    const { layout, massKg, rotors, statorDiameterM, statorHeightM, kvRpmPerV } = await this.crafts.find(this.db, id);
    return explainCraftFigure(
      { kind: layoutKind(layout), massKg, rotorCount: rotors.length, statorDiameterM, statorHeightM, kvRpmPerV },
      key,
    );
  }

  async create(dto: CreateCraftDto): Promise<CraftView> {
    requireBuildable(dto);
    await this.crafts.add(this.db, { ...this.rows.newRow(dto.id), ...(await this.columnsOf(this.db, dto)) });
    return this.find(dto.id);
  }

  async update(id: string, dto: UpdateCraftDto): Promise<CraftView> {
    requireBuildable(dto);
    await this.db.transaction(async (tx) => {
      const before = await this.crafts.find(tx, id);
      const columns = await this.columnsOf(tx, dto, before.packPieceId);
      await this.crafts.revise(tx, id, dto.revision, columns, this.clock.now());
      const isAsBefore = (r: Rotor): boolean =>
        before.rotors.some((b) => b.place === r.place && b.level === r.level && b.spin === r.spin);
      for (const { place, level } of columns.rotors.filter((r) => !isAsBefore(r)))
        await this.ledger.record(tx, id, { kind: 'armChanged', craftId: id, place, level, what: 'table' });
    });
    return this.find(id);
  }

  /**
   * What was sent; where the craft flies a pack of the shelf, with what is known of that pack.
   *
   * @param packBefore - the pack that it had: where that one was taken off meanwhile, its figures stay as if typed
   */
  private async columnsOf(
    db: DbOrTx,
    dto: CraftDto,
    packBefore: string | null = null,
  ): Promise<ReturnType<typeof toCraftColumns>> {
    const columns = toCraftColumns(dto);
    const { packPieceId } = columns;
    if (packPieceId === null) return columns;
    const pack =
      packPieceId === packBefore ? await this.packs.onShelf(db, packPieceId) : await this.packs.find(db, packPieceId);
    return pack ? { ...columns, ...packColumnsOf(pack) } : { ...columns, packPieceId: null };
  }

  /** The last who chose is right: a use is an opinion, not a measurement. */
  async setUse(id: string, { use, weights }: CraftUseDto): Promise<CraftView> {
    const { revision } = await this.crafts.find(this.db, id);
    await this.crafts.revise(this.db, id, revision, { use, weights: weights ?? null }, this.clock.now());
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    await this.crafts.remove(this.db, id, this.clock.now());
  }

  async restore(id: string): Promise<CraftView> {
    await this.crafts.restore(this.db, id);
    return this.find(id);
  }
}
