import type { ValidationError } from 'class-validator';

/** What was wrong with one field: where, which rule, what is allowed. */
export interface FieldProblem {
  path: string;
  rule: string;
  /** The value as sent, shortened; null when it cannot be shown. */
  value: string | null;
  allowed: Readonly<Record<string, number | string>>;
  message: string;
}

/** The one body of every error answer. */
export interface Problem {
  status: number;
  code: string;
  title: string;
  detail: string;
  fields: FieldProblem[];
  /** Number under which an internal fault stands in the server's log. */
  incident?: string;
}

/**
 * What a sent body looks like to the rules: their failures as flat field problems with paths such as `steps.3.thrustN`.
 */
export function fieldProblems(errors: readonly ValidationError[], parent = ''): FieldProblem[] {
  return errors.flatMap((error) => {
    const path = parent === '' ? error.property : `${parent}.${error.property}`;
    const own = Object.entries(error.constraints ?? {}).map(([rule, message]): FieldProblem => {
      const context: unknown = error.contexts?.[rule];
      return {
        path,
        rule,
        value: shown(error.value),
        allowed: isPlain(context) ? context : {},
        message: parent === '' ? message : `${parent}.${message}`,
      };
    });
    return [...own, ...fieldProblems(error.children ?? [], path)];
  });
}

function isPlain(value: unknown): value is Record<string, number | string> {
  return typeof value === 'object' && value !== null;
}

function shown(value: unknown): string | null {
  if (typeof value !== 'string' && typeof value !== 'number' && typeof value !== 'boolean') return null;
  return String(value).slice(0, 60);
}
