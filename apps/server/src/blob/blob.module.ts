import { Module } from '@nestjs/common';
import { BlobController } from './blob.controller.ts';
import { BlobRepository } from './blob.repository.ts';
import { BlobService } from './blob.service.ts';

@Module({ controllers: [BlobController], providers: [BlobService, BlobRepository] })
export class BlobModule {}
