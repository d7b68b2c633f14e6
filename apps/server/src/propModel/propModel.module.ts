import { Module } from '@nestjs/common';
import { PieceRepository } from '../piece/piece.repository.ts';
import { PropModelController } from './propModel.controller.ts';
import { PropModelRepository } from './propModel.repository.ts';
import { PropModelService } from './propModel.service.ts';

@Module({ controllers: [PropModelController], providers: [PropModelService, PropModelRepository, PieceRepository], exports: [PropModelRepository] })
export class PropModelModule {}
