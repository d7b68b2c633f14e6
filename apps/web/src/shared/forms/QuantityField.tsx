import { TextInput } from '@mantine/core';
import { fromSi, readQuantity, type Dimension, type EvidenceMark } from '@zivvo/core';
import { isInMillimetres, unitFor, unreadableSentence } from '@zivvo/words';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useController, type Control, type FieldValues, type Path } from 'react-hook-form';
import { MILLIMETRES, useFormat } from '../format/useFormat.ts';
import { readKeptText, writeKeptText } from './kept.ts';
import { Marked } from './Marked.tsx';

interface QuantityFieldProps<T extends FieldValues> {
  control: Control<T>;
  name: Path<T>;
  label: string;
  dimension: Dimension;
  description?: ReactNode;
  required?: boolean;
  /** What counts while nothing is typed, in SI. */
  usual?: number;
  /** Mark beside the label, for values that may still be estimates. */
  mark?: EvidenceMark;
  /** Called when the person types, not when the form fills the field in. */
  onTyped?: () => void;
}

/** A quantity typed with or without its unit; the form holds it in SI, the field keeps what was typed. */
export function QuantityField<T extends FieldValues>({
  control,
  name,
  label,
  dimension,
  description,
  required = false,
  usual,
  mark,
  onTyped,
}: QuantityFieldProps<T>) {
  const reader = useFormat().choices;
  const choices = isInMillimetres(name) ? MILLIMETRES : reader;
  const unit = unitFor(dimension, choices);
  const { field, fieldState } = useController({ control, name });
  const value: unknown = field.value;
  // What could not be read as a value is kept as it was typed.
  const [text, setText] = useState(
    () => (value === null || Number.isNaN(value) ? readKeptText(control, name) : null) ?? written(value, unit),
  );
  const read = readQuantity(text, dimension, unit);
  const isSame =
    read.status === 'read'
      ? read.valueSi === value
      : read.status === 'empty'
        ? value === null || value === undefined
        : Number.isNaN(value);
  // Only a value that came from elsewhere, or another unit, rewrites what was typed.
  const [seen, setSeen] = useState({ value, unit });
  if (!Object.is(seen.value, value) || seen.unit !== unit) {
    setSeen({ value, unit });
    if (!isSame) setText(written(value, unit));
  }
  const onChange = (next: string): void => {
    setText(next);
    const now = readQuantity(next, dimension, unit);
    writeKeptText(control, name, now.status === 'read' || now.status === 'empty' ? null : next);
    field.onChange(now.status === 'read' ? now.valueSi : now.status === 'empty' ? null : NaN);
    onTyped?.();
  };
  const isUnreadable = read.status !== 'read' && read.status !== 'empty';
  // Taken up again it is no value still: a form that is handed over must not take it for an empty field.
  const takeUp = useRef(() => isUnreadable && value === null && field.onChange(NaN));
  useEffect(() => void takeUp.current(), []);
  return (
    <TextInput
      ref={field.ref}
      name={field.name}
      label={<Marked label={label} mark={mark} />}
      description={description}
      required={required}
      withAsterisk={false}
      inputMode="decimal"
      autoComplete="off"
      value={text}
      placeholder={written(usual, unit, USUAL_DIGITS)}
      onChange={(e) => onChange(e.currentTarget.value)}
      onBlur={field.onBlur}
      error={isUnreadable ? unreadableSentence(read, dimension, choices) : fieldState.error?.message}
      rightSection={<span className="muted">{unit.symbol}</span>}
      rightSectionWidth={52}
    />
  );
}

/** A usual value is no more than that. */
const USUAL_DIGITS = 2;

function written(value: unknown, unit: Parameters<typeof fromSi>[0], digits = 5): string {
  return typeof value === 'number' && Number.isFinite(value)
    ? String(Number(fromSi(unit, value).toPrecision(digits)))
    : '';
}
