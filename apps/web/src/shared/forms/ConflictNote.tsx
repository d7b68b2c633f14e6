import { fieldDimension, fieldNames } from '@zivvo/words';
import { useState } from 'react';
import { useFormat, type Format } from '../format/useFormat.ts';
import { Action } from '../ui/Action.tsx';
import classes from './Form.module.css';

/** Two hands on one row: what was typed here, what somebody else has saved, and where they differ. */
export interface Conflict<F> {
  mine: F;
  theirs: F & { revision: number };
  fields: string[];
}

/** What was typed against what is saved, field by field of the form; null where they are the same. */
export function conflictOf<F extends object>(blank: F, mine: F, theirs: F & { revision: number }): Conflict<F> | null {
  const of = (row: object, key: string): string => JSON.stringify((row as Record<string, unknown>)[key] ?? null);
  const fields = Object.keys(blank).filter((key) => of(mine, key) !== of(theirs, key));
  return fields.length === 0 ? null : { mine, theirs, fields };
}

/** Shows both values of every differing field and lets the person choose; nothing is overwritten before. */
export function ConflictNote<F>({
  conflict: { mine, theirs, fields },
  onChosen,
}: {
  conflict: Conflict<F>;
  onChosen: (takeTheirs: string[]) => void;
}) {
  const format = useFormat();
  const [taken, setTaken] = useState<readonly string[]>([]);
  const take = (key: string, isTheirs: boolean): void =>
    setTaken(isTheirs ? [...taken.filter((k) => k !== key), key] : taken.filter((k) => k !== key));
  return (
    <section className={classes.conflict} role="alert" aria-label="Changed meanwhile">
      <h2>Somebody changed this meanwhile: which shall hold?</h2>
      {fields.map((key) => {
        const words = (row: unknown): string => valueWords(key, (row as Record<string, unknown>)[key], format);
        return (
          <fieldset key={key}>
            <legend>{fieldNames[key] ?? key}</legend>
            {(
              [
                ['yours', mine, false],
                ['theirs', theirs, true],
              ] as const
            ).map(([whose, row, isTheirs]) => (
              <label key={whose}>
                <input
                  type="radio"
                  name={`conflict-${key}`}
                  checked={taken.includes(key) === isTheirs}
                  onChange={() => take(key, isTheirs)}
                />
                <span>{words(row)}</span> <span className="muted">{whose}</span>
              </label>
            ))}
          </fieldset>
        );
      })}
      <Action weight="main" onClick={() => onChosen([...taken])}>
        Save as chosen
      </Action>
    </section>
  );
}

function valueWords(key: string, value: unknown, format: Format): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const dimension = fieldDimension(key);
  if (typeof value === 'number') return dimension ? format.quantity(value, dimension).text : String(value);
  if (Array.isArray(value) && value.length > 0 && value.every(isNamed)) return value.map((v) => v.name).join(', ');
  return typeof value === 'string'
    ? value
    : `${Array.isArray(value) ? value.length : 1} ${Array.isArray(value) && value.length !== 1 ? 'entries' : 'entry'}`;
}

/** An entry of a list that goes by a name. */
function isNamed(entry: unknown): entry is { name: string } {
  return typeof entry === 'object' && entry !== null && 'name' in entry && typeof entry.name === 'string';
}
