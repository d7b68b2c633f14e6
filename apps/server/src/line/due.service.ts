import { Injectable } from '@nestjs/common';
import type { DueItem } from '@zivvo/core';
import type { craft } from '../craft/craft.table.ts';

type CraftRow = typeof craft.$inferSelect;

/** What waits for somebody at one station, by the feature that owns it; a question of fixed cost, whatever was kept. */
export interface DueSource {
  due(crafts: readonly CraftRow[]): Promise<DueItem[]>;
}

/** What waits, across the stations; features add what they know when they start. */
@Injectable()
export class DueService {
  private readonly sources: DueSource[] = [];

  register(source: DueSource): void {
    this.sources.push(source);
  }

  async of(crafts: readonly CraftRow[]): Promise<DueItem[]> {
    return (await Promise.all(this.sources.map((s) => s.due(crafts)))).flat();
  }
}
