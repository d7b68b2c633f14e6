import { useCallback } from 'react';
import { patiently } from './patiently.ts';

const notices = patiently(() => import('./notify.tsx'));

let lastUndo: (() => void) | null = null;

/** Says that something was deleted, and keeps the way back for the toast and for Ctrl+Z. */
export async function announceDeletion(message: string, undo: () => void): Promise<void> {
  let isDone = false;
  const once = (): void => {
    if (isDone) return;
    isDone = true;
    if (lastUndo === once) lastUndo = null;
    void notices().then(({ hideNotice }) => hideNotice(id));
    undo();
  };
  lastUndo = once;
  const { showUndoNotice } = await notices();
  const id = showUndoNotice(message, once);
}

/** Undoes the last deletion; does nothing when there is none. */
export function useLastUndo(): () => void {
  return useCallback(() => lastUndo?.(), []);
}

/** Tells something short that needs no answer. */
export async function announce(message: string): Promise<void> {
  const { showNotice } = await notices();
  showNotice(message);
}
