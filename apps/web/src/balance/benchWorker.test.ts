import { expect, jest, test } from '@jest/globals';
import type { FromBench, ToBench } from './benchMessages.ts';
import { Bench, BenchRefusal, type BenchPort } from './benchWorker.ts';

/** A worker in the hand of the test. */
class HeldPort implements BenchPort {
  onmessage: BenchPort['onmessage'] = null;
  onerror: BenchPort['onerror'] = null;
  readonly asked: ToBench[] = [];
  isEnded = false;
  postMessage(message: unknown): void {
    this.asked.push(message as ToBench);
  }
  terminate(): void {
    this.isEnded = true;
  }
  answer(message: FromBench): void {
    this.onmessage?.({ data: message } as MessageEvent<FromBench>);
  }
}

function heldBench() {
  const ports: HeldPort[] = [];
  const bench = new Bench(() => {
    ports.push(new HeldPort());
    return ports.at(-1)!;
  });
  return { bench, ports };
}

const slots = { momentsKgM: [1, 2], slotCount: 4 };

test('answers go to whoever asked, in any order, and tell how far they are', async () => {
  const { bench, ports } = heldBench();
  const onProgress = jest.fn();
  const first = bench.ask('slots', slots, onProgress);
  const second = bench.ask('slots', { ...slots, slotCount: 6 });
  ports[0]!.answer({ id: 2, kind: 'answer', ok: true, value: 'second' });
  ports[0]!.answer({ id: 1, kind: 'progress', share: 0.5 });
  ports[0]!.answer({ id: 1, kind: 'answer', ok: true, value: 'first' });
  await expect(Promise.all([first, second])).resolves.toEqual(['first', 'second']);
  expect(onProgress.mock.calls).toEqual([[0.5]]);
  expect(ports).toHaveLength(1);
});

test('a refusal carries its reason', async () => {
  const { bench, ports } = heldBench();
  const asked = bench.ask('slots', slots);
  ports[0]!.answer({
    id: 1,
    kind: 'answer',
    ok: false,
    problem: { code: 'outOfRange', what: 'slotCount', allowed: '2 to 24' },
  });
  await expect(asked).rejects.toMatchObject({ problem: { what: 'slotCount' } });
});

test('stopping ends the worker and tells everybody; the next question starts another', async () => {
  const { bench, ports } = heldBench();
  const asked = bench.ask('slots', slots);
  bench.stop();
  await expect(asked).rejects.toBeInstanceOf(BenchRefusal);
  expect(ports[0]!.isEnded).toBe(true);
  const again = bench.ask('slots', slots);
  expect(ports).toHaveLength(2);
  ports[1]!.answer({ id: 1, kind: 'answer', ok: true, value: 'too late' });
  ports[1]!.answer({ id: 2, kind: 'answer', ok: true, value: 'there' });
  await expect(again).resolves.toBe('there');
});

test('a worker that dies is told of, and the next question has another', async () => {
  const { bench, ports } = heldBench();
  const asked = bench.ask('slots', slots);
  ports[0]!.onerror!({ message: 'out of memory' } as ErrorEvent);
  await expect(asked).rejects.toMatchObject({
    problem: { code: 'workerDied', what: expect.stringContaining('out of memory') },
  });
  expect(ports[0]!.isEnded).toBe(true);
  void bench.ask('slots', slots);
  expect(ports).toHaveLength(2);
});
