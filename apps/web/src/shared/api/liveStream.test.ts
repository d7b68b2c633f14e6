import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { leaveStand, LiveStream, TAB_ID } from './liveStream.ts';

/** The browser's end of a stream, spoken to by hand. */
class HandStream extends EventTarget {
  static last: HandStream;
  isClosed = false;

  constructor(readonly url: string) {
    super();
    HandStream.last = this;
  }

  close(): void {
    this.isClosed = true;
  }

  say(type: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data) }));
  }
}

let stream: LiveStream;

beforeEach(() => {
  jest.useFakeTimers();
  (globalThis as { EventSource: unknown }).EventSource = HandStream;
  stream = new LiveStream('run-1');
  stream.open();
});
afterEach(() => {
  stream.close();
  jest.useRealTimers();
});

const say = (type: string, data: unknown): void => HandStream.last.say(type, data);

test('it listens to its own run, and stops when it is closed', () => {
  expect(HandStream.last.url).toBe('/api/live/run-1/stream');
  stream.close();
  expect(HandStream.last.isClosed).toBe(true);
});

test('states and readings reach those who listen, and nobody after they stopped', () => {
  const onState = jest.fn();
  const onReading = jest.fn();
  const stopState = stream.onState(onState);
  stream.onReading(onReading);
  say('state', { phase: 'armed', points: [{ atS: 1, values: { thrustN: 2, temperatureC: null } }] });
  say('readings', { timeS: 1, values: [0, 2] });
  expect(stream.view).toMatchObject({ phase: 'armed' });
  // What the device does not read is no number.
  expect(stream.view!.points[0]!.values).toMatchObject({ thrustN: 2, temperatureC: NaN });
  expect(stream.latest).toEqual({ timeS: 1, values: [0, 2] });
  expect([onState.mock.calls.length, onReading.mock.calls.length]).toEqual([1, 1]);
  stopState();
  say('state', { phase: 'held', points: [] });
  expect(onState).toHaveBeenCalledTimes(1);
});

test('three seconds of silence are said, a beat ends them', () => {
  const onState = jest.fn();
  stream.onState(onState);
  say('beat', {});
  jest.advanceTimersByTime(2900);
  expect(stream.isLost).toBe(false);
  jest.advanceTimersByTime(400);
  expect(stream.isLost).toBe(true);
  expect(onState).toHaveBeenCalledTimes(1);
  say('beat', {});
  expect(stream.isLost).toBe(false);
});

test('beats keep it alive', () => {
  for (let second = 0; second < 20; second++) {
    jest.advanceTimersByTime(1000);
    say('beat', {});
  }
  expect(stream.isLost).toBe(false);
});

test('readings are kept for ten minutes and no longer, oldest first', () => {
  for (let i = 0; i < 13_000; i++) say('readings', { timeS: i / 20, values: [i] });
  const kept = stream.since(0);
  expect(kept).toHaveLength(12_000);
  expect(kept[0]!.timeS).toBe(50);
  expect(kept.at(-1)!.timeS).toBe(12_999 / 20);
  expect(stream.since(640)).toHaveLength(200);
});

test('leaving is told even while the page is being closed', async () => {
  const sent: [string, Blob][] = [];
  navigator.sendBeacon = (url, data) => {
    sent.push([String(url), data as Blob]);
    return true;
  };
  leaveStand('run-1');
  expect(sent[0]![0]).toBe('/api/live/run-1/commands');
  expect(sent[0]![1].type).toBe('application/json');
  jest.useRealTimers();
  const text = await sent[0]![1].text();
  expect(JSON.parse(text)).toEqual({ tabId: TAB_ID, name: 'leave' });
});
