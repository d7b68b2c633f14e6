import { useEffect, useRef, useState, type ReactNode } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  type UseFormReturn,
} from 'react-hook-form';
import { failureOf, type ApiProblem } from '../api/api.ts';
import { isUnanswered, untilAnswered, waitToAskAgain } from '../api/untilAnswered.ts';
import { useFormat } from '../format/useFormat.ts';
import { Action } from '../ui/Action.tsx';
import { ProblemNote } from '../ui/PageStates.tsx';
import { ConflictNote, conflictOf, type Conflict } from './ConflictNote.tsx';
import { dtoResolver, showRefusal } from './dtoResolver.ts';
import classes from './Form.module.css';
import { forgetKeptTexts, forgetMadeId, madeIdOf, nameKeptForm, readKept, writeKept } from './kept.ts';

interface KeptFormInput<F extends FieldValues> {
  /** Of the thing that is typed, one for each subject: `craft/new`, `craft/<id>`. */
  keptAs: string;
  /** The row that is edited, as the page has it; null for a new one. */
  row: (F & { id: string; revision: number }) | null;
  blank: F;
  Dto: new () => object;
  /**
   * Sends what was typed; throws the problem. The revision is null for a new row, whose id stays the same over every
   * trial in one tab.
   */
  send: (values: F, id: string, revision: number | null) => Promise<unknown>;
  /** The row as it is now, after somebody else has changed it. */
  reread?: () => Promise<F & { revision: number }>;
  onDone: (id: string) => void;
}

export interface KeptForm<F extends FieldValues> {
  form: UseFormReturn<F>;
  /** Sends what was typed, again and again while the server does not answer. */
  save: (values: F) => Promise<void>;
  isBusy: boolean;
  /** What is to be said above the form: taken up again, waiting, refused, changed meanwhile. */
  notes: ReactNode;
}

interface Kept<F> {
  values: F;
  revision: number | null;
}

type Sending =
  { status: 'idle' } | { status: 'sending' } | { status: 'waiting' } | { status: 'refused'; problem: ApiProblem };

/**
 * A form that loses nothing: what is typed is kept in this browser until the server has it, over reload, leaving and a
 * kill; a stopped server is asked again until it is back; a row that somebody else has changed meanwhile is shown
 * field by field, and the person chooses.
 */
export function useKeptForm<F extends FieldValues>({
  keptAs,
  row,
  blank,
  Dto,
  send,
  reread,
  onDone,
}: KeptFormInput<F>): KeptForm<F> {
  const format = useFormat();
  const revision = row?.revision ?? null;
  const [kept] = useState(() => readKept<Kept<F>>(keptAs));
  const isSameRow = kept?.revision === revision;
  const [madeId, setMadeId] = useState(() => madeIdOf(keptAs));
  const id = row?.id ?? madeId;
  const [start] = useState<F>(() => ({ ...blank, ...(row ?? {}), ...(kept && isSameRow ? kept.values : {}) }));
  const form = useForm<F>({
    defaultValues: start as DefaultValues<F>,
    resolver: dtoResolver<F>(Dto, format.choices),
    mode: 'onTouched',
  });
  nameKeptForm(form.control, keptAs);
  const [isTakenUp, setTakenUp] = useState(kept !== null && isSameRow);
  const [sending, setSending] = useState<Sending>({ status: 'idle' });
  const [conflict, setConflict] = useState<Conflict<F> | null>(() =>
    kept && !isSameRow && row ? conflictOf(blank, kept.values, row) : null,
  );
  const isGone = useRef(false);
  const fields = useRef(Object.keys(blank));

  useEffect(() => {
    isGone.current = false;
    const own = (values: unknown): string =>
      JSON.stringify(fields.current.map((key) => (values as Record<string, unknown>)[key] ?? null));
    const untouched = own({ ...blank, ...(row ?? {}) });
    const watching = form.watch((values) => writeKept(keptAs, own(values) === untouched ? null : { values, revision }));
    return () => {
      isGone.current = true;
      watching.unsubscribe();
    };
    // The subject of a form never changes while it is on the page.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  const done = (): void => {
    writeKept(keptAs, null);
    forgetKeptTexts(keptAs);
    forgetMadeId(keptAs);
    // Whoever has left meanwhile is not called back.
    if (isGone.current) return;
    setMadeId(madeIdOf(keptAs));
    setTakenUp(false);
    setSending({ status: 'idle' });
    onDone(id);
  };

  const hand = async (typed: F, from: number | null): Promise<void> => {
    const values = Object.fromEntries(fields.current.map((key) => [key, typed[key]])) as F;
    setSending({ status: 'sending' });
    setConflict(null);
    while (!isGone.current) {
      try {
        await send(values, id, from);
        return done();
      } catch (error) {
        const problem = failureOf(error);
        if (isUnanswered(problem)) {
          setSending({ status: 'waiting' });
          await waitToAskAgain();
        } else if (problem.code === 'revisionConflict' && reread) {
          const theirs = await untilAnswered(reread);
          const found = conflictOf(blank, values, theirs);
          // An answer that got lost: the server has exactly this already.
          if (found === null) return done();
          setConflict(found);
          return setSending({ status: 'idle' });
        } else {
          showRefusal(form.setError, error, format.choices);
          return setSending({ status: 'refused', problem });
        }
      }
    }
  };

  const resolve = ({ theirs, mine }: Conflict<F>, takeTheirs: readonly string[]): void => {
    const chosen = {
      ...mine,
      ...Object.fromEntries(takeTheirs.map((key) => [key, (theirs as Record<string, unknown>)[key]])),
    };
    for (const key of fields.current)
      form.setValue(key as Path<F>, (chosen as Record<string, unknown>)[key] as PathValue<F, Path<F>>);
    void hand(chosen, theirs.revision);
  };
  const startAnew = (): void => {
    writeKept(keptAs, null);
    forgetKeptTexts(keptAs);
    form.reset({ ...blank, ...(row ?? {}) });
    setTakenUp(false);
  };
  const notes = (
    <>
      {isTakenUp && sending.status === 'idle' && conflict === null && (
        <p className={classes.takenUp} role="status">
          Taken up again as you left it.{' '}
          <Action weight="quiet" onClick={startAnew}>
            Start anew
          </Action>
        </p>
      )}
      {sending.status === 'waiting' && (
        <p className={classes.takenUp} role="status">
          Zivvo’s server does not answer. What you typed is kept, and sent by itself when it is back.
        </p>
      )}
      {sending.status === 'refused' && <ProblemNote error={sending.problem} />}
      {conflict && <ConflictNote conflict={conflict} onChosen={(takeTheirs) => resolve(conflict, takeTheirs)} />}
    </>
  );
  return {
    form,
    save: (values) => hand(values, revision),
    isBusy: sending.status === 'sending' || sending.status === 'waiting',
    notes,
  };
}
