import { fieldProblems, type FieldProblem } from '@zivvo/contract';
import { fieldSentence, type UnitChoices } from '@zivvo/words';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import type { FieldErrors, FieldValues, Path, Resolver, UseFormSetError } from 'react-hook-form';
import { problemOf } from '../api/api.ts';

/** Holds a form against the rules that the server will hold it against, and says failures in the reader's units. */
export function dtoResolver<T extends FieldValues>(Dto: new () => object, choices: UnitChoices): Resolver<T> {
  return (values) => {
    const problems = fieldProblems(validateSync(plainToInstance(Dto, values), { whitelist: true }));
    return problems.length === 0 ? { values, errors: {} } : { values: {}, errors: toFieldErrors<T>(problems, choices) };
  };
}

/** Problems as the form library holds them, the first of each field. */
function toFieldErrors<T extends FieldValues>(problems: readonly FieldProblem[], choices: UnitChoices): FieldErrors<T> {
  const errors: Record<string, { type: string; message: string }> = {};
  for (const problem of problems)
    errors[problem.path] ??= { type: problem.rule, message: fieldSentence(problem, choices) };
  return errors as FieldErrors<T>;
}

/** Shows what the server refused at the fields that it named. */
export function showRefusal<T extends FieldValues>(
  setError: UseFormSetError<T>,
  error: unknown,
  choices: UnitChoices,
): void {
  for (const [field, problem] of Object.entries(toFieldErrors<T>(problemOf(error)?.fields ?? [], choices)))
    setError(field as Path<T>, problem as { type: string; message: string });
}
