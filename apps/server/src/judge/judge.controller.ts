import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import {
  FreezeVerdictDto,
  JudgeWishesDto,
  type JudgeView,
  type SayingsView,
  type WholeVerdictView,
} from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { JudgeService } from './judge.service.ts';

@Controller('judge/:craftId')
export class JudgeController {
  constructor(private readonly judge: JudgeService) {}

  @Get()
  find(@Param('craftId', IdPipe) craftId: string): Promise<JudgeView> {
    return this.judge.ofCraft(craftId);
  }

  @Get('sayings')
  sayings(@Param('craftId', IdPipe) craftId: string): Promise<SayingsView> {
    return this.judge.sayings(craftId);
  }

  @Put('wishes')
  setWishes(@Param('craftId', IdPipe) craftId: string, @Body() dto: JudgeWishesDto): Promise<JudgeView> {
    return this.judge.setWishes(craftId, dto);
  }

  @Get('verdicts/:id')
  verdict(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<WholeVerdictView> {
    return this.judge.verdict(craftId, id);
  }

  @Post('verdicts')
  freeze(@Param('craftId', IdPipe) craftId: string, @Body() dto: FreezeVerdictDto): Promise<JudgeView> {
    return this.judge.freeze(craftId, dto);
  }

  @Delete('verdicts/:id')
  @HttpCode(204)
  remove(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<void> {
    return this.judge.remove(craftId, id);
  }

  @Post('verdicts/:id/restore')
  @HttpCode(200)
  restore(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<JudgeView> {
    return this.judge.restore(craftId, id);
  }
}
