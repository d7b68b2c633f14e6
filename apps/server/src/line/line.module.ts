import { Global, Module } from '@nestjs/common';
import { LineRepository } from './line.repository.ts';
import { LineService } from './line.service.ts';

@Global()
@Module({ providers: [LineService, LineRepository], exports: [LineService] })
export class LineModule {}
