import type { Spin } from '../craft/layouts.ts';

export type Thread = 'right' | 'left';

export interface ThreadAdvice {
  /** Thread whose nut drag tightens on this shaft. */
  selfTightening: Thread;
  /** Way to turn the nut off, seen from the nut. */
  undo: Spin;
}

/**
 * Which nut drag tightens, and which way it comes off.
 *
 * The prop drags behind its shaft, so the nut is turned against the spin: on a shaft that turns counter-clockwise seen
 * from the nut a right-hand nut tightens, on a clockwise one a left-hand nut. Braking controllers undo any nut: lock it
 * always.
 *
 * @param nutSpin - seen from the nut
 * @param thread - of the nut that is on; null for the self-tightening one
 */
export function threadAdvice(nutSpin: Spin, thread: Thread | null = null): ThreadAdvice {
  const selfTightening: Thread = nutSpin === 'cw' ? 'left' : 'right';
  return { selfTightening, undo: (thread ?? selfTightening) === 'right' ? 'ccw' : 'cw' };
}
