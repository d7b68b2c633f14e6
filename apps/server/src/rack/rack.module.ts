import './rack.facts.ts';
import { Module } from '@nestjs/common';
import { BatchService } from './batch.service.ts';
import { MotorPieceController, PackPieceController, SparePartController } from './part.controller.ts';
import { MotorPieceRepository, PackPieceRepository, SparePartRepository } from './part.repository.ts';
import { PartService } from './part.service.ts';
import { BatchController, PieceController, SetController, StickerController } from './piece.controller.ts';
import { BatchRepository, PieceRepository, PieceSetRepository } from './piece.repository.ts';
import { PieceService } from './piece.service.ts';
import { PropModelController } from './propModel.controller.ts';
import { PropModelRepository } from './propModel.repository.ts';
import { PropModelService } from './propModel.service.ts';
import { RackDue } from './rackDue.repository.ts';
import { RackProjectors } from './rack.projector.ts';
import { SetService } from './set.service.ts';
import { StickerService } from './sticker.service.ts';
import { StockRepository } from './stock.repository.ts';
import { YieldService } from './yield.service.ts';

const repositories = [
  PropModelRepository,
  StockRepository,
  PieceRepository,
  BatchRepository,
  PieceSetRepository,
  MotorPieceRepository,
  PackPieceRepository,
  SparePartRepository,
];
const services = [PropModelService, PieceService, BatchService, SetService, YieldService, StickerService, PartService];

/** Models, deliveries, pieces, sets and parts: what lies on the shelf, and what becomes of it. */
@Module({
  controllers: [
    PropModelController,
    PieceController,
    BatchController,
    SetController,
    StickerController,
    MotorPieceController,
    PackPieceController,
    SparePartController,
  ],
  providers: [...repositories, ...services, RackProjectors, RackDue],
  exports: [...repositories, ...services],
})
export class RackModule {}
