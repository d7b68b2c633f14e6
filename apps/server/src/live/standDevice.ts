import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { DRIVE_VALID_MS, type DriveOrder, type LiveReading } from '@zivvo/core';
import { CONFIG, type Config } from '../config.ts';
import { DeviceLostError, RefusedCommandError } from './live.errors.ts';
import type { FromRuntime, RuntimeCommand, ToRuntime } from './live.messages.ts';
import { STAND_LINK, type StandLink } from './standLink.ts';

/** A runtime that answers no command for this long is taken for dead [ms]. */
const ANSWER_MS = 2000;
/** One that is still being started has this long: a busy machine is not a dead device [ms]. */
const START_MS = 8000;

type Said = Exclude<FromRuntime, { kind: 'answer' | 'closed' | 'order' }>;

interface Waiting {
  resolve: (message: FromRuntime | null) => void;
  timer: NodeJS.Timeout;
}

/** Which of the answers that can be waited for one at a time. */
type Step = 'opened' | 'closed';

/**
 * The device on the stand. Whatever is asked of it is answered: by the device, or by the news that it is lost. A lost
 * device holds no throttle: it zeroes itself half a second after the last exchange.
 */
@Injectable()
export class StandDevice implements OnApplicationShutdown {
  private readonly waiting = new Map<number, Waiting>();
  private readonly steps = new Map<Step, Waiting>();
  private nextId = 1;
  /** The driven stand that is on; null while none is. */
  private drivenName: string | null = null;
  private hear: (message: Said) => void = () => undefined;
  private lose: () => void = () => undefined;

  constructor(
    @Inject(STAND_LINK) private readonly link: StandLink,
    @Inject(CONFIG) private readonly config: Pick<Config, 'timeFactor'>,
  ) {
    link.onMessage((message) => this.onMessage(message));
    link.onLost((why) => this.onLost(why));
  }

  async onApplicationShutdown(): Promise<void> {
    this.settleAll();
    await this.link.end();
  }

  /** Who hears what the device says, and that it is lost. */
  listen(hear: (message: Said) => void, lose: () => void): void {
    this.hear = hear;
    this.lose = lose;
  }

  /**
   * Starts a session, and the runtime where there is none.
   *
   * @throws {DeviceLostError} if it did not come up
   */
  async open(
    session: Omit<Extract<ToRuntime, { kind: 'open' }>, 'kind' | 'timeFactor'>,
    drivenName: string | null = null,
  ): Promise<void> {
    this.drivenName = drivenName;
    const opened = this.step('opened', { kind: 'open', ...session, timeFactor: this.config.timeFactor }, START_MS);
    if ((await opened) === null) throw new DeviceLostError();
  }

  heartbeat(): void {
    this.link.send({ kind: 'heartbeat' });
  }

  /**
   * @throws {RefusedCommandError} if the session does not take it now
   * @throws {DeviceLostError} if no answer came
   */
  async ask(command: RuntimeCommand): Promise<void> {
    const id = this.nextId++;
    const answer = await new Promise<FromRuntime | null>((resolve) => {
      this.waiting.set(id, this.waitFor(resolve, ANSWER_MS));
      this.link.send({ kind: 'command', id, command });
    });
    if (answer?.kind !== 'answer') throw new DeviceLostError();
    if (!answer.ok) throw new RefusedCommandError(answer.error.code, answer.error.details);
  }

  /**
   * One exchange of a driven stand. One that no run is on, or whose runtime is gone, is told to hold nothing.
   *
   * @param obeyed - the last order that it obeyed
   */
  async exchange(name: string, reading: Omit<LiveReading, 'timeS'>, obeyed: number): Promise<DriveOrder> {
    const nothing = { sequence: obeyed + 1, throttleRatio: 0, validMs: DRIVE_VALID_MS };
    if (name !== this.drivenName) return nothing;
    const id = this.nextId++;
    const answer = await new Promise<FromRuntime | null>((resolve) => {
      this.waiting.set(id, this.waitFor(resolve, ANSWER_MS));
      this.link.send({ kind: 'exchange', id, reading, sequence: obeyed });
    });
    return answer?.kind === 'order' ? answer.order : nothing;
  }

  /** Ends the session; answers what the pack still holds, null where nobody knows. */
  async close(): Promise<number | null> {
    this.drivenName = null;
    const answer = await this.step('closed', { kind: 'close' }, ANSWER_MS);
    return answer?.kind === 'closed' ? answer.chargeRatio : null;
  }

  private step(step: Step, message: ToRuntime, withinMs: number): Promise<FromRuntime | null> {
    return new Promise((resolve) => {
      this.steps.set(step, this.waitFor(resolve, withinMs));
      this.link.send(message);
    });
  }

  private waitFor(resolve: Waiting['resolve'], withinMs: number): Waiting {
    const waiting: Waiting = { resolve, timer: setTimeout(() => setImmediate(() => this.giveUp(waiting)), withinMs) };
    return waiting;
  }

  /** Called once the messages that came while this thread itself was busy have been heard. */
  private giveUp(waiting: Waiting): void {
    if (![...this.waiting.values(), ...this.steps.values()].includes(waiting)) return;
    void this.link.end().then(() => this.onLost('it does not answer'));
  }

  private onMessage(message: FromRuntime): void {
    if (message.kind === 'answer' || message.kind === 'order') {
      settle(this.waiting.get(message.id), message);
      this.waiting.delete(message.id);
      return;
    }
    // What is told first is known to whoever waited for it.
    if (message.kind !== 'closed') this.hear(message);
    if (message.kind === 'opened' || message.kind === 'closed') {
      settle(this.steps.get(message.kind), message);
      this.steps.delete(message.kind);
    }
  }

  private onLost(why: string): void {
    console.error(`The stand's device is lost: ${why}.`);
    this.drivenName = null;
    this.lose();
    this.settleAll();
  }

  private settleAll(): void {
    for (const waiting of [...this.waiting.values(), ...this.steps.values()]) settle(waiting, null);
    this.waiting.clear();
    this.steps.clear();
  }
}

function settle(waiting: Waiting | null | undefined, message: FromRuntime | null): void {
  if (!waiting) return;
  clearTimeout(waiting.timer);
  waiting.resolve(message);
}
