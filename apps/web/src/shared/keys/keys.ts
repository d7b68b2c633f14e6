import { useInsertionEffect, useLayoutEffect, useRef, useSyncExternalStore } from 'react';

/** One key of a page: what it does in words, and doing it. */
export interface KeyBinding {
  key: string;
  what: string;
  run: () => void;
}

/** Keys in force, innermost last; the innermost binding of a key wins. */
let layers: { id: number; bindings: readonly KeyBinding[] }[] = [];
let nextId = 1;
const listeners = new Set<() => void>();

function changed(): void {
  for (const listener of listeners) listener();
}

/**
 * Puts keys in force while the component is on the page; before it is painted, so that no key is struck into nothing.
 */
export function useKeys(bindings: readonly KeyBinding[]): void {
  const latest = useRef(bindings);
  // Before any layout effect: a key that waited for the page is struck in one, and means the bindings now drawn.
  useInsertionEffect(() => {
    latest.current = bindings;
  });
  const signature = bindings.map((b) => `${b.key}\n${b.what}`).join('\n');
  useLayoutEffect(() => {
    const id = nextId++;
    const own = latest.current.map((b): KeyBinding => ({
      key: b.key,
      what: b.what,
      run: () => latest.current.find((l) => l.key === b.key)?.run(),
    }));
    layers = [...layers, { id, bindings: own }];
    changed();
    return () => {
      layers = layers.filter((l) => l.id !== id);
      changed();
    };
  }, [signature]);
}

/** Every key in force, for the page that lists them. */
export function useKeysInForce(): KeyBinding[] {
  const snapshot = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => layers,
  );
  const byKey = new Map<string, KeyBinding>();
  for (const { bindings } of snapshot) for (const binding of bindings) byKey.set(binding.key, binding);
  return [...byKey.values()];
}

function bindingFor(key: string): KeyBinding | undefined {
  for (let i = layers.length - 1; i >= 0; i--) {
    const found = layers[i]!.bindings.find((b) => b.key === key);
    if (found) return found;
  }
  return undefined;
}

/** Whether a key stroke belongs to what is being typed. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

/** Whether a key belongs to the control that has the focus: letters mean nothing to a radio button or a checkbox. */
function isForControl({ target, key }: KeyboardEvent): boolean {
  const isChoice = target instanceof HTMLInputElement && /^(?:radio|checkbox)$/.test(target.type);
  return isTyping(target) && !(isChoice && key.length === 1 && key !== ' ');
}

/** How long after `g` its second letter may come. */
const SEQUENCE_MS = 1500;

/** Keys that wait for a page on its way; more than a hand strikes in that time is noise. */
const MOST_WAITING = 8;

/**
 * Listens to the window: single keys, and `g` followed by a letter. Never shadows the browser, never fires while
 * typing. Keys struck while a page is on its way wait for it: `g c n` means the new page's `n`.
 *
 * @param isOnTheWay - asked at every key, and when the frame is drawn anew
 */
export function useKeyListener(areLettersOn: boolean, isOnTheWay: () => boolean): void {
  const goneAt = useRef(-Infinity);
  const waiting = useRef<string[]>([]);
  const onTheWay = useRef(isOnTheWay);
  useLayoutEffect(() => {
    onTheWay.current = isOnTheWay;
    // A key that leads on leaves the rest to the page it leads to.
    while (waiting.current.length > 0 && !isOnTheWay()) bindingFor(waiting.current.shift()!)?.run();
  });
  useLayoutEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.isComposing) return;
      if (
        event.key.toLowerCase() === 'z' &&
        (event.ctrlKey || event.metaKey) &&
        !event.shiftKey &&
        !isTyping(event.target)
      ) {
        const undo = bindingFor('Ctrl+Z');
        if (undo) {
          event.preventDefault();
          undo.run();
        }
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey || isForControl(event)) return;
      if (document.querySelector('[role="dialog"]')) return;
      const isSequence = event.timeStamp - goneAt.current < SEQUENCE_MS;
      goneAt.current = -Infinity;
      if (event.key === 'g' && areLettersOn) {
        goneAt.current = event.timeStamp;
        return;
      }
      if (/^[a-z]$/.test(event.key) && !areLettersOn) return;
      const key = isSequence ? `g ${event.key}` : event.key;
      if (onTheWay.current()) {
        if (waiting.current.length < MOST_WAITING) waiting.current.push(key);
        return;
      }
      const binding = bindingFor(key);
      if (!binding) return;
      event.preventDefault();
      binding.run();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [areLettersOn]);
}
