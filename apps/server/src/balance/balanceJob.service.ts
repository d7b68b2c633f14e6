import { Inject, Injectable } from '@nestjs/common';
import type {
  CreateBalanceJobDto,
  FinishBalanceJobDto,
  BalanceJobDto,
  BalanceJobView,
  UpdateBalanceJobDto,
  ListView,
} from '@zivvo/contract';
import { wrapDegrees } from '@zivvo/core';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import { NO_ACTION, PieceService } from '../rack/piece.service.ts';
import { LookFirstError, TooLargeForRigError, TrialTooHeavyError, BalanceJobEndedError } from './balance.errors.ts';
import { BalanceJobRepository } from './balance.repository.ts';
import { BalanceJobViews } from './balanceJobViews.service.ts';

/** Jobs of balancing: what was seen and done to a piece, step by step. */
@Injectable()
export class BalanceJobService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly balanceJobs: BalanceJobRepository,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceService,
    private readonly views: BalanceJobViews,
    private readonly ledger: EventLedger,
  ) {}

  async start(dto: CreateBalanceJobDto): Promise<BalanceJobView> {
    const {
      living: { piece, life },
      rig,
      model,
    } = await this.views.subjectOf(dto);
    const diameterM = piece.diameterM ?? model.diameterM;
    await this.lives.requireAllowed(this.db, { piece, life }, 'true', dto.craftId);
    if ((life.state === 'fitted' || life.state === 'resting') && !dto.isLookedAt) throw new LookFirstError(piece.tag);
    if (diameterM > rig.largestM) throw new TooLargeForRigError(piece.tag, diameterM, rig.largestM);
    await this.balanceJobs.add(this.db, {
      ...this.rows.newRow(dto.id),
      pieceId: dto.pieceId,
      rigId: dto.rigId,
      craftId: dto.craftId,
      isLookedAt: dto.isLookedAt,
      state: 'open',
      target: 'good',
      observations: [],
      swings: [],
      heavyDegrees: null,
      bladeMomentsKgM: [],
      corrections: [],
      singleBlade: null,
      runs: [],
      runSpeedRpm: null,
      note: null,
      finishedAt: null,
    });
    return this.find(dto.id);
  }

  async find(id: string): Promise<BalanceJobView> {
    return this.views.of(await this.balanceJobs.find(this.db, id));
  }

  async ofPiece(pieceId: string): Promise<ListView<BalanceJobView>> {
    const { rows, total } = await this.balanceJobs.ofPiece(this.db, pieceId, 20);
    const views = await Promise.all(rows.map((row) => this.views.of(row)));
    return toListView({ rows: views, total }, (view) => view);
  }

  /** The whole evidence is sent at each step, so that every step can be undone. */
  async change(id: string, { revision, ...dto }: UpdateBalanceJobDto): Promise<BalanceJobView> {
    const row = await this.balanceJobs.find(this.db, id);
    if (row.state !== 'open') throw new BalanceJobEndedError();
    const view = await this.views.of({ ...row, ...toEvidence(dto) });
    const heaviest = dto.runs.find((r) => view.vibration && r.massKg > view.vibration.largestTrialKg && !r.isCheck);
    if (heaviest) throw new TrialTooHeavyError(heaviest.massKg, view.vibration!.largestTrialKg);
    await this.balanceJobs.revise(this.db, id, revision, toEvidence(dto), this.rows.now());
    return this.find(id);
  }

  async finish(id: string, { as, note }: FinishBalanceJobDto): Promise<BalanceJobView> {
    const row = await this.balanceJobs.find(this.db, id);
    if (row.state !== 'open') throw new BalanceJobEndedError();
    const now = this.rows.now();
    const isCorrected =
      row.observations.some((l) => l.tape.some((t) => t > 0)) ||
      row.corrections.length > 0 ||
      (row.singleBlade?.washerCount ?? 0) > 0 ||
      as === 'truedDynamic';
    await this.db.transaction(async (tx) => {
      await this.balanceJobs.revise(tx, id, row.revision, { state: as, note: note ?? row.note, finishedAt: now }, now);
      if (as === 'sentBack')
        await this.ledger.record(tx, row.pieceId, {
          kind: 'pieceSentBack',
          pieceId: row.pieceId,
          reason: note ?? null,
        });
      else
        await this.lives.record(tx, await this.pieces.findLiving(tx, row.pieceId), {
          ...NO_ACTION,
          action: 'true',
          isDynamic: as === 'truedDynamic',
          reason: note ?? null,
          isCorrected,
        });
    });
    return this.find(id);
  }
}

function toEvidence(dto: BalanceJobDto) {
  const runs = dto.runs.map((run) => ({
    ...run,
    readings: run.readings.map((r) => ({
      amplitude: r.amplitude,
      phaseDegrees: r.phaseDegrees === null || r.phaseDegrees === undefined ? null : wrapDegrees(r.phaseDegrees),
    })),
  }));
  return {
    target: dto.target,
    observations: dto.observations,
    swings: dto.swings,
    heavyDegrees: dto.heavyDegrees ?? null,
    bladeMomentsKgM: dto.bladeMomentsKgM,
    corrections: dto.corrections,
    singleBlade: dto.singleBlade ?? null,
    runs,
    runSpeedRpm: dto.runSpeedRpm ?? null,
    note: dto.note ?? null,
  };
}
