import { CoreError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import {
  brokenLimit,
  LIVE_RATE_HZ,
  liveChannels,
  type LimitedChannel,
  type LiveChannel,
  type LiveLimits,
  type LiveReading,
} from './liveReading.ts';
import { READ_S, throttleAt, type ThrottleProgram } from './protocol.ts';
import { SteadyWatch, type Trend } from './steadyWatch.ts';

/**
 * Idle: no device. Connected: it reads. Tared: its zero is known. Armed: throttle is allowed. Running: it turns.
 * Held: cut, points kept, may be armed again. Stopped: over.
 */
export const livePhases = ['idle', 'connected', 'tared', 'armed', 'running', 'held', 'stopped'] as const;
export type LivePhase = (typeof livePhases)[number];

/** Whether throttle may be given: something turns, or may at once. */
export function isHot(phase: LivePhase): boolean {
  return phase === 'armed' || phase === 'running';
}

/** Cuts that have no figure: somebody asked, or something fell silent. */
export type PlainCutReason =
  'pilot' | 'watcher' | 'deadMan' | 'pilotLeft' | 'deviceSilent' | 'deviceLost' | 'writeFailed' | 'restart';

/** Why the throttle went to zero without being asked to. */
export type LiveCut =
  | { reason: PlainCutReason; atS: number }
  | { reason: 'limit'; atS: number; channel: LimitedChannel; value: number; limit: number }
  | ({ reason: 'trend'; atS: number } & Trend);

/** One kept point: means over the settled second before it was kept, thrust from the tare on. */
export interface LivePoint {
  atS: number;
  values: Record<LiveChannel, number>;
}

/** A command came in a phase that does not take it. */
export class WrongPhaseError extends CoreError {
  constructor(command: string, phase: LivePhase) {
    super('wrongPhase', { command, phase });
  }
}

/** Without the pilot's heartbeat for this long the throttle goes to zero [s]. */
export const DEAD_MAN_S = 2;
/** A device that stays silent for this long is cut [s]. */
const SILENT_S = 0.5;
const WINDOW_COUNT = LIVE_RATE_HZ;
export const POINT_MAX_COUNT = 120;

/**
 * A stand run as it happens: which command is allowed when, and when the throttle goes to zero. It has no clock and no
 * device of its own; every reading goes through {@link onReading} before anything else is done with it.
 */
export class StandSession {
  phase: LivePhase = 'idle';
  throttleRatio = 0;
  zeroN: number | null = null;
  cut: LiveCut | null = null;
  points: LivePoint[] = [];
  /** What runs by itself: how many of its points are kept, and since when it runs. */
  program: (ThrottleProgram & { index: number; sinceS: number }) | null = null;
  private readonly window: LiveReading[] = [];
  private readonly watch = new SteadyWatch();
  private lastHeartbeatS = -Infinity;
  private timeS = 0;

  constructor(readonly limits: LiveLimits) {}

  /** The device answers; nothing turns. */
  connect(): void {
    this.require('connect', 'idle');
    this.phase = 'connected';
  }

  /** Goes on with the points of a run that was interrupted. */
  takeUp(points: readonly LivePoint[]): void {
    this.points = [...points];
  }

  /** Takes the scale's mean over the last second as its zero; the motor must be still. */
  tare(): void {
    this.require('tare', 'connected', 'tared', 'held');
    this.zeroN = this.mean('thrustN');
    if (this.phase === 'connected') this.phase = 'tared';
  }

  /** Allows throttle, after the pilot has stated the hardware stop and held the button. */
  arm(nowS: number): void {
    this.require('arm', 'tared', 'held');
    this.cut = null;
    this.lastHeartbeatS = nowS;
    this.phase = 'armed';
  }

  /** The pilot is still there. */
  heartbeat(nowS: number): void {
    this.lastHeartbeatS = nowS;
  }

  /** @throws {OutOfRangeError} if the throttle is not 0 to 1, {WrongPhaseError} unless armed */
  setThrottle(throttleRatio: number): void {
    this.require('throttle', 'armed', 'running');
    requireWithin('throttleRatio', throttleRatio, 0, 1);
    this.program = null;
    this.throttle(throttleRatio);
  }

  /** Runs a program by itself and keeps its points; after its end the throttle is zero. */
  startProgram(program: ThrottleProgram): void {
    this.require('program', 'armed', 'running');
    for (const { throttleRatio } of program.corners) requireWithin('throttleRatio', throttleRatio, 0, 1);
    this.program = { ...program, index: 0, sinceS: this.timeS };
    this.throttle(throttleAt(program, 0));
  }

  /** Keeps the mean of the last second as a point. */
  keepPoint(): LivePoint {
    this.require('keepPoint', 'armed', 'running');
    return this.keepAt(this.throttleRatio);
  }

  /** Throttle to zero, from whoever asks. Cutting twice is cutting once. */
  cutNow(reason: PlainCutReason): void {
    if (!isHot(this.phase)) return;
    this.hold({ reason, atS: this.timeS });
  }

  /** Disarms: nothing turns, the run may go on later. */
  disarm(): void {
    this.require('disarm', 'armed', 'running');
    this.stopTurning('held');
  }

  /** Ends the run. */
  stop(): void {
    if (this.phase === 'stopped') return;
    this.stopTurning('stopped');
  }

  /**
   * Takes a reading, or the lack of one, and answers the throttle for the device. Limits, trends, silence and the
   * dead-man are checked here, before the reading goes anywhere else.
   *
   * @param reading - null where the device did not answer; without a thrust it is no answer either
   * @param timeS - time of the device [s]
   * @param nowS - clock of the pilot's heartbeat [s]
   * @returns throttle that the device is to hold until the next exchange
   */
  onReading(reading: LiveReading | null, timeS: number, nowS: number): number {
    const isLive = isHot(this.phase);
    if (reading === null || !Number.isFinite(reading.thrustN)) {
      if (isLive && timeS - this.timeS > SILENT_S) this.hold({ reason: 'deviceSilent', atS: timeS });
      return this.throttleRatio;
    }
    this.timeS = timeS;
    if (isLive) {
      const broken = brokenLimit(reading, this.limits);
      const trend = this.phase === 'running' ? this.watch.take(reading, this.zeroN ?? 0) : null;
      if (broken) this.hold({ reason: 'limit', atS: timeS, ...broken });
      else if (trend) this.hold({ reason: 'trend', atS: timeS, ...trend });
      else if (nowS - this.lastHeartbeatS > DEAD_MAN_S) this.hold({ reason: 'deadMan', atS: timeS });
    }
    this.window.push(reading);
    if (this.window.length > WINDOW_COUNT) this.window.shift();
    if (this.program) this.follow(this.program);
    return this.throttleRatio;
  }

  private follow(program: NonNullable<StandSession['program']>): void {
    const runS = this.timeS - program.sinceS;
    for (let atS; (atS = program.keepAtS[program.index]) !== undefined && atS <= runS; program.index++)
      // The throttle in the middle of what was read, also where it moves.
      this.keepAt(throttleAt(program, atS - READ_S / 2));
    if (runS >= program.corners.at(-1)!.atS) this.stopTurning('held');
    else this.throttle(throttleAt(program, runS));
  }

  private keepAt(throttleRatio: number): LivePoint {
    if (this.points.length >= POINT_MAX_COUNT) throw new CoreError('tooManyPoints', { count: POINT_MAX_COUNT });
    const values = Object.fromEntries(liveChannels.map((channel) => [channel, this.mean(channel)])) as Record<
      LiveChannel,
      number
    >;
    values.thrustN -= this.zeroN ?? 0;
    values.throttleRatio = throttleRatio;
    const point = { atS: this.timeS, values };
    this.points.push(point);
    return point;
  }

  private throttle(throttleRatio: number): void {
    if (throttleRatio !== this.throttleRatio) this.watch.restart();
    this.throttleRatio = throttleRatio;
    this.phase = throttleRatio > 0 ? 'running' : 'armed';
  }

  private hold(cut: LiveCut): void {
    this.cut = cut;
    this.stopTurning('held');
  }

  private stopTurning(phase: 'held' | 'stopped'): void {
    this.throttleRatio = 0;
    this.watch.restart();
    this.program = null;
    this.phase = phase;
  }

  private mean(channel: LiveChannel): number {
    if (this.window.length === 0) throw new CoreError('noReadingYet', { channel });
    return this.window.reduce((sum, r) => sum + r[channel], 0) / this.window.length;
  }

  private require(command: string, ...phases: LivePhase[]): void {
    if (!phases.includes(this.phase)) throw new WrongPhaseError(command, this.phase);
  }
}
