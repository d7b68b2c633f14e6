import { ValidationPipe } from '@nestjs/common';
import { fieldProblems } from '@zivvo/contract';
import type { ValidationError } from 'class-validator';
import { FeatureError } from './featureError.ts';

/** Holds every body against its rules; unknown fields are refused, nothing is converted in silence. */
export function bodyPipe(): ValidationPipe {
  return new ValidationPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    transformOptions: { enableImplicitConversion: false },
    exceptionFactory: (errors: ValidationError[]) => {
      const fields = fieldProblems(errors).slice(0, 50);
      return new FeatureError(400, 'invalidBody', 'The entries break a rule', fields[0]?.message ?? 'The body breaks a rule.', fields);
    },
  });
}
