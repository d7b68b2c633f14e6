import { Global, Module } from '@nestjs/common';
import { RowMaker } from '../common/rowMaker.ts';
import { EventLedger } from './event.ledger.ts';
import { EventRepository } from './event.repository.ts';

/** The ledger of what happened, and what new rows start with. */
@Global()
@Module({ providers: [EventLedger, EventRepository, RowMaker], exports: [EventLedger, EventRepository, RowMaker] })
export class EventModule {}
