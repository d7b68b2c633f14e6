import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type ArmStateDto, type ArmView, type ConfirmFittingDto, type FitPieceDto, type FittingView, type SwapPiecesDto, type UpdateFittingDto } from '@zivvo/contract';
import {
  evaluateCandidate, fixPlan, GRAVITY_M_PER_S2, labelSpinOf, layoutKind, marginsAfterLoss, takeOff, threadAdvice, type CheckedRotor, type CraftKind, type RotorPlace,
} from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { NotFoundError, RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { AlertService } from '../care/alert.service.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { toPieceView } from '../piece/piece.mapper.ts';
import { PieceRepository, type LivingPiece } from '../piece/piece.repository.ts';
import { NO_ACTION, PieceService } from '../piece/piece.service.ts';
import { geometryOf, propModelName } from '../propModel/propModel.mapper.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { FitRefusedError, OldTagError } from './fit.errors.ts';
import { FittingRepository, type FittingRow } from './fit.repository.ts';

const TAIL_TILT_DEGREES = 25;

@Injectable()
export class FitService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly fittings: FittingRepository,
    private readonly crafts: CraftRepository,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceService,
    private readonly models: PropModelRepository,
    private readonly ledger: EventLedger,
    private readonly events: EventRepository,
    private readonly bench: RotorBench,
    private readonly alerts: AlertService,
  ) {}

  async find(craftId: string): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    const row = await this.fittings.ofCraft(this.db, craftId);
    const on = await this.pieces.onCraft(this.db, craftId, LIST_MAX);
    const kind = layoutKind(craft.layout);
    const isHanging = row?.isHanging ?? false;
    const arms = armsOf(craft, row, on, kind, isHanging);
    const propModelIds = [...new Set(on.map((p) => p.piece.propModelId))];
    const available = await this.pieces.available(this.db);
    const stock = available.find((a) => a.propModelId === (propModelIds[0] ?? craft.referencePropModelId));
    const spares = { cwCount: stock?.cwCount ?? 0, ccwCount: stock?.ccwCount ?? 0 };
    const confirmed = (await this.events.ofSubject(this.db, craftId, LIST_MAX)).find((e) => e.fact.kind === 'fittingConfirmed');
    return {
      craftId, revision: row?.revision ?? 0, isHanging, note: row?.note ?? null, arms, takeOff: takeOff(arms, kind), plan: fixPlan(arms, kind, spares), spares, propModelIds,
      ...(await this.forces(craft, kind, propModelIds[0] ?? craft.referencePropModelId)),
      confirmedAt: confirmed?.at.toISOString() ?? null,
      confirmedBy: confirmed?.personName ?? null,
    };
  }

  /** What is left after a rotor stops, and how hard a lost blade pulls. */
  private async forces(craft: CraftRow, kind: CraftKind, propModelId: string | null): Promise<Pick<FittingView, 'marginsAfterLoss' | 'bladeLoss'>> {
    if (propModelId === null) return { marginsAfterLoss: null, bladeLoss: null };
    const model = await this.models.find(this.db, propModelId);
    const { figures, prop } = evaluateCandidate(this.bench.of(craft), { ...geometryOf(model), massKg: null });
    const weightN = craft.massKg * GRAVITY_M_PER_S2;
    const bladeLoss = Number.isFinite(figures.bladeLossForceN) ? { forceN: figures.bladeLossForceN, weightN } : null;
    if (kind === 'plane' || !(figures.fullThrustN > 0)) return { marginsAfterLoss: null, bladeLoss };
    const rotors = craft.rotors.map((r) => ({ xM: r.xM, yM: r.yM, spin: r.spin, tiltDegrees: craft.layout === 'tri' && r.place === 'rear' ? TAIL_TILT_DEGREES : 0 }));
    // Drag torque over thrust of a usual rotor: a tenth of its diameter, near enough for a margin.
    return { marginsAfterLoss: marginsAfterLoss(rotors, figures.fullThrustN, 0.1 * prop.geometry.diameterM, weightN), bladeLoss };
  }

  async update(craftId: string, { arms, isHanging, note, revision }: UpdateFittingDto): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    for (const arm of arms) requireArm(craft, arm.place, arm.level);
    const row = await this.fittings.ofCraft(this.db, craftId);
    const columns = { arms, isHanging, note: note ?? null };
    if (row) await this.fittings.revise(this.db, row.id, revision, columns, this.clock.now());
    else if (revision !== 0) throw new RevisionConflictError('fitting', revision, 0);
    else await this.fittings.add(this.db, { ...this.rows.newRow(this.rows.makeId()), craftId, ...columns });
    return this.find(craftId);
  }

  /** Puts a tagged piece onto an arm: right hand, one model, the old mark read before it comes off. */
  async fit(craftId: string, dto: FitPieceDto): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    requireArm(craft, dto.place, dto.level);
    const kind = layoutKind(craft.layout);
    await this.db.transaction(async (tx) => {
      const next = await this.byTag(tx, dto.tag);
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const old = on.find((p) => p.life.place === dto.place && p.life.level === dto.level);
      if (old) requireOldTag(old.piece.tag, dto.oldTag ?? null);
      this.lives.requireAllowed(next, 'fit');
      const alert = await this.alerts.grounding(tx, next.piece);
      if (alert) throw new FitRefusedError('grounded', `No: ${next.piece.tag} is grounded with all its kind: ${alert.reason}. Release the alert first.`);
      if (!dto.overrideReason) await this.requireFits(tx, craft, kind, next, on.filter((p) => p !== old), dto);
      if (old) await this.lives.record(tx, old, { ...NO_ACTION, action: 'remove', reason: dto.overrideReason ?? null });
      await this.lives.record(tx, next, { ...NO_ACTION, action: 'fit', craftId, place: dto.place, level: dto.level, reason: dto.overrideReason ?? null });
    });
    return this.find(craftId);
  }

  private async requireFits(tx: DbOrTx, craft: CraftRow, kind: CraftKind, next: LivingPiece, others: readonly LivingPiece[], { place, level }: FitPieceDto): Promise<void> {
    const rotor = craft.rotors.find((r) => r.place === place && r.level === level)!;
    const needed = labelSpinOf(rotor.spin, kind);
    const { tag, hand, propModelId } = next.piece;
    if (hand !== 'either' && hand !== needed) throw new FitRefusedError('otherHand', `No: ${tag} is ${hand.toUpperCase()}, this arm needs ${needed.toUpperCase()}. It would push air the wrong way.`);
    const stranger = others.find((p) => p.piece.propModelId !== propModelId);
    if (!stranger) return;
    const [own, other] = [await this.models.find(tx, propModelId), await this.models.find(tx, stranger.piece.propModelId)];
    throw new FitRefusedError('otherModel', `No: ${tag} is a ${propModelName(own)}, the others are ${propModelName(other)}. One model on every arm; a new model means new pieces everywhere.`);
  }

  /** Two pieces change places, each put on with its label forward. */
  async swap(craftId: string, { firstPieceId, secondPieceId }: SwapPiecesDto): Promise<FittingView> {
    await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) => {
      const [a, b] = [await this.pieces.findLiving(tx, firstPieceId), await this.pieces.findLiving(tx, secondPieceId)];
      for (const p of [a, b]) if (p.life.craftId !== craftId) throw new NotFoundError('piece on this craft', p.piece.id);
      for (const p of [a, b]) await this.lives.record(tx, p, { ...NO_ACTION, action: 'remove' });
      const [offA, offB] = [await this.pieces.findLiving(tx, firstPieceId), await this.pieces.findLiving(tx, secondPieceId)];
      await this.lives.record(tx, offA, { ...NO_ACTION, action: 'fit', craftId, place: b.life.place, level: b.life.level });
      await this.lives.record(tx, offB, { ...NO_ACTION, action: 'fit', craftId, place: a.life.place, level: a.life.level });
      const row = await this.fittings.ofCraft(tx, craftId);
      if (!row) return;
      const touched = (arm: ArmStateDto): boolean => [a, b].some((p) => p.life.place === arm.place && p.life.level === arm.level);
      await this.fittings.revise(tx, row.id, row.revision, { arms: row.arms.map((arm) => (touched(arm) ? { ...arm, isLabelForward: true, checks: [] } : arm)) }, this.clock.now());
    });
    return this.find(craftId);
  }

  /** Somebody looked at the whole craft and signs for it; what it will do is written down with it. */
  async confirm(craftId: string, { note }: ConfirmFittingDto): Promise<FittingView> {
    const { takeOff: state } = await this.find(craftId);
    await this.db.transaction((tx) => this.ledger.record(tx, craftId, { kind: 'fittingConfirmed', craftId, verdict: state.isConfirmed ? state.verdict : 'unconfirmed', note: note ?? null }));
    return this.find(craftId);
  }

  private async byTag(tx: DbOrTx, tag: string): Promise<LivingPiece> {
    return this.pieces.findByTag(tx, tag.trim().toUpperCase());
  }
}

