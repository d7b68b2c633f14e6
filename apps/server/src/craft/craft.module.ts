import './craft.facts.ts';
import { Module } from '@nestjs/common';
import { RackModule } from '../rack/rack.module.ts';
import { CraftController } from './craft.controller.ts';
import { CraftRepository } from './craft.repository.ts';
import { CraftService } from './craft.service.ts';
import { CraftRotors } from './craftRotors.ts';

@Module({
  imports: [RackModule],
  controllers: [CraftController],
  providers: [CraftService, CraftRepository, CraftRotors],
  exports: [CraftRepository, CraftRotors],
})
export class CraftModule {}
