import { Inject, Injectable } from '@nestjs/common';
import {
  CAMPAIGN_RUN_MAX_COUNT,
  LIST_MAX,
  PROTOCOL_VERSION,
  type CampaignDetailView,
  type CampaignListView,
  type CampaignResultsView,
  type CreateCampaignDto,
  type UpdateCampaignDto,
} from '@zivvo/contract';
import { explainFigure, layoutKind, reduceCampaign, type CampaignInput, type Working } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { propModelName } from '../rack/propModel.mapper.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { CampaignRepository, type CampaignRow } from './campaign.repository.ts';
import { RunRepository } from './run.repository.ts';
import { densityOf, toCampaignColumns, toCampaignView, toRunRecord, toRunSummaries } from './stand.mapper.ts';

@Injectable()
export class CampaignService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly campaigns: CampaignRepository,
    private readonly runs: RunRepository,
    private readonly crafts: CraftRepository,
    private readonly propModels: PropModelRepository,
    private readonly bench: CraftRotors,
  ) {}

  async list(craftId: string | null): Promise<CampaignListView> {
    const { rows, total } = await this.campaigns.listOf(this.db, craftId, LIST_MAX);
    const tally = await this.campaigns.tally(
      this.db,
      rows.map((r) => r.id),
    );
    return { items: rows.map((row) => toCampaignView(row, tally.get(row.id))), total };
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
      protocolVersion: PROTOCOL_VERSION,
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
  async results(id: string, chosenThrottleRatio: number): Promise<CampaignResultsView> {
    const { row, input } = await this.inputOf(id, chosenThrottleRatio);
    const tally = await this.campaigns.tally(this.db, [id]);
    return { ...reduceCampaign(input), campaign: toCampaignView(row, tally.get(id)) };
  }

  /** How one figure of the results came about. */
  async working(id: string, chosenThrottleRatio: number, key: string): Promise<Working> {
    const { input } = await this.inputOf(id, chosenThrottleRatio);
    return explainFigure(input, key);
  }

  /** A campaign as it is reduced: its craft, its props, its kept runs. */
  async inputOf(id: string, chosenThrottleRatio: number): Promise<{ row: CampaignRow; input: CampaignInput }> {
    const row = await this.campaigns.find(this.db, id);
    const craft = await this.crafts.find(this.db, row.craftId);
    const bench = this.bench.of(craft);
    const all = await this.runs.ofCampaign(this.db, id, CAMPAIGN_RUN_MAX_COUNT);
    const summaries = new Map(toRunSummaries(all).map((s) => [s.id, s]));
    const counted = all.filter((r) => r.state === 'kept' && summaries.get(r.id)!.replacedByRunId === null);
    const channels = await this.runs.channelsOf(
      this.db,
      counted.map((r) => r.id),
    );
    const densityKgPerM3 = densityOf(row);
    const propIds = [
      ...new Set([
        ...(row.referencePropModelId === null ? [] : [row.referencePropModelId]),
        ...counted.map((r) => r.propModelId),
      ]),
    ];
    const models = new Map((await this.propModels.byIds(this.db, propIds)).map((m) => [m.id, m]));
    const input: CampaignInput = {
      craft: {
        name: craft.name,
        kind: layoutKind(craft.layout),
        massKg: craft.massKg,
        rotorCount: craft.rotors.length,
        escLimitA: craft.escLimitA,
        motorLimitA: craft.motorLimitA,
        clearanceDiameterM: craft.clearanceDiameterM,
        drive: bench.drive,
        gearRatio: bench.craft.gearRatio,
      },
      props: propIds.map((propId) => {
        const model = models.get(propId)!;
        return {
          id: propId,
          name: propModelName(model),
          diameterM: model.measuredDiameterM ?? model.diameterM,
          speedLimitRpm: model.speedLimitRpm,
        };
      }),
      referencePropId: row.referencePropModelId,
      gateCellV: row.gateCellV,
      runs: counted.map((r) =>
        toRunRecord(
          summaries.get(r.id)!,
          r,
          channels.filter((c) => c.runId === r.id),
          densityKgPerM3,
        ),
      ),
      chosenThrottleRatio,
    };
    return { row, input };
  }
}
