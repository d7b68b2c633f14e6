import { useEffect, useRef } from 'react';
import type { LiveRun } from './useLiveRun.ts';

/** A step that has not come back by then was refused [ms]. */
const ECHO_MS = 3000;

/**
 * Steps the throttle. Quick steps add up: each starts from what was asked for, until that is what the stand shows. One
 * command is on its way at a time, and the last thing asked for follows it: two at once could overtake each other.
 */
export function useThrottleSteps(
  { isPilot, isHot, tell }: Pick<LiveRun, 'isPilot' | 'isHot' | 'tell'>,
  throttleRatio: number,
): (by: number) => void {
  const asked = useRef(throttleRatio);
  const waitsUntilMs = useRef(-Infinity);
  const mayGo = useRef(false);
  const isOnItsWay = useRef(false);
  useEffect(() => {
    mayGo.current = isPilot && isHot;
    if (!isHot || throttleRatio === asked.current) waitsUntilMs.current = -Infinity;
    if (performance.now() > waitsUntilMs.current) asked.current = throttleRatio;
  }, [throttleRatio, isPilot, isHot]);
  const follow = async (): Promise<void> => {
    if (isOnItsWay.current) return;
    isOnItsWay.current = true;
    for (let told = NaN; mayGo.current && told !== asked.current;) {
      told = asked.current;
      await tell({ name: 'throttle', throttleRatio: told });
    }
    isOnItsWay.current = false;
  };
  return (by) => {
    if (!isPilot || !isHot) return;
    asked.current = Math.round(Math.min(1, Math.max(0, asked.current + by)) * 100) / 100;
    waitsUntilMs.current = performance.now() + ECHO_MS;
    void follow();
  };
}
