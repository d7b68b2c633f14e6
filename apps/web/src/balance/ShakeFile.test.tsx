import { beforeEach, expect, jest, test } from '@jest/globals';
import { act, render, screen, waitFor } from '@testing-library/react';
import { MantineProvider } from '@mantine/core';
import userEvent from '@testing-library/user-event';
import type { BenchProblem, FromBench, ToBench } from './benchMessages.ts';
import { ShakeFile } from './ShakeFile.tsx';

/** The worker that the page starts, in the hand of the test. */
class HeldWorker {
  static made: HeldWorker[] = [];
  onmessage: ((event: MessageEvent<FromBench>) => void) | null = null;
  asked: ToBench[] = [];
  isEnded = false;
  constructor() {
    HeldWorker.made.push(this);
  }
  postMessage(message: ToBench): void {
    this.asked.push(message);
  }
  terminate(): void {
    this.isEnded = true;
  }
  say(message: FromBench): Promise<void> {
    return act(async () => this.onmessage!({ data: message } as MessageEvent<FromBench>));
  }
}

const onRead = jest.fn();
const worker = (): HeldWorker => HeldWorker.made.at(-1)!;
const asked = async (count: number): Promise<ToBench> => {
  await waitFor(() => expect(worker().asked).toHaveLength(count));
  return worker().asked.at(-1)!;
};

beforeEach(() => {
  HeldWorker.made = [];
  onRead.mockReset();
  globalThis.Worker = HeldWorker as unknown as typeof Worker;
  render(
    <MantineProvider env="test">
      <ShakeFile speedRpm={9120} onRead={onRead} />
    </MantineProvider>,
  );
});

const choose = (): Promise<void> =>
  userEvent.upload(
    document.querySelector<HTMLInputElement>('input[type=file]')!,
    new File(['t,a\n0,1'], 'shake.csv', { type: 'text/csv' }),
  );
const open = async (names: string[]): Promise<void> => {
  await choose();
  const { id } = await asked(1);
  await worker().say({ id, kind: 'answer', ok: true, value: { names, rowCount: 4000 } });
};

test('a recording is opened with progress; its columns are named, a third one is taken for the tacho', async () => {
  await choose();
  const { id, task } = await asked(1);
  expect(task).toBe('open');
  await worker().say({ id, kind: 'progress', share: 0.42 });
  expect(screen.getByRole('status').textContent).toMatch(/reading… 42.%/);
  await worker().say({ id, kind: 'answer', ok: true, value: { names: ['t', 'ax', 'tacho'], rowCount: 4000 } });
  await screen.findByRole('button', { name: 'Read once a turn from 4000 rows' });
  expect(screen.queryByRole('status')).toBeNull();
  expect(
    ['Seconds', 'Acceleration, m/s²', 'Tacho'].map(
      (name) => (screen.getByRole('combobox', { name }) as HTMLSelectElement).selectedOptions[0]!.text,
    ),
  ).toEqual(['t', 'ax', 'tacho']);
});

test('what turns with the shaft is read from the columns chosen, and handed on', async () => {
  await open(['t', 'ax', 'ay']);
  await userEvent.selectOptions(await screen.findByRole('combobox', { name: 'Acceleration, m/s²' }), 'ay');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Tacho' }), 'none, about 9,120 rpm');
  await userEvent.click(screen.getByRole('button', { name: /^Read once a turn/ }));
  const { id, ask } = await asked(2);
  expect(ask).toEqual({ columns: { time: 0, acceleration: 2, tacho: null }, roughRpm: 9120 });
  await worker().say({ id, kind: 'answer', ok: true, value: { amplitudeMPerS2: 1.8, phaseDegrees: null } });
  await waitFor(() => expect(onRead).toHaveBeenCalledWith({ amplitude: 1.8, phaseDegrees: null }));
});

test.each<[string, BenchProblem, RegExp]>([
  ['too slow a sensor', { code: 'outOfRange', what: 'lineHz', allowed: '0 to 40' }, /an alias\. Allowed is 0 to 40/],
  ['no marks', { code: 'notEnoughReadings', what: 'marksS', allowed: '3' }, /Too few marks of the tacho/],
  ['nearly nothing in it', { code: 'notEnoughReadings', what: 'rows', allowed: '20' }, /Fewer than twenty rows/],
  ['anything else', { code: 'failed', what: 'bad file', allowed: '' }, /bad file: cannot be read/],
])('%s is told, and the recording can be chosen anew', async (_name, problem, sentence) => {
  await choose();
  const { id } = await asked(1);
  await worker().say({ id, kind: 'answer', ok: false, problem });
  expect((await screen.findByRole('alert')).textContent).toMatch(sentence);
  await choose();
  await asked(2);
  expect(screen.queryByRole('alert')).toBeNull();
});

test('stopping ends the worker and says that nothing was taken over', async () => {
  await choose();
  await asked(1);
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect((await screen.findByRole('alert')).textContent).toBe('Stopped; nothing was taken over.');
  expect(worker().isEnded).toBe(true);
  expect(onRead).not.toHaveBeenCalled();
});
