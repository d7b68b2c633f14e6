import { failureOf } from '../api/api.ts';
import { announce, announceDeletion } from './undo.ts';

interface TakenAway {
  /** What the toast says, with the way back. */
  text: string;
  undo: () => void;
  /** Where to go once it is gone. */
  onGone: () => void;
}

/**
 * Deletes something: once it is gone the page goes on and the toast offers the way back; what the server refuses is
 * told, and it stays.
 */
export async function takeAway(removing: Promise<unknown>, { text, undo, onGone }: TakenAway): Promise<void> {
  try {
    await removing;
  } catch (error) {
    return announce(`It stays. ${failureOf(error).detail}`);
  }
  onGone();
  void announceDeletion(text, undo);
}
