import { STREAM_RATE_HZ } from '@zivvo/contract';
import { CoreError, LIVE_RATE_HZ, liveChannels, SimulatedStand, StandSession, type LiveReading } from '@zivvo/core';
import type { FromRuntime, RuntimeCommand, ToRuntime } from './live.messages.ts';

const TICK_MS = 10;
/** After a stall no more than this much of device time is caught up at once [readings]. */
const MOST_CATCH_UP = 400;

/**
 * The device runtime: exchanges with the device a hundred times a second and checks every reading before anything else
 * is done with it. It has a thread of its own, so neither a large write nor a slow page delays a cut.
 */
export class StandRuntime {
  private session: StandSession | null = null;
  private stand: SimulatedStand | null = null;
  private timer: NodeJS.Timeout | null = null;
  private timeFactor = 1;
  private startedMs = 0;
  private startS = 0;
  private exchangeCount = 0;
  private sentPointCount = 0;
  private lastState = '';
  private chunk: number[] = [];
  private chunkStartS = 0;

  constructor(
    private readonly send: (message: FromRuntime) => void,
    private readonly nowMs: () => number = () => performance.now(),
  ) {}

  handle(message: ToRuntime): void {
    if (message.kind === 'open') this.open(message);
    else if (message.kind === 'heartbeat') this.session?.heartbeat(this.nowMs() / 1000);
    else if (message.kind === 'close') this.send({ kind: 'closed', chargeRatio: this.end() });
    else this.command(message.id, message.command);
  }

  private open({ device, limits, points, startS, timeFactor }: Extract<ToRuntime, { kind: 'open' }>): void {
    this.end();
    this.stand = new SimulatedStand(device);
    this.session = new StandSession(limits);
    this.session.takeUp(points);
    this.session.connect();
    this.sentPointCount = points.length;
    this.timeFactor = timeFactor;
    this.startS = startS;
    this.startedMs = this.nowMs();
    this.exchangeCount = 0;
    this.send({ kind: 'opened', restingCellV: this.stand.restingCellV });
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
    else if (command.name === 'tare') session.tare();
    else if (command.name === 'keepPoint') session.keepPoint();
    else if (command.name === 'disarm') session.disarm();
    else session.stop();
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
    };
    const told = JSON.stringify(state);
    if (told === this.lastState) return;
    this.lastState = told;
    this.send({ kind: 'state', state: { ...state, timeS: this.startS + stand.timeS } });
  }
}
