import type { RunDraftDto, RunView } from '@zivvo/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { failureOf, type ApiProblem } from '../shared/api/api.ts';
import { useSaveDraftMutation } from '../shared/api/standApi.ts';

/** How the entries on the page stand: kept means after the server's commit. */
export type DraftState = { status: 'kept'; at: string | null } | { status: 'saving' } | { status: 'waiting'; problem: ApiProblem };

const QUIET_MS = 250;
const RETRY_MS = 1500;

const copyKey = (runId: string): string => `zivvo.draft.${runId}`;

/** Entries that a closed page could not hand over; the copy goes with the commit. */
export function leftBehind(runId: string, revision: number): RunDraftDto | null {
  try {
    const copy = JSON.parse(localStorage.getItem(copyKey(runId)) ?? 'null') as { revision: number; draft: RunDraftDto } | null;
    return copy && copy.revision === revision ? copy.draft : null;
  } catch {
    return null;
  }
}

function keepCopy(runId: string, revision: number, draft: RunDraftDto | null): void {
  try {
    if (draft) localStorage.setItem(copyKey(runId), JSON.stringify({ revision, draft }));
    else localStorage.removeItem(copyKey(runId));
  } catch {
    // Without storage the page itself still holds the entries.
  }
}

export interface DraftSaving {
  state: DraftState;
  /** Hands a changed draft over; it is sent shortly after the last change. */
  save: (draft: RunDraftDto) => void;
  /** Sends what is still waiting and answers with the newest revision. */
  flush: () => Promise<number>;
}

/** Saves a draft while it is typed: one request at a time, always the newest, again until the server has it. */
export function useDraftSaving(run: Pick<RunView, 'id' | 'revision' | 'updatedAt'>): DraftSaving {
  const [send] = useSaveDraftMutation();
  const [state, setState] = useState<DraftState>({ status: 'kept', at: null });
  const revision = useRef(run.revision);
  const pending = useRef<RunDraftDto | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const sending = useRef<Promise<void> | null>(null);
  const again = useRef<() => Promise<void>>(() => Promise.resolve());

  const sendPending = useCallback(async (): Promise<void> => {
    clearTimeout(timer.current);
    if (sending.current) await sending.current;
    const draft = pending.current;
    if (!draft) return;
    pending.current = null;
    setState({ status: 'saving' });
    const work = (async () => {
      const answer = await send({ id: run.id, body: { ...draft, revision: revision.current } });
      if (answer.data) {
        revision.current = answer.data.revision;
        if (!pending.current) {
          keepCopy(run.id, revision.current, null);
          setState({ status: 'kept', at: answer.data.savedAt });
        }
        return;
      }
      pending.current ??= draft;
      const problem = failureOf(answer.error);
      setState({ status: 'waiting', problem });
      if (problem.status === 0 || problem.status >= 500) timer.current = setTimeout(() => void again.current(), RETRY_MS);
    })();
    sending.current = work;
    await work;
    sending.current = null;
  }, [run.id, send]);

  const save = useCallback(
    (draft: RunDraftDto) => {
      pending.current = draft;
      keepCopy(run.id, revision.current, draft);
      setState((now) => (now.status === 'waiting' ? now : { status: 'saving' }));
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void sendPending(), QUIET_MS);
    },
    [run.id, sendPending],
  );
  const flush = useCallback(async () => {
    await sendPending();
    if (sending.current) await sending.current;
    return revision.current;
  }, [sendPending]);
  useEffect(() => {
    again.current = sendPending;
    return () => void sendPending();
  }, [sendPending]);
  return { state, save, flush };
}
