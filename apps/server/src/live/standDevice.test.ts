import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { DeviceLostError } from './live.errors.ts';
import type { FromRuntime, ToRuntime } from './live.messages.ts';
import { StandDevice } from './standDevice.ts';
import type { StandLink } from './standLink.ts';

beforeEach(() => {
  jest.useFakeTimers();
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => {
  jest.useRealTimers();
});

/** A runtime that comes up, and answers, after a time of its own. */
function slowDevice(openMs: number, answerMs: number) {
  let hear: (message: FromRuntime) => void = () => undefined;
  let isLost = false;
  const link: StandLink = {
    send: (message: ToRuntime) => {
      if (message.kind === 'open') setTimeout(() => hear({ kind: 'opened' }), openMs);
      if (message.kind === 'command') setTimeout(() => hear({ kind: 'answer', id: message.id, ok: true }), answerMs);
    },
    onMessage: (listener) => (hear = listener),
    onLost: () => undefined,
    end: () => Promise.resolve(),
  };
  const device = new StandDevice(link, { timeFactor: 1 });
  device.listen(
    () => undefined,
    () => (isLost = true),
  );
  const session = { device: {} as never, limits: {} as never, points: [], startS: 0 };
  return { open: () => device.open(session), ask: () => device.ask({ name: 'tare' }), isLost: () => isLost };
}

test('a runtime that a busy machine starts late is waited for, and then answers', async () => {
  const device = slowDevice(5000, 100);
  const opening = device.open();
  await jest.advanceTimersByTimeAsync(5000);
  await opening;
  const asking = device.ask();
  await jest.advanceTimersByTimeAsync(100);
  await asking;
  expect(device.isLost()).toBe(false);
});

test('one that never comes up, or falls silent, is lost within its time', async () => {
  const never = slowDevice(60_000, 100);
  const opening = expect(never.open()).rejects.toBeInstanceOf(DeviceLostError);
  await jest.advanceTimersByTimeAsync(8100);
  await opening;
  expect(never.isLost()).toBe(true);
  const silent = slowDevice(0, 60_000);
  const opened = silent.open();
  await jest.advanceTimersByTimeAsync(1);
  await opened;
  const asking = expect(silent.ask()).rejects.toBeInstanceOf(DeviceLostError);
  await jest.advanceTimersByTimeAsync(2100);
  await asking;
  expect(silent.isLost()).toBe(true);
});
