import { Injectable } from '@nestjs/common';
import { lineStations, type LineStation, type LineStop } from '@zivvo/core';
import type { craft } from '../craft/craft.table.ts';

type CraftRow = typeof craft.$inferSelect;

/** Where the work stands at one station, from the facts of the feature that owns it. */
export interface StopSource {
  station: LineStation;
  /** @param subjectOf - the prop that is asked about: the one in hand, or the craft's reference */
  of(crafts: readonly CraftRow[], subjectOf: (craft: CraftRow) => string | null): Promise<Map<string, LineStop>>;
}

/** The line: each station says how its work stands; features add theirs when they start. */
@Injectable()
export class LineService {
  private readonly sources = new Map<LineStation, StopSource>();

  /** @throws {Error} if two features answer for one station */
  register(source: StopSource): void {
    if (this.sources.has(source.station)) throw new Error(`Two features answer for the station ${source.station}.`);
    this.sources.set(source.station, source);
  }

  /** Stops of each craft in the order of the work, by craft id; for one prop in hand where it is named. */
  async stopsOf(crafts: readonly CraftRow[], propModelId: string | null = null): Promise<Map<string, LineStop[]>> {
    const stops = new Map<string, LineStop[]>(crafts.map((c) => [c.id, []]));
    for (const station of lineStations) {
      const found = await this.sources.get(station)?.of(crafts, (craft) => propModelId ?? craft.referencePropModelId);
      for (const [craftId, stop] of found ?? []) stops.get(craftId)!.push(stop);
    }
    return stops;
  }
}
