import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreateMotorPieceDto,
  type CreatePackPieceDto,
  type CreateSparePartDto,
  type MotorPieceDto,
  type MotorPieceView,
  type PackPieceDto,
  type PackPieceView,
  type PartEventView,
  type SparePartView,
  type UpdateMotorPieceDto,
  type UpdatePackPieceDto,
  type UpdateSparePartDto,
  type ListView,
} from '@zivvo/contract';
import type { RotorPlace } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { packColumnsOf } from './part.mapper.ts';
import {
  MotorPieceRepository,
  PackPieceRepository,
  SparePartRepository,
  type MotorPieceRow,
  type PackPieceRow,
  type SparePartRow,
} from './part.repository.ts';

type Part = 'motor' | 'pack';
type Change = 'added' | 'changed' | 'removed' | 'restored';
type Columns = Record<string, string | number | null>;
/** Motors, packs and small parts, with who changed what and when. */
@Injectable()
export class PartService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly motors: MotorPieceRepository,
    private readonly packs: PackPieceRepository,
    private readonly spares: SparePartRepository,
    private readonly events: EventRepository,
    private readonly ledger: EventLedger,
  ) {}

  async listMotors(): Promise<ListView<MotorPieceView>> {
    return toListView(await this.motors.byTag(this.db, LIST_MAX), toMotorView);
  }

  /** Motors that are on a craft. */
  async motorsOn(craftId: string): Promise<MotorPieceView[]> {
    return (await this.motors.onCraft(this.db, craftId)).map(toMotorView);
  }

  async addMotor({ id, ...dto }: CreateMotorPieceDto): Promise<MotorPieceView> {
    const columns = toMotorColumns(dto);
    await this.write('motor', id, 'added', async (tx) =>
      (await this.motors.add(tx, { ...this.rows.newRow(id), ...columns })) ? columns : null,
    );
    return toMotorView(await this.motors.find(this.db, id));
  }

  async changeMotor(id: string, { revision, ...dto }: UpdateMotorPieceDto): Promise<MotorPieceView> {
    const columns = toMotorColumns(dto);
    await this.write('motor', id, 'changed', async (tx) => {
      const before = await this.motors.find(tx, id);
      await this.motors.revise(tx, id, revision, columns, this.clock.now());
      return changes(before, columns);
    });
    return toMotorView(await this.motors.find(this.db, id));
  }

  async removeMotor(id: string): Promise<void> {
    await this.write('motor', id, 'removed', async (tx) => {
      await this.motors.remove(tx, id, this.clock.now());
      return {};
    });
  }

  async restoreMotor(id: string): Promise<MotorPieceView> {
    await this.write('motor', id, 'restored', async (tx) => {
      await this.motors.restore(tx, id);
      return {};
    });
    return toMotorView(await this.motors.find(this.db, id));
  }

  /** Motors of a craft that flew grow older by what it flew, and younger again when a flight is taken out. */
  async noteHours(tx: DbOrTx, craftId: string, hours: number): Promise<void> {
    for (const row of await this.motors.onCraft(tx, craftId))
      await this.motors.revise(tx, row.id, row.revision, { hours: Math.max(0, row.hours + hours) }, this.clock.now());
  }

  /** Motors on these arms took a strike: their bearings are not known any more until somebody feels them. */
  async noteStrike(tx: DbOrTx, craftId: string, places: readonly RotorPlace[]): Promise<void> {
    await this.countStrike(tx, craftId, places, 1);
  }

  /** A strike was told wrongly, and its motors took none; what is known of their bearings stays. */
  async takeBackStrike(tx: DbOrTx, craftId: string, places: readonly RotorPlace[]): Promise<void> {
    await this.countStrike(tx, craftId, places, -1);
  }

  private async countStrike(tx: DbOrTx, craftId: string, places: readonly RotorPlace[], by: 1 | -1): Promise<void> {
    for (const row of await this.motors.onCraft(tx, craftId)) {
      if (row.place === null || !places.includes(row.place)) continue;
      const values = { strikeCount: Math.max(0, row.strikeCount + by), ...(by > 0 && { bearing: null }) };
      await this.motors.revise(tx, row.id, row.revision, values, this.clock.now());
      await this.ledger.record(tx, row.id, {
        kind: 'partChanged',
        part: 'motor',
        partId: row.id,
        change: 'changed',
        values,
      });
    }
  }

  async listPacks(): Promise<ListView<PackPieceView>> {
    return toListView(await this.packs.byTag(this.db, LIST_MAX), toPackView);
  }

  /** @throws {NotFoundError} if there is no such pack */
  async findPack(id: string): Promise<PackPieceView> {
    return toPackView(await this.packs.find(this.db, id));
  }

  async addPack({ id, ...dto }: CreatePackPieceDto): Promise<PackPieceView> {
    const columns = toPackColumns(dto);
    await this.write('pack', id, 'added', async (tx) =>
      (await this.packs.add(tx, { ...this.rows.newRow(id), ...columns })) ? columns : null,
    );
    return this.findPack(id);
  }

  async changePack(id: string, { revision, ...dto }: UpdatePackPieceDto): Promise<PackPieceView> {
    const columns = toPackColumns(dto);
    await this.write('pack', id, 'changed', async (tx) => {
      const before = await this.packs.find(tx, id);
      await this.packs.revise(tx, id, revision, columns, this.clock.now());
      await this.packs.tellCrafts(tx, id, packColumnsOf(columns), this.clock.now());
      return changes(before, columns);
    });
    return this.findPack(id);
  }

  async removePack(id: string): Promise<void> {
    await this.write('pack', id, 'removed', async (tx) => {
      await this.packs.remove(tx, id, this.clock.now());
      return {};
    });
  }

  async restorePack(id: string): Promise<PackPieceView> {
    await this.write('pack', id, 'restored', async (tx) => {
      await this.packs.restore(tx, id);
      return {};
    });
    return this.findPack(id);
  }

  async listSpares(): Promise<ListView<SparePartView>> {
    return toListView(await this.spares.byName(this.db, LIST_MAX), toSpareView);
  }

  async addSpare({ id, name, count, perPieceCount }: CreateSparePartDto): Promise<SparePartView> {
    await this.spares.add(this.db, { ...this.rows.newRow(id), name: name.trim(), count, perPieceCount });
    return toSpareView(await this.spares.find(this.db, id));
  }

  async changeSpare(id: string, { revision, name, count, perPieceCount }: UpdateSparePartDto): Promise<SparePartView> {
    await this.spares.revise(this.db, id, revision, { name: name.trim(), count, perPieceCount }, this.clock.now());
    return toSpareView(await this.spares.find(this.db, id));
  }

  async removeSpare(id: string): Promise<void> {
    await this.spares.remove(this.db, id, this.clock.now());
  }

  async restoreSpare(id: string): Promise<SparePartView> {
    await this.spares.restore(this.db, id);
    return toSpareView(await this.spares.find(this.db, id));
  }

  /** What happened to one part, the newest first. */
  async history(id: string): Promise<ListView<PartEventView>> {
    const { rows, total } = await this.events.pageOf(this.db, id, 'partChanged', LIST_MAX);
    return toListView({ rows, total }, ({ sequence, at, personName, fact }) => ({
      sequence,
      at: at.toISOString(),
      personName,
      change: fact.change,
      values: fact.values,
    }));
  }

  /** Changes a part and notes what changed, both or neither; null from the change means that there was none. */
  private async write(
    part: Part,
    partId: string,
    change: Change,
    doIt: (tx: DbOrTx) => Promise<Columns | null>,
  ): Promise<void> {
    await this.db.transaction(async (tx) => {
      const values = await doIt(tx);
      if (values !== null) await this.ledger.record(tx, partId, { kind: 'partChanged', part, partId, change, values });
    });
  }
}

