import { useRef, type KeyboardEvent } from 'react';

interface RowKeys {
  onOpen?: (index: number) => void;
  onMark?: (index: number) => void;
  onHide?: (index: number) => void;
}

/**
 * Arrow keys between rows, Enter opens, `x` marks, `h` hides. Spread the result on the table's body; rows take
 * `tabIndex` 0.
 */
export function useRowKeys({ onOpen, onMark, onHide }: RowKeys) {
  const body = useRef<HTMLTableSectionElement>(null);
  const onKeyDown = (event: KeyboardEvent<HTMLTableSectionElement>): void => {
    if (event.target instanceof HTMLElement && event.target.tagName !== 'TR') return;
    const rows = [...(body.current?.rows ?? [])];
    const at = rows.indexOf(event.target as HTMLTableRowElement);
    if (at < 0 || event.ctrlKey || event.metaKey || event.altKey) return;
    const step = { ArrowDown: 1, ArrowUp: -1, Home: -at, End: rows.length - 1 - at }[event.key];
    if (step !== undefined) {
      event.preventDefault();
      rows[Math.min(rows.length - 1, Math.max(0, at + step))]?.focus();
    } else if (event.key === 'Enter' && onOpen) {
      event.preventDefault();
      onOpen(at);
    } else if (event.key === 'x' && onMark) {
      event.preventDefault();
      onMark(at);
    } else if (event.key === 'h' && onHide) {
      event.preventDefault();
      onHide(at);
      // The keys go on at the row that takes its place.
      const next = rows[at + 1] ?? rows[at - 1];
      next?.focus();
    }
  };
  return { ref: body, onKeyDown };
}
