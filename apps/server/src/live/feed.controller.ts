import { Body, Controller, HttpCode, Post, Sse, type MessageEvent } from '@nestjs/common';
import { STREAM_BEAT_MS, type FeedTakenView } from '@zivvo/contract';
import { defer, finalize, interval, map, merge, of, type Observable } from 'rxjs';
import { FeedService } from './feed.service.ts';

/** The line feed: any program that prints readings posts them here. */
@Controller('feed')
export class FeedController {
  constructor(private readonly feed: FeedService) {}

  /** Plain text, one line a reading, headers before the first; as many posts as one likes. */
  @Post()
  @HttpCode(200)
  take(@Body() text: string): FeedTakenView {
    return this.feed.take(text);
  }

  /** The lines as they come, the header in force first, and a beat each second. */
  @Sse('stream')
  stream(): Observable<MessageEvent> {
    return defer(() => {
      const leave = this.feed.listen();
      const lines = merge(of(this.feed.first()), this.feed.lines).pipe(
        map((data): MessageEvent => ({ type: 'lines', data })),
      );
      const beats = interval(STREAM_BEAT_MS).pipe(map((): MessageEvent => ({ type: 'beat', data: {} })));
      return merge(lines, beats).pipe(finalize(leave));
    });
  }
}
