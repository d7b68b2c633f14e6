import { Module } from '@nestjs/common';
import { PropModelController } from './propModel.controller.ts';
import { PropModelRepository } from './propModel.repository.ts';
import { PropModelService } from './propModel.service.ts';

@Module({ controllers: [PropModelController], providers: [PropModelService, PropModelRepository], exports: [PropModelRepository] })
export class PropModelModule {}
