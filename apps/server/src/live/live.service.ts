import { Inject, Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { PILOT_LEASE_MS, STREAM_BEAT_MS, watcherCommandNames, type KeepRunDto, type LiveCommandDto, type LiveReadingsView, type LiveView, type RunView, type StandView, type StartLiveRunDto } from '@zivvo/contract';
import { emptyStep, LIVE_RATE_HZ, liveChannels, samplePyramid, type LivePhase, type LivePoint } from '@zivvo/core';
import { Subject } from 'rxjs';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CONFIG, type Config } from '../config.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { CampaignRepository } from '../stand/campaign.repository.ts';
import { RunRepository } from '../stand/run.repository.ts';
import { RunService } from '../stand/run.service.ts';
import { HardwareStopError, NotPilotError, RefusedCommandError, StandBusyError, StandClosedError } from './live.errors.ts';
import { toLivePoint, toLiveView, toPointRow, toSampleRows, type OpenRun } from './live.mapper.ts';
import type { FromRuntime, RuntimeCommand } from './live.messages.ts';
import { LiveRepository } from './live.repository.ts';
import { limitsOf, simulatedDevice } from './simulatedDevice.ts';
import { STAND_LINK, type StandLink } from './standLink.ts';

/** What the stream carries; states and readings are of one run and go to those who listen to it. */
export type LiveEvent = { type: 'state'; runId: string; data: LiveView } | { type: 'readings'; runId: string; data: LiveReadingsView } | { type: 'beat'; data: { nowMs: number } };

/** A pack from the charger, and the least with which a run is worth starting. */
const FULL_CHARGE = 0.975;
const LEAST_CHARGE = 0.6;
const CHUNK_MAX_COUNT = 7200;

