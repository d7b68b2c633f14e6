import type { LiveReading } from '../stand/liveReading.ts';

/** What a stand reads while nothing turns and nothing is wrong. */
export const calm: LiveReading = {
  timeS: 0,
  throttleRatio: 0,
  thrustN: 0.2,
  speedRpm: 0,
  currentA: 0.1,
  voltageV: 24,
  powerW: 2,
  temperatureC: 20,
  vibrationMPerS2: 0.1,
};
