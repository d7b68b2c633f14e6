import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CoreError } from '../errors/coreError.ts';
import { calm } from '../test/calmReading.ts';
import { DEAD_MAN_S, isHot, StandSession, WrongPhaseError, type LivePhase } from './standSession.ts';

const TICK_S = 0.01;
const SILENT_S = 0.5;
const LIMITS = {
  speedRpm: null,
  currentA: 40,
  voltageV: null,
  powerW: null,
  temperatureC: null,
  vibrationMPerS2: null,
};

/** What is known of a session without looking into it. */
interface Model {
  phase: LivePhase;
  throttleRatio: number;
  pointCount: number;
  hasReading: boolean;
  nowS: number;
  heardS: number;
  beatS: number;
}

function holds(m: Model): void {
  m.phase = 'held';
  m.throttleRatio = 0;
}

/** A command of the pilot: in these phases it is taken and does that; in any other it is refused and does nothing. */
class Asked implements fc.Command<Model, StandSession> {
  constructor(
    private readonly name: string,
    private readonly phases: readonly LivePhase[],
    private readonly act: (session: StandSession, nowS: number) => void,
    private readonly then: (m: Model) => void,
    private readonly needsReading = false,
  ) {}

  check = (): boolean => true;

  run(m: Model, session: StandSession): void {
    const isTaken = this.phases.includes(m.phase);
    if (!isTaken) expect(() => this.act(session, m.nowS)).toThrow(WrongPhaseError);
    else if (this.needsReading && !m.hasReading) expect(() => this.act(session, m.nowS)).toThrow(CoreError);
    else {
      this.act(session, m.nowS);
      this.then(m);
    }
    agree(m, session);
  }

  toString = (): string => this.name;
}

/** Time passes: the device answers, breaks a limit, or is silent. */
class Passes implements fc.Command<Model, StandSession> {
  constructor(
    private readonly what: 'calm' | 'over' | 'silent',
    private readonly ticks: number,
  ) {}

  check = (): boolean => true;

  run(m: Model, session: StandSession): void {
    for (let i = 0; i < this.ticks; i++) {
      m.nowS += TICK_S;
      const reading = { ...calm, timeS: m.nowS, ...(this.what === 'over' ? { currentA: 99 } : {}) };
      const throttle = session.onReading(this.what === 'silent' ? null : reading, m.nowS, m.nowS);
      const isLive = isHot(m.phase);
      if (this.what === 'silent') {
        if (isLive && m.nowS - m.heardS > SILENT_S) holds(m);
      } else {
        m.heardS = m.nowS;
        m.hasReading = true;
        if (isLive && (this.what === 'over' || m.nowS - m.beatS > DEAD_MAN_S)) holds(m);
      }
      // What the device is told is what the model gives, at every single exchange.
      expect(throttle).toBe(m.throttleRatio);
    }
    agree(m, session);
  }

  toString = (): string => `${this.ticks} × ${this.what}`;
}

function agree(m: Model, session: StandSession): void {
  expect([session.phase, session.throttleRatio, session.points.length]).toEqual([
    m.phase,
    m.throttleRatio,
    m.pointCount,
  ]);
}

const HOT: LivePhase[] = ['armed', 'running'];
const ANY: LivePhase[] = ['connected', 'tared', 'armed', 'running', 'held', 'stopped'];
const commands = [
  fc.constant(
    new Asked(
      'tare',
      ['connected', 'tared', 'held'],
      (s) => s.tare(),
      (m) => {
        if (m.phase === 'connected') m.phase = 'tared';
      },
      true,
    ),
  ),
  fc.constant(
    new Asked(
      'arm',
      ['tared', 'held'],
      (s, nowS) => s.arm(nowS),
      (m) => {
        m.phase = 'armed';
        m.beatS = m.nowS;
      },
    ),
  ),
  fc.constantFrom(0, 0.3, 1).map(
    (u) =>
      new Asked(
        `throttle ${u}`,
        HOT,
        (s) => s.setThrottle(u),
        (m) => {
          m.throttleRatio = u;
          m.phase = u > 0 ? 'running' : 'armed';
        },
      ),
  ),
  fc.constant(
    new Asked(
      'keepPoint',
      HOT,
      (s) => void s.keepPoint(),
      (m) => void m.pointCount++,
    ),
  ),
  fc.constant(
    new Asked(
      'disarm',
      HOT,
      (s) => s.disarm(),
      (m) => holds(m),
    ),
  ),
  fc.constant(
    new Asked(
      'heartbeat',
      ANY,
      (s, nowS) => s.heartbeat(nowS),
      (m) => {
        m.beatS = m.nowS;
      },
    ),
  ),
  fc.constant(
    new Asked(
      'cut',
      ANY,
      (s) => s.cutNow('pilot'),
      (m) => {
        if (isHot(m.phase)) holds(m);
      },
    ),
  ),
  fc.integer({ min: 1, max: 90 }).map((ticks) => new Passes('calm', ticks)),
  fc.integer({ min: 1, max: 90 }).map((ticks) => new Passes('silent', ticks)),
  fc.constant(new Passes('over', 1)),
  // Rarely, because nothing comes after it.
  fc.integer({ min: 0, max: 9 }).map((n) =>
    n > 0
      ? new Passes('calm', 20)
      : new Asked(
          'stop',
          ANY,
          (s) => s.stop(),
          (m) => {
            m.phase = 'stopped';
            m.throttleRatio = 0;
          },
        ),
  ),
];

test('a session and its model agree after every command and at every exchange', () => {
  fc.assert(
    fc.property(fc.commands(commands, { maxCommands: 60 }), (sequence) => {
      const session = new StandSession(LIMITS);
      session.connect();
      const model: Model = {
        phase: 'connected',
        throttleRatio: 0,
        pointCount: 0,
        hasReading: false,
        nowS: 0,
        heardS: 0,
        beatS: -Infinity,
      };
      fc.modelRun(() => ({ model, real: session }), sequence);
    }),
    { numRuns: 300 },
  );
});
