import { Loader } from '@mantine/core';
import type { ReactNode } from 'react';
import { problemOf } from '../api/api.ts';
import { useFormat } from '../format/useFormat.ts';
import { problemSentence } from '@zivvo/words';
import { Action } from './Action.tsx';
import classes from './PageStates.module.css';

/** What a page needs of a query to say how it stands. */
interface QueryState<T> {
  currentData?: T;
  isError: boolean;
  error?: unknown;
  refetch: () => unknown;
}

/** Loading, error or ready: the page itself only writes the last. */
export function Ready<T>({ query, children }: { query: QueryState<T>; children: (data: T) => ReactNode }) {
  if (query.currentData !== undefined) return children(query.currentData);
  if (query.isError) return <Failure error={query.error} onRetry={() => void query.refetch()} />;
  return (
    <main className={classes.state} aria-busy="true">
      <Loader size="sm" color="var(--fjord)" />
      <p>working…</p>
    </main>
  );
}

/** A page that could not be read, with the way to try again. */
export function Failure({ error, onRetry }: { error: unknown; onRetry: () => void }) {
  const problem = problemOf(error);
  return (
    <main className={classes.state} role="alert">
      <h1>{problem?.title ?? 'This page could not be read'}</h1>
      <p>{problem?.detail ?? 'Nothing was lost.'}</p>
      <Action weight="main" onClick={onRetry}>
        Try again
      </Action>
    </main>
  );
}

/** What went wrong with something that was sent, where it was sent. */
export function ProblemNote({ error }: { error: unknown }) {
  const { choices } = useFormat();
  const problem = problemOf(error);
  if (!problem) return null;
  return (
    <p className={classes.problem} role="alert">
      <strong>{problem.title}.</strong> {problemSentence(problem, choices)}
    </p>
  );
}

/** What belongs on a page that is still empty, and the first step. */
export function EmptyPage({ title, children, actions }: { title: string; children: ReactNode; actions?: ReactNode }) {
  return (
    <section className={classes.empty}>
      <h2>{title}</h2>
      <div>{children}</div>
      {actions !== undefined && <div className={classes.steps}>{actions}</div>}
    </section>
  );
}
