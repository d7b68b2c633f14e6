import { Inject, Injectable } from '@nestjs/common';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { airReading } from './air.table.ts';

@Injectable()
export class AirRepository extends RowRepository<typeof airReading> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(airReading, 'air reading', workshop.id);
  }
}
