import type { PropMaterial, SchoolPlan, SchoolStep } from '@zivvo/core';
import { formatNumber } from './formatQuantity.ts';

/** A school's work in words, step by step. */
export interface SchoolWords {
  steps: string[];
  /** What is said when a little was done; null where there is nothing to do. */
  done: string | null;
}

const milligrams = (massKg: number): string => `${formatNumber(massKg * 1e6, 0)} mg`;

/** A place in words: blades count from the marked one, the hub's sides from there clockwise. */
export function placeWords(kind: 'blade' | 'hub', index: number, bladeCount: number): string {
  return kind === 'blade'
    ? `blade ${index + 1}`
    : index === bladeCount
      ? 'the hub, right of blade 1'
      : 'the hub, left of blade 1';
}

/**
 * A school's work in the order of the hand: mark first, a little at a time, check again.
 *
 * @param patch - length and width that a strip of tape would cover on a blade [m]
 */
export function schoolWords(
  plan: SchoolPlan,
  bladeCount: number,
  patch: { longestM: number; widthM: number },
  material: PropMaterial,
): SchoolWords {
  const named = (step: SchoolStep): string => placeWords(step.kind, step.place, bladeCount);
  const all = plan.steps.map(named).join(' and ');
  if (plan.steps.length === 0)
    return {
      steps: [
        plan.acrossKgM > 0
          ? 'Nothing to do on the blades: what is left lies across them. Put tape or lacquer on the hub’s lighter side.'
          : 'Too little is left to work on: let it go and look again.',
      ],
      done: null,
    };
  switch (plan.school) {
    case 'sand': {
      const isCarbon = material === 'carbon' || material === 'carbonNylon';
      return {
        steps: [
          `Mark the heavy side first, in pencil: ${all}.`,
          'Back face only, paper on a soft backing, so that the section stays. Leading edge and root are left alone.',
          isCarbon ? 'Wet paper 400, then 800, outside and with a mask.' : 'Paper 400, then 800, with a mask.',
          ...plan.steps.map(
            (s) =>
              `In all about ${milligrams(s.massKg)} off ${named(s)}: ${formatNumber((s.depthM ?? 0) * 1000, 2)} ` +
              `mm over ${formatNumber(patch.longestM * 1000, 0)} × ${formatNumber(patch.widthM * 1000, 0)} mm, ` +
              'three quarters out. Take a third of it.',
          ),
          ...(plan.acrossKgM > 0
            ? ['The part across the blades stays: that goes to the hub’s lighter side, as tape or lacquer.']
            : []),
          'Dust off, clean, then let go and look again.',
        ],
        done: `A little is off ${all}: look again`,
      };
    }
    case 'lacquer':
      return {
        steps: [
          'A thin coat on the back of the light side: ' +
            `${plan.steps.map((s) => `${milligrams(s.massKg)} on ${named(s)}`).join(', ')}, weighed dry; wet it ` +
            'is about twice that.',
          'Let it dry lying level, so that it does not run to the tip.',
          'Then let go and look again.',
        ],
        done: `A coat is on ${all}: look again`,
      };
    case 'drill':
      return {
        steps: [
          `Mark the heavy side of the hub: ${formatNumber(plan.drillDegrees ?? 0, 0)}° from blade 1, clockwise ` +
            'as the label is seen.',
          `In all about ${milligrams(plan.steps[0]!.massKg)} out of it, never deeper or nearer to the bore ` +
            'than its maker allows. Take half of it.',
          'Chips off, then let go and look again.',
        ],
        done: 'A little is out of the hub: look again',
      };
  }
}
