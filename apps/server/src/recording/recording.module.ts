import { Module } from '@nestjs/common';
import { RecordingController } from './recording.controller.ts';
import { RecordingRepository } from './recording.repository.ts';
import { RecordingService } from './recording.service.ts';

@Module({
  controllers: [RecordingController],
  providers: [RecordingService, RecordingRepository],
  exports: [RecordingService],
})
export class RecordingModule {}
