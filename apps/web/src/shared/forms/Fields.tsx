import { NativeSelect, Textarea, TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import type { EvidenceMark } from '@zivvo/core';
import { useController, type Control, type FieldValues, type Path } from 'react-hook-form';
import { Marked } from './Marked.tsx';

interface FieldProps<T extends FieldValues> {
  control: Control<T>;
  name: Path<T>;
  label: string;
  description?: ReactNode;
  autoFocus?: boolean;
}

/** A line of text; nothing but space is *not known*. */
export function TextField<T extends FieldValues>({
  control,
  name,
  label,
  description,
  autoFocus = false,
}: FieldProps<T>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <TextInput
      ref={field.ref}
      name={field.name}
      label={label}
      description={description}
      data-autofocus={autoFocus}
      autoFocus={autoFocus}
      autoComplete="off"
      value={field.value ?? ''}
      onChange={(e) => field.onChange(e.currentTarget.value === '' ? null : e.currentTarget.value)}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}

export function NoteField<T extends FieldValues>({ control, name, label, description }: FieldProps<T>) {
  const { field, fieldState } = useController({ control, name });
  return (
    <Textarea
      ref={field.ref}
      name={field.name}
      label={label}
      description={description}
      autosize
      minRows={2}
      maxRows={8}
      value={field.value ?? ''}
      onChange={(e) => field.onChange(e.currentTarget.value === '' ? null : e.currentTarget.value)}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}

interface ChoiceFieldProps<T extends FieldValues> extends FieldProps<T> {
  choices: readonly { value: string; label: string }[];
  /** What stands for *none*; without it a choice must be made. */
  none?: string;
}

/** One of a few; reachable by typing its first letters. */
export function ChoiceField<T extends FieldValues>({
  control,
  name,
  label,
  description,
  choices,
  none,
}: ChoiceFieldProps<T>) {
  const { field, fieldState } = useController({ control, name });
  const all = none === undefined ? choices : [{ value: '', label: none }, ...choices];
  return (
    <NativeSelect
      ref={field.ref}
      name={field.name}
      label={label}
      description={description}
      data={[...all]}
      value={field.value ?? ''}
      onChange={(e) => field.onChange(e.currentTarget.value === '' ? null : e.currentTarget.value)}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}

interface CountFieldProps<T extends FieldValues> extends FieldProps<T> {
  /** Mark beside the label, for values that may still be estimates. */
  mark?: EvidenceMark;
  /** Called when the person types, not when the form fills the field in. */
  onTyped?: () => void;
}

/** A whole number. */
export function CountField<T extends FieldValues>({
  control,
  name,
  label,
  description,
  mark,
  onTyped,
}: CountFieldProps<T>) {
  const { field, fieldState } = useController({ control, name });
  const value = field.value as number | null;
  const change = (text: string): void => {
    field.onChange(text.trim() === '' ? null : Number(text));
    onTyped?.();
  };
  return (
    <TextInput
      ref={field.ref}
      name={field.name}
      label={<Marked label={label} mark={mark} />}
      description={description}
      inputMode="numeric"
      autoComplete="off"
      value={value === null || Number.isNaN(value) ? '' : String(value)}
      onChange={(e) => change(e.currentTarget.value)}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}

/** A price in the workshop's own money; a decimal comma will do. */
export function PriceField<T extends FieldValues>({ control, name, label, description }: FieldProps<T>) {
  const { field, fieldState } = useController({ control, name });
  const value = field.value as number | null;
  const [text, setText] = useState(value === null ? '' : String(value));
  const onChange = (next: string): void => {
    setText(next);
    field.onChange(next.trim() === '' ? null : Number(next.replace(',', '.')));
  };
  return (
    <TextInput
      ref={field.ref}
      name={field.name}
      label={label}
      description={description}
      inputMode="decimal"
      autoComplete="off"
      value={text}
      onChange={(e) => onChange(e.currentTarget.value)}
      onBlur={field.onBlur}
      error={fieldState.error?.message}
    />
  );
}
