import { Inject, Injectable } from '@nestjs/common';
import { gainScale, hoverPlant, modelGeometry, type GainScale } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import type { GainSheetRow } from './care.repository.ts';

type TwoModels = Pick<GainSheetRow, 'oldPropModelId' | 'newPropModelId'>;

/** What a craft answers to throttle with one prop and with another. */
@Injectable()
export class HoverPlants {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly bench: CraftRotors,
    private readonly models: PropModelRepository,
  ) {}

  /** @throws {NotFoundError} if one of the models is not there */
  async requireModels(tx: DbOrTx, { oldPropModelId, newPropModelId }: TwoModels): Promise<void> {
    for (const id of [oldPropModelId, newPropModelId]) await this.models.find(tx, id);
  }

  /** How the plant changed by label data; null where one of the props does not carry the craft. */
  async scaleOf(craft: CraftRow, { oldPropModelId, newPropModelId }: TwoModels): Promise<GainScale | null> {
    const bench = this.bench.of(craft);
    const plantOf = async (id: string) =>
      hoverPlant(bench, { ...modelGeometry(await this.models.find(this.db, id)), massKg: null });
    const [before, now] = [await plantOf(oldPropModelId), await plantOf(newPropModelId)];
    return before && now
      ? gainScale({
          oldSlopeN: before.slopeN,
          newSlopeN: now.slopeN,
          oldRiseS: before.riseS,
          newRiseS: now.riseS,
          inertiaRatio: 1,
        })
      : null;
  }
}
