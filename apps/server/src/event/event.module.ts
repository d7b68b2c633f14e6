import { Global, Module } from '@nestjs/common';
import { RowMaker } from '../common/rowMaker.ts';
import { EventLedger } from './event.ledger.ts';
import { EventRepository } from './event.repository.ts';
import { Projectors } from './projectors.ts';

/** The ledger of what happened, and what new rows start with. */
@Global()
@Module({
  providers: [EventLedger, EventRepository, Projectors, RowMaker],
  exports: [EventLedger, EventRepository, Projectors, RowMaker],
})
export class EventModule {}
