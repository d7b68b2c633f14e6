import type { QueueState } from '../api/useQueuedChanges.ts';

/** What waits on a page while the server does not answer; nothing while it does. */
export function WaitingNote({ state }: { state: QueueState }) {
  if (state.status !== 'waiting') return null;
  return (
    <p role="status">
      {'Zivvo’s server does not answer: ' +
        `${state.count === 1 ? 'one step waits here and is' : `${state.count} steps wait here and are`} sent when ` +
        'it is back.'}
    </p>
  );
}
