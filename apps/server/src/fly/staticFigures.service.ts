import { Injectable } from '@nestjs/common';
import type { FlyView } from '@zivvo/contract';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CampaignService } from '../stand/campaign.service.ts';
import { RunService } from '../stand/run.service.ts';

/** Only full throttle is asked for; the results want a throttle of one's own all the same. */
const ANY_THROTTLE = 0.5;

/** What the stand said of props on one craft at full throttle: the air is held against it. */
@Injectable()
export class StaticFigures {
  constructor(
    private readonly runs: RunService,
    private readonly campaigns: CampaignService,
  ) {}

  /** By the results of the last evening on which each prop ran for this craft: its counted runs alone. */
  async of(
    { id: craftId, rotors }: Pick<CraftRow, 'id' | 'rotors'>,
    propModelIds: readonly string[],
  ): Promise<FlyView['static']> {
    const evenings = new Map<string, string>();
    for (const propModelId of propModelIds) {
      const last = (await this.runs.ofModel(propModelId)).find((run) => run.craftId === craftId);
      if (last) evenings.set(propModelId, last.campaignId);
    }
    const results = new Map(
      await Promise.all(
        [...new Set(evenings.values())].map(
          async (id) => [id, await this.campaigns.results(id, ANY_THROTTLE)] as const,
        ),
      ),
    );
    return propModelIds.map((propModelId) => {
      const found = results.get(evenings.get(propModelId) ?? '')?.props.find((p) => p.propModelId === propModelId);
      const full = found?.points.full;
      const currentA = full?.currentA?.figure.value ?? null;
      return {
        propModelId,
        // The stand holds one motor; the pack in the air feeds all.
        fullCurrentA: currentA === null ? null : currentA * rotors.length,
        fullThrustN: full?.thrustN?.figure.value ?? null,
        isSimulated: found?.origin === 'simulated',
      };
    });
  }
}
