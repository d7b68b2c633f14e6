import type { ArgumentMetadata, PipeTransform } from '@nestjs/common';
import type { Range } from '@zivvo/contract';
import { FieldError } from './featureError.ts';

/** A number in the query inside a range, with a default when it is left out. */
export class NumberPipe implements PipeTransform<string | undefined, number> {
  constructor(
    private readonly range: Range,
    private readonly otherwise: number,
  ) {}

  transform(value: string | undefined, { data = 'value' }: ArgumentMetadata): number {
    if (value === undefined || value === '') return this.otherwise;
    const number = Number(value);
    const { min, max } = this.range;
    if (!(number >= min && number <= max))
      throw new FieldError(
        data,
        'within',
        `${data} must be a number from ${min} to ${max}`,
        String(value).slice(0, 60),
        { min, max },
        400,
      );
    return number;
  }
}
