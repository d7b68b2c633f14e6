import type { Problem } from '@zivvo/contract';
import { getTableConfig } from 'drizzle-orm/pg-core';
import * as schema from './schema.ts';

interface DatabaseFault {
  code: string;
  constraint: string;
  table: string;
}

/**
 * What a violated constraint means to whoever sent the row. Only the constraint's name is used: the library's own
 * message holds SQL and parameters and is never sent.
 */
export function databaseProblem(error: unknown): Problem | null {
  const fault = faultOf(error);
  if (!fault) return null;
  if (CROSSED.has(fault.code))
    return {
      status: 409,
      code: 'crossed',
      title: 'Somebody else was at the same',
      detail: 'Two changes were made to the same at the same moment. Nothing of this one was kept; do it again.',
      fields: [],
    };
  const path = fieldOf(fault);
  const problem = (status: number, code: string, title: string, rule: string, message: string): Problem => ({
    status,
    code,
    title,
    detail: message,
    fields: [{ path, rule, value: null, allowed: {}, message }],
  });
  if (fault.code === '23503')
    return problem(
      422,
      'unknownReference',
      'A reference leads nowhere',
      'exists',
      `${path} names something that does not exist`,
    );
  if (fault.code === '23505')
    return problem(409, 'alreadyThere', 'It is already there', 'unique', `${path} is already taken`);
  if (fault.code === '23514')
    return problem(422, 'outOfBounds', 'A value is out of bounds', 'bounds', `${path} is out of bounds`);
  return null;
}

/** Two transactions that wait for each other, or that cannot be put in an order. */
const CROSSED = new Set(['40001', '40P01']);

function faultOf(error: unknown, depth = 0): DatabaseFault | null {
  if (typeof error !== 'object' || error === null || depth > 4) return null;
  const { code, constraint, table, cause } = error as {
    code?: unknown;
    constraint?: unknown;
    table?: unknown;
    cause?: unknown;
  };
  if (typeof code === 'string' && CROSSED.has(code)) return { code, constraint: '', table: '' };
  if (typeof code === 'string' && typeof constraint === 'string') return { code, constraint, table: String(table) };
  return faultOf(cause, depth + 1);
}

/** Field of a constraint: checks are named table, column, kind; references are looked up in the schema. */
function fieldOf({ table, constraint }: DatabaseFault): string {
  const column =
    REFERENCES.get(constraint) ?? constraint.replace(`${table}_`, '').replace(/_(?:check|pkey|unique|index)$/, '');
  return column.replace(/_([a-z0-9])/g, (_, letter: string) => letter.toUpperCase());
}

const REFERENCES = new Map(
  Object.values(schema).flatMap((table) =>
    getTableConfig(table).foreignKeys.map(
      (key) => [snakeCase(key.getName()), key.reference().columns[0]!.name] as const,
    ),
  ),
);

function snakeCase(name: string): string {
  return name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
}
