import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type CreateMotorPieceDto, type CreateSparePartDto, type MotorPieceDto, type MotorPieceView, type PartEventView, type SparePartView, type UpdateMotorPieceDto, type UpdateSparePartDto } from '@zivvo/contract';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { MotorPieceRepository, SparePartRepository, type MotorPieceRow, type SparePartRow } from './part.repository.ts';

type Part = 'motor' | 'pack' | 'spare';
type Change = 'added' | 'changed' | 'removed' | 'restored';

/** Motors and small parts, with who changed what and when. */
@Injectable()
export class PartService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly motors: MotorPieceRepository,
    private readonly spares: SparePartRepository,
    private readonly events: EventRepository,
    private readonly ledger: EventLedger,
  ) {}

  async listMotors(): Promise<MotorPieceView[]> {
    return (await this.motors.byTag(this.db, LIST_MAX)).map(toMotorView);
  }

  async addMotor({ id, ...dto }: CreateMotorPieceDto): Promise<MotorPieceView> {
    await this.db.transaction(async (tx) => {
      const isNew = await this.motors.add(tx, { ...this.rows.newRow(id), ...toMotorColumns(dto) });
      if (isNew) await this.note(tx, 'motor', id, 'added', toMotorColumns(dto));
    });
    return toMotorView(await this.motors.find(this.db, id));
  }

  async changeMotor(id: string, { revision, ...dto }: UpdateMotorPieceDto): Promise<MotorPieceView> {
    await this.db.transaction(async (tx) => {
      const before = await this.motors.find(tx, id);
      const columns = toMotorColumns(dto);
      await this.motors.revise(tx, id, revision, columns, this.clock.now());
      await this.note(tx, 'motor', id, 'changed', changes(before, columns));
    });
    return toMotorView(await this.motors.find(this.db, id));
  }

  async removeMotor(id: string): Promise<void> {
    await this.db.transaction(async (tx) => {
      await this.motors.remove(tx, id, this.clock.now());
      await this.note(tx, 'motor', id, 'removed', {});
    });
  }

  async restoreMotor(id: string): Promise<MotorPieceView> {
    await this.db.transaction(async (tx) => {
      await this.motors.restore(tx, id);
      await this.note(tx, 'motor', id, 'restored', {});
    });
    return toMotorView(await this.motors.find(this.db, id));
  }

  async listSpares(): Promise<SparePartView[]> {
    return (await this.spares.byName(this.db, LIST_MAX)).map(toSpareView);
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
  async history(id: string): Promise<PartEventView[]> {
    return (await this.events.ofSubject(this.db, id, LIST_MAX)).flatMap(({ sequence, at, personName, fact }) => (fact.kind === 'partChanged' ? [{ sequence, at: at.toISOString(), personName, change: fact.change, values: fact.values }] : []));
  }

  private async note(tx: DbOrTx, part: Part, partId: string, change: Change, values: Record<string, string | number | null>): Promise<void> {
    await this.ledger.record(tx, partId, { kind: 'partChanged', part, partId, change, values });
  }
}

function toMotorColumns(dto: MotorPieceDto) {
  return { tag: dto.tag.trim(), craftId: dto.craftId ?? null, place: dto.place ?? null, hours: dto.hours, overLimitCount: dto.overLimitCount, strikeCount: dto.strikeCount, bearing: dto.bearing ?? null, shaftPlayM: dto.shaftPlayM ?? null, shaftRunOutM: dto.shaftRunOutM ?? null, note: dto.note ?? null };
}

function toMotorView(row: MotorPieceRow): MotorPieceView {
  return { ...toRowView(row), ...toMotorColumns(row) };
}

function toSpareView(row: SparePartRow): SparePartView {
  return { ...toRowView(row), name: row.name, count: row.count, perPieceCount: row.perPieceCount };
}

/** Only what is different now. */
function changes<T extends Record<string, string | number | null>>(before: T, after: T): Record<string, string | number | null> {
  return Object.fromEntries(Object.entries(after).filter(([name, value]) => before[name] !== value));
}
