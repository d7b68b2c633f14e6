import type { LineStop, PackLoad, PackRecord } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { PackPieceDto } from './workshop.dto.ts';

export interface HealthView {
  status: 'ok';
  version: string;
  database: { kind: 'embedded' | 'server'; schema: string; postgres: string };
  workshop: { name: string; kind: 'own' | 'demo' };
  now: string;
}

export interface PersonView {
  id: string;
  name: string;
}

export interface AirView {
  temperatureC: number;
  pressurePa: number;
  humidityRatio: number;
  densityKgPerM3: number;
  densityAltitudeM: number;
  readAt: string;
}

export interface PackPieceView extends RowView, Required<PackPieceDto> {}

/** One stand run that a pack served. */
export interface PackRunView extends PackLoad {
  runId: string;
  campaignId: string;
  campaignName: string;
  propModelId: string;
  keptAt: string;
  maxCurrentA: number | null;
}

/** The runs of a pack, the newest first, and what they add up to. */
export interface PackServiceView {
  runs: PackRunView[];
  record: PackRecord;
}

/** One thing that the finder can lead to. */
export interface FoundView {
  kind:
    | 'piece'
    | 'craft'
    | 'propModel'
    | 'campaign'
    | 'run'
    | 'pack'
    | 'motor'
    | 'set'
    | 'delivery'
    | 'listening'
    | 'flight'
    | 'take'
    | 'ticket'
    | 'verdict';
  id: string;
  title: string;
  detail: string;
  /** Ids that its page needs in hand. */
  craftId: string | null;
  propModelId: string | null;
}

export interface LineView {
  stops: LineStop[];
}

export interface BlobView {
  sha256: string;
  size: number;
  mediaType: string;
  name: string;
}

/** Where the demo workshop is served, beside this one. */
export interface DemoView {
  address: string;
}
