import type { StandQuantity } from './quantities.ts';

/** Channels of a live stand, in the order in which they are stored. */
export const liveChannels = [
  'throttleRatio',
  'thrustN',
  'speedRpm',
  'currentA',
  'voltageV',
  'powerW',
  'temperatureC',
  'vibrationMPerS2',
] as const satisfies readonly StandQuantity[];
export type LiveChannel = (typeof liveChannels)[number];

/** One reading of all channels; NaN where the device does not read one. */
export type LiveReading = Record<LiveChannel, number> & {
  /** Time of the device since it was connected [s]. */
  timeS: number;
};

/** Readings a second. */
export const LIVE_RATE_HZ = 100;

/** What a reading may not pass; null where nothing is limited. The voltage is the one limited from below. */
export interface LiveLimits {
  speedRpm: number | null;
  currentA: number | null;
  voltageV: number | null;
  powerW: number | null;
  temperatureC: number | null;
  vibrationMPerS2: number | null;
}

export type LimitedChannel = keyof LiveLimits;

/** Nothing is limited. */
export const NO_LIMITS: LiveLimits = {
  speedRpm: null,
  currentA: null,
  voltageV: null,
  powerW: null,
  temperatureC: null,
  vibrationMPerS2: null,
};

/** The limits that a device can be held to: those whose channels it reads. */
export function readableLimits(limits: LiveLimits, channels: readonly LiveChannel[]): LiveLimits {
  return Object.fromEntries(
    Object.entries(limits).map(([channel, limit]) => [
      channel,
      channels.includes(channel as LiveChannel) ? limit : null,
    ]),
  ) as unknown as LiveLimits;
}

/**
 * The first limit that a reading breaks, or null.
 *
 * A reading that is not a number breaks the limit of its channel: what cannot be read is not known to be safe.
 */
export function brokenLimit(
  reading: LiveReading,
  limits: LiveLimits,
): { channel: LimitedChannel; value: number; limit: number } | null {
  for (const channel of Object.keys(limits) as LimitedChannel[]) {
    const limit = limits[channel];
    if (limit === null) continue;
    const value = reading[channel];
    const isSafe = channel === 'voltageV' ? value >= limit : value <= limit;
    if (!isSafe) return { channel, value, limit };
  }
  return null;
}
