import type { QueueState } from '../api/useQueuedChanges.ts';
import { ProblemNote } from './PageStates.tsx';
import { WaitingNote } from './WaitingNote.tsx';

/** What became of what was sent: it waits for the server, or why it was refused. */
export function AskedNote({ asking, error }: { asking: QueueState; error: unknown }) {
  return asking.status === 'kept' ? <ProblemNote error={error} /> : <WaitingNote state={asking} />;
}
