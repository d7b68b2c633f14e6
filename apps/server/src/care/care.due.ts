import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import type { DueItem } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { DueService, type DueSource } from '../line/due.service.ts';
import { TicketRepository } from './care.repository.ts';

const TOLD_MOST = 12;
const DAY_MS = 86_400_000;

/** Job tickets that nobody has closed. */
@Injectable()
export class CareDue implements DueSource, OnModuleInit {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly tickets: TicketRepository,
    private readonly dues: DueService,
  ) {}

  onModuleInit(): void {
    this.dues.register(this);
  }

  due: DueSource['due'] = async () => {
    const rows = await this.tickets.open(this.db, TOLD_MOST);
    return rows.map(({ craftId, complaint, createdAt }): DueItem => {
      const days = Math.max(0, Math.floor((this.clock.nowMs() - createdAt.getTime()) / DAY_MS));
      return {
        reason: { code: 'due.ticket', severity: 'action', values: { complaint, days }, figure: null },
        path: '/care/tickets',
        craftId,
      };
    });
  };
}
