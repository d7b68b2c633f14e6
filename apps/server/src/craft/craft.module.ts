import { Module } from '@nestjs/common';
import { CraftController } from './craft.controller.ts';
import { CraftRepository } from './craft.repository.ts';
import { CraftService } from './craft.service.ts';
import { RotorBench } from './rotorBench.ts';

@Module({ controllers: [CraftController], providers: [CraftService, CraftRepository, RotorBench], exports: [CraftRepository, RotorBench] })
export class CraftModule {}
