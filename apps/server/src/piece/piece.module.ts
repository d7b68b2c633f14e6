import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { PropModelModule } from '../propModel/propModel.module.ts';
import { BatchController, PieceController, SetController, StickerController } from './piece.controller.ts';
import { BatchRepository, PieceRepository, PieceSetRepository } from './piece.repository.ts';
import { PieceService } from './piece.service.ts';
import { SetService } from './set.service.ts';
import { StickerService } from './sticker.service.ts';

@Module({
  imports: [CraftModule, PropModelModule],
  controllers: [PieceController, BatchController, SetController, StickerController],
  providers: [PieceService, SetService, StickerService, PieceRepository, BatchRepository, PieceSetRepository],
  exports: [PieceService, PieceRepository, SetService],
})
export class PieceModule {}
