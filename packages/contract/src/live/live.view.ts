import type { DrivenFault, LiveChannel, LiveCut, LiveLimits, LivePhase, LivePoint } from '@zivvo/core';

/** A run on the live stand, as every tab that looks at it sees it. */
export interface LiveView {
  runId: string;
  /** All its readings over time; null for a run from before there were recordings. */
  recordingId: string | null;
  campaignId: string;
  propModelId: string;
  kitId: string | null;
  packPieceId: string | null;
  deviceKind: 'simulated' | 'driven';
  /** Of a driven stand; null for the simulated one. */
  deviceName: string | null;
  /** False after a restart or once another run took the stand: it can be opened again. */
  isOpen: boolean;
  phase: LivePhase;
  throttleRatio: number;
  zeroN: number | null;
  cut: LiveCut | null;
  /** The disk did not take what was read: it waits to be written again. */
  fault: 'writeFailed' | null;
  /** Kept points that are on the disk. */
  points: LivePoint[];
  /** What runs by itself: how many of its points are kept. */
  program: { index: number; count: number } | null;
  limits: LiveLimits;
  /** What the device itself says it holds; null before it said anything. */
  isZeroHeld: boolean | null;
  restingCellV: number | null;
  /** Time on the axis of the recording [s]. */
  timeS: number;
  /** Seconds of all readings that are on the disk. */
  recordedS: number;
  /** The tab that may give commands; null while nobody does. */
  pilotTabId: string | null;
}

/** A stand that can be driven, as it was last heard. */
export interface StandDeviceView {
  name: string;
  /** What it reads; none while it does not say it well enough to be driven. */
  channels: LiveChannel[];
  /** Exchanges a second. */
  rateHz: number;
  /** What was wrong with its last line. */
  fault: { fault: DrivenFault; text: string } | null;
}

/**
 * Readings on their way to a page: values in the order of the live channels; null for what the device does not read.
 */
export interface LiveReadingsView {
  timeS: number;
  values: (number | null)[];
}

/** What is on the stand; null while nothing is. */
export interface StandView {
  run: {
    runId: string;
    campaignId: string;
    propModelId: string;
    phase: LivePhase;
    throttleRatio: number;
    cut: LiveCut | null;
  } | null;
}
