import { useEffect, useLayoutEffect, useRef } from 'react';

interface StandKeys {
  keepPoint: () => unknown;
  cut: () => void;
  step: (by: number) => void;
  program: () => void;
}

const STEP = 0.05;
const STEPS: Readonly<Record<string, number>> = {
  ']': STEP,
  ArrowUp: STEP,
  ArrowRight: STEP,
  '[': -STEP,
  ArrowDown: -STEP,
  ArrowLeft: -STEP,
};
/** Keys that are only held while another one is struck. */
const MODIFIERS = new Set(['Shift', 'Control', 'Alt', 'AltGraph', 'Meta']);

/**
 * Keys of an armed stand, caught before anything else on the page: Space keeps a point, arrows and brackets step the
 * throttle, `l` runs the program, everything that is not listed cuts. A key held down is one stroke. No button keeps
 * the focus meanwhile, so that none can be pressed by a key.
 */
export function useStandKeys(isHot: boolean, keys: StandKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  // With the page that shows it armed, not a moment after: a stroke in between would do nothing.
  useLayoutEffect(() => {
    if (!isHot) return;
    const onKeyDown = (event: KeyboardEvent): void => {
      if (MODIFIERS.has(event.key)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.repeat) return;
      const isPlain = !event.ctrlKey && !event.altKey && !event.metaKey;
      const by = isPlain ? STEPS[event.key] : undefined;
      if (isPlain && event.key === ' ') latest.current.keepPoint();
      else if (isPlain && event.key === 'l') latest.current.program();
      else if (by !== undefined) latest.current.step(by);
      else latest.current.cut();
    };
    const letGo = (): void => {
      const focused = document.activeElement;
      // A list that is open closes when it loses the focus; the keys above are caught before it hears them.
      if (focused instanceof HTMLElement && focused !== document.body && focused.tagName !== 'SELECT') focused.blur();
    };
    letGo();
    window.addEventListener('keydown', onKeyDown, true);
    window.addEventListener('focusin', letGo);
    return () => {
      window.removeEventListener('keydown', onKeyDown, true);
      window.removeEventListener('focusin', letGo);
    };
  }, [isHot]);
}
