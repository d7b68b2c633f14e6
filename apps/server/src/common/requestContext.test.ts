import { expect, test } from '@jest/globals';
import { currentPersonId, onceWhileReading, runAsPerson } from './requestContext.ts';

test('what a reading request asks twice is worked out once; the next request asks anew', async () => {
  let made = 0;
  const ask = (): Promise<number> => onceWhileReading('ready', async () => ++made);
  expect(await runAsPerson(null, async () => [await ask(), await ask()], true)).toEqual([1, 1]);
  expect(await runAsPerson(null, ask, true)).toBe(2);
});

test('where something may be written in between, and outside of a request, everything is asked anew', async () => {
  let made = 0;
  const ask = (): Promise<number> => onceWhileReading('ready', async () => ++made);
  expect(await runAsPerson('p1', async () => [await ask(), await ask(), currentPersonId()])).toEqual([1, 2, 'p1']);
  expect([await ask(), await ask()]).toEqual([3, 4]);
});

test('different questions of one request stay apart', async () => {
  const answer = await runAsPerson(
    null,
    async () => [await onceWhileReading('a', async () => 1), await onceWhileReading('b', async () => 2)],
    true,
  );
  expect(answer).toEqual([1, 2]);
});
