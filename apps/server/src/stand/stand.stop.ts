import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { standStop } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { StandFactRepository, type StandFacts } from './standFact.repository.ts';

/** How the stand's work on craft stands. */
@Injectable()
export class StandStop implements StopSource, OnModuleInit {
  readonly station = 'stand';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly facts: StandFactRepository,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts, subjectOf) => {
    const facts = await this.facts.ofCrafts(
      this.db,
      crafts.map((c) => c.id),
    );
    return new Map(
      crafts.map((craft) => {
        const own = facts.filter((f) => f.craftId === craft.id);
        const runsOf = (facts: readonly StandFacts[]): number => facts.reduce((sum, f) => sum + f.runCount, 0);
        const inHand = own.filter((f) => f.propModelId === subjectOf(craft));
        const limits = [craft.escLimitA, craft.motorLimitA].filter((l) => l !== null);
        const stop = standStop({
          nowMs: this.clock.nowMs(),
          keptRunCount: runsOf(own),
          inHandRunCount: runsOf(inHand),
          referenceRunCount: runsOf(own.filter((f) => f.propModelId === craft.referencePropModelId)),
          lastKeptAtMs: own.reduce<number | null>((last, f) => Math.max(last ?? 0, f.lastKeptAt!.getTime()), null),
          hasBreach: inHand.some((f) => limits.some((limit) => (f.maxCurrentA ?? 0) > limit)),
        });
        return [craft.id, stop];
      }),
    );
  };
}
