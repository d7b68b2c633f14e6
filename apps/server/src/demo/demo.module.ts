import { Controller, HttpCode, Module, Post } from '@nestjs/common';
import type { DemoView } from '@zivvo/contract';
import { DemoBeside } from './demoBeside.service.ts';

@Controller('demo')
export class DemoController {
  constructor(private readonly demo: DemoBeside) {}

  /** Opens the demo workshop beside this one. */
  @Post()
  @HttpCode(200)
  open(): Promise<DemoView> {
    return this.demo.open();
  }
}

@Module({ controllers: [DemoController], providers: [DemoBeside] })
export class DemoModule {}
