import type { ListView } from '@zivvo/contract';

interface CutNoteProps {
  list: Pick<ListView<unknown>, 'items' | 'total' | 'isCut'>;
  /** What the list holds, in the plural. */
  what: string;
}

/** Says that a list shows fewer than there are; nothing where it shows all. */
export function CutNote({ list: { items, total, isCut }, what }: CutNoteProps) {
  return isCut ? <p role="note" className="muted">{`${items.length} of ${total} ${what} are shown here.`}</p> : null;
}
