import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { emptyStep, type StandStep } from '@zivvo/core';
import { pretendServer } from '../../test/pretendServer.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { freshGrid, readGrid, withReading } from '../runGrid.ts';
import { FeedEar } from './feedEar.ts';
import FeedPanel from './FeedPanel.tsx';

/** The stream of the server, by hand. */
class Stream {
  static last: Stream | null = null;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();
  isClosed = false;
  constructor(readonly address: string) {
    Stream.last = this;
  }
  addEventListener(type: string, listener: (event: { data: string }) => void): void {
    this.listeners.set(type, listener);
  }
  close(): void {
    this.isClosed = true;
  }
  say(type: string, data: unknown): void {
    act(() => this.listeners.get(type)?.({ data: JSON.stringify(data) }));
  }
}

const before = globalThis.EventSource;
beforeEach(() => {
  pretendServer({});
  globalThis.EventSource = Stream as unknown as typeof EventSource;
});
afterEach(() => {
  globalThis.EventSource = before;
});

describe('a row of the grid from a reading', () => {
  const reading: StandStep = { ...emptyStep(), throttleRatio: 0.5, thrustN: 4.903325, temperatureC: 41.5 };

  test('stands in the first empty row, in the units of its columns, with a column for what was not there', () => {
    const grid = withReading(withReading(freshGrid(), reading), { ...reading, throttleRatio: 1, thrustN: 9.80665 });
    expect(grid.columns.map((c) => c.quantity)).toEqual([
      'throttleRatio',
      'thrustN',
      'speedRpm',
      'currentA',
      'voltageV',
      'temperatureC',
    ]);
    expect(grid.cells[0]).toEqual(['50', '500', '', '', '', '41.5']);
    expect(grid.cells[1]).toEqual(['100', '1000', '', '', '', '41.5']);
    expect(readGrid(grid).obstacles).toEqual([]);
  });

  test('what was typed stays; a full grid takes no more', () => {
    let grid = freshGrid();
    grid = { ...grid, cells: [['50', '500', '', '', ''], ...grid.cells.slice(1)] };
    expect(withReading(grid, reading).cells[0]!.slice(0, 2)).toEqual(['50', '500']);
    for (let i = 0; i < 130; i++) grid = withReading(grid, reading);
    expect(grid.cells).toHaveLength(120);
    expect(withReading(grid, { ...reading, thrustN: 1 })).toBe(grid);
  });
});

test('an ear forgets a fault once lines are read again, and counts what it did not read', () => {
  const ear = new FeedEar();
  ear.take(['Thrust (g),rpm', '500,80x0'], 1);
  expect(ear.fault).toBe('“80x0” is no such reading.');
  ear.take(['500,8000'], 2);
  expect([ear.fault, ear.faultCount, ear.readingCount, ear.silentS(5)]).toEqual([null, 1, 1, 3]);
});

describe('the panel', () => {
  const say = (...lines: string[]): void => Stream.last!.say('lines', { lines });

  test('silent at first, with what to do; then large figures, taken with the throttle that is typed', async () => {
    const taken: StandStep[] = [];
    renderInApp(<FeedPanel isFull={false} onTake={(step) => taken.push(step)} />);
    expect(screen.getByText('Zivvo’s server does not answer.')).toBeTruthy();
    Stream.last!.say('beat', {});
    expect(await screen.findByText('Nothing is heard yet.')).toBeTruthy();
    say('Thrust (g),Current (A)', '500,12', '501,12', '499,12', '500,12');
    const take = await screen.findByRole('button', { name: 'Take this reading' });
    expect((take as HTMLButtonElement).disabled).toBe(true);
    // The window goes on with the clock: lines come until the reading is taken.
    const more = setInterval(() => say('500,12', '500,12'), 100);
    await userEvent.type(screen.getByRole('textbox', { name: 'Throttle now, %' }), '55');
    await userEvent.click(take);
    clearInterval(more);
    expect(taken).toHaveLength(1);
    expect(taken[0]!.throttleRatio).toBeCloseTo(0.55, 9);
    expect(taken[0]!.thrustN).toBeCloseTo(4.903, 2);
    expect(taken[0]!.currentA).toBe(12);
  });

  test('a device that reads its throttle needs none typed', async () => {
    renderInApp(<FeedPanel isFull={false} onTake={() => undefined} />);
    say('Throttle (%),Thrust (g)', '40,500', '40,500', '40,500');
    expect(await screen.findByText('40')).toBeTruthy();
    expect(screen.queryByRole('textbox', { name: /Throttle/ })).toBeNull();
  });

  test('a run that is full takes no more, and says so', async () => {
    renderInApp(<FeedPanel isFull onTake={() => undefined} />);
    say('Throttle (%),Thrust (g)', '40,500', '40,500', '40,500');
    expect(await screen.findByText('A run has at most 120 steps.')).toBeTruthy();
    expect((screen.getByRole('button', { name: 'Take this reading' }) as HTMLButtonElement).disabled).toBe(true);
  });

  test('figures that nothing names are asked about, once for all', async () => {
    const shown = renderInApp(<FeedPanel isFull={false} onTake={() => undefined} />);
    say('500 12', '500 12', '500 12');
    await userEvent.selectOptions(await screen.findByRole('combobox', { name: 'Column 1' }), 'thrustN');
    expect(screen.getByText('now 12')).toBeTruthy();
    const readSo = screen.getByRole('button', { name: 'Read it so' });
    expect((readSo as HTMLButtonElement).disabled).toBe(true);
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Unit of Column 1' }), 'g');
    await userEvent.click(readSo);
    say('500 12', '500 12', '500 12');
    expect(await screen.findByText('500')).toBeTruthy();
    shown.unmount();
    expect(Stream.last!.isClosed).toBe(true);
    renderInApp(<FeedPanel isFull={false} onTake={() => undefined} />);
    say('498 12', '498 12', '498 12');
    expect(await screen.findByText('498')).toBeTruthy();
  });
});
