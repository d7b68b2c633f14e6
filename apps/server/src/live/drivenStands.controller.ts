import { Body, Controller, Get, Header, HttpCode, Post, Query } from '@nestjs/common';
import { DRIVEN_NAME, type StandDeviceView } from '@zivvo/contract';
import { FieldError } from '../common/featureError.ts';
import { DrivenStands } from './drivenStands.service.ts';

/** Stands that a program drives: see docs/formats.md. */
@Controller('stand')
export class DrivenStandsController {
  constructor(private readonly stands: DrivenStands) {}

  /** Stands that were heard in the last three seconds. */
  @Get('devices')
  list(): StandDeviceView[] {
    return this.stands.list();
  }

  /** One exchange: plain text with what the stand reads and holds; the answer says what it is to hold next. */
  @Post('driven')
  @HttpCode(200)
  @Header('Content-Type', 'text/plain; charset=utf-8')
  take(@Query('name') name: unknown, @Body() text: string): Promise<string> {
    if (typeof name !== 'string' || !DRIVEN_NAME.test(name))
      throw new FieldError(
        'name',
        'matches',
        'name must be 1 to 40 letters, digits, blanks, dots, dashes or underscores',
        String(name).slice(0, 60),
        { allowed: 'letters, digits, blank . - _' },
        400,
      );
    return this.stands.take(name, typeof text === 'string' ? text : '');
  }
}
