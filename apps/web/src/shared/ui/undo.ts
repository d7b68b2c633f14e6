import { useCallback } from 'react';

let lastUndo: (() => void) | null = null;

/** Says that something was deleted, and keeps the way back for the toast and for Ctrl+Z. */
export async function announceDeletion(message: string, undo: () => void): Promise<void> {
  let isDone = false;
  const once = (): void => {
    if (isDone) return;
    isDone = true;
    if (lastUndo === once) lastUndo = null;
    void import('./notify.tsx').then(({ hideNotice }) => hideNotice(id));
    undo();
  };
  lastUndo = once;
  const { showUndoNotice } = await import('./notify.tsx');
  const id = showUndoNotice(message, once);
}

/** Undoes the last deletion; does nothing when there is none. */
export function useLastUndo(): () => void {
  return useCallback(() => lastUndo?.(), []);
}

/** Tells something short that needs no answer. */
export async function announce(message: string): Promise<void> {
  const { showNotice } = await import('./notify.tsx');
  showNotice(message);
}
