import { Inject, Injectable } from '@nestjs/common';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { Clock } from './clock.ts';
import { v7 } from 'uuid';
import { currentPersonId } from './requestContext.ts';

/** What every new row starts with: workshop, person, dates. */
@Injectable()
export class RowMaker {
  constructor(
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly clock: Clock,
  ) {}

  /** The moment of a change. */
  now(): Date {
    return this.clock.now();
  }

  /** An id for a row that the server itself makes. */
  makeId(): string {
    return v7({ msecs: this.clock.nowMs() });
  }

  newRow(id: string) {
    const now = this.clock.now();
    return {
      id,
      workshopId: this.workshop.id,
      revision: 1,
      personId: currentPersonId(),
      createdAt: now,
      updatedAt: now,
      deletedAt: null,
    };
  }
}
