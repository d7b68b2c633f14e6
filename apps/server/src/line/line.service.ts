import { Inject, Injectable } from '@nestjs/common';
import { largestDiscM, layoutFaults, layoutKind, lineStops, neighbourDistanceM, type CheckedRotor, type Layout, type LineFacts, type LineStop, type Rotor } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { LineRepository } from './line.repository.ts';
import { EventRepository, type StandFactRow } from '../event/event.repository.ts';

/** What the line needs to know of a craft. */
export interface LineCraft {
  id: string;
  referencePropModelId: string | null;
  escLimitA: number | null;
  motorLimitA: number | null;
  layout: Layout;
  rotors: readonly Rotor[];
  clearanceDiameterM: number | null;
  groundClearanceM: number | null;
  boomClearanceM: number | null;
}

/** Gathers the dated facts of crafts and lets the core say where their work stands. */
@Injectable()
export class LineService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly events: EventRepository,
    private readonly models: LineRepository,
  ) {}

  /** Stops of each craft, by craft id; for one prop in hand where it is named. */
  async stopsOf(crafts: LineCraft[], propModelId: string | null = null): Promise<Map<string, LineStop[]>> {
    const facts = await this.events.standFactsOf(this.db, crafts.map((c) => c.id));
    const subjectOf = (c: LineCraft): string | null => propModelId ?? c.referencePropModelId;
    const diameters = await this.models.diameters(this.db, [...new Set(crafts.map(subjectOf).filter((id) => id !== null))]);
    const arms = await this.models.arms(this.db, crafts.map((c) => c.id));
    const fitted = await this.models.fitted(this.db, crafts.map((c) => c.id));
    return new Map(crafts.map((c) => [c.id, this.stops(c, facts.filter((f) => f.craftId === c.id), subjectOf(c), diameters, fitted.get(c.id) ?? { fittedCount: 0, truedCount: 0 }, fitFacts(c, arms))]));
  }

  private stops(craft: LineCraft, facts: StandFactRow[], subject: string | null, diameters: ReadonlyMap<string, number>, fitted: LineFacts['true'], fit: LineFacts['fit']): LineStop[] {
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

/** How many arms are unknown, wrong or unseen, by the same rule that Fit itself reads. */
function fitFacts(craft: LineCraft, { on, seen }: Awaited<ReturnType<LineRepository['arms']>>): LineFacts['fit'] {
  const states = seen.find((s) => s.craftId === craft.id)?.arms ?? [];
  const rotors = craft.rotors.map((r): CheckedRotor => {
    const state = states.find((a) => a.place === r.place && a.level === r.level);
    const hand = on.find((p) => p.craftId === craft.id && p.place === r.place && p.level === r.level)?.hand ?? state?.hand ?? null;
    return { place: r.place, level: r.level, xM: r.xM, yM: r.yM, spin: state?.seenSpin ?? r.spin, expectedSpin: r.spin, isSpinSeen: (state?.seenSpin ?? null) !== null, hand, isLabelForward: state?.isLabelForward ?? true };
  });
  return { armCount: rotors.length, unknownCount: rotors.filter((r) => r.hand === null).length, wrongCount: layoutFaults(rotors, layoutKind(craft.layout)).length, unseenCount: rotors.filter((r) => !r.isSpinSeen).length };
}
