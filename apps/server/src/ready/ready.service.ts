import { Injectable } from '@nestjs/common';
import { readyToFly, type ReadyArm, type ReadyToFly } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { onceWhileReading } from '../common/requestContext.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import {
  armKey,
  ArrangementSource,
  CareSource,
  type ArrangedArm,
  type Arrangement,
  type CareRecord,
} from './sources.ts';

/** A craft's answer, with what it rests on. */
export interface CraftReady {
  ready: ReadyToFly;
  arrangement: Arrangement;
  record: CareRecord;
}

/** Puts the dated facts of craft together and lets the core say whether they may fly; every station asks here. */
@Injectable()
export class ReadyService {
  constructor(
    private readonly clock: Clock,
    private readonly arrangements: ArrangementSource,
    private readonly care: CareSource,
    private readonly bench: CraftRotors,
  ) {}

  /** @param known - arrangements that the asker has at hand */
  of(crafts: readonly CraftRow[], known?: ReadonlyMap<string, Arrangement>): Promise<Map<string, CraftReady>> {
    return known
      ? this.workOut(crafts, known)
      : onceWhileReading(`ready of ${crafts.map((c) => c.id).join()}`, () => this.workOut(crafts));
  }

  private async workOut(
    crafts: readonly CraftRow[],
    known?: ReadonlyMap<string, Arrangement>,
  ): Promise<Map<string, CraftReady>> {
    const arrangements = known ?? (await this.arrangements.of(crafts));
    const records = await this.care.of(crafts, arrangements);
    const today = this.clock.localDay(this.clock.now());
    return new Map(
      crafts.map((craft) => {
        const [arrangement, record] = [arrangements.get(craft.id)!, records.get(craft.id)!];
        const { arms, on, takeOff, signedSequence } = arrangement;
        const { look, flightsSinceLook, strikesSinceLook, motorsToFeel } = record;
        const ready = readyToFly({
          name: craft.name,
          takeOff,
          unseenCount: arms.filter((a) => !a.isSpinSeen).length,
          modelCount: new Set(on.map((p) => p.piece.propModelId)).size,
          arms: arms.map((arm) => this.armOf(craft, arm, arrangement, record)),
          lookDay: look && this.clock.localDay(look.at),
          today,
          flightsSinceLook,
          strikesSinceLook,
          signedSequence,
          motorsToFeel,
        });
        return [craft.id, { ready, arrangement, record }];
      }),
    );
  }

  private armOf(
    craft: CraftRow,
    { place, level }: ArrangedArm,
    { on, models, changed }: Arrangement,
    { look, pieces }: CareRecord,
  ): ReadyArm {
    const living = on.find((p) => p.life.place === place && p.life.level === level);
    const model = living && models.find((m) => m.id === living.piece.propModelId);
    const known = living && pieces.get(living.piece.id);
    return {
      place,
      level,
      changedSequence: changed.get(armKey({ place, level })) ?? 0,
      lookedSequence: look?.looks.some((l) => l.place === place && l.level === level) ? look.sequence : 0,
      piece:
        living && model && known
          ? {
              tag: living.piece.tag,
              ...known,
              isBalancingDue:
                !living.life.isTruedStatic &&
                !living.life.isTruedDynamic &&
                this.bench.isBalancingNeeded(craft, model, living.piece),
            }
          : null,
    };
  }
}
