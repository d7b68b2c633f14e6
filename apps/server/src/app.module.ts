import { Module, type DynamicModule } from '@nestjs/common';
import { BalanceModule } from './balance/balance.module.ts';
import { BlobModule } from './blob/blob.module.ts';
import { CareModule } from './care/care.module.ts';
import { CONFIG, type Config } from './config.ts';
import { CraftModule } from './craft/craft.module.ts';
import { DatabaseModule } from './database/database.module.ts';
import { DemoModule } from './demo/demo.module.ts';
import { EventModule } from './event/event.module.ts';
import { FitModule } from './fit/fit.module.ts';
import { FlyModule } from './fly/fly.module.ts';
import { FinderModule } from './finder/finder.module.ts';
import { JudgeModule } from './judge/judge.module.ts';
import { LineModule } from './line/line.module.ts';
import { ListenModule } from './listen/listen.module.ts';
import { LiveModule } from './live/live.module.ts';
import { PickModule } from './pick/pick.module.ts';
import { RackModule } from './rack/rack.module.ts';
import { ReadyModule } from './ready/ready.module.ts';
import { RecordingModule } from './recording/recording.module.ts';
import { StandModule } from './stand/stand.module.ts';
import { TodayModule } from './today/today.module.ts';
import { WorkshopModule } from './workshop/workshop.module.ts';

/** Every feature that owns a slice; a new one is added here. */
const features = [
  RackModule,
  CraftModule,
  StandModule,
  LiveModule,
  PickModule,
  BalanceModule,
  FitModule,
  CareModule,
  FlyModule,
  ListenModule,
  JudgeModule,
];

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        ConfigModule.with(config),
        DatabaseModule,
        EventModule,
        LineModule,
        ReadyModule,
        WorkshopModule,
        BlobModule,
        RecordingModule,
        ...features,
        FinderModule,
        TodayModule,
        DemoModule,
      ],
    };
  }
}

@Module({})
class ConfigModule {
  static with(config: Config): DynamicModule {
    return {
      module: ConfigModule,
      global: true,
      providers: [{ provide: CONFIG, useValue: config }],
      exports: [CONFIG],
    };
  }
}
