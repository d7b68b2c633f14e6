import { useEffect, useRef } from 'react';

interface StandKeys {
  keepPoint: () => unknown;
  cut: () => void;
  step: (by: number) => void;
}

const STEP = 0.05;
const STEPS: Readonly<Record<string, number>> = { ']': STEP, ArrowUp: STEP, ArrowRight: STEP, '[': -STEP, ArrowDown: -STEP, ArrowLeft: -STEP };
/** Keys that move the focus or press what has it, and those that do nothing by themselves. */
const HARMLESS = new Set(['Tab', 'Enter', 'Shift', 'Control', 'Alt', 'Meta', 'CapsLock']);

/**
 * Keys of an armed stand, caught before anything else on the page: Space keeps a point, arrows and brackets step the
 * throttle, everything that is not listed cuts.
 */
export function useStandKeys(isHot: boolean, keys: StandKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (!isHot) return;
    const onKeyDown = (event: KeyboardEvent): void => {
      if (HARMLESS.has(event.key)) return;
      const isOnControl = event.target instanceof HTMLElement && /^(?:BUTTON|A|SELECT|INPUT)$/.test(event.target.tagName);
      if (event.key === ' ' && isOnControl) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const by = STEPS[event.key];
      if (event.key === ' ') latest.current.keepPoint();
      else if (by !== undefined) latest.current.step(by);
      else latest.current.cut();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [isHot]);
}
