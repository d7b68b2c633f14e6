import type {
  CoreError,
  LiveCut,
  LiveLimits,
  LivePhase,
  LivePoint,
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

export type ToRuntime =
  /** `startS` is where the device's clock begins on the axis of the run. */
  | {
      kind: 'open';
      device: SimulatedStandOptions;
      limits: LiveLimits;
      points: LivePoint[];
      startS: number;
      timeFactor: number;
    }
  | { kind: 'command'; id: number; command: RuntimeCommand }
  | { kind: 'heartbeat' }
  | { kind: 'close' };

/** Where the session stands. */
export interface RuntimeState {
  phase: LivePhase;
  throttleRatio: number;
  zeroN: number | null;
  cut: LiveCut | null;
  program: { index: number; count: number } | null;
  timeS: number;
}

export type FromRuntime =
  | { kind: 'answer'; id: number; ok: true }
  | { kind: 'answer'; id: number; ok: false; error: { code: string; details: CoreError['details'] } }
  | { kind: 'opened'; restingCellV: number }
  | { kind: 'state'; state: RuntimeState }
  | { kind: 'point'; ordinal: number; point: LivePoint }
  | { kind: 'readings'; timeS: number; values: number[] }
  /** Readings of one second on end, channels in their order. */
  | { kind: 'chunk'; startS: number; samples: Float32Array }
  /** What the pack still holds; null where no session was open. */
  | { kind: 'closed'; chargeRatio: number | null };
