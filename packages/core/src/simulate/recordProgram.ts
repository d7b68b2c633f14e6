import { NO_LIMITS, type LiveLimits, type LiveReading } from '../stand/liveReading.ts';
import type { ThrottleProgram } from '../stand/protocol.ts';
import { StandSession, type LivePoint } from '../stand/standSession.ts';
import type { SimulatedStand } from './simulatedStand.ts';

/** Readings at rest before the tare, and the longest that a program may take. */
const REST_COUNT = 120;
const MOST_COUNT = 120_000;

/**
 * Runs a program on a made-up stand, as the live page would, without waiting for a clock.
 *
 * @param onReading - hears every reading, as a recorder would
 * @returns the kept points; fewer than the program has where a limit cut it
 */
export function recordProgram(
  stand: SimulatedStand,
  program: ThrottleProgram,
  limits: LiveLimits = NO_LIMITS,
  onReading: (reading: LiveReading) => void = () => undefined,
): LivePoint[] {
  const session = new StandSession(limits);
  session.connect();
  const exchange = (): void => {
    const reading = stand.exchange(session.throttleRatio);
    session.onReading(reading, stand.timeS, 0);
    if (reading) onReading(reading);
  };
  for (let i = 0; i < REST_COUNT; i++) exchange();
  session.tare();
  session.arm(0);
  session.startProgram(program);
  for (let i = 0; i < MOST_COUNT && session.program !== null; i++) exchange();
  return session.points;
}
