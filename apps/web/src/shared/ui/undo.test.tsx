import { beforeEach, expect, jest, test } from '@jest/globals';
import { renderHook } from '@testing-library/react';

const hideNotice = jest.fn();
let lastUndoOfNotice: () => void = () => undefined;
const showUndoNotice = jest.fn((_message: string, undo: () => void) => {
  lastUndoOfNotice = undo;
  return 'notice-1';
});
jest.unstable_mockModule('./notify.tsx', () => ({ hideNotice, showUndoNotice, showNotice: jest.fn() }));
const { announceDeletion, useLastUndo } = await import('./undo.ts');

beforeEach(() => {
  hideNotice.mockReset();
  showUndoNotice.mockClear();
});
const ctrlZ = (): void => renderHook(() => useLastUndo()).result.current();

test('a deletion is said, and comes back by the key', async () => {
  const undo = jest.fn();
  await announceDeletion('Skua was taken off the shelf.', undo);
  expect(showUndoNotice.mock.calls[0]![0]).toBe('Skua was taken off the shelf.');
  ctrlZ();
  expect(undo).toHaveBeenCalledTimes(1);
});

test('or by the notice, once', async () => {
  const undo = jest.fn();
  await announceDeletion('Skua was taken off the shelf.', undo);
  lastUndoOfNotice();
  lastUndoOfNotice();
  ctrlZ();
  expect(undo).toHaveBeenCalledTimes(1);
});

test('the key undoes the last deletion only', async () => {
  const first = jest.fn();
  const second = jest.fn();
  await announceDeletion('One', first);
  await announceDeletion('Two', second);
  ctrlZ();
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1]);
  ctrlZ();
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1]);
});

test('with nothing deleted the key does nothing', () => expect(ctrlZ).not.toThrow());
