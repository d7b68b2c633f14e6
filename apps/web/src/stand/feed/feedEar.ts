import { readingLimits } from '@zivvo/contract';
import {
  FeedWindow,
  LineFeed,
  standQuantityNames,
  type AskedColumns,
  type DrivenFault,
  type RecognizedColumn,
  type StandStep,
} from '@zivvo/core';
import { readKept, writeKept } from '../../shared/forms/kept.ts';

/** What is wrong with the lines that come, in words. */
export const feedFaults: Record<DrivenFault, (text: string) => string> = {
  noSequence: () => 'No column is the order that was obeyed.',
  noThrottle: () => 'No column is the throttle that is held.',
  badSequence: (text) => `“${text}” is no number of an order.`,
  tooLong: () => 'A line is longer than any reading.',
  noHeader: () => 'Figures come, and nothing says what they are.',
  noThrust: () => 'No column is the thrust.',
  noUnit: (text) => `“${text}” names no unit.`,
  cellCount: (text) => `A line has another number of cells than the header: ${text}`,
  unreadable: (text) => `“${text}” is no such reading.`,
};

/** The lines of a device as they are heard: what is asked, the last second, what could not be read. */
export class FeedEar {
  readonly window = new FeedWindow();
  readingCount = 0;
  faultCount = 0;
  /** The last fault in words; null once as many lines as it spoiled were read again. */
  fault: string | null = null;
  private heardS = -Infinity;
  private readonly feed = new LineFeed(readingLimits, (key) => readKept<RecognizedColumn[]>(keptAs(key)));

  get asked(): AskedColumns | null {
    return this.feed.asked;
  }

  /** What is read, thrust first. */
  get quantities(): (keyof StandStep)[] {
    const named = new Set(this.feed.columns?.map((c) => c.quantity));
    return standQuantityNames.filter((q) => named.has(q));
  }

  take(lines: readonly string[], nowS: number): void {
    for (const line of lines) {
      const taken = this.feed.take(line);
      if (taken.kind === 'reading') {
        this.window.take(taken.step, nowS);
        this.readingCount++;
        this.heardS = nowS;
        this.fault = null;
      } else if (taken.kind === 'fault') {
        this.faultCount++;
        this.fault = feedFaults[taken.fault](taken.text.slice(0, 60));
      }
    }
  }

  /** Says what the columns hold; the same header is not asked about again. */
  answer(columns: RecognizedColumn[]): void {
    if (this.feed.asked) writeKept(keptAs(this.feed.asked.key), columns);
    this.feed.answer(columns);
    this.fault = null;
  }

  /** Seconds since something was read; infinite before the first reading. */
  silentS(nowS: number): number {
    return nowS - this.heardS;
  }
}

const keptAs = (key: string): string => `feed/${key.slice(0, 200)}`;
