import { notifications } from '@mantine/notifications';
import { Action } from './Action.tsx';

const UNDO_MS = 12_000;
/** What the cross is called for those who do not see it. */
const CLOSE = { closeButtonProps: { 'aria-label': 'Close the notice' } };

/** A notice with the way back. */
export function showUndoNotice(message: string, onUndo: () => void): string {
  return notifications.show({
    autoClose: UNDO_MS,
    withCloseButton: true,
    ...CLOSE,
    message: (
      <span style={{ display: 'flex', alignItems: 'center', gap: 12 }}>
        <span style={{ flex: 1 }}>{message}</span>
        <Action onClick={onUndo} hint="Ctrl+Z">
          Undo
        </Action>
      </span>
    ),
  });
}

export function showNotice(message: string): void {
  notifications.show({ message, autoClose: 4000, ...CLOSE });
}

export function hideNotice(id: string): void {
  notifications.hide(id);
}
