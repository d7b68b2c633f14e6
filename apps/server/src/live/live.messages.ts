import type {
  CoreError,
  DriveOrder,
  LiveCut,
  LiveLimits,
  LivePhase,
  LivePoint,
  LiveReading,
  PlainCutReason,
  SimulatedFault,
  SimulatedStandOptions,
  ThrottleProgram,
} from '@zivvo/core';

/** What the device runtime is asked to do. */
export type RuntimeCommand =
  | { name: 'tare' | 'arm' | 'keepPoint' | 'disarm' | 'stop' }
  | { name: 'throttle'; throttleRatio: number }
  | { name: 'program'; program: ThrottleProgram }
  | { name: 'cut'; reason: PlainCutReason }
  | { name: 'fault'; fault: SimulatedFault | null };

/** What stands on the stand: a made-up one, or one that is driven line by line. */
export type OpenedDevice =
  | { kind: 'simulated'; options: SimulatedStandOptions }
  /** `seriesCount` for volts a cell. */
  | { kind: 'driven'; seriesCount: number };

export type ToRuntime =
  /** `startS` is where the device's clock begins on the axis of the run. */
  | {
      kind: 'open';
      device: OpenedDevice;
      limits: LiveLimits;
      points: LivePoint[];
      startS: number;
      timeFactor: number;
    }
  | { kind: 'command'; id: number; command: RuntimeCommand }
  /** A driven stand has read, and says the last order that it obeyed. */
  | { kind: 'exchange'; id: number; reading: Omit<LiveReading, 'timeS'>; sequence: number }
  | { kind: 'heartbeat' }
  | { kind: 'close' };

/** Where the session stands. */
export interface RuntimeState {
  phase: LivePhase;
  throttleRatio: number;
  zeroN: number | null;
  cut: LiveCut | null;
  program: { index: number; count: number } | null;
  /** What the device says it holds, zero or throttle; null before it said anything. */
  isZeroHeld: boolean | null;
  timeS: number;
}

export type FromRuntime =
  | { kind: 'answer'; id: number; ok: true }
  | { kind: 'answer'; id: number; ok: false; error: { code: string; details: CoreError['details'] } }
  | { kind: 'opened' }
  /** Volts a cell before anything turned. */
  | { kind: 'rested'; restingCellV: number }
  /** To a driven stand, for one of its exchanges. */
  | { kind: 'order'; id: number; order: DriveOrder }
  | { kind: 'state'; state: RuntimeState }
  | { kind: 'point'; ordinal: number; point: LivePoint }
  | { kind: 'readings'; timeS: number; values: number[] }
  /** Readings of one second on end, channels in their order. */
  | { kind: 'chunk'; startS: number; samples: Float32Array }
  /** What the pack still holds; null where no session was open. */
  | { kind: 'closed'; chargeRatio: number | null };
