import { STREAM_RATE_HZ } from '@zivvo/contract';
import { CoreError, LIVE_RATE_HZ, liveChannels, StandSession, type LiveReading } from '@zivvo/core';
import type { FromRuntime, RuntimeCommand, ToRuntime } from './live.messages.ts';
import { DrivenDevice, SimulatedDevice, type RuntimeDevice } from './runtimeDevice.ts';

const TICK_MS = 10;
/** How often a sliding throttle is told at most [ms]. */
const SLIDE_MS = 100;
/** After a stall no more than this much of device time is caught up at once [readings]. */
const MOST_CATCH_UP = 400;

/**
 * The device runtime: exchanges with the device a hundred times a second and checks every reading before anything else
 * is done with it. It has a thread of its own, so neither a large write nor a slow page delays a cut.
 */
export class StandRuntime {
  private session: StandSession | null = null;
  private stand: RuntimeDevice | null = null;
  private timer: NodeJS.Timeout | null = null;
  private timeFactor = 1;
  private startedMs = 0;
  private startS = 0;
  private exchangeCount = 0;
  private sentPointCount = 0;
  private lastState = '';
  private lastSteady = '';
  private toldMs = 0;
  private chunk: number[] = [];
  private chunkStartS = 0;

  constructor(
    private readonly send: (message: FromRuntime) => void,
    private readonly nowMs: () => number = () => performance.now(),
  ) {}

  handle(message: ToRuntime): void {
    if (message.kind === 'open') this.open(message);
    else if (message.kind === 'exchange') this.take(message);
    else if (message.kind === 'heartbeat') this.session?.heartbeat(this.nowMs() / 1000);
    else if (message.kind === 'close') this.send({ kind: 'closed', chargeRatio: this.end() });
    else this.command(message.id, message.command);
  }

  private open({ device, limits, points, startS, timeFactor }: Extract<ToRuntime, { kind: 'open' }>): void {
    this.end();
    this.stand =
      device.kind === 'simulated' ? new SimulatedDevice(device.options) : new DrivenDevice(device.seriesCount);
    this.session = new StandSession(limits);
    this.session.takeUp(points);
    this.session.connect();
    this.sentPointCount = points.length;
    // A real device keeps the time that there is.
    this.timeFactor = device.kind === 'simulated' ? timeFactor : 1;
    this.startS = startS;
    this.startedMs = this.nowMs();
    this.exchangeCount = 0;
    this.send({ kind: 'opened' });
    this.tellRest();
    this.timer = setInterval(() => this.tick(), TICK_MS);
    this.tell();
  }

  /** Ends the session where there is one; answers what the pack still holds. */
  private end(): number | null {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    const { session, stand } = this;
    if (!session || !stand) return null;
    session.stop();
    this.flush();
    this.tell();
    this.session = null;
    this.stand = null;
    return stand.chargeRatio;
  }

  private command(id: number, command: RuntimeCommand): void {
    try {
      this.run(command);
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      this.send({ kind: 'answer', id, ok: false, error: { code: error.code, details: error.details } });
      return;
    }
    // The new state first: whoever hears the answer knows it already.
    this.tell();
    this.tellPoints();
    this.send({ kind: 'answer', id, ok: true });
  }

  private run(command: RuntimeCommand): void {
    const { session, stand } = this;
    if (!session || !stand) throw new CoreError('standClosed', {});
    if (command.name === 'throttle') session.setThrottle(command.throttleRatio);
    else if (command.name === 'program') session.startProgram(command.program);
    else if (command.name === 'cut') session.cutNow(command.reason);
    else if (command.name === 'fault') stand.break(command.fault);
    else if (command.name === 'arm') session.arm(this.nowMs() / 1000);
    else if (command.name === 'tare') {
      session.tare();
      this.tellRest();
    } else if (command.name === 'keepPoint') session.keepPoint();
    else if (command.name === 'disarm') session.disarm();
    else session.stop();
  }

