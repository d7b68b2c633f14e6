import type { LineStop } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CreatePackPieceDto } from './workshop.dto.ts';

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

export interface PackPieceView extends RowView, Omit<CreatePackPieceDto, 'id'> {}

/** One thing that the finder can lead to. */
export interface FoundView {
  kind: 'piece' | 'craft' | 'propModel' | 'campaign' | 'run';
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
