import { Controller, Get, Module, Query } from '@nestjs/common';
import { NAME_MAX_LENGTH, type FoundView } from '@zivvo/contract';
import { FinderRepository } from './finder.repository.ts';

@Controller('finder')
class FinderController {
  constructor(private readonly finder: FinderRepository) {}

  /** Crafts, prop models, campaigns and runs that hold the words. */
  @Get()
  async find(@Query('words') words?: string): Promise<FoundView[]> {
    const wanted = typeof words === 'string' ? words.trim().slice(0, NAME_MAX_LENGTH) : '';
    return wanted === '' ? [] : this.finder.find(wanted);
  }
}

@Module({ controllers: [FinderController], providers: [FinderRepository] })
export class FinderModule {}
