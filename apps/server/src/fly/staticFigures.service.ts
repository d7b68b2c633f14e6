import { Injectable } from '@nestjs/common';
import type { StaticFiguresView } from '@zivvo/contract';
import { evaluateCandidate, modelGeometry, passAtFull } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
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
    private readonly rotors: CraftRotors,
  ) {}

  /**
   * By the results of the last evening on which each prop ran for this craft, its counted runs alone; what its passes
   * let expect by the model.
   *
   * @param props - that flew, each with the airspeed of its passes; null where they tell none
   * @param payloadKg - that the craft carried beside its own mass
   */
  async of(
    craft: CraftRow,
    props: readonly { model: PropModelRow; airspeedMPerS: number | null }[],
    payloadKg: number,
  ): Promise<StaticFiguresView[]> {
    const { id: craftId, rotors } = craft;
    const evenings = new Map<string, string>();
    for (const propModelId of props.map((p) => p.model.id)) {
      const last = (await this.runs.ofModel(propModelId)).items.find((run) => run.craftId === craftId);
      if (last) evenings.set(propModelId, last.campaignId);
    }
    const results = new Map(
      await Promise.all(
        [...new Set(evenings.values())].map(
          async (id) => [id, await this.campaigns.results(id, ANY_THROTTLE, null)] as const,
        ),
      ),
    );
    // What the craft carried in the air it carries in the prediction.
    const prepared = this.rotors.of({ ...craft, massKg: craft.massKg + payloadKg });
    return props.map(({ model, airspeedMPerS }) => {
      const propModelId = model.id;
      const { prop, figures } = evaluateCandidate(prepared, modelGeometry(model));
      const { carryThrottleRatio } = figures;
      const evening = results.get(evenings.get(propModelId) ?? '');
      // What another motor of the craft pulled is no figure of the one that flies.
      const found = evening?.kitId === null ? evening.props.find((p) => p.propModelId === propModelId) : undefined;
      const full = found?.points.full;
      const currentA = full?.currentA?.figure.value ?? null;
      return {
        propModelId,
        // The stand holds one motor; the pack in the air feeds all.
        fullCurrentA: currentA === null ? null : currentA * rotors.length,
        fullThrustN: full?.thrustN?.figure.value ?? null,
        isSimulated: found?.origin === 'simulated',
        pass:
          airspeedMPerS === null
            ? null
            : passAtFull(prepared, prop, airspeedMPerS, evening?.fullVoltageV ?? full?.voltageV?.figure.value ?? null),
        hoverThrottleRatio: Number.isFinite(carryThrottleRatio) ? carryThrottleRatio : null,
      };
    });
  }
}
