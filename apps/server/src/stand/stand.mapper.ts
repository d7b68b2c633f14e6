import type {
  CampaignDto,
  CampaignView,
  ModelRunView,
  PackRunView,
  RunReadingsDto,
  RunSummaryView,
  RunView,
  StandRigView,
} from '@zivvo/contract';
import {
  cellResistanceOfRun,
  emptyStep,
  humidAir,
  standQuantityNames,
  type RunRecord,
  type StandStep,
} from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { RigInput } from './standRigs.ts';
import type { CampaignRow, RunTally } from './campaign.repository.ts';
import type { ChannelRow, PictureRow, RunRow } from './run.repository.ts';

export function toCampaignColumns(dto: CampaignDto) {
  return {
    name: dto.name.trim(),
    referencePropModelId: dto.referencePropModelId ?? null,
    temperatureC: dto.temperatureC,
    pressurePa: dto.pressurePa,
    humidityRatio: dto.humidityRatio,
    gateCellV: dto.gateCellV ?? null,
    note: dto.note ?? null,
  };
}

export function toRigView({ rig: { kitId, name, craft }, runCount }: RigInput): StandRigView {
  return { kitId, name, motorLabel: craft.motorLabel, seriesCount: craft.packSeriesCount, runCount };
}

/** Density of a campaign's air. */
export function densityOf(row: Pick<CampaignRow, 'temperatureC' | 'pressurePa' | 'humidityRatio'>): number {
  return humidAir(row.temperatureC, row.pressurePa, row.humidityRatio).densityKgPerM3;
}

export function toCampaignView(row: CampaignRow, tally: RunTally | undefined): CampaignView {
  const {
    workshopId: _workshop,
    personId: _person,
    deletedAt: _deleted,
    createdAt: _created,
    updatedAt: _updated,
    ...own
  } = row;
  return {
    ...own,
    ...toRowView(row),
    densityKgPerM3: densityOf(row),
    runCount: tally?.runCount ?? 0,
    lastKeptAt: tally?.lastKeptAt?.toISOString() ?? null,
  };
}

/** Runs of a campaign with their order within their prop, and which of them were corrected. */
export function toRunSummaries(rows: RunRow[]): RunSummaryView[] {
  const seen = new Map<string, number>();
  const corrections = new Map(
    rows.filter((r) => r.state === 'kept' && r.replacesRunId !== null).map((r) => [r.replacesRunId!, r.id]),
  );
  const ordinals = new Map<string, number>();
  const versions = new Map<string, number>();
  return rows.map((row) => {
    // A correction keeps the place of the run that it corrects.
    const inherited = row.replacesRunId === null ? undefined : ordinals.get(row.replacesRunId);
    const contender = `${row.kitId ?? ''}/${row.propModelId}`;
    const ordinal = inherited ?? (seen.get(contender) ?? 0) + 1;
    if (inherited === undefined) seen.set(contender, ordinal);
    ordinals.set(row.id, ordinal);
    const protocolVersion = versions.get(row.replacesRunId ?? '') ?? row.protocolVersion;
    versions.set(row.id, protocolVersion);
    return {
      ...toRowView(row),
      campaignId: row.campaignId,
      propModelId: row.propModelId,
      kitId: row.kitId,
      packPieceId: row.packPieceId,
      state: row.state,
      origin: row.origin,
      ordinal,
      protocolVersion,
      stepCount: row.stepCount,
      restingCellV: row.restingCellV,
      keptAt: row.keptAt?.toISOString() ?? null,
      replacesRunId: row.replacesRunId,
      replacedByRunId: corrections.get(row.id) ?? null,
      recordingId: row.recordingId,
    };
  });
}

export function toRunView(
  summary: RunSummaryView,
  row: RunRow,
  channels: ChannelRow[],
  pictures: PictureRow[],
): RunView {
  return {
    ...summary,
    findings: row.findings,
    zeroBeforeN: row.zeroBeforeN,
    zeroAfterN: row.zeroAfterN,
    readingKinds: Object.fromEntries(channels.map((c) => [c.quantity, c.readingKind])),
    steps: toSteps(channels),
    draft: row.draft,
    pictures,
  };
}

/** A kept run as the core reduces it. */
export function toRunRecord(
  summary: RunSummaryView,
  row: RunRow,
  channels: ChannelRow[],
  densityKgPerM3: number,
  beside: Pick<RunRecord, 'corrections' | 'staleChecks' | 'place'>,
): RunRecord {
  return {
    id: row.id,
    propModelId: row.propModelId,
    origin: row.origin,
    ordinal: summary.ordinal,
    protocolVersion: summary.protocolVersion,
    densityKgPerM3,
    zeroBeforeN: row.zeroBeforeN,
    zeroAfterN: row.zeroAfterN,
    restingCellV: row.restingCellV,
    readingKinds: Object.fromEntries(channels.map((c) => [c.quantity, c.readingKind])),
    steps: toSteps(channels),
    findings: row.findings,
    ...beside,
  };
}

/** What one run asked of its pack; readings that are missing stay missing. */
export function toPackRunView(
  { run, campaignName, seriesCount }: { run: RunRow; campaignName: string; seriesCount: number },
  channels: ChannelRow[],
): PackRunView {
  const read = (quantity: ChannelRow['quantity']): number[] =>
    channels.find((c) => c.quantity === quantity)?.values.filter((v) => v !== null) ?? [];
  const [voltages, currents] = [read('voltageV'), read('currentA')];
  const readings = toSteps(channels).flatMap(({ voltageV, currentA }) =>
    voltageV === null || currentA === null ? [] : [{ currentA, cellV: voltageV / seriesCount }],
  );
  return {
    runId: run.id,
    campaignId: run.campaignId,
    campaignName,
    propModelId: run.propModelId,
    keptAt: run.keptAt!.toISOString(),
    restingCellV: run.restingCellV,
    loadedCellV: voltages.length === 0 ? null : Math.min(...voltages) / seriesCount,
    cellOhm: cellResistanceOfRun(readings, run.restingCellV),
    maxCurrentA: currents.length === 0 ? null : Math.max(...currents),
  };
}

/** A run as the page of its prop lists it. */
export function toModelRunView(
  { run, campaignName, craftId }: { run: RunRow; campaignName: string; craftId: string },
  channels: ChannelRow[],
): ModelRunView {
  const most = (quantity: ChannelRow['quantity']): number | null => {
    const read = channels.find((c) => c.quantity === quantity)?.values.filter((v) => v !== null) ?? [];
    return read.length === 0 ? null : Math.max(...read);
  };
  return {
    runId: run.id,
    campaignId: run.campaignId,
    campaignName,
    craftId,
    keptAt: run.keptAt!.toISOString(),
    origin: run.origin,
    mostThrustN: most('thrustN'),
    maxCurrentA: most('currentA'),
  };
}

function toSteps(channels: ChannelRow[]): StandStep[] {
  const count = Math.max(0, ...channels.map((c) => c.values.length));
  return Array.from({ length: count }, (_, i) => {
    const step = emptyStep();
    for (const channel of channels) step[channel.quantity] = channel.values[i] ?? null;
    return step;
  });
}

/** One row a channel that holds any reading. */
export function toChannels(runId: string, readings: RunReadingsDto): ChannelRow[] {
  const kinds = new Map(readings.readingKinds.map((k) => [k.quantity, k.readingKind]));
  return standQuantityNames
    .map((quantity) => ({
      runId,
      quantity,
      readingKind: kinds.get(quantity) ?? 'settledMean',
      values: readings.steps.map((s) => s[quantity] ?? null),
    }))
    .filter((channel) => channel.values.some((v) => v !== null));
}