/** The stand: one run on it at a time, its pilot, what comes from the device, what is kept. */
@Injectable()
export class LiveService implements OnApplicationBootstrap, OnApplicationShutdown {
  readonly events = new Subject<LiveEvent>();
  private open: OpenRun | null = null;
  private readonly answers = new Map<number, (message: Extract<FromRuntime, { kind: 'answer' }>) => void>();
  private nextAnswer = 1;
  private whenClosed: () => void = () => undefined;
  /** Writes in the order in which they came. */
  private writes: Promise<void> = Promise.resolve();
  private readonly beat: NodeJS.Timeout;

  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(CONFIG) private readonly config: Config,
    @Inject(STAND_LINK) private readonly link: StandLink,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly live: LiveRepository,
    private readonly runs: RunRepository,
    private readonly runService: RunService,
    private readonly campaigns: CampaignRepository,
    private readonly crafts: CraftRepository,
    private readonly models: PropModelRepository,
  ) {
    link.onMessage((message) => this.onMessage(message));
    this.beat = setInterval(() => this.events.next({ type: 'beat', data: { nowMs: this.clock.nowMs() } }), STREAM_BEAT_MS);
  }

  async onApplicationBootstrap(): Promise<void> {
    await this.live.holdInterrupted(this.db, this.clock.now());
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.beat);
    this.events.complete();
    await this.link.close();
    await this.writes;
  }

  /** Puts a prop on the stand as a new run of a campaign. */
  async start(campaignId: string, dto: StartLiveRunDto): Promise<LiveView> {
    await this.clearStand(dto.id);
    const campaign = await this.campaigns.find(this.db, campaignId);
    const craft = await this.crafts.find(this.db, campaign.craftId);
    const model = await this.models.find(this.db, dto.propModelId);
    const limits = limitsOf(craft, model.speedLimitRpm);
    await this.db.transaction(async (tx) => {
      const isNew = await this.runs.add(tx, { ...this.rows.newRow(dto.id), campaignId, propModelId: dto.propModelId, packPieceId: dto.packPieceId ?? null, state: 'draft', origin: 'simulated', draft: null });
      if (isNew) await this.live.add(tx, { runId: dto.id, phase: 'idle', limits, zeroN: null, cut: null, restingCellV: null, endChargeRatio: null, updatedAt: this.clock.now() });
    });
    return this.openRun(dto.id);
  }

  /** Puts a run that was interrupted on the stand again, with its points. */
  async openRun(runId: string): Promise<LiveView> {
    if (this.open?.runId === runId) return toLiveView(this.open);
    await this.clearStand(runId);
    const run = await this.runs.find(this.db, runId);
    const row = await this.live.find(this.db, runId);
    if (!row || row.phase === 'stopped' || run.state === 'kept') throw new StandClosedError();
    const campaign = await this.campaigns.find(this.db, run.campaignId);
    const craft = await this.crafts.find(this.db, campaign.craftId);
    const model = await this.models.find(this.db, run.propModelId);
    const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
    const lastOrdinal = await this.live.lastChunkOrdinal(this.db, runId);
    this.open = { runId, campaignId: run.campaignId, propModelId: run.propModelId, packPieceId: run.packPieceId, phase: 'idle', throttleRatio: 0, zeroN: row.zeroN, cut: null, points, ladder: null, limits: row.limits, restingCellV: row.restingCellV, timeS: 0, pilot: null, recordedS: lastOrdinal };
    this.link.send({ kind: 'open', device: simulatedDevice(craft, model, campaign, await this.chargeOf(run.packPieceId), runId), limits: row.limits, points, timeFactor: this.config.timeFactor });
    return toLiveView(this.open);
  }

  async find(runId: string): Promise<LiveView> {
    if (this.open?.runId === runId) return toLiveView(this.open);
    const run = await this.runs.find(this.db, runId);
    const row = await this.live.find(this.db, runId);
    if (!row) throw new StandClosedError();
    const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
    const lastOrdinal = await this.live.lastChunkOrdinal(this.db, runId);
    return { runId, campaignId: run.campaignId, propModelId: run.propModelId, packPieceId: run.packPieceId, deviceKind: 'simulated', isOpen: false, phase: row.phase, throttleRatio: 0, zeroN: row.zeroN, cut: row.cut, points, ladder: null, limits: row.limits, restingCellV: row.restingCellV, timeS: 0, recordedS: lastOrdinal, pilotTabId: null };
  }

  /** The pilot says that it is there; whoever asks while nobody flies becomes the pilot. */
  heartbeat(runId: string, tabId: string): LiveView {
    const open = this.requireOpen(runId);
    const now = this.clock.nowMs();
    const isFree = open.pilot === null || open.pilot.tabId === tabId || now - open.pilot.seenMs > PILOT_LEASE_MS;
    if (isFree) {
      const isNew = open.pilot?.tabId !== tabId;
      open.pilot = { tabId, seenMs: now };
      this.link.send({ kind: 'heartbeat' });
      if (isNew) this.tell();
    }
    return toLiveView(open);
  }

  async command(runId: string, dto: LiveCommandDto): Promise<LiveView> {
    const open = this.requireOpen(runId);
    const isPilot = open.pilot?.tabId === dto.tabId;
    if (!isPilot && !watcherCommandNames.includes(dto.name)) throw new NotPilotError();
    if (dto.name === 'arm' && dto.hasHardwareStop !== true) throw new HardwareStopError();
    await this.ask(toRuntimeCommand(dto, isPilot));
    if (dto.name === 'leave') open.pilot = null;
    await this.writes;
    return toLiveView(open);
  }

  /** What is on the stand, whoever asks. */
  stand(): StandView {
    const { open } = this;
    return { run: open && { runId: open.runId, campaignId: open.campaignId, propModelId: open.propModelId, phase: open.phase, throttleRatio: open.throttleRatio, cut: open.cut } };
  }

  /** Cuts whatever is on the stand, from any tab and in any state; nothing turning is cut already. Answers what the device then says. */
  async cut(tabId: string): Promise<StandView> {
    if (this.open) {
      const reason = this.open.pilot?.tabId === tabId ? 'pilot' : 'watcher';
      await this.ask({ name: 'cut', reason }).catch((error: unknown) => {
        if (!(error instanceof RefusedCommandError)) throw error;
      });
    }
    return this.stand();
  }

  /** Ends the run and keeps its points for good, in the same results as typed ones. */
  async keep(runId: string): Promise<RunView> {
    if (this.open?.runId === runId) await this.letGo();
    const run = await this.runs.find(this.db, runId);
    const row = await this.live.find(this.db, runId);
    if (!row) throw new StandClosedError();
    const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
    if (points.length === 0) throw new RefusedCommandError('noPointYet', {});
    const steps = points.map(({ values }) => ({ ...emptyStep(), ...values })).sort((a, b) => a.throttleRatio - b.throttleRatio);
    const readings: KeepRunDto = { revision: run.revision, steps, readingKinds: [], restingCellV: row.restingCellV, zeroBeforeN: null, zeroAfterN: null, packPieceId: run.packPieceId };
    await this.compact(runId);
    await this.live.update(this.db, runId, { phase: 'stopped', updatedAt: this.clock.now() });
    return this.runService.keep(runId, readings);
  }

  /** Takes the run off the stand; what was read stays. */
  private async letGo(): Promise<void> {
    this.link.send({ kind: 'close' });
    await new Promise<void>((resolve) => (this.whenClosed = resolve));
    await this.writes;
  }

  /** Chunks of the run become whole channels with what drawing needs. */
  private async compact(runId: string): Promise<void> {
    const chunks = await this.live.chunksOf(this.db, runId, CHUNK_MAX_COUNT);
    if (chunks.length === 0) return;
    await this.db.transaction(async (tx) => this.live.compact(tx, runId, toSampleRows(runId, chunks, LIVE_RATE_HZ, samplePyramid)));
  }

  /** Takes another run off the stand, unless it is armed. */
  private async clearStand(runId: string): Promise<void> {
    if (!this.open || this.open.runId === runId) return;
    if (this.open.phase === 'armed' || this.open.phase === 'running') throw new StandBusyError();
    await this.letGo();
  }

  private requireOpen(runId: string): OpenRun {
    if (this.open?.runId !== runId) throw new StandClosedError();
    return this.open;
  }

  private async chargeOf(packPieceId: string | null): Promise<number> {
    const left = packPieceId === null ? null : await this.live.lastChargeOf(this.db, packPieceId);
    return left === null || left < LEAST_CHARGE ? FULL_CHARGE : left;
  }

  private async ask(command: RuntimeCommand): Promise<void> {
    const id = this.nextAnswer++;
    const answer = await new Promise<Extract<FromRuntime, { kind: 'answer' }>>((resolve) => {
      this.answers.set(id, resolve);
      this.link.send({ kind: 'command', id, command });
    });
    if (!answer.ok) throw new RefusedCommandError(answer.error.code, answer.error.details);
  }

  private onMessage(message: FromRuntime): void {
    if (message.kind === 'answer') {
      this.answers.get(message.id)?.(message);
      this.answers.delete(message.id);
      return;
    }
    const { open } = this;
    if (!open) return;
    if (message.kind === 'readings') this.events.next({ type: 'readings', runId: open.runId, data: { timeS: message.timeS, values: message.values } });
    else if (message.kind === 'opened') this.take(open, { restingCellV: message.restingCellV }, { restingCellV: message.restingCellV });
    else if (message.kind === 'state') this.take(open, message.state, { phase: storedPhase(message.state.phase), zeroN: message.state.zeroN, cut: message.state.cut });
    else if (message.kind === 'point') this.write(() => this.keepPoint(open, message.ordinal, message.point));
    else if (message.kind === 'chunk') this.write(() => this.keepChunk(open, message.startS, message.samples));
    else this.write(() => this.takeOff(open, message.chargeRatio));
  }

  /** A state is shown at once and written after: a cut must not wait for the disk. */
  private take(open: OpenRun, state: Partial<OpenRun>, columns: Parameters<LiveRepository['update']>[2]): void {
    Object.assign(open, state);
    this.tell(open);
    this.write(() => this.live.update(this.db, open.runId, { ...columns, updatedAt: this.clock.now() }));
  }

  /** A point is shown as kept once it is on the disk. */
  private async keepPoint(open: OpenRun, ordinal: number, point: LivePoint): Promise<void> {
    await this.live.addPoint(this.db, toPointRow(open.runId, ordinal, point));
    open.points = [...open.points, point];
    this.tell(open);
  }

  private async keepChunk(open: OpenRun, startS: number, samples: Float32Array): Promise<void> {
    await this.live.addChunk(this.db, { runId: open.runId, ordinal: open.recordedS + 1, startS, readingCount: samples.length / liveChannels.length, samples: Buffer.from(samples.buffer, samples.byteOffset, samples.byteLength) });
    open.recordedS++;
  }

  /** The run has left the stand; how empty the pack is goes with it. */
  private async takeOff(open: OpenRun, chargeRatio: number | null): Promise<void> {
    await this.live.update(this.db, open.runId, { ...(chargeRatio === null ? {} : { endChargeRatio: chargeRatio }), updatedAt: this.clock.now() });
    if (this.open === open) this.open = null;
    this.whenClosed();
    // Pages of this run learn that it has left the stand; one that was thrown away has none.
    const view = await this.find(open.runId).catch(() => null);
    if (view) this.events.next({ type: 'state', runId: open.runId, data: view });
  }

  private write(job: () => Promise<void>): void {
    this.writes = this.writes.then(job).catch((error: unknown) => console.error('A live write failed:', error));
  }

  private tell(open: OpenRun | null = this.open): void {
    if (open) this.events.next({ type: 'state', runId: open.runId, data: toLiveView(open) });
  }
}

/** A session that ended is a run that is held, until it is kept. */
function storedPhase(phase: LivePhase): LivePhase {
  return phase === 'stopped' ? 'held' : phase;
}

/** Longest settling of a step of the ladder before it is read, where none is given. */
const USUAL_SETTLE_S = 1.5;
const READ_S = 1;

function toRuntimeCommand(dto: LiveCommandDto, isPilot: boolean): RuntimeCommand {
  if (dto.name === 'throttle') return { name: 'throttle', throttleRatio: dto.throttleRatio ?? NaN };
  if (dto.name === 'ladder') return { name: 'ladder', throttles: dto.throttles ?? [], settleS: dto.settleS ?? USUAL_SETTLE_S, readS: READ_S };
  if (dto.name === 'fault') return { name: 'fault', fault: dto.fault ?? null };
  if (dto.name === 'cut') return { name: 'cut', reason: isPilot ? 'pilot' : 'watcher' };
  if (dto.name === 'leave') return { name: 'cut', reason: 'pilotLeft' };
  return { name: dto.name };
}

