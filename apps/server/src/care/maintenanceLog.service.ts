import { Inject, Injectable } from '@nestjs/common';
import { LOG_MAX, type LogView } from '@zivvo/contract';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { toLogEntry } from './care.mapper.ts';
import { FlightRepository, LogRepository } from './care.repository.ts';

/** What was done to a craft, when and by whom. */
@Injectable()
export class MaintenanceLogService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly log: LogRepository,
    private readonly flights: FlightRepository,
    private readonly crafts: CraftRepository,
  ) {}

  async ofCraft(craftId: string, from: Date, to: Date): Promise<LogView> {
    await this.crafts.find(this.db, craftId);
    const items = (await this.log.ofCraft(this.db, craftId, from, to, LOG_MAX)).map(toLogEntry);
    const total = items.length < LOG_MAX ? items.length : await this.log.countOfCraft(this.db, craftId, from, to);
    const sums = await this.flights.between(this.db, craftId, from, to);
    return { items, total, isCut: total > items.length, ...sums };
  }
}
