import { Module } from '@nestjs/common';
import { AirRepository } from './air.repository.ts';
import { PackPieceRepository } from './packPiece.repository.ts';
import { MotorPieceController, SparePartController } from './part.controller.ts';
import { MotorPieceRepository, SparePartRepository } from './part.repository.ts';
import { PartService } from './part.service.ts';
import { WorkshopController } from './workshop.controller.ts';
import { WorkshopService } from './workshop.service.ts';

@Module({ controllers: [WorkshopController, MotorPieceController, SparePartController], providers: [WorkshopService, PartService, AirRepository, PackPieceRepository, MotorPieceRepository, SparePartRepository] })
export class WorkshopModule {}
