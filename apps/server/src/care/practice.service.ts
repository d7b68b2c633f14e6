import { Inject, Injectable } from '@nestjs/common';
import type { DrillAnswerDto, DrillScoreView } from '@zivvo/contract';
import { makeDrill } from '@zivvo/core';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { DrillRepository } from './care.repository.ts';

/** Scores of the drills, per person; whether an answer is right is worked out anew from its seed. */
@Injectable()
export class PracticeService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly answers: DrillRepository,
    private readonly crafts: CraftRepository,
  ) {}

  async scores(): Promise<DrillScoreView[]> {
    return this.answers.scores(this.db);
  }

  async answer({ id, kind, seed, chosen, craftId = null }: DrillAnswerDto): Promise<DrillScoreView[]> {
    const craft = craftId === null ? null : await this.crafts.find(this.db, craftId);
    await this.answers.add(this.db, {
      ...this.rows.newRow(id),
      kind,
      seed,
      isRight: makeDrill(kind, seed, craft).right === chosen,
    });
    return this.scores();
  }
}
