import { Inject, Injectable } from '@nestjs/common';
import type { BalanceJobView } from '@zivvo/contract';
import {
  CoreError,
  GRAVITY_M_PER_S2,
  modelGeometry,
  singleBladeState,
  TAPE_RADIUS_RATIO,
  balanceJobState,
  USUAL_TAPE,
  usualMassKg,
  vibrationState,
  type BalanceJobEvidence,
  type BalanceJobSetting,
} from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { PropModelRepository, type PropModelRow } from '../rack/propModel.repository.ts';
import { RigRepository, type RigRow, type BalanceJobRow } from './balance.repository.ts';

/** A bell is a little less than half of its motor. */
const BELL_SHARE = 0.45;

/** The piece of a job, what it hangs on, and what it is for. */
export interface BalanceJobSubject {
  living: LivingPiece;
  rig: RigRow;
  craft: CraftRow;
  model: PropModelRow;
}

/** What a job says by what was seen so far. */
@Injectable()
export class BalanceJobViews {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly pieces: PieceRepository,
    private readonly rigs: RigRepository,
    private readonly crafts: CraftRepository,
    private readonly models: PropModelRepository,
    private readonly bench: CraftRotors,
  ) {}

  async subjectOf({
    pieceId,
    rigId,
    craftId,
  }: Pick<BalanceJobRow, 'pieceId' | 'rigId' | 'craftId'>): Promise<BalanceJobSubject> {
    const living = await this.pieces.findLiving(this.db, pieceId);
    const rig = await this.rigs.find(this.db, rigId);
    const craft = await this.crafts.find(this.db, craftId);
    const model = await this.models.find(this.db, living.piece.propModelId);
    return { living, rig, craft, model };
  }

  async of(row: BalanceJobRow): Promise<BalanceJobView> {
    const {
      living: { piece },
      rig,
      craft,
      model,
    } = await this.subjectOf(row);
    const geometry = modelGeometry(model, piece);
    const hoverSpeedRpm = this.bench.hoverSpeedRpm(craft, geometry);
    const setting: BalanceJobSetting = {
      geometry,
      massKg: piece.massKg ?? usualMassKg(geometry),
      craft: { massKg: craft.massKg, hoverSpeedRpm },
      bellMassKg: BELL_SHARE * craft.motorMassKg,
      rig,
      target: row.target,
      roll: USUAL_TAPE,
    };
    const { id: _id, workshopId: _workshop, personId: _person, deletedAt: _deleted, isLookedAt: _looked, ...own } = row;
    const radiusM = (TAPE_RADIUS_RATIO * geometry.diameterM) / 2;
    const weightN = craft.massKg * GRAVITY_M_PER_S2;
    return {
      ...own,
      ...toRowView(row),
      hoverSpeedRpm,
      finishedAt: row.finishedAt?.toISOString() ?? null,
      vibration: vibrationState(row.runs, weightN, radiusM, row.runSpeedRpm ?? hoverSpeedRpm),
      ...worked(setting, row, weightN / Math.max(1, craft.rotors.length)),
    };
  }
}

type Worked = Pick<BalanceJobView, 'result' | 'single' | 'problem'>;

/** @param hoverThrustN - of one rotor */
function worked(setting: BalanceJobSetting, row: BalanceJobRow, hoverThrustN: number): Worked {
  const { geometry, craft, rig, target } = setting;
  try {
    if (geometry.bladeCount > 1)
      return { result: balanceJobState(setting, freshEvidence(row)), single: null, problem: null };
    const single =
      row.singleBlade &&
      singleBladeState({ diameterM: geometry.diameterM, thrustN: hoverThrustN, craft, rig, target }, row.singleBlade);
    return { result: null, single, problem: null };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    const { what, allowed } = error.details as { what?: unknown; allowed?: unknown };
    return {
      result: null,
      single: null,
      problem: {
        what: typeof what === 'string' ? what : error.code,
        allowed: typeof allowed === 'string' ? allowed : '',
      },
    };
  }
}

/** What was seen since the piece was last changed for good, and the tape that is still on. */
function freshEvidence({
  observations,
  swings,
  heavyDegrees,
  bladeMomentsKgM,
  corrections,
}: BalanceJobRow): BalanceJobEvidence {
  const last = corrections.at(-1);
  const fresh = observations.slice(last?.observationCount ?? 0).map((l) => ({
    tape: l.tape,
    seen:
      l.kind === 'stays'
        ? ({ kind: 'stays' } as const)
        : { kind: 'falls' as const, downDegrees: l.downDegrees ?? 0, fallS: l.fallS },
  }));
  return {
    observations: fresh,
    swings: swings.slice(last?.swingCount ?? 0),
    heavyDegrees,
    bladeMomentsKgM: last?.isWeighed ? [] : bladeMomentsKgM,
    onKgM: observations.at(-1)?.tape ?? [],
  };
}
