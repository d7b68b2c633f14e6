import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type CreateRigDto, type CreateTrueUpDto, type FinishTrueUpDto, type RigDto, type RigView, type TraysView, type TrueUpDto, type TrueUpView, type UpdateRigDto, type UpdateTrueUpDto } from '@zivvo/contract';
import {
  CoreError, GRAVITY_M_PER_S2, modelGeometry, singleBladeState, TAPE_RADIUS_RATIO, trueUpState, USUAL_TAPE, usualMassKg, vibrationState, wrapDegrees, type TrueUpEvidence, type TrueUpSetting,
} from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { toPieceView } from '../piece/piece.mapper.ts';
import { PieceRepository, type LivingPiece } from '../piece/piece.repository.ts';
import { NO_ACTION, PieceService } from '../piece/piece.service.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { LookFirstError, TooLargeForRigError, TrialTooHeavyError, TrueUpEndedError } from './balance.errors.ts';
import { RigRepository, TrueUpRepository, type RigRow, type TrueUpRow } from './balance.repository.ts';

/** A bell is a little less than half of its motor. */
const BELL_SHARE = 0.45;

@Injectable()
export class BalanceService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly rigs: RigRepository,
    private readonly trueUps: TrueUpRepository,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceService,
    private readonly models: PropModelRepository,
    private readonly crafts: CraftRepository,
    private readonly bench: RotorBench,
    private readonly ledger: EventLedger,
  ) {}

  async listRigs(): Promise<RigView[]> {
    return (await this.rigs.list(this.db, LIST_MAX)).rows.map(toRigView);
  }

  async addRig({ id, ...dto }: CreateRigDto): Promise<RigView> {
    await this.rigs.add(this.db, { ...this.rows.newRow(id), ...toRigColumns(dto) });
    return toRigView(await this.rigs.find(this.db, id));
  }

  async changeRig(id: string, { revision, ...dto }: UpdateRigDto): Promise<RigView> {
    await this.rigs.revise(this.db, id, revision, toRigColumns(dto), this.clock.now());
    return toRigView(await this.rigs.find(this.db, id));
  }

  async removeRig(id: string): Promise<void> {
    await this.rigs.remove(this.db, id, this.clock.now());
  }

  async restoreRig(id: string): Promise<RigView> {
    await this.rigs.restore(this.db, id);
    return toRigView(await this.rigs.find(this.db, id));
  }

  /** Pieces of a prop model, of the model a craft flies, or all of them, by what is to be done. */
  async trays(craftId: string | null, propModelId: string | null): Promise<TraysView> {
    const craft = craftId === null ? null : await this.crafts.find(this.db, craftId);
    const modelId = propModelId ?? craft?.referencePropModelId ?? null;
    const trays: TraysView = { toDo: [], good: [], back: [], notNeeded: [], elsewhereCount: 0 };
    for (const { living, tray } of await this.sorted(modelId)) {
      const isLeftAlone = tray === 'toDo' && craft !== null && !(await this.isNeeded(craft, living));
      trays[isLeftAlone ? 'notNeeded' : tray].push(toPieceView(living));
    }
    const others = modelId === null ? [] : await this.sorted(null);
    trays.elsewhereCount = others.filter(({ living, tray }) => tray === 'toDo' && living.piece.propModelId !== modelId).length;
    return trays;
  }

  /** Living pieces with the tray that they lie in; one that is to be retired is never offered for truing. */
  private async sorted(propModelId: string | null): Promise<{ living: LivingPiece; tray: 'toDo' | 'good' | 'back' }[]> {
    const { rows } = await this.pieces.page(this.db, { propModelId }, this.clock.now(), LIST_MAX);
    const last = await this.trueUps.lastOf(this.db, rows.map((r) => r.piece.id));
    const living = rows.filter(({ life }) => life.state !== 'retired' && life.state !== 'new');
    return Promise.all(
      living.map(async (one) => {
        const isGood = one.life.isTruedStatic || one.life.isTruedDynamic;
        const isBack = last.get(one.piece.id)?.state === 'sentBack' || (!isGood && (await this.lives.isBeyondMending(this.db, one)));
        return { living: one, tray: isBack ? ('back' as const) : isGood ? ('good' as const) : ('toDo' as const) };
      }),
    );
  }

  private async isNeeded(craft: CraftRow, { piece }: LivingPiece): Promise<boolean> {
    const model = await this.models.find(this.db, piece.propModelId);
    return this.bench.isBalancingNeeded(craft, model, piece);
  }

  async start(dto: CreateTrueUpDto): Promise<TrueUpView> {
    const { piece, life } = await this.pieces.findLiving(this.db, dto.pieceId);
    const rig = await this.rigs.find(this.db, dto.rigId);
    await this.crafts.find(this.db, dto.craftId);
    const model = await this.models.find(this.db, piece.propModelId);
    const diameterM = piece.diameterM ?? model.diameterM;
    await this.lives.requireAllowed(this.db, { piece, life }, 'true', dto.craftId);
    if ((life.state === 'fitted' || life.state === 'resting') && !dto.isLookedAt) throw new LookFirstError(piece.tag);
    if (diameterM > rig.largestM) throw new TooLargeForRigError(piece.tag, diameterM, rig.largestM);
    await this.trueUps.add(this.db, { ...this.rows.newRow(dto.id), pieceId: dto.pieceId, rigId: dto.rigId, craftId: dto.craftId, isLookedAt: dto.isLookedAt, state: 'open', target: 'good', looks: [], swings: [], heavyDegrees: null, bladeMomentsKgM: [], corrections: [], singleBlade: null, runs: [], runSpeedRpm: null, note: null, finishedAt: null });
    return this.find(dto.id);
  }

  async find(id: string): Promise<TrueUpView> {
    return this.toView(await this.trueUps.find(this.db, id));
  }

  async ofPiece(pieceId: string): Promise<TrueUpView[]> {
    const rows = await this.trueUps.ofPiece(this.db, pieceId, 20);
    return Promise.all(rows.map((row) => this.toView(row)));
  }

  /** The whole evidence is sent at each step, so that every step can be undone. */
  async change(id: string, { revision, ...dto }: UpdateTrueUpDto): Promise<TrueUpView> {
    const row = await this.trueUps.find(this.db, id);
    if (row.state !== 'open') throw new TrueUpEndedError();
    const view = await this.toView({ ...row, ...toEvidence(dto) });
    const heaviest = dto.runs.find((r) => view.vibration && r.massKg > view.vibration.largestTrialKg && !r.isCheck);
    if (heaviest) throw new TrialTooHeavyError(heaviest.massKg, view.vibration!.largestTrialKg);
    await this.trueUps.revise(this.db, id, revision, toEvidence(dto), this.clock.now());
    return this.find(id);
  }

  async finish(id: string, { as, note }: FinishTrueUpDto): Promise<TrueUpView> {
    const row = await this.trueUps.find(this.db, id);
    if (row.state !== 'open') throw new TrueUpEndedError();
    const now = this.clock.now();
    const isCorrected = row.looks.some((l) => l.tape.some((t) => t > 0)) || row.corrections.length > 0 || (row.singleBlade?.washerCount ?? 0) > 0 || as === 'truedDynamic';
    await this.db.transaction(async (tx) => {
      await this.trueUps.revise(tx, id, row.revision, { state: as, note: note ?? row.note, finishedAt: now }, now);
      if (as === 'sentBack') await this.ledger.record(tx, row.pieceId, { kind: 'pieceSentBack', pieceId: row.pieceId, reason: note ?? null });
      else await this.lives.record(tx, await this.pieces.findLiving(tx, row.pieceId), { ...NO_ACTION, action: 'true', isDynamic: as === 'truedDynamic', reason: note ?? null, isCorrected });
    });
    return this.find(id);
  }

  private async toView(row: TrueUpRow): Promise<TrueUpView> {
    const { piece } = await this.pieces.findLiving(this.db, row.pieceId);
    const [rig, craft, model] = [await this.rigs.find(this.db, row.rigId), await this.crafts.find(this.db, row.craftId), await this.models.find(this.db, piece.propModelId)];
    const geometry = modelGeometry(model, piece);
    const hoverSpeedRpm = this.bench.hoverSpeedRpm(craft, geometry);
    const setting: TrueUpSetting = { geometry, massKg: piece.massKg ?? usualMassKg(geometry), craft: { massKg: craft.massKg, hoverSpeedRpm }, bellMassKg: BELL_SHARE * craft.motorMassKg, rig, target: row.target, roll: USUAL_TAPE };
    const { id: _id, workshopId: _workshop, personId: _person, deletedAt: _deleted, isLookedAt: _looked, ...own } = row;
    const radiusM = (TAPE_RADIUS_RATIO * geometry.diameterM) / 2;
    return { ...own, ...toRowView(row), hoverSpeedRpm, finishedAt: row.finishedAt?.toISOString() ?? null, vibration: vibrationState(row.runs, craft.massKg * GRAVITY_M_PER_S2, radiusM, row.runSpeedRpm ?? hoverSpeedRpm), ...worked(setting, row, (craft.massKg * GRAVITY_M_PER_S2) / Math.max(1, craft.rotors.length)) };
  }
}

