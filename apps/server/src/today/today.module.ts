import { Controller, Get, Module } from '@nestjs/common';
import type { TodayView } from '@zivvo/contract';
import { CraftModule } from '../craft/craft.module.ts';
import { RecentWork } from './recentWork.repository.ts';
import { TodayService } from './today.service.ts';

@Controller('today')
class TodayController {
  constructor(private readonly today: TodayService) {}

  @Get()
  find(): Promise<TodayView> {
    return this.today.find();
  }
}

/** What is due this morning, across the stations. */
@Module({ imports: [CraftModule], controllers: [TodayController], providers: [TodayService, RecentWork] })
export class TodayModule {}
