import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { render, screen, waitFor } from '@testing-library/react';
import { MantineProvider } from '@mantine/core';
import userEvent from '@testing-library/user-event';
import { ChannelWorker } from '../test/channelWorker.ts';
import { WorkRefusal, type WorkProblem } from '../shared/worker/workProblem.ts';
import { ShakeFile } from './ShakeFile.tsx';

interface Held {
  onProgress: (share: number) => void;
  answer: (value: unknown) => void;
  refuse: (error: Error) => void;
}

/** What the worker of the page was asked, to be answered by the test. */
class HeldBench {
  opens: Held[] = [];
  rounds: { columns: unknown; roughRpm: number; answer: (value: unknown) => void }[] = [];
  openFile(_file: unknown, onProgress: Held['onProgress']): Promise<unknown> {
    return new Promise((answer, refuse) => this.opens.push({ onProgress, answer, refuse }));
  }
  onceAround(columns: unknown, roughRpm: number): Promise<unknown> {
    return new Promise((answer) => this.rounds.push({ columns, roughRpm, answer }));
  }
}

const onRead = jest.fn();
let bench: HeldBench;
let workers: ChannelWorker[];
const opened = async (count: number): Promise<Held> => {
  await waitFor(() => expect(bench.opens).toHaveLength(count));
  return bench.opens.at(-1)!;
};

beforeEach(() => {
  bench = new HeldBench();
  workers = [];
  onRead.mockReset();
  globalThis.Worker = function () {
    workers.push(new ChannelWorker(bench));
    return workers.at(-1);
  } as unknown as typeof Worker;
  render(
    <MantineProvider env="test">
      <ShakeFile speedRpm={9120} onRead={onRead} />
    </MantineProvider>,
  );
});
afterEach(() => workers.forEach((worker) => worker.terminate()));

const choose = (): Promise<void> =>
  userEvent.upload(
    document.querySelector<HTMLInputElement>('input[type=file]')!,
    new File(['t,a\n0,1'], 'shake.csv', { type: 'text/csv' }),
  );
const open = async (names: string[]): Promise<void> => {
  await choose();
  (await opened(1)).answer({ names, rowCount: 4000 });
};

test('a recording is opened with progress; its columns are named, a third one is taken for the tacho', async () => {
  await choose();
  const { onProgress, answer } = await opened(1);
  onProgress(0.42);
  await waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/reading… 42.%/));
  answer({ names: ['t', 'ax', 'tacho'], rowCount: 4000 });
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
  await waitFor(() => expect(bench.rounds).toHaveLength(1));
  const { answer, ...asked } = bench.rounds[0]!;
  expect(asked).toEqual({ columns: { time: 0, acceleration: 2, tacho: null }, roughRpm: 9120 });
  answer({ amplitudeMPerS2: 1.8, phaseDegrees: null });
  await waitFor(() => expect(onRead).toHaveBeenCalledWith({ amplitude: 1.8, phaseDegrees: null }));
});

test.each<[string, WorkProblem, RegExp]>([
  ['too slow a sensor', { code: 'outOfRange', what: 'lineHz', allowed: '0 to 40' }, /an alias\. Allowed is 0 to 40/],
  ['no marks', { code: 'notEnoughReadings', what: 'marksS', allowed: '3' }, /Too few marks of the tacho/],
  ['nearly nothing in it', { code: 'notEnoughReadings', what: 'rows', allowed: '20' }, /Fewer than twenty rows/],
  ['anything else', { code: 'failed', what: 'bad file', allowed: '' }, /bad file: cannot be read/],
])('%s is told, and the recording can be chosen anew', async (_name, problem, sentence) => {
  await choose();
  (await opened(1)).refuse(new WorkRefusal(problem));
  expect((await screen.findByRole('alert')).textContent).toMatch(sentence);
  await choose();
  await opened(2);
  expect(screen.queryByRole('alert')).toBeNull();
});

test('stopping ends the worker and says that nothing was taken over', async () => {
  await choose();
  await opened(1);
  await userEvent.click(screen.getByRole('button', { name: 'Stop' }));
  expect((await screen.findByRole('alert')).textContent).toBe('Stopped; nothing was taken over.');
  expect(workers[0]!.isEnded).toBe(true);
  expect(onRead).not.toHaveBeenCalled();
});
