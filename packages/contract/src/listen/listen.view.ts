import type { HeardTake, Reason, SoundCorrection, SoundRanking } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CreateTakeDto, ListeningDto } from './listen.dto.ts';

export interface TakeView extends RowView, Omit<CreateTakeDto, 'id'> {
  takenAt: string;
  /** Prop and pattern; null for the place alone. */
  soundKey: string | null;
  name: string;
  bladeCount: number | null;
  /** What was read with what the chain lacks [dB]; null where it was walked away from. */
  shownDb: number | null;
  /** With the place taken out, at the listening’s distance; null for the place alone. */
  heard: Pick<HeardTake, 'levelDb' | 'thrustN' | 'status' | 'fault'> | null;
}

/** A prop, or a hub with a pattern, beside the others. */
export interface HeardPropView {
  soundKey: string;
  propModelId: string;
  name: string;
  bladeCount: number;
  pattern: CreateTakeDto['pattern'];
  /** What the model says at the craft’s hover, at the listening’s distance [dB]. */
  predictedDb: number | null;
  /** From half to nine tenths of full thrust, by the model [s]. */
  riseTimeS: number | null;
  /** Middle of what was measured after a cut [s]. */
  spinDownS: number | null;
  /** First pass of the take that is nearest the thrust, and how far it stands out [dB]. */
  passing: { frequencyHz: number; prominenceDb: number | null } | null;
  betweenDb: number | null;
}

/** How often one prop was liked better than another, unseen. */
export interface VoteCountView {
  likedKey: string;
  likedName: string;
  otherKey: string;
  otherName: string;
  liked: number;
  votes: number;
  /** How likely chance alone splits votes so. */
  chance: number;
}

export interface ListeningView extends RowView, ListeningDto {
  listenedAt: string;
  takes: TakeView[];
  /** Levels are those of a meter; without that only differences hold. */
  isAbsolute: boolean;
  backgroundDb: number | null;
  /** Thrust at which the props are compared, and that of the craft's hover [N]. */
  thrustN: number | null;
  hoverThrustN: number | null;
  ranking: SoundRanking | null;
  driftDb: number | null;
  props: HeardPropView[];
  /** What the takes do to predictions for other props of this craft. */
  correction: SoundCorrection;
  votes: VoteCountView[];
  reasons: Reason[];
}

export interface ListenView {
  /** Every listening, the newest first, by its name and day. */
  listenings: { id: string; place: string; listenedAt: string; takeCount: number; method: ListeningDto['method'] }[];
  /** The one that was asked for, or the newest; null where there is none. */
  open: ListeningView | null;
  referencePropModelId: string | null;
}
