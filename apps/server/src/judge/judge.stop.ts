import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { judgeStop } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { FrozenVerdictRepository } from './judge.repository.ts';

/** Whether somebody decided on craft. */
@Injectable()
export class JudgeStop implements StopSource, OnModuleInit {
  readonly station = 'judge';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly verdicts: FrozenVerdictRepository,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts) => {
    const ids = crafts.map((c) => c.id);
    const tally = await this.verdicts.tally(this.db, ids);
    return new Map(
      ids.map((id) => {
        const { count = 0, isNamed = false } = tally.get(id) ?? {};
        return [id, judgeStop({ frozenCount: count, isNamed })];
      }),
    );
  };
}
