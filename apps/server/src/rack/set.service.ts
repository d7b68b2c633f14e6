import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreatePieceSetDto,
  type PieceSetView,
  type UpdatePieceSetDto,
  type ListView,
} from '@zivvo/contract';
import { handsNeeded, layoutKind, setState } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db } from '../database/database.ts';
import { toPieceView } from './piece.mapper.ts';
import {
  PieceRepository,
  PieceSetRepository,
  type LivingPiece,
  type PieceSetRow,
  type SetCraft,
} from './piece.repository.ts';

@Injectable()
export class SetService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly sets: PieceSetRepository,
    private readonly pieces: PieceRepository,
  ) {}

  async list(): Promise<ListView<PieceSetView>> {
    const { rows, total } = await this.sets.list(this.db, LIST_MAX);
    return toListView({ rows: await this.toViews(rows), total }, (view) => view);
  }

  /** Sets that are meant for a craft. */
  async ofCraft(craftId: string): Promise<PieceSetView[]> {
    return this.toViews((await this.sets.ofCraft(this.db, craftId, LIST_MAX)).rows);
  }

  async find(id: string): Promise<PieceSetView> {
    return (await this.toViews([await this.sets.find(this.db, id)]))[0]!;
  }

  async create({ id, name, craftId }: CreatePieceSetDto): Promise<PieceSetView> {
    await this.sets.add(this.db, {
      ...this.rows.newRow(id),
      name: name.trim(),
      craftId: craftId ?? null,
      restedAt: null,
    });
    return this.find(id);
  }

  async update(id: string, { name, craftId, isResting, revision }: UpdatePieceSetDto): Promise<PieceSetView> {
    const { restedAt } = await this.sets.find(this.db, id);
    const rests = isResting ?? restedAt !== null;
    await this.sets.revise(
      this.db,
      id,
      revision,
      { name: name.trim(), craftId: craftId ?? null, restedAt: rests ? (restedAt ?? this.clock.now()) : null },
      this.clock.now(),
    );
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    await this.sets.remove(this.db, id, this.clock.now());
  }

  async restore(id: string): Promise<PieceSetView> {
    await this.sets.restore(this.db, id);
    return this.find(id);
  }

  private async toViews(rows: PieceSetRow[]): Promise<PieceSetView[]> {
    const pieces = await this.pieces.ofSets(
      this.db,
      rows.map((r) => r.id),
      LIST_MAX * 4,
    );
    const crafts = await this.sets.craftsOf(
      this.db,
      rows.flatMap((r) => r.craftId ?? []),
    );
    return rows.map((row) =>
      toSetView(
        row,
        pieces.filter((p) => p.life.setId === row.id),
        row.craftId === null ? undefined : crafts.get(row.craftId),
      ),
    );
  }
}

function toSetView(row: PieceSetRow, living: LivingPiece[], craft: SetCraft | undefined): PieceSetView {
  const pieces = living.map(toPieceView);
  return {
    ...toRowView(row),
    name: row.name,
    craftId: row.craftId,
    restedAt: row.restedAt?.toISOString() ?? null,
    pieces,
    needs: craft ? setState(pieces, handsNeeded(craft.rotors, layoutKind(craft.layout))) : null,
  };
}
