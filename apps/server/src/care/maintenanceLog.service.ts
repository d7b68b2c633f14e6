import { Inject, Injectable } from '@nestjs/common';
import { LOG_MAX, type LogEntryView } from '@zivvo/contract';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { LogRepository, type LogRow } from './care.repository.ts';

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
    return (await this.log.ofCraft(this.db, craftId, from, to, LOG_MAX)).map(toEntry);
  }
}

function toEntry({ sequence, at, personName, fact, tag }: LogRow): LogEntryView {
  const { kind, ...rest } = fact;
  const values = Object.fromEntries(Object.entries(rest).filter(([name, value]) => !name.endsWith('Id') && (value === null || typeof value !== 'object'))) as LogEntryView['values'];
  return { sequence, at: at.toISOString(), personName, kind, tag, values };
}
