import { expect, test } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ApiProblem } from './api.ts';
import { useQueuedChanges } from './useQueuedChanges.ts';

interface Sheet {
  revision: number;
  lines: string[];
}
type Change = Pick<Sheet, 'lines'>;

const problem = (status: number, code: string): ApiProblem => ({ status, code, title: code, detail: '', fields: [] });

/** A server with one row, and what goes wrong on the way to it, in order. */
function pretend(wrong: ('gone' | 'answerLost' | 'refused' | null)[] = []) {
  let kept: Sheet = { revision: 1, lines: [] };
  const log: string[] = [];
  const send = async (newest: Sheet, change: Change): Promise<Sheet> => {
    await Promise.resolve();
    const trouble = wrong.shift() ?? null;
    log.push(trouble ?? 'sent');
    if (trouble === 'gone') throw problem(0, 'unreachable');
    if (trouble === 'refused') throw problem(422, 'tooMuch');
    if (newest.revision !== kept.revision) throw problem(409, 'revisionConflict');
    kept = { revision: kept.revision + 1, lines: change.lines };
    if (trouble === 'answerLost') throw problem(0, 'unreachable');
    return kept;
  };
  const ways = {
    send,
    reread: () => Promise.resolve(kept),
    has: (row: Sheet, change: Change) => JSON.stringify(row.lines) === JSON.stringify(change.lines),
  };
  const hook = renderHook(() => useQueuedChanges<Sheet, Change>({ revision: 1, lines: [] }, ways));
  const write = (...lines: string[]): void => {
    act(() => {
      for (const line of lines) hook.result.current.add((newest) => ({ lines: [...newest.lines, line] }));
    });
  };
  return {
    write,
    leave: hook.unmount,
    log,
    kept: () => kept,
    state: () => hook.result.current.state,
    elsewhere: (lines: string[]) => void (kept = { revision: kept.revision + 1, lines }),
  };
}

test('three entries in one breath are all kept, in their order', async () => {
  const { write, kept, state } = pretend();
  write('a', 'b', 'c');
  await waitFor(() => expect(kept().lines).toEqual(['a', 'b', 'c']));
  await waitFor(() => expect(state()).toEqual({ status: 'kept' }));
});

test('while the server does not answer the entries wait, and go by themselves when it is back', async () => {
  const { write, kept, state } = pretend(['gone']);
  write('a', 'b');
  await waitFor(() => expect(state()).toEqual({ status: 'waiting', count: 2 }));
  await waitFor(() => expect(kept().lines).toEqual(['a', 'b']), { timeout: 3000 });
});

test('whoever leaves the page leaves the entries to go on', async () => {
  const { write, leave, kept } = pretend(['gone']);
  write('a', 'b');
  leave();
  await waitFor(() => expect(kept().lines).toEqual(['a', 'b']), { timeout: 3000 });
});

test('an answer that got lost is not made twice', async () => {
  const { write, kept, log } = pretend(['answerLost']);
  write('a', 'b');
  await waitFor(() => expect(kept().lines).toEqual(['a', 'b']), { timeout: 3000 });
  expect(log).toEqual(['answerLost', 'sent']);
});

test('what somebody else has written meanwhile stays, and the entry is added to it', async () => {
  const { write, kept, elsewhere } = pretend();
  elsewhere(['theirs']);
  write('mine');
  await waitFor(() => expect(kept().lines).toEqual(['theirs', 'mine']));
});

test('a refused entry is said and holds nothing up behind it', async () => {
  const { write, kept, state } = pretend(['refused']);
  write('far too much', 'b');
  await waitFor(() => expect(kept().lines).toEqual(['b']));
  await waitFor(() => expect(state()).toMatchObject({ status: 'refused', problem: { code: 'tooMuch' } }));
});