function requireArm({ rotors, name }: CraftRow, place: RotorPlace, level: number): void {
  if (!rotors.some((r) => r.place === place && r.level === level)) throw new FitRefusedError('noSuchArm', `${name} has no such arm.`);
}

function requireOldTag(expected: string, read: string | null): void {
  if (read?.trim().toUpperCase() !== expected) throw new OldTagError(expected, read);
}

/** Every arm of a craft with what is on it and what was seen. */
function armsOf(craft: Pick<CraftRow, 'rotors'>, row: Pick<FittingRow, 'arms'> | null, on: readonly LivingPiece[], kind: CraftKind, isHanging: boolean): ArmView[] {
  return craft.rotors.map((r): ArmView => {
    const arm = row?.arms.find((a) => a.place === r.place && a.level === r.level);
    const living = on.find((p) => p.life.place === r.place && p.life.level === r.level);
    const spin = arm?.seenSpin ?? r.spin;
    const checked: CheckedRotor = { place: r.place, level: r.level, xM: r.xM, yM: r.yM, spin, expectedSpin: r.spin, isSpinSeen: (arm?.seenSpin ?? null) !== null, hand: living?.piece.hand ?? arm?.hand ?? null, isLabelForward: arm?.isLabelForward ?? true };
    return { ...checked, piece: living ? toPieceView(living) : null, seenSpin: arm?.seenSpin ?? null, neededHand: labelSpinOf(r.spin, kind), threadOn: arm?.thread ?? null, thread: threadAdvice(spin, isHanging, arm?.thread ?? null), checks: arm?.checks ?? [] };
  });
}
