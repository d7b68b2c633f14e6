import { LIVE_RATE_HZ, type LiveReading } from './liveReading.ts';

/** What may not move by itself while the throttle stands still. */
export type TrendChannel = 'thrustN' | 'vibrationMPerS2';

/** A figure that left its place at steady throttle. */
export interface Trend {
  channel: TrendChannel;
  /** As it settled, and as it is now. */
  from: number;
  value: number;
}

/** Thrust below this share of the settled one, at the same voltage, is a nut, a blade or a hub that gives way. */
export const TREND_THRUST_RATIO = 0.8;
/** Shake beyond this multiple of the settled one is something coming loose. */
export const TREND_SHAKE_FACTOR = 3;
/** Falls and rises smaller than these are noise of scale and sensor, whatever their share. */
const THRUST_FLOOR_N = 0.05;
const SHAKE_FLOOR_M_PER_S2 = 3;
/** Means are taken over half a second. */
const SPAN_COUNT = LIVE_RATE_HZ / 2;
/** Two means that differ by less have settled. */
const SETTLED_RATIO = 0.05;
/** What was settled follows what is within this time: a motor that heats fades slowly, a nut goes fast [s]. */
const FOLLOW_S = 20;

interface Means {
  thrustN: number;
  /** Thrust for each volt squared: what a sagging pack does not change. */
  thrustPerV2: number;
  vibrationMPerS2: number;
}

/**
 * Watches thrust and shake while the throttle stands still. Thrust is compared at one voltage, as it goes with the
 * square of the speed and the speed with the voltage, and what was settled follows slowly; so neither a pack that
 * empties nor a motor that heats is taken for a nut that backs off.
 */
export class SteadyWatch {
  private span: LiveReading[] = [];
  private before: Means | null = null;
  private settled: Means | null = null;

  /** The throttle has moved: what was settled is so no more. */
  restart(): void {
    this.span = [];
    this.before = null;
    this.settled = null;
  }

  /**
   * Takes a reading at the present throttle.
   *
   * @param zeroN - of the scale, from the tare
   * @returns what has left its place, or null
   */
  take(reading: LiveReading, zeroN: number): Trend | null {
    this.span.push(reading);
    if (this.span.length < SPAN_COUNT) return null;
    if (this.settled) {
      if (this.span.length > SPAN_COUNT) this.span.shift();
      const now = meansOf(this.span, zeroN);
      const trend = trendOf(this.settled, now);
      this.settled = followed(this.settled, now);
      return trend;
    }
    const now = meansOf(this.span, zeroN);
    if (this.before && hasSettled(this.before, now)) this.settled = now;
    this.before = now;
    this.span = [];
    return null;
  }
}

function meansOf(span: readonly LiveReading[], zeroN: number): Means {
  const mean = (of: (reading: LiveReading) => number): number =>
    span.reduce((sum, reading) => sum + of(reading), 0) / span.length;
  const thrustN = mean((r) => r.thrustN) - zeroN;
  const voltageV = mean((r) => r.voltageV);
  return {
    thrustN,
    // Where no volts are read an emptying pack cannot be told from a failing prop: both are slow, or both cut.
    thrustPerV2: thrustN / (Number.isNaN(voltageV) ? 1 : Math.max(0.01, voltageV) ** 2),
    vibrationMPerS2: mean((r) => r.vibrationMPerS2),
  };
}

/** The settled means, one reading's time nearer to the present ones. */
function followed(settled: Means, now: Means): Means {
  const by = 1 / (FOLLOW_S * LIVE_RATE_HZ);
  const toward = (from: number, to: number): number => from + by * (to - from);
  return {
    thrustN: toward(settled.thrustN, now.thrustN),
    thrustPerV2: toward(settled.thrustPerV2, now.thrustPerV2),
    vibrationMPerS2: toward(settled.vibrationMPerS2, now.vibrationMPerS2),
  };
}

function hasSettled(before: Means, now: Means): boolean {
  return (
    Math.abs(now.thrustN - before.thrustN) <= Math.max(THRUST_FLOOR_N / 2, SETTLED_RATIO * Math.abs(before.thrustN))
  );
}

function trendOf(settled: Means, now: Means): Trend | null {
  const lostN = settled.thrustN * (1 - now.thrustPerV2 / settled.thrustPerV2);
  if (
    settled.thrustN > THRUST_FLOOR_N &&
    lostN > THRUST_FLOOR_N &&
    now.thrustPerV2 < TREND_THRUST_RATIO * settled.thrustPerV2
  )
    return { channel: 'thrustN', from: settled.thrustN, value: now.thrustN };
  const isShaking =
    now.vibrationMPerS2 > TREND_SHAKE_FACTOR * settled.vibrationMPerS2 &&
    now.vibrationMPerS2 - settled.vibrationMPerS2 > SHAKE_FLOOR_M_PER_S2;
  return isShaking ? { channel: 'vibrationMPerS2', from: settled.vibrationMPerS2, value: now.vibrationMPerS2 } : null;
}