type Worked = Pick<TrueUpView, 'result' | 'single' | 'problem'>;

/** @param hoverThrustN - of one rotor */
function worked(setting: TrueUpSetting, row: TrueUpRow, hoverThrustN: number): Worked {
  const { geometry, craft, rig, target } = setting;
  try {
    if (geometry.bladeCount > 1) return { result: trueUpState(setting, freshEvidence(row)), single: null, problem: null };
    const single = row.singleBlade && singleBladeState({ diameterM: geometry.diameterM, thrustN: hoverThrustN, craft, rig, target }, row.singleBlade);
    return { result: null, single, problem: null };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    const { what, allowed } = error.details as { what?: unknown; allowed?: unknown };
    return { result: null, single: null, problem: { what: typeof what === 'string' ? what : error.code, allowed: typeof allowed === 'string' ? allowed : '' } };
  }
}

/** What was seen since the piece was last changed for good, and the tape that is still on. */
function freshEvidence({ looks, swings, heavyDegrees, bladeMomentsKgM, corrections }: TrueUpRow): TrueUpEvidence {
  const last = corrections.at(-1);
  const fresh = looks.slice(last?.lookCount ?? 0).map((l) => ({ tape: l.tape, seen: l.kind === 'stays' ? ({ kind: 'stays' } as const) : { kind: 'falls' as const, downDegrees: l.downDegrees ?? 0, fallS: l.fallS } }));
  return { looks: fresh, swings: swings.slice(last?.swingCount ?? 0), heavyDegrees, bladeMomentsKgM: last?.isWeighed ? [] : bladeMomentsKgM, onKgM: looks.at(-1)?.tape ?? [] };
}

function toEvidence(dto: TrueUpDto) {
  const runs = dto.runs.map((run) => ({ ...run, readings: run.readings.map((r) => ({ amplitude: r.amplitude, phaseDegrees: r.phaseDegrees === null || r.phaseDegrees === undefined ? null : wrapDegrees(r.phaseDegrees) })) }));
  return { target: dto.target, looks: dto.looks, swings: dto.swings, heavyDegrees: dto.heavyDegrees ?? null, bladeMomentsKgM: dto.bladeMomentsKgM, corrections: dto.corrections, singleBlade: dto.singleBlade ?? null, runs, runSpeedRpm: dto.runSpeedRpm ?? null, note: dto.note ?? null };
}

function toRigColumns({ name, frictionKgM, borePlayM, largestM, inertiaKgM2, note }: RigDto) {
  return { name: name.trim(), frictionKgM, borePlayM, largestM, inertiaKgM2, note: note ?? null };
}

function toRigView(row: RigRow): RigView {
  return { ...toRowView(row), ...toRigColumns(row) };
}
