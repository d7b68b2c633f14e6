import { ValidationPipe, type ArgumentMetadata } from '@nestjs/common';
import { fieldProblems, overfull, type FieldProblem } from '@zivvo/contract';
import type { ValidationError } from 'class-validator';
import { FeatureError } from './featureError.ts';

/** Holds every body against its rules; unknown fields are refused, nothing is converted in silence. */
export function bodyPipe(): ValidationPipe {
  return new BoundedPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    transformOptions: { enableImplicitConversion: false },
    exceptionFactory: (errors: ValidationError[]) => broken(fieldProblems(errors).slice(0, 50)),
  });
}

/** What is too long is refused before its elements are looked at. */
class BoundedPipe extends ValidationPipe {
  override async transform(value: unknown, metadata: ArgumentMetadata): Promise<unknown> {
    const { metatype, type } = metadata;
    if (type === 'body' && metatype && metatype !== Object) {
      // Nothing at all is not an entry without fields: it would blank what stands there.
      if (value === undefined || value === null) throw broken([NO_BODY]);
      const found = overfull(metatype as new () => object, value);
      if (found) throw broken([found]);
    }
    return super.transform(value, metadata) as Promise<unknown>;
  }
}

const NO_BODY: FieldProblem = {
  path: 'body',
  rule: 'isDefined',
  value: null,
  allowed: {},
  message: 'a body is needed',
};

function broken(fields: FieldProblem[]): FeatureError {
  return new FeatureError(
    400,
    'invalidBody',
    'The entries break a rule',
    fields[0]?.message ?? 'The body breaks a rule.',
    fields,
  );
}
