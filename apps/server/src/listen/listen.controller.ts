import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  ChangeListeningDto,
  CreateListeningDto,
  CreateTakeDto,
  CreateVoteDto,
  listenLimits,
  type ListenView,
} from '@zivvo/contract';
import { FieldError } from '../common/featureError.ts';
import { IdPipe } from '../common/idPipe.ts';
import { ListenService } from './listen.service.ts';

@Controller('listen/:craftId')
export class ListenController {
  constructor(private readonly listen: ListenService) {}

  @Get()
  find(
    @Param('craftId', IdPipe) craftId: string,
    @Query('listening') listening?: string,
    @Query('thrustN') thrustN?: string,
  ): Promise<ListenView> {
    return this.listen.ofCraft(craftId, listening ?? null, thrustN === undefined ? null : thrustOf(thrustN));
  }

  @Post('listenings')
  begin(@Param('craftId', IdPipe) craftId: string, @Body() dto: CreateListeningDto): Promise<ListenView> {
    return this.listen.begin(craftId, dto);
  }

  @Put('listenings/:id')
  change(
    @Param('craftId', IdPipe) craftId: string,
    @Param('id', IdPipe) id: string,
    @Body() dto: ChangeListeningDto,
  ): Promise<ListenView> {
    return this.listen.change(craftId, id, dto);
  }

  @Delete('listenings/:id')
  @HttpCode(204)
  remove(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<void> {
    return this.listen.remove(craftId, id);
  }

  @Post('listenings/:id/restore')
  @HttpCode(200)
  restore(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<ListenView> {
    return this.listen.restore(craftId, id);
  }

  @Post('listenings/:id/takes')
  take(
    @Param('craftId', IdPipe) craftId: string,
    @Param('id', IdPipe) id: string,
    @Body() dto: CreateTakeDto,
  ): Promise<ListenView> {
    return this.listen.take(craftId, id, dto);
  }

  @Delete('takes/:id')
  @HttpCode(204)
  removeTake(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<void> {
    return this.listen.removeTake(craftId, id);
  }

  @Post('takes/:id/restore')
  @HttpCode(200)
  restoreTake(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<ListenView> {
    return this.listen.restoreTake(craftId, id);
  }

  @Post('listenings/:id/votes')
  vote(
    @Param('craftId', IdPipe) craftId: string,
    @Param('id', IdPipe) id: string,
    @Body() dto: CreateVoteDto,
  ): Promise<ListenView> {
    return this.listen.vote(craftId, id, dto);
  }
}

/** A thrust that is compared at, as it stands in an address. */
function thrustOf(text: string): number {
  const { min, max } = listenLimits.thrustN;
  const value = Number(text);
  if (text.trim() === '' || !(value >= min && value <= max))
    throw new FieldError(
      'thrustN',
      'within',
      `thrustN must be a number from ${min} to ${max}`,
      String(text).slice(0, 40),
      {
        min,
        max,
      },
    );
  return value;
}
