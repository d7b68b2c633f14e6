import { CoreError } from '../errors/coreError.ts';
import { median } from '../statistics/describe.ts';
import { energyBetween, type BatteryReadings } from './flightEnergy.ts';
import { flightTrack, type FlightTrack, type LoggedTrack } from './flightTrack.ts';
import { findSegments, passOf, segmentOf, type FlightSegment, type SegmentKind } from './segments.ts';
import { shakingRotors, type RotorSpeeds, type ShakeSamples } from './shaker.ts';
import { windByTracks, type AirspeedAndWind } from './windAndSpeed.ts';

/** What a craft wrote down on board; what it did not is null. */
export interface FlightLog {
  track: LoggedTrack;
  battery: BatteryReadings | null;
  speeds: RotorSpeeds | null;
  shake: ShakeSamples | null;
}

/** A stretch with what the battery gave in it. */
export interface LoggedSegment extends FlightSegment {
  /** Mean over the stretch [A], [W]; null without a battery in the log. */
  currentA: number | null;
  powerW: number | null;
}

/** What a log says before anybody has looked at it. */
export interface LogReport {
  durationS: number;
  distanceM: number;
  /** Points to draw: time, east, north, height [s, m]; at most two thousand. */
  line: { timeS: number; eastM: number; northM: number; upM: number }[];
  segments: LoggedSegment[];
  /** By the passes; null where they do not tell. */
  wind: AirspeedAndWind | null;
  battery: { energyPerMinuteJ: number; energyPerKilometreJ: number | null; usedAh: number } | null;
  /** What turns with each rotor; null where the log has no acceleration or no speeds, `why` where it cannot be read. */
  shake: { shakeMPerS2: number[]; shaker: number | null } | { why: string } | null;
}

const LINE_POINTS = 2000;
/** A flight of less than this is not one for which energy per kilometre means anything [m]. */
const LEAST_DISTANCE_M = 200;

/** A log that was opened, for whoever marks stretches in it. */
export class OpenedLog {
  readonly track: FlightTrack;

  /** @throws {CoreError} as {@link flightTrack} */
  constructor(private readonly log: FlightLog) {
    this.track = flightTrack(log.track);
  }

  report(): LogReport {
    const { track, log } = this;
    const { timeS, eastM, northM } = track;
    const durationS = timeS.at(-1)! - timeS[0]!;
    let distanceM = 0;
    for (let i = 1; i < timeS.length; i++)
      distanceM += Math.hypot(track.eastMPerS[i]!, track.northMPerS[i]!) * (timeS[i]! - timeS[i - 1]!);
    const step = Math.max(1, Math.ceil(timeS.length / LINE_POINTS));
    const line: LogReport['line'] = [];
    for (let i = 0; i < timeS.length; i += step)
      line.push({ timeS: timeS[i]!, eastM: eastM[i]!, northM: northM[i]!, upM: track.upM[i]! });
    const segments = findSegments(track).map((s) => this.withBattery(s));
    return {
      durationS,
      distanceM,
      line,
      segments,
      wind: windOf(segments),
      battery: this.batteryOver(timeS[0]!, timeS.at(-1)!, distanceM),
      shake: log.shake === null || log.speeds === null ? null : shakeIn(log.shake, log.speeds),
    };
  }

  /** A stretch as a person marked it. */
  mark(kind: SegmentKind, fromS: number, toS: number): LoggedSegment {
    return this.withBattery(segmentOf(this.track, kind, fromS, toS));
  }

  private withBattery(segment: FlightSegment): LoggedSegment {
    const { battery } = this.log;
    if (battery === null) return { ...segment, currentA: null, powerW: null };
    try {
      const { energyJ, chargeC, coveredS } = energyBetween(battery, segment.fromS, segment.toS);
      return { ...segment, currentA: chargeC / coveredS, powerW: energyJ / coveredS };
    } catch {
      // Nothing was read of the battery during this stretch.
      return { ...segment, currentA: null, powerW: null };
    }
  }

  private batteryOver(fromS: number, toS: number, distanceM: number): LogReport['battery'] {
    if (this.log.battery === null) return null;
    try {
      const { energyJ, chargeC, coveredS } = energyBetween(this.log.battery, fromS, toS);
      return {
        energyPerMinuteJ: (60 * energyJ) / coveredS,
        energyPerKilometreJ: distanceM < LEAST_DISTANCE_M ? null : (1000 * energyJ) / distanceM,
        usedAh: chargeC / 3600,
      };
    } catch {
      return null;
    }
  }
}

/** Airspeed and wind by the passes of a flight that belong together: those flown about as fast as the middle one. */
export function windOf(segments: readonly FlightSegment[]): AirspeedAndWind | null {
  const passes = segments.filter((s) => s.kind === 'pass');
  if (passes.length < 3) return null;
  const middle = median(passes.map((p) => p.groundSpeedMPerS));
  const alike = passes.filter((p) => Math.abs(p.groundSpeedMPerS - middle) < 0.6 * middle);
  try {
    return windByTracks(alike.map(passOf));
  } catch {
    return null;
  }
}

function shakeIn(shake: ShakeSamples, speeds: RotorSpeeds): LogReport['shake'] {
  try {
    const { shakeMPerS2, shaker } = shakingRotors(shake, speeds);
    return { shakeMPerS2, shaker };
  } catch (error) {
    if (error instanceof CoreError) return { why: error.code };
    throw error;
  }
}
