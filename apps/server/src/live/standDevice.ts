import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { CONFIG, type Config } from '../config.ts';
import { DeviceLostError, RefusedCommandError } from './live.errors.ts';
import type { FromRuntime, RuntimeCommand, ToRuntime } from './live.messages.ts';
import { STAND_LINK, type StandLink } from './standLink.ts';

/** A runtime that answers no command for this long is taken for dead [ms]. */
const ANSWER_MS = 2000;

type Said = Exclude<FromRuntime, { kind: 'answer' | 'closed' }>;

interface Waiting {
  resolve: (message: FromRuntime | null) => void;
  timer: NodeJS.Timeout;
}

/**
 * The device on the stand. Whatever is asked of it is answered: by the device, or by the news that it is lost. A lost
 * device holds no throttle: it zeroes itself half a second after the last exchange.
 */
@Injectable()
export class StandDevice implements OnApplicationShutdown {
  private readonly waiting = new Map<number, Waiting>();
  private closing: Waiting | null = null;
  private nextId = 1;
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

  open(session: Omit<Extract<ToRuntime, { kind: 'open' }>, 'kind' | 'timeFactor'>): void {
    this.link.send({ kind: 'open', ...session, timeFactor: this.config.timeFactor });
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
      this.waiting.set(id, this.waitFor(resolve));
      this.link.send({ kind: 'command', id, command });
    });
    if (answer?.kind !== 'answer') throw new DeviceLostError();
    if (!answer.ok) throw new RefusedCommandError(answer.error.code, answer.error.details);
  }

  /** Ends the session; answers what the pack still holds, null where nobody knows. */
  async close(): Promise<number | null> {
    const answer = await new Promise<FromRuntime | null>((resolve) => {
      this.closing = this.waitFor(resolve);
      this.link.send({ kind: 'close' });
    });
    return answer?.kind === 'closed' ? answer.chargeRatio : null;
  }

  private waitFor(resolve: Waiting['resolve']): Waiting {
    return {
      resolve,
      timer: setTimeout(() => void this.link.end().then(() => this.onLost('it does not answer')), ANSWER_MS),
    };
  }

  private onMessage(message: FromRuntime): void {
    if (message.kind === 'answer') {
      settle(this.waiting.get(message.id), message);
      this.waiting.delete(message.id);
    } else if (message.kind === 'closed') {
      settle(this.closing, message);
      this.closing = null;
    } else this.hear(message);
  }

  private onLost(why: string): void {
    console.error(`The stand's device is lost: ${why}.`);
    this.lose();
    this.settleAll();
  }

  private settleAll(): void {
    for (const waiting of this.waiting.values()) settle(waiting, null);
    this.waiting.clear();
    settle(this.closing, null);
    this.closing = null;
  }
}

function settle(waiting: Waiting | null | undefined, message: FromRuntime | null): void {
  if (!waiting) return;
  clearTimeout(waiting.timer);
  waiting.resolve(message);
}
