import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import type { DueItem } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { DueService, type DueSource } from '../line/due.service.ts';
import { FrozenVerdictRepository } from './judge.repository.ts';

/** Verdicts that newer readings may turn; whether they do, Judge says. */
@Injectable()
export class JudgeDue implements DueSource, OnModuleInit {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly verdicts: FrozenVerdictRepository,
    private readonly dues: DueService,
  ) {}

  onModuleInit(): void {
    this.dues.register(this);
  }

  due: DueSource['due'] = async (crafts) => {
    const news = await this.verdicts.readingsSince(
      this.db,
      crafts.map((c) => c.id),
    );
    return [...news].map(([craftId, count]): DueItem => ({
      reason: { code: 'due.judge', severity: 'note', values: { count }, figure: null },
      path: '/judge',
      craftId,
    }));
  };
}
