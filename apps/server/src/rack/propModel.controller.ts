import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import {
  CountStockDto,
  CreatePropModelDto,
  UpdatePropModelDto,
  WantDto,
  type PropModelListView,
  type PropModelView,
} from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { PropModelService } from './propModel.service.ts';

@Controller('prop-models')
export class PropModelController {
  constructor(private readonly propModels: PropModelService) {}

  @Get()
  list(): Promise<PropModelListView> {
    return this.propModels.list();
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<PropModelView> {
    return this.propModels.find(id);
  }

  @Post()
  create(@Body() dto: CreatePropModelDto): Promise<PropModelView> {
    return this.propModels.create(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdatePropModelDto): Promise<PropModelView> {
    return this.propModels.update(id, dto);
  }

  /** Writes down how many pieces of each hand there are. */
  @Put(':id/stock')
  countStock(@Param('id', IdPipe) id: string, @Body() dto: CountStockDto): Promise<PropModelView> {
    return this.propModels.countStock(id, dto);
  }

  /** Puts pieces on the list of what to buy; none takes them off. */
  @Put(':id/want')
  want(@Param('id', IdPipe) id: string, @Body() dto: WantDto): Promise<PropModelView> {
    return this.propModels.want(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.propModels.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<PropModelView> {
    return this.propModels.restore(id);
  }
}
