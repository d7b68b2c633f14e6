import { afterEach, expect, test } from '@jest/globals';
import { OutOfRangeError } from '@zivvo/core';
import { proxy } from 'comlink';
import { ChannelWorker } from '../../test/channelWorker.ts';
import { RemoteWork } from './remoteWork.ts';
import { WorkRefusal } from './workProblem.ts';

class Counting {
  add(a: number, b: number): number {
    return a + b;
  }
  refuse(): void {
    throw new OutOfRangeError('massKg', -1, '> 0');
  }
  fall(): void {
    throw new TypeError('no such column');
  }
  never(): Promise<void> {
    return new Promise(() => undefined);
  }
  steps(count: number, onStep: (k: number) => void): number {
    for (let k = 1; k <= count; k++) onStep(k);
    return count;
  }
}

let made: ChannelWorker[] = [];
const desk = (): RemoteWork<Counting> => {
  made = [];
  return new RemoteWork<Counting>(() => {
    made.push(new ChannelWorker(new Counting()));
    return made.at(-1)!;
  });
};
afterEach(() => made.forEach((worker) => worker.terminate()));

test('a worker starts with the first question, answers each, and tells of steps on the way', async () => {
  const work = desk();
  expect(made).toHaveLength(0);
  const steps: number[] = [];
  await expect(
    Promise.all([
      work.ask((w) => w.add(2, 3)),
      work.ask((w) =>
        w.steps(
          3,
          proxy((k: number) => void steps.push(k)),
        ),
      ),
    ]),
  ).resolves.toEqual([5, 3]);
  expect([made.length, work.waitingCount]).toEqual([1, 0]);
  expect(steps).toEqual([1, 2, 3]);
});

test('what the core refuses arrives with its field and what is allowed; another fault with its words', async () => {
  const work = desk();
  await expect(work.ask((w) => w.refuse())).rejects.toMatchObject({
    problem: { code: 'outOfRange', what: 'massKg', allowed: '> 0' },
  });
  await expect(work.ask((w) => w.fall())).rejects.toMatchObject({
    problem: { code: 'failed', what: 'no such column' },
  });
  await expect(work.ask((w) => w.fall())).rejects.toBeInstanceOf(WorkRefusal);
});

test('a worker that dies is told to whoever waits, and the next question has another', async () => {
  const work = desk();
  const waiting = work.ask((w) => w.never());
  made[0]!.die('out of memory');
  await expect(waiting).rejects.toMatchObject({
    problem: { code: 'workerDied', what: expect.stringContaining('out of memory') },
  });
  expect(made[0]!.isEnded).toBe(true);
  await expect(work.ask((w) => w.add(1, 1))).resolves.toBe(2);
  made[0]!.die('once more, long after');
  await expect(work.ask((w) => w.add(1, 2))).resolves.toBe(3);
  expect(made).toHaveLength(2);
});

test('stopping ends the worker and says so', async () => {
  const work = desk();
  const waiting = work.ask((w) => w.never());
  work.stop();
  await expect(waiting).rejects.toMatchObject({ problem: { code: 'stopped' } });
  expect(made[0]!.isEnded).toBe(true);
});
