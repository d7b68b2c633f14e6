import { Module } from '@nestjs/common';
import { AirRepository } from './air.repository.ts';
import { WorkshopController } from './workshop.controller.ts';
import { WorkshopService } from './workshop.service.ts';

@Module({ controllers: [WorkshopController], providers: [WorkshopService, AirRepository], exports: [WorkshopService] })
export class WorkshopModule {}
