import { Inject, Injectable } from '@nestjs/common';
import { LOG_MAX, type LogEntryView } from '@zivvo/contract';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { toLogEntry } from './care.mapper.ts';
import { LogRepository } from './care.repository.ts';

/** What was done to a craft, when and by whom. */
@Injectable()
export class MaintenanceLogService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly log: LogRepository,
    private readonly crafts: CraftRepository,
  ) {}

  async ofCraft(craftId: string, from: Date, to: Date): Promise<LogEntryView[]> {
    await this.crafts.find(this.db, craftId);
    return (await this.log.ofCraft(this.db, craftId, from, to, LOG_MAX)).map(toLogEntry);
  }
}