  /** A driven stand has read: what it read is checked before anything else, and it is told what to hold. */
  private take({ id, reading, sequence }: Extract<ToRuntime, { kind: 'exchange' }>): void {
    const { session, stand } = this;
    const driven = stand instanceof DrivenDevice ? stand : null;
    if (session && driven) {
      const read = driven.take(reading);
      const timeS = this.startS + read.timeS;
      session.onReading({ ...read, timeS }, timeS, this.nowMs() / 1000);
    }
    const throttleRatio = session && driven ? session.throttleRatio : 0;
    const order = driven?.order(throttleRatio, sequence) ?? { sequence: sequence + 1, throttleRatio: 0, validMs: 0 };
    this.send({ kind: 'order', id, order });
    this.tell();
  }

  private tellRest(): void {
    const restingCellV = this.stand?.restingCellV ?? null;
    if (restingCellV !== null) this.send({ kind: 'rested', restingCellV });
  }

  /** Exchanges that are due by the clock. */
  private tick(): void {
    const due = Math.floor(((this.nowMs() - this.startedMs) / 1000) * LIVE_RATE_HZ * this.timeFactor);
    if (due - this.exchangeCount > MOST_CATCH_UP) this.exchangeCount = due - MOST_CATCH_UP;
    while (this.exchangeCount < due) {
      this.exchangeCount++;
      this.exchange();
    }
    this.tell();
  }

  private exchange(): void {
    const { session, stand } = this;
    if (!session || !stand) return;
    const read = stand.exchange(session.throttleRatio);
    const timeS = this.startS + stand.timeS;
    const reading = read && { ...read, timeS };
    session.onReading(reading, timeS, this.nowMs() / 1000);
    // A device that does not answer leaves a gap, not readings that are moved together.
    if (reading) this.record(reading);
    else this.flush();
    this.tellPoints();
  }

  private tellPoints(): void {
    const points = this.session?.points ?? [];
    for (; this.sentPointCount < points.length; this.sentPointCount++)
      this.send({ kind: 'point', ordinal: this.sentPointCount + 1, point: points[this.sentPointCount]! });
  }

  private record(reading: LiveReading): void {
    const values = liveChannels.map((channel) => reading[channel]);
    if (this.chunk.length === 0) this.chunkStartS = reading.timeS;
    this.chunk.push(...values);
    if (this.chunk.length >= LIVE_RATE_HZ * liveChannels.length) this.flush();
    const every = Math.max(1, Math.round((LIVE_RATE_HZ * this.timeFactor) / STREAM_RATE_HZ));
    if (this.exchangeCount % every === 0) this.send({ kind: 'readings', timeS: reading.timeS, values });
  }

  private flush(): void {
    if (this.chunk.length === 0) return;
    this.send({ kind: 'chunk', startS: this.chunkStartS, samples: Float32Array.from(this.chunk) });
    this.chunk = [];
  }

  /** Says where the session stands, whenever that has changed. */
  private tell(): void {
    const { session, stand } = this;
    if (!session || !stand) return;
    const { phase, throttleRatio, zeroN, cut, program } = session;
    const state = {
      phase,
      throttleRatio,
      zeroN,
      cut,
      program: program && { index: program.index, count: program.keepAtS.length },
      isZeroHeld: stand.isZeroHeld,
    };
    const told = JSON.stringify(state);
    if (told === this.lastState) return;
    // A throttle that a program slides is told a few times a second; everything else at once.
    const steady = JSON.stringify({ ...state, throttleRatio: throttleRatio > 0 });
    if (program !== null && steady === this.lastSteady && this.nowMs() - this.toldMs < SLIDE_MS) return;
    this.lastState = told;
    this.lastSteady = steady;
    this.toldMs = this.nowMs();
    this.send({ kind: 'state', state: { ...state, timeS: this.startS + stand.timeS } });
  }
}
