import type { ListView } from '../shared/listView.ts';
import type {
  CampaignInput,
  CampaignResults,
  RunFindings,
  RunProtocol,
  Origin,
  ReadingKind,
  StandQuantity,
  StandStep,
} from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CampaignDto, ImportRecipeDto, RunDraftDto } from './stand.dto.ts';

export interface CampaignView extends RowView, Omit<CampaignDto, never> {
  craftId: string;
  protocolVersion: number;
  /** How runs of each version are made, the first first. */
  protocols: RunProtocol[];
  densityKgPerM3: number;
  runCount: number;
  lastKeptAt: string | null;
}

export type CampaignListView = ListView<CampaignView>;

export type RunState = 'draft' | 'kept';

/** A run without its readings, as it stands in lists. */
export interface RunSummaryView extends RowView {
  campaignId: string;
  propModelId: string;
  /** Kit of the craft whose motor or pack it ran on; null as the craft is described. */
  kitId: string | null;
  packPieceId: string | null;
  state: RunState;
  origin: Origin;
  /** Order among the runs of its prop in this campaign, from 1. */
  ordinal: number;
  /** Of the evening when it was begun; of the run that it corrects. */
  protocolVersion: number;
  stepCount: number;
  restingCellV: number | null;
  keptAt: string | null;
  replacesRunId: string | null;
  /** The run that corrects this one; it then counts instead. */
  replacedByRunId: string | null;
  /** All its readings over time; null where it was typed. */
  recordingId: string | null;
}

export interface RunView extends RunSummaryView {
  /** What its readings over time told; null where it was typed. */
  findings: RunFindings | null;
  zeroBeforeN: number | null;
  zeroAfterN: number | null;
  readingKinds: Partial<Record<StandQuantity, ReadingKind>>;
  steps: StandStep[];
  draft: RunDraftDto | null;
  pictures: { sha256: string; mediaType: string; name: string }[];
}

/** A run of a prop model, as its page lists it. */
export interface ModelRunView {
  runId: string;
  campaignId: string;
  campaignName: string;
  craftId: string;
  keptAt: string;
  origin: RunSummaryView['origin'];
  mostThrustN: number | null;
  maxCurrentA: number | null;
}

export interface CampaignDetailView extends CampaignView {
  runs: RunSummaryView[];
}

/** A motor with its cells that props of an evening ran on. */
export interface StandRigView {
  kitId: string | null;
  /** Of the kit; null for the craft as it is described. */
  name: string | null;
  motorLabel: string;
  seriesCount: number;
  /** Kept runs. */
  runCount: number;
}

export interface CampaignResultsView extends CampaignResults {
  campaign: CampaignView;
  /** The rig of these results. */
  kitId: string | null;
  /** All rigs of the evening that have runs. */
  rigs: StandRigView[];
}

/** Every prop on every rig of an evening, in the order of the rigs. */
export interface CampaignMatrixView {
  rigs: (StandRigView & { results: Pick<CampaignResults, 'props' | 'carryThrustN'> })[];
}

/** An evening with every kept run, in SI, with enough to reduce it again. */
export interface CampaignExportView {
  format: 'zivvo-evening-1';
  campaign: CampaignView;
  /** The craft as each rig made it, in the order of the rigs. */
  rigs: (StandRigView & { craft: Omit<CampaignInput['craft'], 'drive'>; props: CampaignInput['props'] })[];
  /** Settled by nothing: as they were read, with what their checks multiply them by. */
  runs: (CampaignInput['runs'][number] & { kitId: string | null; recordingId: string | null; keptAt: string | null })[];
}

/** How a row of headers was read the last time. */
export interface ImportRecipeView extends RowView, Omit<ImportRecipeDto, never> {}

/** The answer to a kept draft or run: its new revision. */
export interface KeptView {
  id: string;
  revision: number;
  savedAt: string;
}

/** Samples of an import that are on the disk. */
export interface SamplesView {
  id: string;
  count: number;
}
