import { Injectable, type ArgumentMetadata, type PipeTransform } from '@nestjs/common';
import { FieldError } from './featureError.ts';

/** A moment in the address, written as ISO 8601. */
@Injectable()
export class MomentPipe implements PipeTransform<unknown, Date> {
  transform(value: unknown, { data = 'at' }: ArgumentMetadata): Date {
    const at = typeof value === 'string' && value.length <= 40 ? new Date(value) : new Date(NaN);
    if (Number.isNaN(at.getTime()))
      throw new FieldError(
        data,
        'isMoment',
        `${data} must be a date`,
        String(value).slice(0, 60),
        { allowed: 'a date such as 2026-05-01' },
        400,
      );
    return at;
  }
}
