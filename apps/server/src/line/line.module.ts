import { Global, Module } from '@nestjs/common';
import { DueService } from './due.service.ts';
import { LineService } from './line.service.ts';

@Global()
@Module({ providers: [LineService, DueService], exports: [LineService, DueService] })
export class LineModule {}
