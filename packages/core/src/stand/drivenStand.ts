import { LineFeed, type FeedFault } from './lineFeed.ts';
import { liveChannels, type LiveChannel, type LiveReading } from './liveReading.ts';
import type { ReadingLimits } from './readRunTable.ts';

/** What a driven stand is told after each of its lines. */
export interface DriveOrder {
  /** Grows with every order. */
  sequence: number;
  throttleRatio: number;
  /** How long the throttle may be held without another order; then it is zero [ms]. */
  validMs: number;
}

/** A stand that hears nothing for this long zeroes itself [ms]. */
export const DRIVE_VALID_MS = 500;
/** A throttle read back below this is none. */
export const ZERO_THROTTLE = 0.005;

/** The line that carries an order: `order 17 0.450 500`. */
export function orderLine({ sequence, throttleRatio, validMs }: DriveOrder): string {
  return `order ${sequence} ${throttleRatio.toFixed(3)} ${validMs}`;
}

/** Reads an order as a stand would; null for anything else, an order that is not newer than the last one too. */
export function readOrder(line: string, lastSequence: number): DriveOrder | null {
  const [, sequence, throttle, valid] = /^order (\d{1,15}) (\d(?:\.\d+)?) (\d{1,5})$/.exec(line.trim()) ?? [];
  if (valid === undefined) return null;
  const order = { sequence: Number(sequence), throttleRatio: Number(throttle), validMs: Number(valid) };
  return order.sequence > lastSequence && order.throttleRatio <= 1 ? order : null;
}

/** What became of a line of a driven stand. */
export type DrivenLine =
  | { kind: 'silent' }
  | { kind: 'header' }
  | { kind: 'reading'; reading: Omit<LiveReading, 'timeS'>; sequence: number }
  | { kind: 'fault'; fault: DrivenFault; text: string };

export type DrivenFault =
  | FeedFault
  /** A header without the order that was obeyed. */
  | 'noSequence'
  /** A header without the throttle that is held. */
  | 'noThrottle'
  /** A sequence that is no whole number. */
  | 'badSequence';

const SEQUENCE_HEADER = /^(?:sequence|order)\b/i;

/**
 * The lines of a driven stand: those of a feed (see `LineFeed`), with two columns more: `sequence`, the last order that
 * it obeyed, and the throttle that it holds. Nobody is asked what a column means: a stand that can be driven says it
 * itself.
 *
 * Channels that it does not read are NaN; power follows from volts and amps where both are there.
 */
export class DrivenFeed {
  private readonly feed: LineFeed;
  private sequenceAt = -1;

  constructor(limits: ReadingLimits) {
    this.feed = new LineFeed(limits);
  }

  /** Channels that the header in force names; none before one came. */
  get channels(): LiveChannel[] {
    const named: readonly (string | null)[] = (this.feed.columns ?? []).map((c) => c.quantity);
    const has = (channel: LiveChannel): boolean =>
      named.includes(channel) || (channel === 'powerW' && named.includes('currentA') && named.includes('voltageV'));
    return this.sequenceAt < 0 ? [] : liveChannels.filter(has);
  }

  take(line: string): DrivenLine {
    const taken = this.feed.take(line);
    if (taken.kind === 'silent' || taken.kind === 'fault') return taken;
    if (taken.kind === 'header') {
      this.sequenceAt = taken.columns.findIndex((c) => SEQUENCE_HEADER.test(c.header.trim()));
      if (this.sequenceAt < 0) return { kind: 'fault', fault: 'noSequence', text: line.trim() };
      if (taken.columns.some((c) => c.quantity === 'throttleRatio')) return { kind: 'header' };
      this.sequenceAt = -1;
      return { kind: 'fault', fault: 'noThrottle', text: line.trim() };
    }
    if (this.sequenceAt < 0) return { kind: 'fault', fault: 'noSequence', text: line.trim() };
    const sequence = Number(taken.cells[this.sequenceAt]);
    if (!Number.isInteger(sequence) || sequence < 0)
      return { kind: 'fault', fault: 'badSequence', text: taken.cells[this.sequenceAt]! };
    const { step } = taken;
    const powerW =
      step.powerW ?? (step.currentA === null || step.voltageV === null ? null : step.currentA * step.voltageV);
    const reading = Object.fromEntries(
      liveChannels.map((channel) => [channel, (channel === 'powerW' ? powerW : step[channel]) ?? NaN]),
    ) as Record<LiveChannel, number>;
    return { kind: 'reading', reading, sequence };
  }
}
