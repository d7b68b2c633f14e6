import { Inject, Injectable } from '@nestjs/common';
import {
  CAMPAIGN_RUN_MAX_COUNT,
  FIRST_PROTOCOL_VERSION,
  LIST_MAX,
  type CampaignDetailView,
  type CampaignExportView,
  type CampaignListView,
  type CampaignMatrixView,
  type CampaignResultsView,
  type CreateCampaignDto,
  type UpdateCampaignDto,
} from '@zivvo/contract';
import { explainFigure, reduceRigs, type Working } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { CampaignRepository } from './campaign.repository.ts';
import { CampaignInputs } from './campaignInputs.service.ts';
import type { RigInput } from './standRigs.ts';
import { RunRepository } from './run.repository.ts';
import { toCampaignColumns, toCampaignView, toRigView, toRunSummaries } from './stand.mapper.ts';

/** Where nobody looks at a throttle of the curve. */
const ANY_THROTTLE = 0.5;

@Injectable()
export class CampaignService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly campaigns: CampaignRepository,
    private readonly runs: RunRepository,
    private readonly crafts: CraftRepository,
    private readonly inputs: CampaignInputs,
  ) {}

  async list(craftId: string | null): Promise<CampaignListView> {
    const { rows, total } = await this.campaigns.listOf(this.db, craftId, LIST_MAX);
    const tally = await this.campaigns.tally(
      this.db,
      rows.map((r) => r.id),
    );
    return toListView({ rows, total }, (row) => toCampaignView(row, tally.get(row.id)));
  }

  async find(id: string): Promise<CampaignDetailView> {
    const row = await this.campaigns.find(this.db, id);
    const tally = await this.campaigns.tally(this.db, [id]);
    const runs = toRunSummaries(await this.runs.ofCampaign(this.db, id, CAMPAIGN_RUN_MAX_COUNT));
    return { ...toCampaignView(row, tally.get(id)), runs };
  }

  async create(dto: CreateCampaignDto): Promise<CampaignDetailView> {
    await this.crafts.find(this.db, dto.craftId);
    await this.campaigns.add(this.db, {
      ...this.rows.newRow(dto.id),
      ...toCampaignColumns(dto),
      craftId: dto.craftId,
      protocolVersion: FIRST_PROTOCOL_VERSION,
    });
    return this.find(dto.id);
  }

  async update(id: string, dto: UpdateCampaignDto): Promise<CampaignDetailView> {
    await this.campaigns.revise(this.db, id, dto.revision, toCampaignColumns(dto), this.clock.now());
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    await this.campaigns.remove(this.db, id, this.clock.now());
  }

  async restore(id: string): Promise<CampaignDetailView> {
    await this.campaigns.restore(this.db, id);
    return this.find(id);
  }

  /** Figures, comparison and reasons of a campaign, at full throttle, at hover and at a chosen throttle. */
  async results(id: string, chosenThrottleRatio: number, kitId: string | null): Promise<CampaignResultsView> {
    const { row, rigs } = await this.inputs.of(id, chosenThrottleRatio);
    const tally = await this.campaigns.tally(this.db, [id]);
    const shown = Math.max(0, placeOf(rigs, kitId));
    return {
      ...reduceRigs(rigs.map((r) => r.input))[shown]!,
      campaign: toCampaignView(row, tally.get(id)),
      kitId: rigs[shown]!.rig.kitId,
      rigs: rigs.map(toRigView),
    };
  }

  /** Every prop on every rig of a campaign. */
  async matrix(id: string, chosenThrottleRatio: number): Promise<CampaignMatrixView> {
    const { rigs } = await this.inputs.of(id, chosenThrottleRatio);
    const reduced = reduceRigs(rigs.map((r) => r.input));
    return {
      rigs: rigs.map((rig, i) => {
        const { props, carryThrustN } = reduced[i]!;
        return { ...toRigView(rig), results: { props, carryThrustN } };
      }),
    };
  }

  /** Everything that was read on an evening. */
  async export(id: string): Promise<CampaignExportView> {
    const { row, rigs } = await this.inputs.of(id, ANY_THROTTLE);
    const tally = await this.campaigns.tally(this.db, [id]);
    const rows = new Map((await this.runs.ofCampaign(this.db, id, CAMPAIGN_RUN_MAX_COUNT)).map((r) => [r.id, r]));
    return {
      format: 'zivvo-evening-1',
      campaign: toCampaignView(row, tally.get(id)),
      rigs: rigs.map((rig) => {
        const { drive: _drive, ...craft } = rig.input.craft;
        return { ...toRigView(rig), craft, props: rig.input.props };
      }),
      runs: rigs.flatMap(({ input }) =>
        input.runs.map((run) => {
          const { kitId, recordingId, keptAt } = rows.get(run.id)!;
          return { ...run, kitId, recordingId, keptAt: keptAt?.toISOString() ?? null };
        }),
      ),
    };
  }

  /** How one figure of the results came about. */
  async working(id: string, chosenThrottleRatio: number, key: string, kitId: string | null): Promise<Working> {
    const { rigs } = await this.inputs.of(id, chosenThrottleRatio);
    const inputs = rigs.map((r) => r.input);
    return explainFigure(inputs[Math.max(0, placeOf(rigs, kitId))]!, key, inputs);
  }
}

const placeOf = (rigs: readonly RigInput[], kitId: string | null): number =>
  rigs.findIndex(({ rig }) => rig.kitId === kitId);
