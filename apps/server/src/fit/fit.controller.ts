import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ConfirmFittingDto, FitPieceDto, SwapArmsDto, UpdateFittingDto, type FittingView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { FitMoves } from './fitMoves.service.ts';
import { FitService } from './fit.service.ts';

@Controller('fittings')
export class FitController {
  constructor(
    private readonly fits: FitService,
    private readonly moves: FitMoves,
  ) {}

  /** What is on each arm, what the craft will do, and the fewest moves that mend it. */
  @Get(':craftId')
  find(@Param('craftId', IdPipe) craftId: string): Promise<FittingView> {
    return this.fits.find(craftId);
  }

  @Put(':craftId')
  update(@Param('craftId', IdPipe) craftId: string, @Body() dto: UpdateFittingDto): Promise<FittingView> {
    return this.fits.update(craftId, dto);
  }

  @Post(':craftId/pieces')
  @HttpCode(200)
  async fit(@Param('craftId', IdPipe) craftId: string, @Body() dto: FitPieceDto): Promise<FittingView> {
    await this.moves.fit(craftId, dto);
    return this.fits.find(craftId);
  }

  @Post(':craftId/swap')
  @HttpCode(200)
  async swap(@Param('craftId', IdPipe) craftId: string, @Body() dto: SwapArmsDto): Promise<FittingView> {
    await this.moves.swap(craftId, dto);
    return this.fits.find(craftId);
  }

  @Post(':craftId/confirm')
  @HttpCode(200)
  confirm(@Param('craftId', IdPipe) craftId: string, @Body() dto: ConfirmFittingDto): Promise<FittingView> {
    return this.fits.confirm(craftId, dto);
  }
}
