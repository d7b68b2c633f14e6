import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type ConfirmFittingDto, type FitPieceDto, type FittingView, type SwapArmsDto, type UpdateFittingDto } from '@zivvo/contract';
import {
  controlAuthority, controlledRotors, fixPlan, forceReasons, isLookedAt, labelSpinOf, layoutKind, rotorLosses, sideThrustFor, tablePlan, type CraftKind, type ReadyToFly, type Reason, type RotorPlace,
} from '@zivvo/core';
import { placeNames } from '@zivvo/words';
import { AlertService } from '../care/alert.service.ts';
import { Clock } from '../common/clock.ts';
import { currentPersonId } from '../common/requestContext.ts';
import { RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { PieceRepository, type LivingPiece } from '../piece/piece.repository.ts';
import { NO_ACTION, PieceService } from '../piece/piece.service.ts';
import { propModelName } from '../propModel/propModel.mapper.ts';
import { PropModelRepository, type PropModelRow } from '../propModel/propModel.repository.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { FitRefusedError, NotSignableError, OldTagError } from './fit.errors.ts';
import { armChanges, isSameArm, statesOf, touchedStates, withHandsSwapped, type ArmRef } from './fit.mapper.ts';
import { FittingRepository, type FittingRow } from './fit.repository.ts';
import type { FitState } from './fitStates.service.ts';

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
    private readonly alerts: AlertService,
    private readonly ready: ReadyService,
  ) {}

  async find(craftId: string): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    const { ready, state } = (await this.ready.of([craft])).get(craftId)!;
    const { row, on, models, arms, forces } = state;
    const kind = layoutKind(craft.layout);
    const [model] = models;
    const stock = (await this.pieces.available(this.db)).find((a) => a.propModelId === model?.id);
    const spares = { cwCount: stock?.cwCount ?? 0, ccwCount: stock?.ccwCount ?? 0 };
    const signed = (await this.events.newestOf(this.db, [craftId], 'fittingConfirmed')).get(craftId);
    const wantedSideThrust = kind === 'plane' ? sideThrustFor(arms.map((a) => a.spin)) : 'none';
    return {
      craftId, revision: row?.revision ?? 0, isHanging: row?.isHanging ?? false, sideThrust: row?.sideThrust ?? null, wantedSideThrust, note: row?.note ?? null, arms,
      takeOff: state.takeOff,
      reasons: [...(on.length > 0 ? mixReasons(models) : []), ...reasonsOfForces(craft, kind, state, wantedSideThrust)],
      plan: fixPlan(arms, kind, spares), tablePlan: tablePlan(arms, kind, spares, forces), spares, propModelIds: on.length === 0 ? [] : models.map((m) => m.id), mountKind: model?.mountKind ?? 'nut',
      confirmedAt: signed?.at.toISOString() ?? null, confirmedBy: signed?.personName ?? null,
      confirmedMissing: signed?.fact.kind === 'fittingConfirmed' ? (signed.fact.missing ?? []) : [], missing: besideSignature(ready),
      isSignatureStale: signed !== undefined && ready.missing.some((m) => m.reason.code === 'care.signedBefore'), ready,
    };
  }

  async update(craftId: string, { arms, isHanging, sideThrust, note, revision }: UpdateFittingDto): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    for (const arm of arms) requireArm(craft, arm);
    const row = await this.fittings.ofCraft(this.db, craftId);
    const columns = { arms, isHanging, sideThrust: sideThrust ?? null, note: note ?? null };
    await this.db.transaction(async (tx) => {
      if (row) await this.fittings.revise(tx, row.id, revision, columns, this.clock.now());
      else if (revision !== 0) throw new RevisionConflictError('fitting', revision, 0);
      else await this.addRow(tx, craftId, columns);
      for (const change of armChanges(craft, statesOf(craft, row), arms)) await this.ledger.record(tx, craftId, { kind: 'armChanged', craftId, ...change });
    });
    return this.find(craftId);
  }

  private async addRow(tx: DbOrTx, craftId: string, columns: Pick<FittingRow, 'arms' | 'isHanging' | 'sideThrust' | 'note'>): Promise<void> {
    await this.fittings.add(tx, { ...this.rows.newRow(this.rows.makeId()), craftId, ...columns });
  }

  /** Puts a tagged piece onto an arm: right hand, one model, the old mark read before it comes off. */
  async fit(craftId: string, dto: FitPieceDto): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    requireArm(craft, dto);
    const kind = layoutKind(craft.layout);
    await this.db.transaction(async (tx) => {
      const next = await this.byTag(tx, dto.tag);
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const old = on.find((p) => isSameArm(p.life, dto));
      const markSha256 = dto.oldMarkSha256 ?? null;
      if (old && (markSha256 === null || dto.oldTag)) requireOldTag(old.piece.tag, dto.oldTag ?? null);
      await this.lives.requireAllowed(tx, next, 'fit', craftId);
      const alert = await this.alerts.grounding(tx, next.piece);
      if (alert) throw new FitRefusedError('grounded', `No: ${next.piece.tag} is grounded with all its kind: ${alert.reason}. Release the alert first.`);
      if (!dto.overrideReason) await this.requireFits(tx, craft, kind, next, on.filter((p) => p !== old), dto);
      if (old) await this.lives.record(tx, old, { ...NO_ACTION, action: 'remove', reason: dto.overrideReason ?? null, markSha256 });
      await this.lives.record(tx, next, { ...NO_ACTION, action: 'fit', craftId, place: dto.place, level: dto.level, reason: dto.overrideReason ?? null });
      await this.reviseStates(tx, craft, (states) => touchedStates(states, [dto]));
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

  /** What sits on two arms changes places, tagged or not, and is put on with its label forward. */
  async swap(craftId: string, dto: SwapArmsDto): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    const { first, second } = dto;
    for (const arm of [first, second]) requireArm(craft, arm);
    await this.db.transaction(async (tx) => {
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const moves = [{ piece: on.find((p) => isSameArm(p.life, first)), to: second }, { piece: on.find((p) => isSameArm(p.life, second)), to: first }].flatMap(({ piece, to }) => (piece ? [{ id: piece.piece.id, piece, to }] : []));
      for (const { piece } of moves) await this.lives.record(tx, piece, { ...NO_ACTION, action: 'remove' });
      for (const { id, to } of moves) await this.lives.record(tx, await this.pieces.findLiving(tx, id), { ...NO_ACTION, action: 'fit', craftId, place: to.place, level: to.level });
      await this.reviseStates(tx, craft, (states) => touchedStates(withHandsSwapped(states, dto), [first, second]));
      for (const { place, level } of [first, second]) await this.ledger.record(tx, craftId, { kind: 'armChanged', craftId, place, level, what: 'piece' });
    });
    return this.find(craftId);
  }

  private async reviseStates(tx: DbOrTx, craft: CraftRow, change: (states: FittingRow['arms']) => FittingRow['arms']): Promise<void> {
    const row = await this.fittings.ofCraft(tx, craft.id);
    const arms = change(statesOf(craft, row));
    if (row) await this.fittings.revise(tx, row.id, row.revision, { arms }, this.clock.now());
    else await this.addRow(tx, craft.id, { arms, isHanging: false, sideThrust: null, note: null });
  }

  /** Somebody saw every spin, looked at every piece and signs for it; a craft with a fault is never signed for. */
  async confirm(craftId: string, { note }: ConfirmFittingDto): Promise<FittingView> {
    if (currentPersonId() === null) throw new NotSignableError('noPerson', 'A signature needs a person: say who works.');
    const { takeOff: state, arms, propModelIds, ready } = await this.find(craftId);
    const names = (found: readonly { place: RotorPlace }[]): string => found.map((a) => placeNames[a.place].toLowerCase()).join(', ');
    if (state.verdict !== 'flies') throw new NotSignableError('wrong', state.faults.length > 0 ? `Wrong on ${names(state.faults)}: mend it first.` : 'Not every piece is known: say what is on each arm.');
    if (propModelIds.length > 1) throw new NotSignableError('mixed', `${propModelIds.length} models are on it: one model on every arm.`);
    if (!state.isConfirmed) throw new NotSignableError('unseen', `The spin was not seen on ${names(arms.filter((a) => !a.isSpinSeen))}.`);
    const unlooked = arms.filter((a) => !isLookedAt(a.checks));
    if (unlooked.length > 0) throw new NotSignableError('notLooked', `Nobody looked at ${names(unlooked)} since a piece last changed: untouched arms too.`);
    await this.db.transaction((tx) => this.ledger.record(tx, craftId, { kind: 'fittingConfirmed', craftId, verdict: state.verdict, note: note ?? null, missing: besideSignature(ready) }));
    return this.find(craftId);
  }

  private async byTag(tx: DbOrTx, tag: string): Promise<LivingPiece> {
    return this.pieces.findByTag(tx, tag.trim().toUpperCase());
  }
}

