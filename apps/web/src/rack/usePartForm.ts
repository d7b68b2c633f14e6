import type { RowView } from '@zivvo/contract';
import type { ReactNode } from 'react';
import type { Control, FieldValues } from 'react-hook-form';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';

interface PartFormInput<F extends FieldValues> {
  /** What it is, for keeping what was typed: `pack`, `motor`. */
  kind: string;
  /** The part as it is now, after somebody else has changed it. */
  reread?: () => Promise<F & Pick<RowView, 'id' | 'revision'>>;
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
  isBusy: boolean;
  notes: ReactNode;
  onSave: (event: React.FormEvent) => void;
  onRemove: () => void;
}

/**
 * The form of a numbered part, new or known: what the server refuses stands at its field, and a deletion can be undone.
 */
export function usePartForm<F extends FieldValues>({
  kind,
  reread,
  blank,
  start,
  part,
  Dto,
  add,
  update,
  remove,
  restore,
  goneText,
  onDone,
  onGone,
}: PartFormInput<F>): PartForm<F> {
  const { form, save, isBusy, notes } = useKeptForm<F>({
    keptAs: `${kind}/${part?.id ?? 'new'}`,
    row: part,
    blank: { ...blank, ...(part ? {} : start) },
    Dto,
    send: (values, id, revision) => {
      const body = Object.fromEntries(Object.keys(blank).map((key) => [key, values[key]])) as F;
      return revision === null ? add({ ...body, id }) : update(id, { ...body, revision });
    },
    reread,
    onDone,
  });
  const onSave = form.handleSubmit(save);
  return {
    control: form.control,
    isBusy,
    notes,
    onSave: (event) => void onSave(event),
    onRemove: () => {
      remove(part!.id);
      onGone();
      void announceDeletion(goneText, () => restore(part!.id));
    },
  };
}
