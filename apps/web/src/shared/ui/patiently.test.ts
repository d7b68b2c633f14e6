import { expect, jest, test } from '@jest/globals';
import { patiently } from './patiently.ts';

test('a part that cannot be fetched is tried again until it is there', async () => {
  jest.useFakeTimers();
  const load = jest
    .fn<() => Promise<string>>()
    .mockRejectedValueOnce(new Error('Unable to preload CSS'))
    .mockRejectedValueOnce(new TypeError('Failed to fetch'))
    .mockResolvedValue('part');
  const part = patiently(load)();
  await jest.advanceTimersByTimeAsync(2000);
  expect(load).toHaveBeenCalledTimes(1);
  await jest.advanceTimersByTimeAsync(10_000);
  await expect(part).resolves.toBe('part');
  expect(load).toHaveBeenCalledTimes(3);
  jest.useRealTimers();
});
