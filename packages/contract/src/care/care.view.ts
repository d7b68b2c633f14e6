import type { ListView } from '../shared/listView.ts';
import type {
  CareOutcome,
  CauseName,
  ChangeName,
  Diagnosis,
  DrillKind,
  GainAdvice,
  GainAxis,
  GainScale,
  PieceLifeLeft,
  ReadyToFly,
  Reason,
  RecordFact,
  SeasonSpares,
  StrikeSeverity,
} from '@zivvo/core';
import type { MotorPieceView, PieceView } from '../rack/piece.view.ts';
import type { RowView } from '../shared/rowView.ts';
import type {
  CareSettingDto,
  CreateFlightDto,
  CreateGainSheetDto,
  CreateModelAlertDto,
  CreateWalkaroundDto,
  JobTicketDto,
  PropLookDto,
  StrikeDto,
  SymptomCaseDto,
  UpdateGainSheetDto,
} from './care.dto.ts';

/** One prop of a walkaround with what becomes of it. */
export interface PropLookView extends PropLookDto {
  pieceId: string | null;
  tag: string | null;
  outcome: CareOutcome;
  isTruingVoid: boolean;
  reasons: Reason[];
}

export interface WalkaroundView extends RowView, Omit<CreateWalkaroundDto, 'id' | 'looks'> {
  craftId: string;
  lookedAt: string;
  personName: string | null;
  looks: PropLookView[];
  outcome: CareOutcome;
  isHurried: boolean;
}

export interface FlightView extends RowView, Omit<CreateFlightDto, 'id' | 'strikes'> {
  craftId: string;
  flownAt: string;
}

export interface StrikeView extends RowView, Omit<StrikeDto, 'id'> {
  craftId: string;
  struckAt: string;
  severity: StrikeSeverity;
}

export interface ModelAlertView extends RowView, Omit<CreateModelAlertDto, 'id'> {
  raisedAt: string;
  releasedAt: string | null;
  releaseReason: string | null;
}

/** One piece on the craft with what is left of its life. */
export interface CaredPieceView {
  piece: PieceView;
  life: PieceLifeLeft;
  openOutcome: Exclude<CareOutcome, 'fly'> | null;
  alert: string | null;
}

/** The sets of a craft and whose turn it is. */
export interface RotationView {
  /** Those that may fly first, in their order. */
  sets: {
    id: string;
    name: string;
    revision: number;
    usedRatio: number;
    flownS: number;
    isOn: boolean;
    isComplete: boolean;
    restedAt: string | null;
  }[];
  /** The set whose turn it is; null where the one on the craft may stay. */
  nextSetId: string | null;
}

/** What the log says the next season will take. */
export interface SeasonView {
  days: number;
  /** The log that it is told from. */
  flightCount: number;
  logDays: number;
  /** By hand; null where not enough was flown to say. */
  hands: { hand: 'cw' | 'ccw'; spares: SeasonSpares | null }[];
}

/** Everything that Care shows of one craft. */
export interface CareView {
  craftId: string;
  setting: CareSettingDto;
  /** Whether it may fly, and what is missing. */
  ready: ReadyToFly;
  /** What grounds nothing but is good to know. */
  reasons: Reason[];
  pieces: CaredPieceView[];
  lastWalkaround: WalkaroundView | null;
  /** The newest first. */
  flights: FlightView[];
  strikes: StrikeView[];
  /** Motors that were struck and not felt since. */
  motorsToFeel: MotorPieceView[];
  /** Alerts in force on what is fitted. */
  alerts: ModelAlertView[];
  /** Flying time of all its logged flights [s]. */
  flownS: number;
  season: SeasonView;
}

export interface GainSheetView extends RowView, Omit<CreateGainSheetDto, 'id'>, Omit<UpdateGainSheetDto, 'revision'> {
  /** Estimated from label data; null where a prop cannot carry the craft. */
  scale: GainScale | null;
  /** What must be excluded before a gain is touched. */
  missingChecks: UpdateGainSheetDto['checks'];
  advice: Record<GainAxis, GainAdvice>;
  /** True when the props of this sheet are on the craft; *old* when those before it are back. */
  fitted: 'new' | 'old' | 'other';
}

export interface JobTicketView extends RowView, Omit<JobTicketDto, 'isClosed'> {
  craftId: string;
  openedAt: string;
  closedAt: string | null;
}

/** Something in the record that may have changed how a craft flies. */
export interface RecentChangeView extends LogEntryView {
  change: ChangeName;
}

export interface SymptomCaseView extends RowView, Omit<SymptomCaseDto, 'revision'> {
  craftId: string;
  openedAt: string;
  facts: RecordFact[];
  /** The newest first. */
  recent: RecentChangeView[];
  diagnosis: Diagnosis;
}

/** What the record says before anybody answers a question. */
export interface SymptomStartView {
  facts: RecordFact[];
  recent: RecentChangeView[];
  openCase: SymptomCaseView | null;
  solved: { cause: CauseName; at: string }[];
}

/** What was written down of a craft between two moments, the newest first; sums leave out what was taken back. */
export interface LogView extends ListView<LogEntryView> {
  flightCount: number;
  flownS: number;
}

/** One entry of the maintenance log. */
export interface LogEntryView {
  sequence: number;
  at: string;
  personName: string | null;
  kind: string;
  /** Tag of the piece it speaks of; null where it speaks of the craft. */
  tag: string | null;
  values: Readonly<Record<string, number | string | boolean | null>>;
}

export interface DrillScoreView {
  personId: string | null;
  personName: string | null;
  kind: DrillKind;
  askedCount: number;
  rightCount: number;
}
