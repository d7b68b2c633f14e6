import { Inject, Injectable } from '@nestjs/common';
import { RowMaker } from '../common/rowMaker.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { PropModelRepository, type PropModelRow } from '../rack/propModel.repository.ts';
import { CampaignRepository, type CampaignRow } from '../stand/campaign.repository.ts';
import { StandRigs } from '../stand/standRigs.ts';
import { RunRepository, type RunRow } from '../stand/run.repository.ts';

/** What stands on the stand: the prop of a run, on the motor of a craft as its kit makes it, on an evening. */
export interface LiveSubject {
  campaign: CampaignRow;
  craft: CraftRow;
  model: PropModelRow;
}

/** Looks up what a run is about, and makes its row. */
@Injectable()
export class LiveSubjectService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly runs: RunRepository,
    private readonly campaigns: CampaignRepository,
    private readonly rigs: StandRigs,
    private readonly models: PropModelRepository,
  ) {}

  findRun(runId: string): Promise<RunRow> {
    return this.runs.find(this.db, runId);
  }

  /** @throws {NotFoundError} for what is not there, a kit that the craft does not have among it */
  async find({
    campaignId,
    propModelId,
    kitId,
  }: Pick<RunRow, 'campaignId' | 'propModelId' | 'kitId'>): Promise<LiveSubject> {
    const campaign = await this.campaigns.find(this.db, campaignId);
    await this.rigs.require(campaign.craftId, kitId);
    const { craft } = await this.rigs.of(campaign.craftId, kitId);
    const model = await this.models.find(this.db, propModelId);
    return { campaign, craft, model };
  }

  /** Adds the run as a draft; false where it is there already. */
  addRun(
    tx: DbOrTx,
    run: Pick<
      RunRow,
      'id' | 'campaignId' | 'propModelId' | 'kitId' | 'packPieceId' | 'protocolVersion' | 'recordingId' | 'origin'
    >,
  ): Promise<boolean> {
    return this.runs.add(tx, { ...this.rows.newRow(run.id), ...run, state: 'draft', draft: null });
  }

  /** Says which recording holds the readings of a run. */
  recordIn(tx: DbOrTx, runId: string, recordingId: string): Promise<void> {
    return this.runs.recordIn(tx, runId, recordingId);
  }

  makeId(): string {
    return this.rows.makeId();
  }
}
