import { Injectable } from '@nestjs/common';
import { DRIVEN_MAX_COUNT, readingLimits, type StandDeviceView } from '@zivvo/contract';
import { DrivenFeed, FEED_LINE_MAX_LENGTH, orderLine, type DrivenFault, type LiveChannel } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { TooManyStandsError } from './live.errors.ts';
import { StandDevice } from './standDevice.ts';

/** A stand that is silent for longer is not here [ms]. */
const HERE_MS = 3000;
/** Lines of one exchange that are looked at, the newest last. */
const LINE_MAX_COUNT = 50;

interface DrivenStand {
  feed: DrivenFeed;
  seenMs: number;
  /** Of the last hundred exchanges, for the rate. */
  exchangesMs: number[];
  lastFault: { fault: DrivenFault; text: string } | null;
}

/**
 * Stands that can be driven: each says line by line what it reads and holds, and is told what to hold next. Only the
 * one that a run was put on is ever told more than zero.
 */
@Injectable()
export class DrivenStands {
  private readonly stands = new Map<string, DrivenStand>();

  constructor(
    private readonly clock: Clock,
    private readonly device: StandDevice,
  ) {}

  /**
   * Takes the lines of one exchange.
   *
   * @returns the lines that are answered: an order, or why there is none
   * @throws {TooManyStandsError} while as many others are here
   */
  async take(name: string, text: string): Promise<string> {
    const stand = this.standOf(name);
    stand.seenMs = this.clock.nowMs();
    const said: string[] = [];
    let order: Promise<string> | null = null;
    for (const line of text.split(/\r\n|[\r\n]/).slice(-LINE_MAX_COUNT)) {
      const taken = stand.feed.take(line.slice(0, FEED_LINE_MAX_LENGTH + 1));
      if (taken.kind === 'fault') {
        stand.lastFault = { fault: taken.fault, text: taken.text };
        said.push(`# ${taken.fault}: ${taken.text.slice(0, 60)}`);
      } else if (taken.kind === 'reading') {
        stand.lastFault = null;
        stand.exchangesMs = [...stand.exchangesMs.slice(-99), stand.seenMs];
        order = this.device.exchange(name, taken.reading, taken.sequence).then(orderLine);
      }
    }
    return [...said, ...(order === null ? [] : [await order]), ''].join('\n');
  }

  /** The stands that were heard lately. */
  list(): StandDeviceView[] {
    return [...this.stands]
      .filter(([, stand]) => this.isFresh(stand))
      .map(([name, { feed, exchangesMs, lastFault }]) => ({
        name,
        channels: feed.channels,
        rateHz: rateOf(exchangesMs),
        fault: lastFault,
      }));
  }

  /** What a stand reads; null where it is not here, or cannot be driven as it speaks now. */
  channelsOf(name: string): LiveChannel[] | null {
    const stand = this.stands.get(name);
    const channels = stand && this.isFresh(stand) ? stand.feed.channels : [];
    return channels.length === 0 ? null : channels;
  }

  private isFresh({ seenMs }: DrivenStand): boolean {
    return this.clock.nowMs() - seenMs <= HERE_MS;
  }

  private standOf(name: string): DrivenStand {
    const known = this.stands.get(name);
    if (known) return known;
    for (const [other, stand] of this.stands) if (!this.isFresh(stand)) this.stands.delete(other);
    if (this.stands.size >= DRIVEN_MAX_COUNT) throw new TooManyStandsError(DRIVEN_MAX_COUNT);
    const made: DrivenStand = { feed: new DrivenFeed(readingLimits), seenMs: 0, exchangesMs: [], lastFault: null };
    this.stands.set(name, made);
    return made;
  }
}

function rateOf(timesMs: readonly number[]): number {
  const spanMs = (timesMs.at(-1) ?? 0) - (timesMs[0] ?? 0);
  return spanMs <= 0 ? 0 : (1000 * (timesMs.length - 1)) / spanMs;
}
