import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { largestDiscM, neighbourDistanceM, pickStop } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { StandFactRepository } from '../stand/standFact.repository.ts';

/** Whether a prop was chosen for craft, has room, and was measured. */
@Injectable()
export class PickStop implements StopSource, OnModuleInit {
  readonly station = 'pick';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly models: PropModelRepository,
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
    const models = await this.models.byIds(this.db, [...new Set(crafts.flatMap((c) => subjectOf(c) ?? []))]);
    return new Map(
      crafts.map((craft) => {
        const model = models.find((m) => m.id === subjectOf(craft));
        const stop = pickStop({
          diameterM: model ? (model.measuredDiameterM ?? model.diameterM) : null,
          largestDiscM: largestDiscM({ ...craft, neighbourDistanceM: neighbourDistanceM(craft.rotors) }),
          runCount: facts.find((f) => f.craftId === craft.id && f.propModelId === subjectOf(craft))?.runCount ?? 0,
        });
        return [craft.id, stop];
      }),
    );
  };
}
