import type { FieldProblem, Problem } from '@zivvo/contract';
import { dimensions, type CellProblem, type Dimension, type ReadQuantity } from '@zivvo/core';
import { formatQuantity } from './formatQuantity.ts';
import { fieldNames } from './names.ts';
import type { UnitChoices } from './unitChoices.ts';

/** Dimension of a field by the unit suffix of its name: `massKg` is a mass. */
export function fieldDimension(path: string): Dimension | null {
  const name = path.split('.').at(-1)!;
  const found = (Object.keys(dimensions) as Dimension[]).filter(
    (d) => dimensions[d].suffix !== '' && name.endsWith(dimensions[d].suffix),
  );
  return found.sort((a, b) => dimensions[b].suffix.length - dimensions[a].suffix.length)[0] ?? null;
}

/** Lengths that are spoken of in millimetres by everybody, whatever unit props are measured in. */
const MILLIMETRE_FIELDS: ReadonlySet<string> = new Set([
  'boreDiameterM',
  'borePlayM',
  'chord75M',
  'droopM',
  'hubThicknessM',
  'shaftDiameterM',
  'shaftPlayM',
  'shaftRunOutM',
  'statorDiameterM',
  'statorHeightM',
]);

export function isInMillimetres(field: string): boolean {
  return MILLIMETRE_FIELDS.has(field.split('.').at(-1)!);
}

/** What was wrong with one field: its name, what is allowed, in the reader's units. */
export function fieldSentence(problem: FieldProblem, choices: UnitChoices): string {
  const name = problem.path.split('.').at(-1)!;
  const label = fieldNames[name] ?? name;
  const { min, max, allowed } = problem.allowed;
  const dimension = fieldDimension(problem.path);
  const spoken = isInMillimetres(name) ? { ...choices, length: 'mm' as const } : choices;
  const show = (value: number | string): string =>
    dimension
      ? formatQuantity(Number(value), dimension, spoken, dimension === 'mass' || dimension === 'length' ? undefined : 1)
          .text
      : String(value);
  if (problem.rule === 'discsMeet') return `${label}: the discs would meet; ${show(max!)} at most for this diagonal.`;
  if (problem.rule === 'atMostTimes')
    return (
      `${label}: at most ${problem.allowed.times} times the ` +
      `${(fieldNames[String(problem.allowed.other)] ?? String(problem.allowed.other)).toLowerCase()}.`
    );
  if (['isString', 'minLength'].includes(problem.rule) && max !== undefined)
    return `${label}: enter something, up to ${max} characters.`;
  if (problem.rule === 'readable') return `${label}: more than blanks, and no hidden characters.`;
  if (problem.rule === 'maxLength') return `${label}: at most ${max} characters.`;
  if (min !== undefined && max !== undefined) return `${label}: ${show(min)} to ${show(max)} is allowed.`;
  if (problem.rule === 'exists') return `${label}: what it names does not exist any more.`;
  if (allowed !== undefined) return `${label}: choose one of ${allowed}.`;
  return `${label}: ${problem.message}`;
}

/** A whole problem in one or two sentences. */
export function problemSentence(problem: Pick<Problem, 'detail' | 'fields'>, choices: UnitChoices): string {
  return problem.fields.length === 0
    ? problem.detail
    : problem.fields
        .slice(0, 3)
        .map((f) => fieldSentence(f, choices))
        .join(' ');
}

type Unreadable = Exclude<ReadQuantity, { status: 'read' } | { status: 'empty' }> | CellProblem;

/** Why a typed value could not be taken, and what would be. */
export function unreadableSentence(problem: Unreadable, dimension: Dimension, choices: UnitChoices): string {
  switch (problem.status) {
    case 'notANumber':
      return `“${problem.text}” is not a number.`;
    case 'unknownUnit':
      return `“${problem.written}” is not a unit here; ${problem.allowed.filter((u) => u !== '').join(', ')} are.`;
    case 'ambiguous':
      return `“${problem.text}” may be ${problem.asDecimal} or ${problem.asThousands}: write it one of these ways.`;
    case 'outOfLimits': {
      const { text: low } = formatQuantity(problem.min, dimension, choices);
      const { text: high } = formatQuantity(problem.max, dimension, choices);
      return `“${problem.text}” is out of bounds: ${low} to ${high} is allowed.`;
    }
  }
}
