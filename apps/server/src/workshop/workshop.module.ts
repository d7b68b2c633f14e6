import { Module } from '@nestjs/common';
import { AirRepository } from './air.repository.ts';
import { MotorPieceController, PackPieceController, SparePartController } from './part.controller.ts';
import { MotorPieceRepository, PackPieceRepository, SparePartRepository } from './part.repository.ts';
import { PartService } from './part.service.ts';
import { WorkshopController } from './workshop.controller.ts';
import { WorkshopService } from './workshop.service.ts';

@Module({ controllers: [WorkshopController, MotorPieceController, PackPieceController, SparePartController], providers: [WorkshopService, PartService, AirRepository, PackPieceRepository, MotorPieceRepository, SparePartRepository], exports: [PartService, WorkshopService] })
export class WorkshopModule {}
