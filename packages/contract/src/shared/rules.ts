import { applyDecorators, type PropertyRule } from './applyDecorators.ts';
import { inside } from './bodyBounds.ts';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateBy,
  ValidateIf,
  ValidateNested,
  type ValidationArguments,
} from 'class-validator';
import type { Range } from './limits.ts';

/** A finite number inside a closed range, the range told to whoever reads the problem. */
export function Within(range: Range): PropertyRule {
  const context = { min: range.min, max: range.max };
  return applyDecorators(
    IsNumber({ allowNaN: false, allowInfinity: false }, { context }),
    Min(range.min, { context }),
    Max(range.max, { context }),
  );
}

/** At most so many times another field of the same body; while that one is no number, nothing is said. */
export function AtMostTimes(times: number, other: string): PropertyRule {
  const rule = {
    validate: (value: unknown, args?: ValidationArguments): boolean => {
      const limit = (args?.object as Record<string, unknown> | undefined)?.[other];
      return typeof value !== 'number' || typeof limit !== 'number' || !(limit > 0) || value <= times * limit;
    },
    defaultMessage: (): string => `$property must be at most ${times} times ${other}`,
  };
  return applyDecorators(ValidateBy({ name: 'atMostTimes', validator: rule }, { context: { times, other } }));
}

/** A whole number inside a closed range. */
export function WholeWithin(range: Range): PropertyRule {
  const context = { min: range.min, max: range.max };
  return applyDecorators(IsInt({ context }), Min(range.min, { context }), Max(range.max, { context }));
}

/**
 * Characters that nobody means to write: controls but tabs and line ends, what turns the direction of the words around
 * it, halves of pairs.
 */
const UNSEEN =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069\ud800-\udfff]/u;

/** Whether a text can be read: something is in it beside blanks, and nothing that hides. */
export function isReadable(text: string): boolean {
  return text.trim() !== '' && !UNSEEN.test(text);
}

/** A text of at least `least` and at most `most` characters that can be read; nothing at all where `least` is 0. */
export function Text(most: number, least = 1): PropertyRule {
  const context = { min: least, max: most };
  const readable = {
    // Nothing at all is for the length to judge: one problem is enough.
    validate: (value: unknown): boolean => typeof value !== 'string' || value === '' || isReadable(value),
    defaultMessage: (): string => '$property must hold more than blanks, and no hidden characters',
  };
  return applyDecorators(
    IsString({ context }),
    MinLength(least, { context }),
    MaxLength(most, { context }),
    ValidateBy({ name: 'readable', validator: readable }),
  );
}

/** A file by its SHA-256, in lower hexadecimal digits. */
export function Digest(): PropertyRule {
  return Matches(/^[0-9a-f]{64}$/, {
    message: '$property must be the SHA-256 of a stored file',
    context: { allowed: '64 hexadecimal digits' },
  });
}

/** One of a fixed set of words. */
export function OneOf(words: readonly string[]): PropertyRule {
  return IsIn([...words], { context: { allowed: words.join(', ') } });
}

/** Several of a fixed set of words, each at most once. */
export function SomeOf(words: readonly string[], most: number): PropertyRule {
  return applyDecorators(
    IsArray(),
    ArrayMaxSize(most, { context: { max: most } }),
    ArrayUnique(),
    IsIn([...words], { each: true, context: { allowed: words.join(', ') } }),
  );
}

/** An identifier made by whoever creates the row. */
export function Id(): PropertyRule {
  return IsUUID('all', { context: { allowed: 'UUID' } });
}

/** Ids of different things, so many of them. */
export function EachId({ min, max }: Range): PropertyRule {
  return applyDecorators(
    IsArray(),
    ArrayMinSize(min, { context: { min } }),
    ArrayMaxSize(max, { context: { max } }),
    ArrayUnique(),
    IsUUID('all', { each: true, context: { allowed: 'UUIDs' } }),
  );
}

/** Yes or no. */
export function Flag(): PropertyRule {
  return IsBoolean({ context: { allowed: 'true, false' } });
}

/** The field may be null, which means *not known*; leaving it out means the same. */
export function Nullable(): PropertyRule {
  return applyDecorators(
    IsOptional(),
    ValidateIf((_, value) => value !== null),
  );
}

/** A list of bodies of one kind, each held against its own rules. */
export function ListOf(item: () => new () => object, { min, max }: Range): PropertyRule {
  return applyDecorators(
    IsArray(),
    ArrayMinSize(min, { context: { min } }),
    ArrayMaxSize(max, { context: { max } }),
    IsObject({ each: true, context: { allowed: 'objects' } }),
    ValidateNested({ each: true }),
    Type(item),
    inside(item),
  );
}

/** A body inside another, held against its own rules. */
export function Inside(item: () => new () => object): PropertyRule {
  return applyDecorators(IsObject({ context: { allowed: 'an object' } }), ValidateNested(), Type(item), inside(item));
}
