import { Inject, Injectable } from '@nestjs/common';
import {
  CAMPAIGN_RUN_MAX_COUNT,
  LIST_MAX,
  type CampaignDetailView,
  type CreateRunDto,
  type ImportRunsDto,
  type KeepRunDto,
  type KeptView,
  type ModelRunView,
  type PackPieceView,
  type PackServiceView,
  type RunReadingsDto,
  type RunView,
  type SaveDraftDto,
  type ListView,
} from '@zivvo/contract';
import { packRecord, type Origin, type RunFindings } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { CampaignRepository, type CampaignRow } from './campaign.repository.ts';
import { CampaignService } from './campaign.service.ts';
import { ImportRecipeRepository } from './importRecipe.repository.ts';
import { RunRepository, type RunRow } from './run.repository.ts';
import { StandRigs } from './standRigs.ts';
import { AlreadyKeptError, NotItsCorrectionError, TooManyRunsError } from './stand.errors.ts';
import { toChannels, toModelRunView, toPackRunView, toRunSummaries, toRunView } from './stand.mapper.ts';

@Injectable()
export class RunService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly campaigns: CampaignRepository,
    private readonly runs: RunRepository,
    private readonly recipes: ImportRecipeRepository,
    private readonly ledger: EventLedger,
    private readonly campaignService: CampaignService,
    private readonly rigs: StandRigs,
  ) {}

  async find(id: string): Promise<RunView> {
    const row = await this.runs.find(this.db, id);
    const siblings = toRunSummaries(await this.runs.ofCampaign(this.db, row.campaignId, CAMPAIGN_RUN_MAX_COUNT));
    const channels = await this.runs.channelsOf(this.db, [id]);
    const pictures = await this.runs.picturesOf(this.db, id);
    return toRunView(
      siblings.find((s) => s.id === id)!,
      row,
      channels,
      pictures,
    );
  }

  /** Starts a run as a draft that is saved while it is typed, or while a made-up stand stands in for the bench. */
  async create(
    campaignId: string,
    dto: CreateRunDto,
    origin: Extract<Origin, 'typed' | 'simulated'> = 'typed',
  ): Promise<RunView> {
    const campaign = await this.requireRoom(campaignId, 1);
    const corrected = dto.replacesRunId == null ? null : await this.runs.find(this.db, dto.replacesRunId);
    if (corrected && (corrected.campaignId !== campaignId || corrected.id === dto.id))
      throw new NotItsCorrectionError();
    const kitId = corrected ? corrected.kitId : (dto.kitId ?? null);
    await this.rigs.require(campaign.craftId, kitId);
    await this.runs.add(this.db, {
      ...this.rows.newRow(dto.id),
      campaignId,
      propModelId: dto.propModelId,
      packPieceId: dto.packPieceId ?? null,
      replacesRunId: dto.replacesRunId ?? null,
      state: 'draft',
      origin,
      kitId,
      protocolVersion: campaign.protocolVersion,
      draft: dto.draft,
    });
    return this.find(dto.id);
  }

  /** Saves the grid as it stands; answers after the commit. */
  async saveDraft(id: string, { revision, ...draft }: SaveDraftDto): Promise<KeptView> {
    const at = this.clock.now();
    await this.requireDraft(id);
    const next = await this.runs.reviseDraft(this.db, id, revision, { draft }, at);
    return { id, revision: next, savedAt: at.toISOString() };
  }

  /** Keeps a draft for good: its readings become channels, its fact goes to the ledger. */
  async keep(id: string, dto: KeepRunDto, findings: RunFindings | null = null): Promise<RunView> {
    const row = await this.requireDraft(id);
    const { craftId } = await this.campaigns.find(this.db, row.campaignId);
    const { isOtherMotor } = await this.rigs.of(craftId, row.kitId);
    await this.db.transaction(async (tx) => {
      const at = this.clock.now();
      const columns = { ...measuredColumns(dto), findings, state: 'kept' as const, keptAt: at };
      await this.runs.reviseDraft(tx, id, dto.revision, columns, at);
      await this.store(tx, row, { craftId, isOtherMotor }, dto, at);
    });
    return this.find(id);
  }

  /** Keeps every run of an import, or none; with the recording of its samples where it has one. */
  async importAll(
    campaignId: string,
    dto: ImportRunsDto,
    recordingId: string | null = null,
  ): Promise<CampaignDetailView> {
    const campaign: CampaignRow = await this.requireRoom(campaignId, dto.runs.length);
    const kitId = dto.kitId ?? null;
    await this.rigs.require(campaign.craftId, kitId);
    const { craftId } = campaign;
    const { isOtherMotor } = await this.rigs.of(craftId, kitId);
    await this.db.transaction(async (tx) => {
      const at = this.clock.now();
      for (const imported of dto.runs) {
        const row = {
          ...this.rows.newRow(imported.id),
          ...measuredColumns(imported),
          campaignId,
          propModelId: imported.propModelId,
          kitId,
          protocolVersion: campaign.protocolVersion,
          state: 'kept' as const,
          origin: 'imported' as const,
          keptAt: at,
          importBlobSha256: dto.blobSha256 ?? null,
          recordingId,
        };
        const isNew = await this.runs.add(tx, row);
        if (isNew) await this.store(tx, { ...row, replacesRunId: null }, { craftId, isOtherMotor }, imported, at);
      }
      if (dto.recipe) await this.recipes.remember(tx, dto.recipe);
    });
    return this.campaignService.find(campaignId);
  }

  async attachPicture(id: string, blobSha256: string): Promise<RunView> {
    await this.runs.find(this.db, id);
    await this.runs.attachPicture(this.db, id, blobSha256, this.clock.now());
    return this.find(id);
  }

  async remove(id: string): Promise<void> {
    const row = await this.runs.find(this.db, id);
    await this.db.transaction(async (tx) => {
      await this.runs.remove(tx, id, this.clock.now());
      if (row.state === 'kept') await this.ledger.record(tx, id, { kind: 'runRemoved', runId: id });
    });
  }

  async restore(id: string): Promise<RunView> {
    await this.db.transaction(async (tx) => {
      await this.runs.restore(tx, id);
      const row = await this.runs.find(tx, id);
      if (row.state === 'kept') await this.ledger.record(tx, id, { kind: 'runRestored', runId: id });
    });
    return this.find(id);
  }

  /** Every kept run of a pack with what it asked of its cells. */
  async ofPack({ id, chemistry }: PackPieceView): Promise<PackServiceView> {
    const rows = await this.runs.ofPack(this.db, id, LIST_MAX);
    const channels = await this.runs.channelsOf(
      this.db,
      rows.map(({ run }) => run.id),
    );
    const runs = rows.map((row) =>
      toPackRunView(
        row,
        channels.filter((c) => c.runId === row.run.id),
      ),
    );
    return { runs, record: packRecord(chemistry, runs) };
  }

  /** The stand runs of a prop model, the newest first. */
  async ofModel(propModelId: string): Promise<ListView<ModelRunView>> {
    const { rows, total } = await this.runs.ofModel(this.db, propModelId, LIST_MAX);
    const channels = await this.runs.channelsOf(
      this.db,
      rows.map(({ run }) => run.id),
    );
    return toListView({ rows, total }, (row) =>
      toModelRunView(
        row,
        channels.filter((c) => c.runId === row.run.id),
      ),
    );
  }

  private async store(
    tx: DbOrTx,
    row: Pick<RunRow, 'id' | 'propModelId' | 'kitId' | 'replacesRunId'>,
    { craftId, isOtherMotor }: { craftId: string; isOtherMotor: boolean },
    readings: RunReadingsDto,
    at: Date,
  ): Promise<void> {
    await this.runs.addChannels(tx, toChannels(row.id, readings));
    const maxOf = (quantity: 'currentA' | 'speedRpm'): number | null =>
      readings.steps.reduce<number | null>(
        (most, s) => (s[quantity] == null ? most : Math.max(most ?? 0, s[quantity])),
        null,
      );
    await this.ledger.record(
      tx,
      row.id,
      {
        kind: 'runKept',
        runId: row.id,
        craftId,
        propModelId: row.propModelId,
        maxCurrentA: maxOf('currentA'),
        maxSpeedRpm: maxOf('speedRpm'),
        replacesRunId: row.replacesRunId,
        isOtherMotor,
      },
      at,
    );
  }

  private async requireDraft(id: string): Promise<RunRow> {
    const row = await this.runs.find(this.db, id);
    if (row.state !== 'draft') throw new AlreadyKeptError();
    return row;
  }

  private async requireRoom(campaignId: string, wanted: number): Promise<CampaignRow> {
    const campaign = await this.campaigns.find(this.db, campaignId);
    const { length } = await this.runs.ofCampaign(this.db, campaignId, CAMPAIGN_RUN_MAX_COUNT);
    if (length + wanted > CAMPAIGN_RUN_MAX_COUNT) throw new TooManyRunsError(CAMPAIGN_RUN_MAX_COUNT);
    return campaign;
  }
}

function measuredColumns(readings: RunReadingsDto) {
  return {
    restingCellV: readings.restingCellV ?? null,
    zeroBeforeN: readings.zeroBeforeN ?? null,
    zeroAfterN: readings.zeroAfterN ?? null,
    packPieceId: readings.packPieceId ?? null,
    stepCount: readings.steps.length,
  };
}
