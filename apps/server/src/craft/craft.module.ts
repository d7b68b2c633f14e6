import { Module } from '@nestjs/common';
import { CraftController } from './craft.controller.ts';
import { CraftRepository } from './craft.repository.ts';
import { PackPieceRepository } from '../workshop/part.repository.ts';
import { CraftService } from './craft.service.ts';

@Module({ controllers: [CraftController], providers: [CraftService, CraftRepository, PackPieceRepository], exports: [CraftRepository] })
export class CraftModule {}
