import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreateRigDto,
  type RigDto,
  type RigView,
  type UpdateRigDto,
  type ListView,
} from '@zivvo/contract';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db } from '../database/database.ts';
import { RigRepository, type RigRow } from './balance.repository.ts';

/** Shafts and holders, with what each costs a measurement. */
@Injectable()
export class RigService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly rigs: RigRepository,
  ) {}

  async list(): Promise<ListView<RigView>> {
    return toListView(await this.rigs.list(this.db, LIST_MAX), toRigView);
  }

  async add({ id, ...dto }: CreateRigDto): Promise<RigView> {
    await this.rigs.add(this.db, { ...this.rows.newRow(id), ...toRigColumns(dto) });
    return toRigView(await this.rigs.find(this.db, id));
  }

  async change(id: string, { revision, ...dto }: UpdateRigDto): Promise<RigView> {
    await this.rigs.revise(this.db, id, revision, toRigColumns(dto), this.rows.now());
    return toRigView(await this.rigs.find(this.db, id));
  }

  async remove(id: string): Promise<void> {
    await this.rigs.remove(this.db, id, this.rows.now());
  }

  async restore(id: string): Promise<RigView> {
    await this.rigs.restore(this.db, id);
    return toRigView(await this.rigs.find(this.db, id));
  }
}

function toRigColumns({ name, frictionKgM, borePlayM, largestM, inertiaKgM2, note }: RigDto) {
  return { name: name.trim(), frictionKgM, borePlayM, largestM, inertiaKgM2, note: note ?? null };
}

function toRigView(row: RigRow): RigView {
  return { ...toRowView(row), ...toRigColumns(row) };
}
