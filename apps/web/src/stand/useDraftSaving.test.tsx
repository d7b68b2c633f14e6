import '../test/completeAddresses.ts';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import { act, renderHook } from '@testing-library/react';
import type { RunDraftDto, RunView } from '@zivvo/contract';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { api } from '../shared/api/api.ts';
import { leftBehind, useDraftSaving, type DraftSaving } from './useDraftSaving.ts';

const ID = '01922904-1a0d-72b8-80eb-3103f832088a';
const draft = (thrust: string): RunDraftDto => ({
  columns: [],
  cells: [['50', thrust]],
  restingCell: '',
  zeroBefore: '',
  zeroAfter: '',
});

/** What was sent, and how the server answers the next requests. */
let sent: { revision: number; cells: string[][] }[] = [];
let answers: (() => Response)[] = [];
/** The run as the server has it. */
let onServer: { revision: number; draft: RunDraftDto } = { revision: 1, draft: draft('') };
const kept = (revision: number) => (): Response =>
  Response.json({ id: ID, revision, savedAt: '2026-11-24T12:00:00.000Z' });
const refused = (status: number, code: string) => (): Response =>
  new Response(JSON.stringify({ status, code, title: 't', detail: 'd', fields: [] }), {
    status,
    headers: { 'Content-Type': 'application/problem+json' },
  });
const unreachable = (): Response => {
  throw new TypeError('Failed to fetch');
};

beforeEach(() => {
  sent = [];
  answers = [];
  localStorage.clear();
  globalThis.fetch = (async (request: Request) => {
    if (request.method === 'GET') return Response.json(onServer);
    sent.push((await request.json()) as (typeof sent)[number]);
    return (answers.shift() ?? kept(sent.length + 1))();
  }) as typeof fetch;
});
afterEach(() => void jest.useRealTimers());

function show(run: Partial<RunView> = {}): { current: DraftSaving } {
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, settings: () => ({ personId: null }) },
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  const wrapper = ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>;
  return renderHook(() => useDraftSaving({ id: ID, revision: 1, draft: null, ...run }), { wrapper }).result;
}

/** Waits until what is asked for is so, a few milliseconds at a time. */
async function until(isSo: () => boolean): Promise<void> {
  for (let i = 0; i < 300 && !isSo(); i++) await act(() => new Promise((resolve) => setTimeout(resolve, 10)));
  expect(isSo()).toBe(true);
}

describe('entries are written down', () => {
  test('shortly after the last change, once, on top of the revision that is known', async () => {
    const saving = show();
    for (const thrust of ['7', '70', '700']) act(() => saving.current.save(draft(thrust)));
    await until(() => saving.current.state.status === 'kept' && sent.length > 0);
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ revision: 1, cells: [['50', '700']] });
    act(() => saving.current.save(draft('701')));
    await until(() => sent.length === 2 && saving.current.state.status === 'kept');
    expect(sent[1]!.revision).toBe(2);
  });

  test('a flush sends at once and answers with the newest revision', async () => {
    const saving = show();
    act(() => saving.current.save(draft('700')));
    let revision = 0;
    await act(async () => void (revision = await saving.current.flush()));
    expect(revision).toBe(2);
    expect(sent).toHaveLength(1);
  });

  test('nothing to save is nothing to send', async () => {
    const saving = show();
    await act(async () => void (await saving.current.flush()));
    expect(sent).toEqual([]);
  });
});

describe('while the server is away', () => {
  test('the page says so, holds a copy, and sends again until it is there', async () => {
    const saving = show();
    answers = [unreachable];
    act(() => saving.current.save(draft('700')));
    await until(() => saving.current.state.status === 'waiting');
    expect(leftBehind(ID, 1)).toEqual(draft('700'));
    await until(() => saving.current.state.status === 'kept');
    expect(sent.at(-1)!.cells).toEqual([['50', '700']]);
    expect(leftBehind(ID, 2)).toBeNull();
  });

  test('a newer change replaces the one that waits', async () => {
    const saving = show();
    answers = [unreachable];
    act(() => saving.current.save(draft('700')));
    await until(() => saving.current.state.status === 'waiting');
    act(() => saving.current.save(draft('710')));
    await until(() => saving.current.state.status === 'kept');
    expect(sent.at(-1)!.cells).toEqual([['50', '710']]);
  });

  test('a refusal is said and not repeated by itself', async () => {
    const saving = show();
    answers = [refused(422, 'tooMuch')];
    act(() => saving.current.save(draft('700')));
    await until(() => saving.current.state.status === 'waiting');
    const count = sent.length;
    await act(() => new Promise((resolve) => setTimeout(resolve, 400)));
    expect(sent).toHaveLength(count);
    expect(saving.current.state).toMatchObject({ problem: { code: 'tooMuch' } });
  });

  test('an answer that got lost does not stand in the way of the entries after it', async () => {
    const saving = show();
    onServer = { revision: 2, draft: draft('700') };
    answers = [unreachable, unreachable, unreachable];
    act(() => saving.current.save(draft('700')));
    await until(() => saving.current.state.status === 'waiting');
    answers = [kept(3)];
    act(() => saving.current.save(draft('710')));
    await until(() => saving.current.state.status === 'kept');
    expect(sent.at(-1)).toMatchObject({ revision: 2, cells: [['50', '710']] });
  });
});

describe('typed into in two places', () => {
  test('both stand there until one is chosen, which then goes on the newest revision', async () => {
    const saving = show();
    onServer = { revision: 7, draft: draft('650') };
    answers = [refused(409, 'revisionConflict'), kept(8)];
    act(() => saving.current.save(draft('700')));
    await until(() => saving.current.state.status === 'conflict');
    expect(saving.current.state).toMatchObject({ mine: draft('700'), theirs: draft('650'), revision: 7 });
    act(() => saving.current.choose(draft('700'), 7));
    await until(() => saving.current.state.status === 'kept');
    expect(sent.at(-1)).toMatchObject({ revision: 7, cells: [['50', '700']] });
  });

  test('a copy that a closed page left behind an older revision is shown beside, not thrown away', () => {
    localStorage.setItem(`zivvo.draft.${ID}`, JSON.stringify({ revision: 1, draft: draft('700') }));
    expect(show({ revision: 3, draft: draft('650') }).current.state).toMatchObject({
      status: 'conflict',
      mine: draft('700'),
      theirs: draft('650'),
    });
    expect(show({ revision: 3, draft: draft('700') }).current.state).toMatchObject({ status: 'kept' });
  });
});

describe('what a closed page left behind', () => {
  test.each(['not json', 'null', '{}', '{"revision":9,"draft":{}}'])('%s is no draft of this revision', (stored) => {
    localStorage.setItem(`zivvo.draft.${ID}`, stored);
    expect(leftBehind(ID, 1)).toBeNull();
  });
});
