import type { RowView } from '@zivvo/contract';
import { useState } from 'react';
import { useForm, type Control, type DefaultValues, type FieldValues } from 'react-hook-form';
import { v7 } from 'uuid';
import { dtoResolver, showRefusal } from '../shared/forms/dtoResolver.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { announceDeletion } from '../shared/ui/undo.ts';

interface PartFormInput<F extends FieldValues> {
  /** Every field that may be sent, as a new part has it. */
  blank: F;
  /** What a new part starts from beside that. */
  start?: Partial<F>;
  part: (F & Pick<RowView, 'id' | 'revision'>) | null;
  Dto: new () => object;
  add: (body: F & { id: string }) => Promise<unknown>;
  update: (id: string, body: F & { revision: number }) => Promise<unknown>;
  remove: (id: string) => void;
  restore: (id: string) => void;
  /** What the toast says of a part that was taken off. */
  goneText: string;
  onDone: () => void;
  onGone: () => void;
}

export interface PartForm<F extends FieldValues> {
  control: Control<F>;
  onSave: (event: React.FormEvent) => void;
  onRemove: () => void;
}

/** The form of a numbered part, new or known: what the server refuses stands at its field, and a deletion can be undone. */
export function usePartForm<F extends FieldValues>({ blank, start, part, Dto, add, update, remove, restore, goneText, onDone, onGone }: PartFormInput<F>): PartForm<F> {
  const format = useFormat();
  const [id] = useState(() => part?.id ?? v7());
  const { control, handleSubmit, setError } = useForm<F>({ defaultValues: (part ?? { ...blank, ...start }) as DefaultValues<F>, resolver: dtoResolver<F>(Dto, format.choices), mode: 'onTouched' });
  const save = handleSubmit(async (form) => {
    const body = Object.fromEntries(Object.keys(blank).map((key) => [key, form[key]])) as F;
    try {
      if (part) await update(id, { ...body, revision: part.revision });
      else await add({ ...body, id });
      onDone();
    } catch (error) {
      showRefusal(setError, error, format.choices);
    }
  });
  return {
    control,
    onSave: (event) => void save(event),
    onRemove: () => {
      remove(id);
      onGone();
      void announceDeletion(goneText, () => restore(id));
    },
  };
}
