import { Inject, Injectable } from '@nestjs/common';
import { Clock } from '../common/clock.ts';
import { currentPersonId } from '../common/requestContext.ts';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import type { Fact } from './facts.ts';
import { EventRepository } from './event.repository.ts';

/** Where features write down what happened. */
@Injectable()
export class EventLedger {
  constructor(
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly clock: Clock,
    private readonly events: EventRepository,
  ) {}

  /** Records a fact inside the caller's transaction, together with what follows from it. */
  async record(tx: DbOrTx, subjectId: string, fact: Fact, at: Date = this.clock.now()): Promise<void> {
    await this.events.append(tx, {
      workshopId: this.workshop.id,
      personId: currentPersonId(),
      at,
      kind: fact.kind,
      subjectId,
      fact,
    });
  }
}
