import type { CraftKind } from '../craft/layouts.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import type { EvidenceMark, Figure, Origin } from '../figure/figure.ts';
import type { Reason } from '../figure/reason.ts';
import type { CurveSigns, ShakePeak, ThrustRange } from './curveSigns.ts';
import type { PointFigure, PointName } from './pointOfRun.ts';
import type { RunProtocol } from './protocol.ts';
import type { Correction } from './instrumentCheck.ts';
import type { LeftOutCode, RunRecord } from './settleRun.ts';

/** What the reduction needs to know of a prop model. */
export interface CampaignProp {
  id: string;
  /** Short name for sentences. */
  name: string;
  diameterM: number;
  /** Maker's limit; null when he gives none. */
  speedLimitRpm: number | null;
}

export interface CampaignInput {
  craft: {
    name: string;
    kind: CraftKind;
    massKg: number;
    rotorCount: number;
    escLimitA: number | null;
    motorLimitA: number | null;
    /** Largest disc that clears the frame; null when unknown. */
    clearanceDiameterM: number | null;
    /**
     * What turned the props, for reducing full throttle to one voltage; null leaves readings at the voltage they were
     * taken.
     */
    drive: Drive | null;
    gearRatio: number;
  };
  props: readonly CampaignProp[];
  referencePropId: string | null;
  /** Resting volts per cell under which a run does not count; null for no gate. */
  gateCellV: number | null;
  /** In force: runs of another version are to be repeated. */
  protocolVersion: number;
  /** How runs of that version are made; null where nobody planned. */
  protocol: RunProtocol | null;
  runs: readonly RunRecord[];
  chosenThrottleRatio: number;
}

export type Comparison = 'more' | 'less' | 'same' | 'unknown';

export interface ComparedFigure {
  figure: Figure;
  /** How many runs stand behind it. */
  runCount: number;
  /** Relative to the reference: 0.06 is 6 % more; null for the reference itself or without one. */
  differenceRatio: number | null;
  /**
   * Half width of the 95 % interval of the figure by its repeats alone, for comparing props; null where none are
   * known.
   */
  repeatHalfWidthRatio: number | null;
  /** Half width of the 95 % interval of that difference; null when no spread is known. */
  differenceHalfWidthRatio: number | null;
  comparison: Comparison;
}

export type LimitName = 'escCurrent' | 'motorCurrent' | 'makerSpeed' | 'clearance';

export interface LimitBreach {
  limit: LimitName;
  value: number;
  limitValue: number;
  /** Throttle at which the limit is reached; null for limits that do not depend on it. */
  fromThrottleRatio: number | null;
  mark: EvidenceMark;
}

export interface PropResult {
  propModelId: string;
  isReference: boolean;
  countedRunIds: string[];
  leftOut: { runId: string; ordinal: number; code: LeftOutCode; value: number | null; limit: number | null }[];
  origin: Origin | null;
  points: Record<PointName, Partial<Record<PointFigure, ComparedFigure>>>;
  canHover: boolean | null;
  /** Read at full throttle alone: it ranks there, and says nothing of hover, part throttle or crossings. */
  isFullOnly: boolean;
  /** Full-throttle thrust in standard air at the measured speed. */
  standardThrust: Figure | null;
  breaches: LimitBreach[];
  /** Exponent of thrust against speed over all counted steps; null when it cannot be fitted. */
  thrustExponent: number | null;
  /** Mean curve of the counted runs, one entry a throttle step. */
  curve: {
    throttleRatio: number;
    thrustN: number;
    powerW: number | null;
    speedRpm: number | null;
    currentA: number | null;
  }[];
  /** What the shape of its curve says, of its last counted run; null without one. */
  signs: CurveSigns | null;
  /** The mean curve of thrust against power as it is drawn: local power laws between the measured points. */
  line: { powerW: number; thrustN: number }[];
}

export interface CampaignResults {
  kind: CraftKind;
  /** Of one rotor that carries its share: in hover, or a plane in cruise. */
  carryThrustN: number | null;
  chosenThrottleRatio: number;
  /** Voltage to which full-throttle figures are reduced [V]; null where they are not. */
  fullVoltageV: number | null;
  props: PropResult[];
  /**
   * Electrical power at which the ESC's current limit lies, at the mean full-throttle voltage; null without a limit.
   */
  escLimitPowerW: number | null;
  /** Relative spread of one run, pooled over the campaign, of full-throttle thrust. */
  spreadRatio: number | null;
  degreesOfFreedom: number;
  /** How full-throttle thrust moved from the first run to the last, relative; null where no drift shows. */
  driftRatio: number | null;
  /** What the checks of the instruments did to the runs that count, and to how many. */
  corrections: (Correction & { runCount: number })[];
  /** One speed at which every prop shakes; null where none is. */
  shakePeak: ShakePeak | null;
  /** Who lifts which thrust on least power, of the props that pass no limit. */
  winners: ThrustRange[];
  headline: Reason;
  reasons: Reason[];
}

/** Key under which the working of a figure is asked for. */
export function workingKey(propModelId: string, point: PointName, figure: PointFigure): string {
  return `${propModelId}:${point}:${figure}`;
}

/** Key of the working of the full-throttle thrust in standard air. */
export function standardThrustKey(propModelId: string): string {
  return `${propModelId}:standard:thrustN`;
}
