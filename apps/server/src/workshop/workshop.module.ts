import { Module } from '@nestjs/common';
import { AirRepository } from './air.repository.ts';
import { PackPieceRepository } from './packPiece.repository.ts';
import { WorkshopController } from './workshop.controller.ts';
import { WorkshopService } from './workshop.service.ts';

@Module({ controllers: [WorkshopController], providers: [WorkshopService, AirRepository, PackPieceRepository] })
export class WorkshopModule {}
