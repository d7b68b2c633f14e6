import { Inject, Injectable } from '@nestjs/common';
import type { CalibrationView } from '@zivvo/contract';
import { calibrateByRuns, modelGeometry, sortRuns, type CalibrationRun } from '@zivvo/core';
import { CraftRepository } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { CampaignRepository } from './campaign.repository.ts';
import { CampaignInputs } from './campaignInputs.service.ts';

/** Evenings that are looked at, the newest first: older ones had other bearings and other air. */
const EVENINGS_MOST = 24;
const ANY_THROTTLE = 0.5;

/** Corrections of the propeller model by what this craft's motor did on the stand. */
@Injectable()
export class CalibrationService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly inputs: CampaignInputs,
    private readonly evenings: CampaignRepository,
    private readonly crafts: CraftRepository,
    private readonly propModels: PropModelRepository,
    private readonly bench: CraftRotors,
  ) {}

  async ofCraft(craftId: string): Promise<CalibrationView> {
    const { drive, tables, craft } = this.bench.of(await this.crafts.find(this.db, craftId));
    const { rows } = await this.evenings.listOf(this.db, craftId, EVENINGS_MOST);
    const evenings = await Promise.all(rows.map(({ id }) => this.inputs.of(id, ANY_THROTTLE)));
    const inputs = evenings.flatMap(({ rigs }) => rigs.filter((r) => !r.rig.isOtherMotor).map((r) => r.input));
    const models = new Map(
      (await this.propModels.byIds(this.db, [...new Set(inputs.flatMap((input) => input.props.map((p) => p.id)))])).map(
        (m) => [m.id, m],
      ),
    );
    const counted = inputs.flatMap((input) => input.props.flatMap((prop) => sortRuns(input, prop.id).counted));
    const believed = counted.filter(
      ({ settled }) => this.workshop.kind === 'demo' || settled.run.origin !== 'simulated',
    );
    const runs = believed.map(({ settled: { run, steps } }): CalibrationRun => {
      const model = models.get(run.propModelId)!;
      return {
        propModelId: run.propModelId,
        family: model.makerName,
        geometry: modelGeometry(model),
        densityKgPerM3: run.densityKgPerM3,
        steps,
      };
    });
    return {
      calibration: calibrateByRuns(runs, { drive, gearRatio: craft.gearRatio, tables }),
      isSimulated: believed.some(({ settled }) => settled.run.origin === 'simulated'),
    };
  }
}