/** What keeps a craft down beside its signature: that stands with it. */
function besideSignature({ missing }: ReadyToFly): Reason[] {
  return missing.filter((m) => m.verdict !== 'unsigned').map((m) => m.reason);
}

function requireArm({ rotors, name }: CraftRow, arm: ArmRef): void {
  if (!rotors.some((r) => isSameArm(r, arm))) throw new FitRefusedError('noSuchArm', `${name} has no such arm: its ${rotors.length} are ${[...new Set(rotors.map((r) => placeNames[r.place].toLowerCase()))].join(', ')}.`);
}

function requireOldTag(expected: string, read: string | null): void {
  if (read?.trim().toUpperCase() !== expected) throw new OldTagError(expected, read);
}

/** More than one model on a craft is a mix, whatever its colours. */
function mixReasons(models: readonly PropModelRow[]): Reason[] {
  return models.length < 2 ? [] : [{ code: 'fit.mixed', severity: 'danger', values: { count: models.length, names: models.map(propModelName).join(', ') }, figure: null }];
}

/** Authority and losses are those of the spins that were seen and of the pieces that are on. */
function reasonsOfForces(craft: CraftRow, kind: CraftKind, { row, arms, takeOff, forces: { carry, most, bladeLossN, hasTailServo } }: FitState, wantedSideThrust: FittingView['wantedSideThrust']): Reason[] {
  const rotors = controlledRotors(arms, hasTailServo).map((r, i) => ({ ...r, pullRatio: takeOff.pullRatios?.[i] ?? 1 }));
  const isSteered = kind === 'multirotor' && most !== null;
  return forceReasons({
    weightN: most?.weightN ?? carry.thrustN * rotors.length, authority: isSteered ? controlAuthority(rotors, most) : undefined, losses: isSteered ? rotorLosses(rotors, most) : null,
    bladeLossN, torqueNm: carry.torqueNm * rotors.length, sideThrust: row?.sideThrust ?? null, wantedSideThrust, isPusher: craft.layout === 'pusher' || craft.layout === 'twinPusher',
  });
}
