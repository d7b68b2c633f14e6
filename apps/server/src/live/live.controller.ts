import { Body, Controller, Get, HttpCode, Param, Post, Sse, type MessageEvent } from '@nestjs/common';
import {
  LiveCommandDto,
  LiveTabDto,
  StartLiveRunDto,
  type LiveView,
  type RunView,
  type StandView,
} from '@zivvo/contract';
import { concat, defer, filter, map, merge, type Observable } from 'rxjs';
import { IdPipe } from '../common/idPipe.ts';
import { LiveService, type LiveEvent } from './live.service.ts';

@Controller()
export class LiveController {
  private sequence = 0;

  constructor(private readonly live: LiveService) {}

  /** Puts a prop on the live stand. */
  @Post('campaigns/:id/live')
  start(@Param('id', IdPipe) campaignId: string, @Body() dto: StartLiveRunDto): Promise<LiveView> {
    return this.live.start(campaignId, dto);
  }

  @Get('live/:id')
  find(@Param('id', IdPipe) runId: string): Promise<LiveView> {
    return this.live.find(runId);
  }

  @Get('stand')
  stand(): StandView {
    return this.live.stand();
  }

  /** Cuts whatever is on the stand; the same twice is done once. */
  @Post('stand/cut')
  @HttpCode(200)
  cut(@Body() { tabId }: LiveTabDto): Promise<StandView> {
    return this.live.cut(tabId);
  }

  /**
   * Everything that happens to a run on the stand: where it stands first, then its states, its readings and a beat each
   * second.
   */
  @Sse('live/:id/stream')
  async stream(@Param('id', IdPipe) runId: string): Promise<Observable<MessageEvent>> {
    // A run that is not there is said before anything is streamed.
    await this.live.find(runId);
    const first = defer(async (): Promise<LiveEvent> => ({ type: 'state', runId, data: await this.live.find(runId) }));
    const own = this.live.events.pipe(filter((event) => event.type === 'beat' || event.runId === runId));
    return merge(concat(first), own).pipe(
      map((event): MessageEvent => ({ id: String(++this.sequence), type: event.type, data: event.data })),
    );
  }

  @Post('live/:id/open')
  @HttpCode(200)
  open(@Param('id', IdPipe) runId: string): Promise<LiveView> {
    return this.live.openRun(runId);
  }

  @Post('live/:id/heartbeat')
  @HttpCode(200)
  heartbeat(@Param('id', IdPipe) runId: string, @Body() { tabId }: LiveTabDto): LiveView {
    return this.live.heartbeat(runId, tabId);
  }

  @Post('live/:id/commands')
  @HttpCode(200)
  command(@Param('id', IdPipe) runId: string, @Body() dto: LiveCommandDto): Promise<LiveView> {
    return this.live.command(runId, dto);
  }

  @Post('live/:id/keep')
  @HttpCode(200)
  keep(@Param('id', IdPipe) runId: string, @Body() { tabId }: LiveTabDto): Promise<RunView> {
    return this.live.keep(runId, tabId);
  }
}
