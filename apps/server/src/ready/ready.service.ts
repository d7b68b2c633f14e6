import { Inject, Injectable } from '@nestjs/common';
import { readyToFly, type ReadyArm, type ReadyToFly } from '@zivvo/core';
import { grounds } from '../care/alert.service.ts';
import { AlertRepository, openOutcome, WalkaroundRepository, type AlertRow } from '../care/care.repository.ts';
import { PieceLives } from '../care/pieceLives.service.ts';
import { Clock } from '../common/clock.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db } from '../database/database.ts';
import { FitStates, type FitState } from '../fit/fitStates.service.ts';
import { isSameArm } from '../fit/fit.mapper.ts';
import { armKey, ReadyRepository, type LastLook } from './ready.repository.ts';

/** A craft's answer, with the arrangement that it rests on. */
export interface CraftReady {
  ready: ReadyToFly;
  state: FitState;
  look: LastLook | null;
}

/** Gathers the dated facts of craft and lets the core say whether they may fly; every station asks here. */
@Injectable()
export class ReadyService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly facts: ReadyRepository,
    private readonly states: FitStates,
    private readonly lives: PieceLives,
    private readonly walkarounds: WalkaroundRepository,
    private readonly alerts: AlertRepository,
    private readonly bench: RotorBench,
  ) {}

  async of(crafts: readonly CraftRow[]): Promise<Map<string, CraftReady>> {
    const ids = crafts.map((c) => c.id);
    const states = await this.states.of(crafts);
    const pieces = [...states.values()].flatMap((s) => s.on);
    const models = new Map([...states.values()].flatMap((s) => s.models).map((m) => [m.id, m]));
    const lives = await this.lives.of(pieces, models, null);
    const looked = await this.walkarounds.newestLooks(this.db, pieces.map((p) => p.piece.id));
    const alerts = await this.alerts.inForce(this.db, [...new Set(pieces.map((p) => p.piece.propModelId))]);
    const [looks, signatures, changes, motors] = [await this.facts.lastLooks(this.db, ids), await this.facts.signatures(this.db, ids), await this.facts.armChanges(this.db, ids), await this.facts.motorsToFeel(this.db, ids)];
    const today = this.clock.localDay(this.clock.now());
    const found = new Map<string, CraftReady>();
    for (const craft of crafts) {
      const state = states.get(craft.id)!;
      const look = looks.get(craft.id) ?? null;
      const since = look?.sequence ?? 0;
      const ready = readyToFly({
        name: craft.name, takeOff: state.takeOff, unseenCount: state.arms.filter((a) => !a.isSpinSeen).length, modelCount: new Set(state.on.map((p) => p.piece.propModelId)).size,
        arms: state.arms.map((arm) => this.armOf(craft, state, arm, { lives, looked, alerts, look, changes: changes.get(craft.id)! })),
        lookDay: look && this.clock.localDay(look.at), today,
        flightsSinceLook: await this.facts.flightsAfter(this.db, craft.id, since), strikesSinceLook: await this.facts.strikesAfter(this.db, craft.id, since),
        signedSequence: signatures.get(craft.id) ?? 0, motorsToFeel: motors.filter((m) => m.craftId === craft.id).map((m) => m.tag),
      });
      found.set(craft.id, { ready, state, look });
    }
    return found;
  }

  private armOf(craft: CraftRow, state: FitState, arm: FitState['arms'][number], known: { lives: Awaited<ReturnType<PieceLives['of']>>; looked: Awaited<ReturnType<WalkaroundRepository['newestLooks']>>; alerts: readonly AlertRow[]; look: LastLook | null; changes: ReadonlyMap<string, number> }): ReadyArm {
    const living = state.on.find((p) => isSameArm(p.life, arm));
    const model = living && state.models.find((m) => m.id === living.piece.propModelId);
    const { place, level } = arm;
    return {
      place, level,
      changedSequence: Math.max(known.changes.get(armKey(place, level)) ?? 0, (living && state.fitted.get(living.piece.id)?.sequence) ?? 0),
      lookedSequence: known.look?.looks.some((l) => l.place === place && l.level === level) ? known.look.sequence : 0,
      piece: living && model
        ? {
            tag: living.piece.tag, life: known.lives.get(living.piece.id)!, openOutcome: openOutcome(known.looked.get(living.piece.id)?.fact.outcome),
            alert: known.alerts.find((a) => grounds(a, living.piece))?.reason ?? null,
            isTrueUpDue: !living.life.isTruedStatic && !living.life.isTruedDynamic && this.bench.isBalancingNeeded(craft, model, living.piece),
          }
        : null,
    };
  }
}
