import { Injectable, type ArgumentMetadata, type PipeTransform } from '@nestjs/common';
import { validate } from 'uuid';
import { FieldError } from './featureError.ts';

/** An identifier in the address; anything else is a 400 that names it. */
@Injectable()
export class IdPipe implements PipeTransform<string, string> {
  transform(value: string, { data = 'id' }: ArgumentMetadata): string {
    return requireId(value, data);
  }
}

/** An optional identifier in the query. */
@Injectable()
export class OptionalIdPipe implements PipeTransform<string | undefined, string | null> {
  transform(value: string | undefined, { data = 'id' }: ArgumentMetadata): string | null {
    return value === undefined || value === '' ? null : requireId(value, data);
  }
}

/** Identifiers in the query, parted by commas, at most so many. */
@Injectable()
export class IdListPipe implements PipeTransform<string | undefined, string[]> {
  constructor(private readonly most: number) {}

  transform(value: string | undefined, { data = 'ids' }: ArgumentMetadata): string[] {
    const parts = String(value ?? '')
      .split(',', this.most + 1)
      .filter((part) => part !== '');
    if (parts.length > this.most)
      throw new FieldError(
        data,
        'arrayMaxSize',
        `${data} may name ${this.most} at most`,
        null,
        { max: this.most },
        400,
      );
    return parts.map((part) => requireId(part, data));
  }
}

function requireId(value: string, field: string): string {
  if (typeof value === 'string' && validate(value)) return value.toLowerCase();
  throw new FieldError(
    field,
    'isUuid',
    `${field} must be a UUID`,
    String(value).slice(0, 60),
    { allowed: 'UUID' },
    400,
  );
}
