import { Controller, Get, Param } from '@nestjs/common';
import type { PackServiceView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { PartService } from '../rack/part.service.ts';
import { RunService } from './run.service.ts';

@Controller('pack-pieces')
export class PackServiceController {
  constructor(
    private readonly parts: PartService,
    private readonly runs: RunService,
  ) {}

  /** The stand runs that a pack served, and what they add up to. */
  @Get(':id/runs')
  async runsOf(@Param('id', IdPipe) id: string): Promise<PackServiceView> {
    return this.runs.ofPack(await this.parts.findPack(id));
  }
}
