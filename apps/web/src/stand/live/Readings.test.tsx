import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import type { LiveReadingsView, LiveView } from '@zivvo/contract';
import { renderInApp } from '../../test/renderInApp.tsx';
import { FarView } from './FarView.tsx';
import { Readings } from './Readings.tsx';
import type { LiveRun } from './useLiveRun.ts';

const view = (more: Partial<LiveView> = {}): LiveView =>
  ({
    phase: 'running',
    throttleRatio: 0.8,
    zeroN: 0.1,
    limits: { speedRpm: null, currentA: 40, voltageV: 19.8, powerW: null, temperatureC: 90, vibrationMPerS2: 60 },
    points: [],
    ...more,
  }) as LiveView;

const send = jest.fn();
const onStep = jest.fn();
let listeners: (() => void)[] = [];
let latest: LiveReadingsView | null = null;

/** A run whose readings are given by hand. */
function run(more: Partial<LiveRun> = {}): LiveRun {
  const stream = {
    onReading: (listener: () => void) => {
      listeners.push(listener);
      return () => undefined;
    },
    get latest() {
      return latest;
    },
  };
  return {
    stream: stream as never,
    view: view(),
    isLost: false,
    isPilot: true,
    isHot: true,
    send,
    tell: async () => undefined,
    error: undefined,
    ...more,
  };
}

/** The order of the channels: throttle, thrust, speed, current, voltage, power, temperature, shake. */
function read(values: number[]): void {
  act(() => {
    latest = { timeS: 1, values };
    listeners.forEach((listener) => listener());
  });
}

beforeEach(() => {
  listeners = [];
  latest = null;
  send.mockReset();
  onStep.mockReset();
});

const textOf = (label: string): string => screen.getByLabelText(label).textContent!.replace(/\u202f/g, ' ');

describe('readings', () => {
  test('stand in the reader’s units, thrust from the tare on', () => {
    renderInApp(<Readings live={run()} view={view()} onStep={onStep} />);
    read([0.8, 19.1837, 13_420, 27.2, 23.6, 642, 58, 3.04]);
    const text = textOf('Readings');
    for (const shown of ['1,946g', '13,420rpm', '27.2A', '23.60V', '58°C', '0.31g', '80 %'])
      expect(text).toContain(shown);
  });

  test('a bar goes over where a limit is reached, and only there', () => {
    const { container } = renderInApp(<Readings live={run()} view={view()} onStep={onStep} />);
    read([1, 20, 20_000, 41, 23, 900, 60, 3]);
    expect(container.querySelectorAll('[data-over=true]')).toHaveLength(1);
    read([1, 20, 20_000, 30, 23, 900, 60, 3]);
    expect(container.querySelectorAll('[data-over=true]')).toHaveLength(0);
  });

  test('what has no limit has no bar', () => {
    const { container } = renderInApp(<Readings live={run()} view={view()} onStep={onStep} />);
    expect(container.querySelectorAll('[data-over]')).toHaveLength(4);
  });

  test('before the first reading they are zero, not broken', () => {
    renderInApp(<Readings live={run()} view={view({ zeroN: null })} onStep={onStep} />);
    expect(textOf('Readings')).not.toMatch(/NaN|undefined/);
  });

  test('throttle steps are the pilot’s alone, while it may turn', () => {
    renderInApp(<Readings live={run()} view={view()} onStep={onStep} />);
    fireEvent.click(screen.getByRole('button', { name: 'More throttle' }));
    fireEvent.click(screen.getByRole('button', { name: 'Less throttle' }));
    expect(onStep.mock.calls.map(([by]) => by)).toEqual([0.05, -0.05]);
  });

  test.each([{ isPilot: false }, { isHot: false }])('not for %j', (more) => {
    renderInApp(<Readings live={run(more)} view={view()} onStep={onStep} />);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'More throttle' }).disabled).toBe(true);
  });
});

describe('from afar', () => {
  const show = (more: Partial<LiveRun> = {}): void =>
    void renderInApp(<FarView live={run(more)} state="turning" headline="6 % more thrust" onBack={() => undefined} />);

  test('three figures, one word, and Cut', () => {
    show();
    read([0.8, 10, 13_420, 27.2, 23.6, 642, 58, 3]);
    const main = screen.getByRole('main').textContent!;
    for (const shown of ['turning', '1,010', '27.2', '23.60']) expect(main).toContain(shown);
    fireEvent.click(screen.getByRole('button', { name: /Cut/ }));
    expect(send).toHaveBeenCalledWith({ name: 'cut' });
  });

  test('a watcher may cut as well', () => {
    show({ isPilot: false });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /Cut/ }).disabled).toBe(false);
  });

  test('with nothing armed there is nothing to cut, but a way back', () => {
    show({ isHot: false });
    expect(screen.queryByRole('button', { name: /Cut/ })).toBeNull();
    expect(screen.getByRole('button', { name: 'Back to the run' })).toBeTruthy();
  });
});
