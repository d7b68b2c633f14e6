import { Inject, Injectable } from '@nestjs/common';
import type { EveningPlanDto, EveningPlanView, PlanStepsView } from '@zivvo/contract';
import {
  carryThrustN,
  evaluateCandidate,
  layoutKind,
  modelGeometry,
  overlapSteps,
  requireProtocol,
  throttleCurve,
  usualProtocols,
  withProtocol,
} from '@zivvo/core';
import { NotFoundError, RevisionConflictError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { CampaignRepository, type CampaignRow } from './campaign.repository.ts';
import { PlanRepository, type EveningPlanRow } from './plan.repository.ts';
import { StandRigs } from './standRigs.ts';

/** Plans of stand evenings. */
@Injectable()
export class PlanService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly campaigns: CampaignRepository,
    private readonly plans: PlanRepository,
    private readonly crafts: CraftRepository,
    private readonly rotors: CraftRotors,
    private readonly models: PropModelRepository,
    private readonly rigs: StandRigs,
  ) {}

  async of(campaignId: string): Promise<EveningPlanView> {
    const campaign = await this.campaigns.find(this.db, campaignId);
    const row = await this.plans.ofCampaign(this.db, campaignId);
    return { plan: row && toPlan(row), fullCurrentA: await this.fullCurrentA(campaign) };
  }

  /** Writes the plan on top of the revision that was seen; every prop in it stands on the rack. */
  async set(campaignId: string, { revision, ...dto }: EveningPlanDto): Promise<EveningPlanView> {
    requireProtocol({ ...dto, throttles: dto.throttles ?? null });
    const propIds = [...new Set(dto.runs.map((r) => r.propModelId))];
    const known = new Set((await this.models.byIds(this.db, propIds)).map((m) => m.id));
    const missing = propIds.find((id) => !known.has(id));
    if (missing !== undefined) throw new NotFoundError('prop model', missing);
    await this.db.transaction(async (tx) => {
      const row = await this.plans.ofCampaign(tx, campaignId);
      const { protocols, protocolVersion } = await this.campaigns.find(tx, campaignId);
      const before = { protocols, version: protocolVersion };
      const hasRuns = await this.campaigns.hasRunsOf(tx, campaignId, protocolVersion);
      await this.campaigns.setProtocols(tx, campaignId, withProtocol(before, dto, hasRuns));
      if (row) await this.plans.revise(tx, row.id, revision, dto, this.rows.now());
      else if (revision > 0) throw new RevisionConflictError('plan', revision, 0);
      else await this.plans.add(tx, { ...this.rows.newRow(this.rows.makeId()), campaignId, ...dto });
    });
    return this.of(campaignId);
  }

  /** Steps of a ladder whose thrusts overlap for these props, on one rig. */
  async steps(
    campaignId: string,
    propModelIds: readonly string[],
    kitId: string | null,
    count: number,
  ): Promise<PlanStepsView> {
    const { craftId } = await this.campaigns.find(this.db, campaignId);
    const { craft } = await this.rigs.of(craftId, kitId);
    const prepared = this.rotors.of(craft);
    const models = await this.models.byIds(this.db, [...propModelIds]);
    const curves = models
      .map((model) => throttleCurve(prepared, modelGeometry(model)))
      .filter((curve) => curve.length >= 2);
    if (curves.length === 0) return { throttles: [...usualProtocols.own.throttles!].reverse(), shared: null };
    const carryN = carryThrustN(craft.massKg, craft.rotors.length, layoutKind(craft.layout));
    return overlapSteps(curves, carryN, count);
  }

  /** What the reference draws, by the model: the evening's charge is reckoned with it. */
  private async fullCurrentA({ craftId, referencePropModelId }: CampaignRow): Promise<number | null> {
    if (referencePropModelId === null) return null;
    const [model] = await this.models.byIds(this.db, [referencePropModelId]);
    if (!model) return null;
    const prepared = this.rotors.of(await this.crafts.find(this.db, craftId));
    const { fullCurrentA } = evaluateCandidate(prepared, modelGeometry(model)).figures;
    return Number.isFinite(fullCurrentA) ? fullCurrentA : null;
  }
}

function toPlan({
  kind,
  stepCount,
  holdS,
  throttles,
  changeS,
  runsPerPack,
  runs,
  revision,
}: EveningPlanRow): EveningPlanDto {
  return { kind, stepCount, holdS, throttles, changeS, runsPerPack, runs, revision };
}
