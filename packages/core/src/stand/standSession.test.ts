import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import type { LiveLimits, LiveReading } from './liveReading.ts';
import { calm } from '../test/calmReading.ts';
import { throttleProgram, usualProtocols } from './protocol.ts';
import { DEAD_MAN_S, StandSession, WrongPhaseError } from './standSession.ts';

const LIMITS: LiveLimits = {
  speedRpm: 30_000,
  currentA: 40,
  voltageV: 19,
  powerW: null,
  temperatureC: 90,
  vibrationMPerS2: 50,
};

/** A session that reads in step with a clock, every hundredth of a second. */
function rig(limits = LIMITS) {
  const session = new StandSession(limits);
  let timeS = 0;
  const read = (change: Partial<LiveReading> = {}, count = 1): number => {
    let throttle = 0;
    for (let i = 0; i < count; i++) {
      timeS += 0.01;
      throttle = session.onReading({ ...calm, ...change, timeS, throttleRatio: session.throttleRatio }, timeS, timeS);
    }
    return throttle;
  };
  const silence = (seconds: number): void => {
    for (let i = 0; i < seconds * 100; i++) {
      timeS += 0.01;
      session.onReading(null, timeS, timeS);
    }
  };
  return { session, read, silence, beat: () => session.heartbeat(timeS), now: () => timeS };
}

function armed() {
  const r = rig();
  r.session.connect();
  r.read({}, 100);
  r.session.tare();
  r.session.arm(r.now());
  return r;
}

test('from idle to running, step by step, and no step may be left out', () => {
  const { session, read, now } = rig();
  expect(() => session.tare()).toThrow(WrongPhaseError);
  session.connect();
  expect(() => session.arm(0)).toThrow(WrongPhaseError);
  read({}, 100);
  session.tare();
  expect(() => session.setThrottle(0.3)).toThrow(WrongPhaseError);
  session.arm(now());
  expect(session.phase).toBe('armed');
  session.setThrottle(0.3);
  expect(session.phase).toBe('running');
  session.setThrottle(0);
  expect(session.phase).toBe('armed');
  session.disarm();
  expect(session.phase).toBe('held');
  session.stop();
  expect(() => session.arm(now())).toThrow(WrongPhaseError);
});

test.each([
  ['current', { currentA: 40.1 }, 'currentA'],
  ['speed', { speedRpm: 31_000 }, 'speedRpm'],
  ['a sagging pack', { voltageV: 18.9 }, 'voltageV'],
  ['heat', { temperatureC: 90.5 }, 'temperatureC'],
  ['shake', { vibrationMPerS2: 60 }, 'vibrationMPerS2'],
  ['a reading that is no number', { currentA: NaN }, 'currentA'],
] as const)('%s over its limit is cut in the same reading', (_what, change, channel) => {
  const { session, read } = armed();
  session.setThrottle(0.8);
  expect(read()).toBe(0.8);
  expect(read(change)).toBe(0);
  expect(session.phase).toBe('held');
  expect(session.cut).toMatchObject({ reason: 'limit', channel });
});

test('a limit means nothing while nothing is armed', () => {
  const { session, read } = rig();
  session.connect();
  read({ temperatureC: 99 });
  expect(session.phase).toBe('connected');
});

test('without a heartbeat the throttle goes to zero after two seconds, with one it stays', () => {
  const alive = armed();
  alive.session.setThrottle(0.5);
  for (let i = 0; i < 10; i++) {
    alive.read({}, 50);
    alive.beat();
  }
  expect(alive.session.throttleRatio).toBe(0.5);
  alive.read({}, Math.round(100 * DEAD_MAN_S) + 2);
  expect(alive.session).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'deadMan' } });
});

test('a device that falls silent is cut within half a second', () => {
  const { session, silence } = armed();
  session.setThrottle(0.5);
  silence(0.4);
  expect(session.phase).toBe('running');
  silence(0.2);
  expect(session).toMatchObject({ phase: 'held', cut: { reason: 'deviceSilent' } });
});

test('anybody may cut, twice is once, and a held run can be armed again with its points', () => {
  const { session, read, now } = armed();
  session.setThrottle(0.5);
  read({ thrustN: 5.2 }, 100);
  session.keepPoint();
  session.cutNow('watcher');
  session.cutNow('pilot');
  expect(session).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'watcher' } });
  session.arm(now());
  expect(session.cut).toBeNull();
  expect(session.points).toHaveLength(1);
});

test('a point is the mean of the last second, from the tare on', () => {
  const { session, read } = armed();
  session.setThrottle(0.5);
  read({ thrustN: 100 }, 30);
  read({ thrustN: 5, currentA: 10 }, 50);
  read({ thrustN: 6, currentA: 12 }, 50);
  const point = session.keepPoint();
  expect(point.values.thrustN).toBeCloseTo(5.5 - 0.2, 9);
  expect(point.values.currentA).toBeCloseTo(11, 9);
});

test('a program keeps a point at each step and ends at rest; it never jumps from rest', () => {
  const { session, read, beat } = armed();
  session.startProgram(throttleProgram({ kind: 'own', stepCount: 3, holdS: 2, throttles: [0.2, 0.5, 0.8] }));
  const seen: number[] = [];
  for (let i = 0; i < 800 && session.program; i++) {
    seen.push(read());
    beat();
  }
  expect([...new Set(seen.filter((u, i) => u === seen[i - 1]))]).toEqual([0.2, 0.5, 0.8]);
  expect(seen[0]).toBeLessThan(0.01);
  expect(seen.at(-1)).toBe(0);
  expect(session.points.map((p) => p.values.throttleRatio)).toEqual([0.2, 0.5, 0.8].map((v) => expect.closeTo(v, 9)));
  expect(session).toMatchObject({ phase: 'held', throttleRatio: 0, cut: null });
});

test('hostile commands', () => {
  const { session } = armed();
  for (const throttle of [-0.1, 1.01, NaN, Infinity])
    expect(() => session.setThrottle(throttle)).toThrow(OutOfRangeError);
  const corners = [{ atS: 0, throttleRatio: 2 }];
  expect(() => session.startProgram({ corners, keepAtS: [] })).toThrow(OutOfRangeError);
  expect(session.throttleRatio).toBe(0);
});

test('whatever is sent in whatever order, throttle is only ever given while armed or running', () => {
  const command = fc.constantFrom(
    'connect',
    'tare',
    'arm',
    'throttle',
    'program',
    'keep',
    'cut',
    'disarm',
    'stop',
    'over',
    'read',
    'silence',
  );
  fc.assert(
    fc.property(fc.array(command, { maxLength: 60 }), (commands) => {
      const { session, read, silence, now } = rig();
      for (const name of commands) {
        try {
          if (name === 'connect') session.connect();
          if (name === 'tare') session.tare();
          if (name === 'arm') session.arm(now());
          if (name === 'throttle') session.setThrottle(0.7);
          if (name === 'program') session.startProgram(throttleProgram(usualProtocols.burst));
          if (name === 'keep') session.keepPoint();
          if (name === 'cut') session.cutNow('pilot');
          if (name === 'disarm') session.disarm();
          if (name === 'stop') session.stop();
          if (name === 'over') read({ currentA: 99 });
          if (name === 'read') read({}, 20);
          if (name === 'silence') silence(0.6);
        } catch {
          // A command in the wrong phase is refused; what matters is below.
        }
        if (session.throttleRatio > 0) expect(session.phase).toBe('running');
      }
    }),
    { numRuns: 400, seed: 3 },
  );
});
