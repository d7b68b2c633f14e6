import { Inject, Injectable } from '@nestjs/common';
import { largestDiscM, lineStops, neighbourDistanceM, type LineFacts, type LineStop } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { LineRepository } from './line.repository.ts';
import { EventRepository, type StandFactRow } from '../event/event.repository.ts';
import { ReadyService, type CraftReady } from '../ready/ready.service.ts';

/** Gathers the dated facts of crafts and lets the core say where their work stands. */
@Injectable()
export class LineService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly events: EventRepository,
    private readonly models: LineRepository,
    private readonly ready: ReadyService,
  ) {}

  /** Stops of each craft, by craft id; for one prop in hand where it is named. */
  async stopsOf(crafts: CraftRow[], propModelId: string | null = null): Promise<Map<string, LineStop[]>> {
    const facts = await this.events.standFactsOf(this.db, crafts.map((c) => c.id));
    const subjectOf = (c: CraftRow): string | null => propModelId ?? c.referencePropModelId;
    const diameters = await this.models.diameters(this.db, [...new Set(crafts.map(subjectOf).filter((id) => id !== null))]);
    const ready = await this.ready.of(crafts);
    const fitted = await this.models.fitted(this.db, crafts.map((c) => c.id));
    return new Map(crafts.map((c) => [c.id, this.stops(c, facts.filter((f) => f.craftId === c.id), subjectOf(c), diameters, fitted.get(c.id) ?? { fittedCount: 0, truedCount: 0 }, fitFacts(ready.get(c.id)!))]));
  }

  private stops(craft: CraftRow, facts: StandFactRow[], subject: string | null, diameters: ReadonlyMap<string, number>, fitted: LineFacts['true'], fit: LineFacts['fit']): LineStop[] {
    const inHand = facts.filter((f) => f.propModelId === subject);
    const limits = [craft.escLimitA, craft.motorLimitA].filter((l) => l !== null);
    return lineStops({
      nowMs: this.clock.nowMs(),
      pick: { diameterM: subject === null ? null : (diameters.get(subject) ?? null), largestDiscM: largestDiscM({ ...craft, neighbourDistanceM: neighbourDistanceM(craft.rotors) }) },
      true: fitted,
      fit,
      stand: {
        keptRunCount: facts.length,
        inHandRunCount: inHand.length,
        referenceRunCount: facts.filter((f) => f.propModelId === craft.referencePropModelId).length,
        lastKeptAtMs: facts.reduce<number | null>((last, f) => Math.max(last ?? 0, f.keptAt.getTime()), null),
        hasBreach: inHand.some((f) => limits.some((limit) => (f.maxCurrentA ?? 0) > limit)),
      },
    });
  }
}

/** How the arrangement stands, by the answer that every station gives. */
function fitFacts({ ready, state: { arms, takeOff } }: CraftReady): LineFacts['fit'] {
  const misses = new Set(ready.missing.filter((m) => m.where === 'fit').map((m) => m.verdict));
  return { armCount: arms.length, unknownCount: arms.filter((a) => a.hand === null).length, wrongCount: takeOff.faults.length, unseenCount: arms.filter((a) => !a.isSpinSeen).length, isWrong: misses.has('wrong'), isUnsigned: misses.has('unsigned') };
}
