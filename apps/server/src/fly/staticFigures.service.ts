import { Injectable } from '@nestjs/common';
import type { FlyView } from '@zivvo/contract';
import { mean } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { RunService } from '../stand/run.service.ts';

/** What the stand said of props on one craft: the air is held against it. */
@Injectable()
export class StaticFigures {
  constructor(private readonly runs: RunService) {}

  async of(
    { id: craftId, rotors }: Pick<CraftRow, 'id' | 'rotors'>,
    propModelIds: readonly string[],
  ): Promise<FlyView['static']> {
    return Promise.all(
      propModelIds.map(async (propModelId) => {
        const own = (await this.runs.ofModel(propModelId)).filter((run) => run.craftId === craftId);
        const meanOf = (values: (number | null)[]): number | null => {
          const known = values.filter((v) => v !== null);
          return known.length === 0 ? null : mean(known);
        };
        return {
          propModelId,
          // The stand holds one motor; the pack in the air feeds all.
          fullCurrentA: meanOf(own.map((run) => run.maxCurrentA && run.maxCurrentA * rotors.length)),
          fullThrustN: meanOf(own.map((run) => run.mostThrustN)),
        };
      }),
    );
  }
}
