import type { RunDraftDto, RunView } from '@zivvo/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { failureOf, type ApiProblem } from '../shared/api/api.ts';
import { useLazyRunQuery, useSaveDraftMutation } from '../shared/api/standApi.ts';

/** How the entries on the page stand: kept means after the server's commit. */
export type DraftState =
  | { status: 'kept'; at: string | null }
  | { status: 'saving' }
  | { status: 'waiting'; problem: ApiProblem }
  /** Somebody else has typed into the same run: both stand, until the person chooses. */
  | { status: 'conflict'; mine: RunDraftDto; theirs: RunDraftDto; revision: number };

const QUIET_MS = 250;
const RETRY_MS = 1500;

const copyKey = (runId: string): string => `zivvo.draft.${runId}`;

interface Copy {
  revision: number;
  draft: RunDraftDto;
}

function copyOf(runId: string): Copy | null {
  try {
    const copy = JSON.parse(localStorage.getItem(copyKey(runId)) ?? 'null') as Copy | null;
    return Array.isArray(copy?.draft?.cells) ? copy : null;
  } catch {
    return null;
  }
}

/** Entries that a closed page could not hand over; the copy goes with the commit. */
export function leftBehind(runId: string, revision: number): RunDraftDto | null {
  const copy = copyOf(runId);
  return copy?.revision === revision ? copy.draft : null;
}

/**
 * A copy on an older revision: the run has moved on without it, by a lost answer or another tab. Neither is thrown
 * away.
 */
function besideCopy({ id, revision, draft }: Pick<RunView, 'id' | 'revision' | 'draft'>): DraftState {
  const copy = copyOf(id);
  const isBeside = copy && draft && copy.revision < revision && !isSameDraft(draft, copy.draft);
  return isBeside ? { status: 'conflict', mine: copy.draft, theirs: draft, revision } : { status: 'kept', at: null };
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
  /** Ends a conflict with the draft that shall hold. */
  choose: (draft: RunDraftDto, theirRevision: number) => void;
}

/** Saves a draft while it is typed: one request at a time, always the newest, again until the server has it. */
export function useDraftSaving(run: Pick<RunView, 'id' | 'revision' | 'draft'>): DraftSaving {
  const [send] = useSaveDraftMutation();
  const [reread] = useLazyRunQuery();
  const [state, setState] = useState<DraftState>(() => besideCopy(run));
  const revision = useRef(run.revision);
  const pending = useRef<RunDraftDto | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const sending = useRef<Promise<void> | null>(null);
  /** A draft whose answer got lost: nobody knows whether the server has it. */
  const unanswered = useRef<RunDraftDto | null>(null);
  const again = useRef<() => Promise<void>>(() => Promise.resolve());

  const sendPending = useCallback(async (): Promise<void> => {
    clearTimeout(timer.current);
    if (sending.current) await sending.current;
    const draft = pending.current;
    if (!draft) return;
    pending.current = null;
    setState({ status: 'saving' });
    const work = (async () => {
      if (unanswered.current) {
        const { data } = await reread(run.id);
        // The page's own entry moved the revision: it is not met as somebody else's.
        if (data && isSameDraft(data.draft, unanswered.current)) revision.current = data.revision;
      }
      const answer = await send({ id: run.id, body: { ...draft, revision: revision.current } });
      if (answer.data) {
        unanswered.current = null;
        revision.current = answer.data.revision;
        if (!pending.current) {
          keepCopy(run.id, revision.current, null);
          setState({ status: 'kept', at: answer.data.savedAt });
        }
        return;
      }
      pending.current ??= draft;
      const problem = failureOf(answer.error);
      if (problem.code === 'revisionConflict') {
        const { data } = await reread(run.id);
        if (data?.draft)
          return setState({ status: 'conflict', mine: draft, theirs: data.draft, revision: data.revision });
      }
      unanswered.current = draft;
      setState({ status: 'waiting', problem });
      if (problem.status === 0 || problem.status >= 500)
        timer.current = setTimeout(() => void again.current(), RETRY_MS);
    })();
    sending.current = work;
    await work;
    sending.current = null;
  }, [run.id, send, reread]);

  const save = useCallback(
    (draft: RunDraftDto) => {
      pending.current = draft;
      keepCopy(run.id, revision.current, draft);
      setState((now) => (now.status === 'waiting' || now.status === 'conflict' ? now : { status: 'saving' }));
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void sendPending(), QUIET_MS);
    },
    [run.id, sendPending],
  );
  const choose = useCallback(
    (draft: RunDraftDto, theirRevision: number) => {
      revision.current = theirRevision;
      unanswered.current = null;
      pending.current = draft;
      void sendPending();
    },
    [sendPending],
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
  return { state, save, flush, choose };
}

function isSameDraft(a: RunDraftDto | null, b: RunDraftDto): boolean {
  const written = (d: RunDraftDto | null): string =>
    JSON.stringify(d && [d.columns, d.cells, d.restingCell, d.zeroBefore, d.zeroAfter]);
  return written(a) === written(b);
}
