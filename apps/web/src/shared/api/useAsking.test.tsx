import { expect, jest, test } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ApiProblem } from './api.ts';
import { useAsking } from './useAsking.ts';

const problem = (status: number): ApiProblem => ({ status, code: 'trouble', title: 'Trouble', detail: '', fields: [] });

test('it asks until somebody answers, and says meanwhile that it does', async () => {
  const { result } = renderHook(() => useAsking());
  const send = jest
    .fn<() => Promise<string>>()
    .mockRejectedValueOnce(problem(0))
    .mockRejectedValueOnce(problem(503))
    .mockResolvedValue('flown');
  let answer: Promise<string>;
  act(() => {
    answer = result.current.ask(send);
  });
  expect(result.current.isAsking).toBe(true);
  await waitFor(() => expect(result.current.asking).toEqual({ status: 'waiting', count: 1 }));
  await waitFor(() => expect(result.current.isAsking).toBe(false), { timeout: 5000 });
  expect(await answer!).toBe('flown');
  expect(send).toHaveBeenCalledTimes(3);
});

test('a refusal is an answer, and is not asked again', async () => {
  const { result } = renderHook(() => useAsking());
  const send = jest.fn<() => Promise<string>>().mockRejectedValue(problem(422));
  await act(() => expect(result.current.ask(send)).rejects.toMatchObject({ status: 422 }));
  expect(send).toHaveBeenCalledTimes(1);
  expect(result.current.isAsking).toBe(false);
});
