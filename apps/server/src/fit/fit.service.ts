import { Inject, Injectable } from '@nestjs/common';
import type { ConfirmFittingDto, FittingView, UpdateFittingDto } from '@zivvo/contract';
import {
  controlAuthority,
  controlledRotors,
  fixPlan,
  forceReasons,
  isLookedAt,
  layoutKind,
  rotorLosses,
  sideThrustFor,
  tablePlan,
  type CraftKind,
  type ReadyToFly,
  type Reason,
  type RotorPlace,
} from '@zivvo/core';
import { placeNames } from '@zivvo/words';
import { currentPersonId } from '../common/requestContext.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { EventRepository } from '../event/event.repository.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import { propModelName } from '../rack/propModel.mapper.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import { ReadyService } from '../ready/ready.service.ts';
import { NotSignableError } from './fit.errors.ts';
import { armChanges, statesOf } from './fit.mapper.ts';
import { requireArm } from '../rack/fitRules.ts';
import { FitStates, type FitState } from './fitStates.service.ts';
import { FittingStore } from './fittingStore.service.ts';

@Injectable()
export class FitService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly crafts: CraftRepository,
    private readonly store: FittingStore,
    private readonly states: FitStates,
    private readonly pieces: PieceRepository,
    private readonly ledger: EventLedger,
    private readonly events: EventRepository,
    private readonly ready: ReadyService,
  ) {}

  async find(craftId: string): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    const states = await this.states.of([craft]);
    const state = states.get(craftId)!;
    const { ready } = (await this.ready.of([craft], states)).get(craftId)!;
    const { row, on, models, arms, forces } = state;
    const kind = layoutKind(craft.layout);
    const [model] = models;
    const [stock] = model ? await this.pieces.available(this.db, model.id) : [];
    const spares = { cwCount: stock?.cwCount ?? 0, ccwCount: stock?.ccwCount ?? 0 };
    const signed = (await this.events.newestOf(this.db, [craftId], 'fittingConfirmed')).get(craftId);
    const wantedSideThrust = kind === 'plane' ? sideThrustFor(arms.map((a) => a.spin)) : 'none';
    return {
      craftId,
      revision: row?.revision ?? 0,
      isHanging: row?.isHanging ?? false,
      sideThrust: row?.sideThrust ?? null,
      wantedSideThrust,
      note: row?.note ?? null,
      arms,
      takeOff: state.takeOff,
      reasons: [...(on.length > 0 ? mixReasons(models) : []), ...reasonsOfForces(craft, kind, state, wantedSideThrust)],
      plan: fixPlan(arms, kind, spares),
      tablePlan: tablePlan(arms, kind, spares, forces),
      spares,
      propModelIds: on.length === 0 ? [] : models.map((m) => m.id),
      mountKind: model?.mountKind ?? 'nut',
      confirmedAt: signed?.at.toISOString() ?? null,
      confirmedBy: signed?.personName ?? null,
      confirmedMissing: signed?.fact.missing ?? [],
      missing: besideSignature(ready),
      isSignatureStale: signed !== undefined && ready.missing.some((m) => m.reason.code === 'care.signedBefore'),
      ready,
    };
  }

  async update(
    craftId: string,
    { arms, isHanging, sideThrust, note, revision }: UpdateFittingDto,
  ): Promise<FittingView> {
    const craft = await this.crafts.find(this.db, craftId);
    for (const arm of arms) requireArm(craft, arm);
    const before = await this.store.ofCraft(this.db, craftId);
    await this.db.transaction(async (tx) => {
      await this.store.save(tx, craftId, before, revision, {
        arms,
        isHanging,
        sideThrust: sideThrust ?? null,
        note: note ?? null,
      });
      for (const change of armChanges(craft, statesOf(craft, before), arms))
        await this.ledger.record(tx, craftId, { kind: 'armChanged', craftId, ...change });
    });
    return this.find(craftId);
  }

  /** Somebody saw every spin, looked at every piece and signs for it; a craft with a fault is never signed for. */
  async confirm(craftId: string, { note }: ConfirmFittingDto): Promise<FittingView> {
    if (currentPersonId() === null)
      throw new NotSignableError('noPerson', 'A signature needs a person: say who works.');
    const { takeOff: state, arms, propModelIds, ready } = await this.find(craftId);
    const names = (found: readonly { place: RotorPlace }[]): string =>
      found.map((a) => placeNames[a.place].toLowerCase()).join(', ');
    if (state.verdict !== 'flies')
      throw new NotSignableError(
        'wrong',
        state.faults.length > 0
          ? `Wrong on ${names(state.faults)}: mend it first.`
          : 'Not every piece is known: say what is on each arm.',
      );
    if (propModelIds.length > 1)
      throw new NotSignableError('mixed', `${propModelIds.length} models are on it: one model on every arm.`);
    if (!state.isConfirmed)
      throw new NotSignableError('unseen', `The spin was not seen on ${names(arms.filter((a) => !a.isSpinSeen))}.`);
    const unlooked = arms.filter((a) => !isLookedAt(a.checks));
    if (unlooked.length > 0)
      throw new NotSignableError(
        'notLooked',
        `Nobody looked at ${names(unlooked)} since a piece last changed: untouched arms too.`,
      );
    await this.db.transaction((tx) =>
      this.ledger.record(tx, craftId, {
        kind: 'fittingConfirmed',
        craftId,
        verdict: state.verdict,
        note: note ?? null,
        missing: besideSignature(ready),
      }),
    );
    return this.find(craftId);
  }
}

/** What keeps a craft down beside its signature: that stands with it. */
function besideSignature({ missing }: ReadyToFly): Reason[] {
  return missing.filter((m) => m.verdict !== 'unsigned').map((m) => m.reason);
}

/** More than one model on a craft is a mix, whatever its colours. */
function mixReasons(models: readonly PropModelRow[]): Reason[] {
  return models.length < 2
    ? []
    : [
        {
          code: 'fit.mixed',
          severity: 'danger',
          values: { count: models.length, names: models.map(propModelName).join(', ') },
          figure: null,
        },
      ];
}

/** Authority and losses are those of the spins that were seen and of the pieces that are on. */
function reasonsOfForces(
  craft: CraftRow,
  kind: CraftKind,
  { row, arms, takeOff, forces: { carry, most, bladeLossN, hasTailServo } }: FitState,
  wantedSideThrust: FittingView['wantedSideThrust'],
): Reason[] {
  const rotors = controlledRotors(arms, hasTailServo).map((r, i) => ({
    ...r,
    pullRatio: takeOff.pullRatios?.[i] ?? 1,
  }));
  const isSteered = kind === 'multirotor' && most !== null;
  return forceReasons({
    weightN: most?.weightN ?? carry.thrustN * rotors.length,
    authority: isSteered ? controlAuthority(rotors, most) : undefined,
    losses: isSteered ? rotorLosses(rotors, most) : null,
    bladeLossN,
    torqueNm: carry.torqueNm * rotors.length,
    sideThrust: row?.sideThrust ?? null,
    wantedSideThrust,
    isPusher: craft.layout === 'pusher' || craft.layout === 'twinPusher',
  });
}
