import { Body, Controller, Get, HttpCode, Param, Post, Sse, type MessageEvent } from '@nestjs/common';
import { LiveCommandDto, LiveTabDto, StartLiveRunDto, type LiveView, type RunView } from '@zivvo/contract';
import { concat, defer, map, merge, type Observable } from 'rxjs';
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

  /** Everything that happens on the stand: where it stands first, then states, readings and a beat each second. */
  @Sse('live/:id/stream')
  stream(@Param('id', IdPipe) runId: string): Observable<MessageEvent> {
    const first = defer(async (): Promise<LiveEvent> => ({ type: 'state', data: await this.live.find(runId) }));
    return merge(concat(first), this.live.events).pipe(map((event): MessageEvent => ({ id: String(++this.sequence), type: event.type, data: event.data })));
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
  keep(@Param('id', IdPipe) runId: string): Promise<RunView> {
    return this.live.keep(runId);
  }
}
