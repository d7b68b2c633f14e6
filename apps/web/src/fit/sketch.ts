import {
  fixPlan,
  labelSpinOf,
  layoutKind,
  layOut,
  otherSpin,
  takeOff,
  type CheckedRotor,
  type FixPlan,
  type Layout,
  type TakeOff,
} from '@zivvo/core';

/** A craft that nobody has described: its arms, how each motor turns, and what is on it. */
export interface Sketch {
  layout: Layout;
  arms: { isSpinTurned: boolean; isHandTurned: boolean; isFaceTurned: boolean }[];
}

/** Arrangements that can be sketched without a measurement. */
export const sketchLayouts = [
  'quadX',
  'quadPlus',
  'hexX',
  'hexPlus',
  'octoX',
  'y6',
  'x8',
  'tri',
  'tractor',
  'pusher',
  'twinTractor',
] as const satisfies readonly Layout[];

/** Any distance will do: what tips is told by directions alone. */
const REACH_M = 0.3;
/** A share of the weight is carried by each; the drag of a usual prop is a small part of it. */
const CARRY = { thrustN: 1, torqueNm: 0.015 };

/** A craft as it should be. */
export function newSketch(layout: Layout): Sketch {
  return {
    layout,
    arms: layOut({ layout, diagonalM: REACH_M, arms: null }).map(() => ({
      isSpinTurned: false,
      isHandTurned: false,
      isFaceTurned: false,
    })),
  };
}

/** The arms as they are drawn. */
export function rotorsOf({ layout, arms }: Sketch): CheckedRotor[] {
  const kind = layoutKind(layout);
  return layOut({ layout, diagonalM: REACH_M, arms: null }).map(({ place, level, xM, yM, spin, cantDegrees }, i) => {
    const { isSpinTurned, isHandTurned, isFaceTurned } = arms[i]!;
    const right = labelSpinOf(spin, kind);
    return {
      place,
      level,
      xM,
      yM,
      cantDegrees,
      expectedSpin: spin,
      spin: isSpinTurned ? otherSpin(spin) : spin,
      isSpinSeen: true,
      hand: isHandTurned ? otherSpin(right) : right,
      isLabelForward: !isFaceTurned,
    };
  });
}

/** What the sketched craft will do, and what mends it. */
export function judgeSketch(sketch: Sketch): { rotors: CheckedRotor[]; takeOff: TakeOff; plan: FixPlan } {
  const rotors = rotorsOf(sketch);
  const kind = layoutKind(sketch.layout);
  return {
    rotors,
    takeOff: takeOff(rotors, kind, { carry: CARRY, most: null, hasTailServo: sketch.layout === 'tri' }),
    plan: fixPlan(rotors, kind, { cwCount: rotors.length, ccwCount: rotors.length }),
  };
}