function toMotorColumns(dto: MotorPieceDto) {
  return {
    tag: dto.tag.trim(),
    craftId: dto.craftId ?? null,
    place: dto.place ?? null,
    hours: dto.hours,
    overLimitCount: dto.overLimitCount,
    strikeCount: dto.strikeCount,
    bearing: dto.bearing ?? null,
    shaftPlayM: dto.shaftPlayM ?? null,
    shaftRunOutM: dto.shaftRunOutM ?? null,
    note: dto.note ?? null,
  };
}

function toMotorView(row: MotorPieceRow): MotorPieceView {
  return { ...toRowView(row), ...toMotorColumns(row) };
}

function toPackColumns(dto: PackPieceDto) {
  return {
    tag: dto.tag.trim(),
    chemistry: dto.chemistry,
    seriesCount: dto.seriesCount,
    parallelCount: dto.parallelCount,
    capacityAh: dto.capacityAh,
    cellResistanceOhm: dto.cellResistanceOhm ?? null,
    cRating: dto.cRating ?? null,
    cycleCount: dto.cycleCount ?? null,
    note: dto.note ?? null,
  };
}

function toPackView(row: PackPieceRow): PackPieceView {
  return { ...toRowView(row), ...toPackColumns(row) };
}

function toSpareView(row: SparePartRow): SparePartView {
  return { ...toRowView(row), name: row.name, count: row.count, perPieceCount: row.perPieceCount };
}

/** Only what is different now. */
function changes(before: object, after: Columns): Columns {
  const known = new Map<string, unknown>(Object.entries(before));
  return Object.fromEntries(Object.entries(after).filter(([name, value]) => known.get(name) !== value));
}
