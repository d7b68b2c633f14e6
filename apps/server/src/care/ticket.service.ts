import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreateJobTicketDto,
  type JobTicketDto,
  type JobTicketView,
  type UpdateJobTicketDto,
  type ListView,
} from '@zivvo/contract';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { toTicketView } from './care.mapper.ts';
import { TicketRepository } from './care.repository.ts';

/** Work on other people's craft. */
@Injectable()
export class TicketService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly tickets: TicketRepository,
    private readonly crafts: CraftRepository,
    private readonly ledger: EventLedger,
  ) {}

  async list(craftId: string | null): Promise<ListView<JobTicketView>> {
    return toListView(await this.tickets.ofCraft(this.db, craftId, LIST_MAX), toTicketView);
  }

  async find(id: string): Promise<JobTicketView> {
    return toTicketView(await this.tickets.find(this.db, id));
  }

  async open({ id, craftId, isClosed, ...dto }: CreateJobTicketDto): Promise<JobTicketView> {
    await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) => {
      const isNew = await this.tickets.add(tx, {
        ...this.rows.newRow(id),
        craftId,
        ...toColumns({ ...dto, isClosed }),
        closedAt: isClosed ? this.clock.now() : null,
      });
      if (isNew)
        await this.ledger.record(tx, craftId, {
          kind: 'ticketOpened',
          craftId,
          ticketId: id,
          complaint: dto.complaint.trim(),
        });
    });
    return this.find(id);
  }

  async change(id: string, { revision, ...dto }: UpdateJobTicketDto): Promise<JobTicketView> {
    await this.db.transaction(async (tx) => {
      const before = await this.tickets.find(tx, id);
      const closedAt = dto.isClosed ? (before.closedAt ?? this.clock.now()) : null;
      await this.tickets.revise(tx, id, revision, { ...toColumns(dto), closedAt }, this.clock.now());
      if (closedAt !== null && before.closedAt === null)
        await this.ledger.record(tx, before.craftId, {
          kind: 'ticketClosed',
          craftId: before.craftId,
          ticketId: id,
          minutes: dto.minutes ?? null,
        });
    });
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    await this.tickets.remove(this.db, id, this.clock.now());
  }

  async restore(id: string): Promise<JobTicketView> {
    await this.tickets.restore(this.db, id);
    return this.find(id);
  }
}

function toColumns({ ownerName, complaint, found, done, parts, minutes }: JobTicketDto) {
  return {
    ownerName: ownerName ?? null,
    complaint: complaint.trim(),
    found: found ?? null,
    done: done ?? null,
    parts: parts ?? null,
    minutes: minutes ?? null,
  };
}
