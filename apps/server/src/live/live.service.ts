import { Inject, Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import {
  PILOT_LEASE_MS,
  STREAM_BEAT_MS,
  watcherCommandNames,
  type KeepRunDto,
  type LiveCommandDto,
  type LiveReadingsView,
  type LiveView,
  type RunView,
  type StandView,
  type StartLiveRunDto,
} from '@zivvo/contract';
import {
  emptyStep,
  isHot,
  LIVE_RATE_HZ,
  liveChannels,
  readableLimits,
  throttleProgram,
  type LiveChannel,
  type LivePhase,
  type LivePoint,
  type RunProtocol,
} from '@zivvo/core';
import { Subject } from 'rxjs';
import { Clock } from '../common/clock.ts';
import { InTurn } from '../common/inTurn.ts';
import { DB, type Db } from '../database/database.ts';
import { RecordingService } from '../recording/recording.service.ts';
import type { RunRow } from '../stand/run.repository.ts';
import { RunService } from '../stand/run.service.ts';
import {
  DeviceLostError,
  DeviceNotHereError,
  HardwareStopError,
  NotPilotError,
  NotWrittenError,
  RefusedCommandError,
  StandBusyError,
  StandClosedError,
} from './live.errors.ts';
import {
  byChannel,
  deviceKindOf,
  readValues,
  standTracks,
  toLivePoint,
  toLiveView,
  toPointRow,
  type OpenRun,
} from './live.mapper.ts';
import { DrivenStands } from './drivenStands.service.ts';
import type { FromRuntime, OpenedDevice, RuntimeCommand } from './live.messages.ts';
import { LiveRepository, type LiveRunRow } from './live.repository.ts';
import { LiveSubjectService } from './liveSubject.service.ts';
import { limitsOf, simulatedDevice } from './simulatedDevice.ts';
import { StandDevice } from './standDevice.ts';
import { StandFindings } from './standFindings.ts';
import { WriteQueue } from './writeQueue.ts';

/** What the stream carries; states and readings are of one run and go to those who listen to it. */
export type LiveEvent =
  | { type: 'state'; runId: string; data: LiveView }
  | { type: 'readings'; runId: string; data: LiveReadingsView }
  | { type: 'beat'; data: { nowMs: number } };

/** A pack from the charger, and the least with which a run is worth starting. */
const FULL_CHARGE = 0.975;
const LEAST_CHARGE = 0.6;

/** The stand: one run on it at a time, its pilot, what comes from the device, what is kept. */
@Injectable()
export class LiveService implements OnApplicationBootstrap, OnApplicationShutdown {
  readonly events = new Subject<LiveEvent>();
  private open: OpenRun | null = null;
  /** Which run is on the stand is changed by one at a time. A cut waits for none of them. */
  private readonly turns = new InTurn();
  private readonly writes = new WriteQueue((error) => this.onWriteFailed(error));
  private readonly beat: NodeJS.Timeout;

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly device: StandDevice,
    private readonly clock: Clock,
    private readonly live: LiveRepository,
    private readonly subjects: LiveSubjectService,
    private readonly recordings: RecordingService,
    private readonly runs: RunService,
    private readonly findings: StandFindings,
    private readonly stands: DrivenStands,
  ) {
    device.listen(
      (message) => this.onMessage(message),
      () => this.onLost(),
    );
    this.beat = setInterval(
      () => this.events.next({ type: 'beat', data: { nowMs: this.clock.nowMs() } }),
      STREAM_BEAT_MS,
    );
  }

  async onApplicationBootstrap(): Promise<void> {
    await this.live.holdInterrupted(this.db, this.clock.now());
  }

  async onApplicationShutdown(): Promise<void> {
    clearInterval(this.beat);
    this.events.complete();
    await this.writes.settled();
  }

  /** Puts a prop on the stand as a new run of a campaign. */
  start(campaignId: string, dto: StartLiveRunDto): Promise<LiveView> {
    return this.turns.do(async () => {
      await this.clearStand(dto.id);
      const kitId = dto.kitId ?? null;
      const deviceName = dto.deviceName ?? null;
      const channels = this.channelsOf(deviceName);
      const { campaign, craft, model } = await this.subjects.find({ campaignId, propModelId: dto.propModelId, kitId });
      const recordingId = this.subjects.makeId();
      await this.db.transaction(async (tx) => {
        await this.recordings.create(tx, recordingId, standTracks);
        const isNew = await this.subjects.addRun(tx, {
          id: dto.id,
          campaignId,
          propModelId: dto.propModelId,
          kitId,
          packPieceId: dto.packPieceId ?? null,
          protocolVersion: campaign.protocolVersion,
          recordingId,
          origin: deviceName === null ? 'simulated' : 'stand',
        });
        if (!isNew) await this.recordings.remove(tx, recordingId);
        else
          await this.live.add(tx, {
            runId: dto.id,
            phase: 'idle',
            limits: readableLimits(limitsOf(craft, model.speedLimitRpm), channels),
            deviceName,
            zeroN: null,
            cut: null,
            restingCellV: null,
            endChargeRatio: null,
            updatedAt: this.clock.now(),
          });
      });
      return this.putOn(dto.id);
    });
  }

  /** Puts a run that was interrupted on the stand again, with its points. */
  openRun(runId: string): Promise<LiveView> {
    return this.turns.do(() => this.putOn(runId));
  }

  async find(runId: string): Promise<LiveView> {
    if (this.open?.runId === runId) return toLiveView(this.open);
    const { campaignId, propModelId, kitId, packPieceId, recordingId } = await this.subjects.findRun(runId);
    const { phase, zeroN, cut, limits, deviceName, restingCellV } = await this.requireLive(runId);
    const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
    const recordedS = recordingId === null ? 0 : await this.recordings.recordedS(recordingId);
    return {
      runId,
      recordingId,
      campaignId,
      propModelId,
      kitId,
      packPieceId,
      deviceKind: deviceKindOf(deviceName),
      deviceName,
      isOpen: false,
      phase,
      throttleRatio: 0,
      zeroN,
      cut,
      fault: null,
      points,
      program: null,
      limits,
      isZeroHeld: null,
      restingCellV,
      timeS: 0,
      recordedS,
      pilotTabId: null,
    };
  }

  /** The pilot says that it is there; whoever asks while nobody flies becomes the pilot. */
  heartbeat(runId: string, tabId: string): LiveView {
    const open = this.requireOpen(runId);
    if (this.mayFly(open, tabId)) {
      const isNew = open.pilot?.tabId !== tabId;
      open.pilot = { tabId, seenMs: this.clock.nowMs() };
      if (open.hasDevice) this.device.heartbeat();
      if (isNew) this.tell();
    }
    return toLiveView(open);
  }

  async command(runId: string, dto: LiveCommandDto): Promise<LiveView> {
    const open = this.requireOpen(runId);
    const isPilot = open.pilot?.tabId === dto.tabId;
    if (!isPilot && !watcherCommandNames.includes(dto.name)) throw new NotPilotError();
    if (dto.name === 'arm' && dto.hasHardwareStop !== true) throw new HardwareStopError();
    if (dto.name === 'arm' && this.writes.hasFailed) throw new NotWrittenError();
    if (dto.name === 'writeAgain' || dto.name === 'goOnWithout') await this.mend(open, dto.name);
    else await this.ask(open, toRuntimeCommand(dto, isPilot));
    if (dto.name === 'leave') open.pilot = null;
    await this.writes.settled();
    return toLiveView(open);
  }

  /** What is on the stand, whoever asks. */
  stand(): StandView {
    const { open } = this;
    return {
      run: open && {
        runId: open.runId,
        campaignId: open.campaignId,
        propModelId: open.propModelId,
        phase: open.phase,
        throttleRatio: open.throttleRatio,
        cut: open.cut,
      },
    };
  }

  /**
   * Cuts whatever is on the stand, from any tab and in any state; nothing turning is cut already. Answers what the
   * device then says.
   */
  async cut(tabId: string): Promise<StandView> {
    if (this.open?.hasDevice) {
      const reason = this.open.pilot?.tabId === tabId ? 'pilot' : 'watcher';
      await this.device.ask({ name: 'cut', reason }).catch((error: unknown) => {
        // What refuses a cut or is gone turns nothing: the state that follows says which it was.
        if (!(error instanceof RefusedCommandError || error instanceof DeviceLostError)) throw error;
      });
    }
    return this.stand();
  }

  /** Ends the run, if it is the pilot who says so, and keeps its points for good, in the same results as typed ones. */
  keep(runId: string, tabId: string): Promise<RunView> {
    return this.turns.do(async () => {
      const { open } = this;
      const run = await this.subjects.findRun(runId);
      if (run.state === 'kept') return this.runs.find(runId);
      const { restingCellV } = await this.requireLive(runId);
      if (open?.runId === runId && !this.mayFly(open, tabId)) throw new NotPilotError();
      // Nothing is stopped for the sake of a run that could not be kept.
      const kept = await this.live.pointsOf(this.db, runId);
      if (kept.length === 0) throw new RefusedCommandError('noPointYet', {});
      if (open?.runId === runId) await this.takeOff(open);
      const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
      const steps = points
        .map(({ values }) => ({ ...emptyStep(), ...readValues(values) }))
        .sort((a, b) => a.throttleRatio - b.throttleRatio);
      const readings: KeepRunDto = {
        revision: run.revision,
        steps,
        readingKinds: [],
        restingCellV,
        zeroBeforeN: null,
        zeroAfterN: null,
        packPieceId: run.packPieceId,
      };
      await this.live.update(this.db, runId, { phase: 'stopped', updatedAt: this.clock.now() });
      const findings = run.recordingId === null ? null : await this.findings.of(run.recordingId);
      return this.runs.keep(runId, readings, findings);
    });
  }

  private async putOn(runId: string): Promise<LiveView> {
    if (this.open?.runId === runId) return toLiveView(this.open);
    await this.clearStand(runId);
    const run = await this.subjects.findRun(runId);
    const { craft, model, campaign } = await this.subjects.find(run);
    const row = await this.requireLive(runId);
    if (row.phase === 'stopped' || run.state === 'kept') throw new StandClosedError();
    const recordingId = await this.recordingOf(run);
    const points = (await this.live.pointsOf(this.db, runId)).map(toLivePoint);
    const recordedS = await this.recordings.recordedS(recordingId);
    const writer = await this.recordings.begin(recordingId);
    const { limits, deviceName, zeroN, restingCellV } = row;
    this.channelsOf(deviceName);
    const { startS } = writer.segment;
    const { campaignId, propModelId, kitId, packPieceId } = run;
    const open: OpenRun = {
      runId,
      recordingId,
      campaignId,
      propModelId,
      kitId,
      packPieceId,
      phase: 'idle',
      throttleRatio: 0,
      zeroN,
      cut: null,
      fault: null,
      points,
      program: null,
      limits,
      deviceName,
      isZeroHeld: null,
      restingCellV,
      timeS: startS,
      pilot: null,
      recordedS,
      writer,
      hasDevice: true,
    };
    this.open = open;
    const charge = await this.chargeOf(packPieceId);
    const device: OpenedDevice =
      deviceName === null
        ? { kind: 'simulated', options: simulatedDevice(craft, model, campaign, charge, runId) }
        : { kind: 'driven', seriesCount: craft.packSeriesCount };
    await this.device.open({ device, limits, points, startS }, deviceName);
    // Lost again in that moment, it is held; the answer says so.
    return toLiveView(open);
  }

  /** @throws {DeviceNotHereError} for a driven stand that is not heard */
  private channelsOf(deviceName: string | null): readonly LiveChannel[] {
    if (deviceName === null) return liveChannels;
    const channels = this.stands.channelsOf(deviceName);
    if (channels === null) throw new DeviceNotHereError(deviceName);
    return channels;
  }

  /** Runs from before there were recordings get theirs when they go on. */
  private async recordingOf({ id: runId, recordingId }: RunRow): Promise<string> {
    if (recordingId !== null) return recordingId;
    const id = this.subjects.makeId();
    await this.db.transaction(async (tx) => {
      await this.recordings.create(tx, id, standTracks);
      await this.subjects.recordIn(tx, runId, id);
    });
    return id;
  }

  /** Takes another run off the stand, unless it is armed. */
  private async clearStand(runId: string): Promise<void> {
    if (!this.open || this.open.runId === runId) return;
    if (isHot(this.open.phase)) throw new StandBusyError();
    await this.takeOff(this.open);
  }

  /** Takes a run off the stand once all that was read is written. */
  private async takeOff(open: OpenRun): Promise<void> {
    if (open.hasDevice) {
      const chargeRatio = await this.device.close();
      open.hasDevice = false;
      if (chargeRatio !== null)
        this.writes.push(() =>
          this.live.update(this.db, open.runId, { endChargeRatio: chargeRatio, updatedAt: this.clock.now() }),
        );
    }
    await this.writes.settled();
    if (this.writes.hasFailed) throw new NotWrittenError();
    await this.forget(open);
  }

  private async forget(open: OpenRun): Promise<void> {
    if (this.open !== open) return;
    this.open = null;
    // Pages of this run learn that it has left the stand; one that was thrown away has none.
    const view = await this.find(open.runId).catch(() => null);
    if (view) this.events.next({ type: 'state', runId: open.runId, data: view });
  }

  /** What could not be written is written again, or left out. */
  private async mend(open: OpenRun, how: 'writeAgain' | 'goOnWithout'): Promise<void> {
    if (how === 'writeAgain') {
      await this.writes.retry();
      if (this.writes.hasFailed) throw new NotWrittenError();
    } else if (this.writes.hasFailed) this.writes.giveUp();
    open.fault = null;
    if (how === 'goOnWithout') open.points = (await this.live.pointsOf(this.db, open.runId)).map(toLivePoint);
    this.tell(open);
    if (!open.hasDevice) await this.forget(open);
  }

  /** The tab flies, or nobody does. */
  private mayFly({ pilot }: OpenRun, tabId: string): boolean {
    return pilot === null || pilot.tabId === tabId || this.clock.nowMs() - pilot.seenMs > PILOT_LEASE_MS;
  }

  private requireOpen(runId: string): OpenRun {
    if (this.open?.runId !== runId) throw new StandClosedError();
    return this.open;
  }

  private async requireLive(runId: string): Promise<LiveRunRow> {
    const row = await this.live.find(this.db, runId);
    if (!row) throw new StandClosedError();
    return row;
  }

  private async chargeOf(packPieceId: string | null): Promise<number> {
    const left = packPieceId === null ? null : await this.live.lastChargeOf(this.db, packPieceId);
    return left === null || left < LEAST_CHARGE ? FULL_CHARGE : left;
  }

  private async ask(open: OpenRun, command: RuntimeCommand): Promise<void> {
    if (!open.hasDevice) throw new DeviceLostError();
    await this.device.ask(command);
  }

  private onMessage(message: Exclude<FromRuntime, { kind: 'answer' | 'closed' | 'order' }>): void {
    const { open } = this;
    if (!open) return;
    if (message.kind === 'readings')
      this.events.next({ type: 'readings', runId: open.runId, data: { timeS: message.timeS, values: message.values } });
    else if (message.kind === 'rested')
      this.take(open, { restingCellV: message.restingCellV }, { restingCellV: message.restingCellV });
    else if (message.kind === 'state')
      this.take(open, message.state, {
        phase: storedPhase(message.state.phase),
        zeroN: message.state.zeroN,
        cut: message.state.cut,
      });
    else if (message.kind === 'point') this.writes.push(() => this.keepPoint(open, message.ordinal, message.point));
    else if (message.kind === 'chunk') this.record(open, message.startS, message.samples);
  }

  /** The device is gone, and with it whatever turned: the run is held as it is. */
  private onLost(): void {
    const { open } = this;
    if (!open) return;
    open.hasDevice = false;
    this.take(
      open,
      {
        phase: 'held',
        throttleRatio: 0,
        program: null,
        isZeroHeld: null,
        cut: { reason: 'deviceLost', atS: open.timeS },
      },
      { phase: 'held', cut: { reason: 'deviceLost', atS: open.timeS } },
    );
    void this.writes.settled().then(() => (this.writes.hasFailed ? undefined : this.forget(open)));
  }

  /** The disk does not take what is read: nothing goes on turning until a person has decided. */
  private onWriteFailed(error: unknown): void {
    console.error('A write of the stand failed:', error instanceof Error ? error.message : error);
    const { open } = this;
    if (!open) return;
    open.fault = 'writeFailed';
    this.tell(open);
    if (open.hasDevice) void this.device.ask({ name: 'cut', reason: 'writeFailed' }).catch(() => undefined);
  }

  /** A state is shown at once and written after: a cut must not wait for the disk. */
  private take(open: OpenRun, state: Partial<OpenRun>, columns: Parameters<LiveRepository['update']>[2]): void {
    Object.assign(open, state);
    this.tell(open);
    this.writes.push(() => this.live.update(this.db, open.runId, { ...columns, updatedAt: this.clock.now() }));
  }

  /** A point is shown as kept once it is on the disk. */
  private async keepPoint(open: OpenRun, ordinal: number, point: LivePoint): Promise<void> {
    await this.live.addPoint(this.db, toPointRow(open.runId, ordinal, point));
    open.points = [...open.points, point];
    this.tell(open);
  }

  private record(open: OpenRun, startS: number, samples: Float32Array): void {
    const blocks = open.writer.next(0, startS, byChannel(samples));
    this.writes.push(async () => {
      await this.recordings.write(this.db, blocks);
      open.recordedS += samples.length / liveChannels.length / LIVE_RATE_HZ;
    });
  }

  private tell(open: OpenRun | null = this.open): void {
    if (open) this.events.next({ type: 'state', runId: open.runId, data: toLiveView(open) });
  }
}

/** A session that ended is a run that is held, until it is kept. */
function storedPhase(phase: LivePhase): LivePhase {
  return phase === 'stopped' ? 'held' : phase;
}

/** What runs by itself where no protocol is given. */
const LADDER_UP: RunProtocol = {
  kind: 'own',
  stepCount: 7,
  holdS: 2.5,
  throttles: [0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1],
};

function toRuntimeCommand(dto: LiveCommandDto, isPilot: boolean): RuntimeCommand {
  if (dto.name === 'throttle') return { name: 'throttle', throttleRatio: dto.throttleRatio ?? NaN };
  if (dto.name === 'program')
    return {
      name: 'program',
      program: throttleProgram(
        dto.protocol ? { ...dto.protocol, throttles: dto.protocol.throttles ?? null } : LADDER_UP,
      ),
    };
  if (dto.name === 'fault') return { name: 'fault', fault: dto.fault ?? null };
  if (dto.name === 'cut') return { name: 'cut', reason: isPilot ? 'pilot' : 'watcher' };
  if (dto.name === 'leave') return { name: 'cut', reason: 'pilotLeft' };
  return { name: dto.name as 'tare' | 'arm' | 'keepPoint' | 'disarm' };
}
