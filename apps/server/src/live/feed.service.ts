import { Injectable, type OnApplicationShutdown } from '@nestjs/common';
import { FEED_LINES_A_SECOND, readingLimits, type FeedLinesView, type FeedTakenView } from '@zivvo/contract';
import { FEED_LINE_MAX_LENGTH, LineFeed } from '@zivvo/core';
import { Subject } from 'rxjs';
import { Clock } from '../common/clock.ts';

/**
 * A stand that prints is passed on, line by line, to the pages that listen. Nothing is kept here: what a person takes
 * of it becomes a row of a run.
 */
@Injectable()
export class FeedService implements OnApplicationShutdown {
  readonly lines = new Subject<FeedLinesView>();
  private listenerCount = 0;
  private readonly feed = new LineFeed(readingLimits);
  private lastHeader: string | null = null;
  /** A line that its post cut off goes on with the next one. */
  private rest = '';
  private second = { startMs: 0, count: 0 };

  constructor(private readonly clock: Clock) {}

  onApplicationShutdown(): void {
    this.lines.complete();
  }

  /** What a page hears first: the header that is in force, where one was seen. */
  first(): FeedLinesView {
    return { lines: this.lastHeader === null ? [] : [this.lastHeader] };
  }

  listen(): () => void {
    this.listenerCount++;
    return () => void this.listenerCount--;
  }

  /** Takes text as it was posted; an unfinished last line waits for the next post. */
  take(text: string): FeedTakenView {
    const parts = (this.rest + text).split(/\r\n|[\r\n]/);
    this.rest = parts.pop()!.slice(0, FEED_LINE_MAX_LENGTH + 1);
    // A header that asks is a header too: the page answers it.
    for (const line of parts) {
      if (this.feed.take(line).kind === 'header' || this.feed.asked?.key === line.trim()) this.lastHeader = line;
      else if (this.feed.asked !== null && this.feed.asked.key !== this.lastHeader?.trim()) this.lastHeader = null;
    }
    const room = this.room();
    const lines = room === 0 ? [] : parts.slice(-room).map((line) => line.slice(0, FEED_LINE_MAX_LENGTH + 1));
    this.second.count += lines.length;
    if (lines.length > 0) this.lines.next({ lines });
    const { listenerCount } = this;
    return { takenCount: lines.length, droppedCount: parts.length - lines.length, listenerCount };
  }

  private room(): number {
    const nowMs = this.clock.nowMs();
    if (nowMs - this.second.startMs >= 1000) this.second = { startMs: nowMs, count: 0 };
    return Math.max(0, FEED_LINES_A_SECOND - this.second.count);
  }
}
