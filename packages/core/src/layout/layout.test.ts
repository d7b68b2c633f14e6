import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { layOut, otherSpin, type Layout, type Spin } from '../craft/layouts.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { fixPlan, moveCosts } from './fixes.ts';
import { findHand, type HandSigns } from './handFinder.ts';
import { hoverMargin, marginsAfterLoss } from './hoverMargin.ts';
import { layoutMoments } from './layoutMoments.ts';
import { rotorAction, type FittedRotor } from './rotorAction.ts';
import { takeOff, type CheckedRotor } from './takeOff.ts';
import { threadAdvice } from './threads.ts';

const checked = (layout: Layout, change: (r: CheckedRotor, i: number) => Partial<CheckedRotor> = () => ({})): CheckedRotor[] =>
  layOut({ layout, diagonalM: 0.5, arms: null }).map((r, i) => {
    const right: CheckedRotor = { place: r.place, level: r.level, xM: r.xM, yM: r.yM, spin: r.spin, expectedSpin: r.spin, isSpinSeen: true, hand: r.spin, isLabelForward: true };
    return { ...right, ...change(right, i) };
  });

/** Independent sum of forces: vectors crossed with arms, the helix by its handedness alone. */
function crossSum(rotors: readonly FittedRotor[]): { thrust: number; roll: number; pitch: number; yaw: number } {
  let [thrust, roll, pitch, yaw] = [0, 0, 0, 0];
  for (const r of rotors) {
    // +1: the screw pulls toward its label; turned over, the label looks down.
    const screw = r.hand === r.spin ? 1 : -1;
    const strength = r.isLabelForward === (screw > 0) ? 1 : 0.5;
    const drag = r.isLabelForward === (screw > 0) ? 1 : 0.85;
    const up = screw * strength;
    // Force (0, 0, −up) in forward-right-down axes, at (x, y, 0): moment = r × F.
    const [x, y, fz] = [r.xM, r.yM, -up];
    thrust += up;
    roll += y * fz;
    pitch += -x * fz;
    yaw += (r.spin === 'ccw' ? 1 : -1) * drag * 0.02;
  }
  return { thrust, roll, pitch, yaw };
}

describe('what a piece does', () => {
  test('turning it over never changes its hand', () => {
    expect([rotorAction('cw', 'cw', true), rotorAction('cw', 'cw', false), rotorAction('cw', 'ccw', true), rotorAction('cw', 'ccw', false)].map((a) => a.thrustRatio)).toEqual([1, 0.5, -0.5, -1]);
    expect(rotorAction('ccw', 'either', false)).toEqual({ thrustRatio: 1, torqueRatio: 1 });
  });

  test('all 256 arrangements of a quad agree with an independent sum', () => {
    for (let bits = 0; bits < 256; bits++) {
      const rotors = checked('quadX', (r, i) => ({ hand: bits & (1 << i) ? r.spin : otherSpin(r.spin), isLabelForward: (bits & (16 << i)) > 0 }));
      const [own, sum] = [layoutMoments(rotors, 1, 0.02), crossSum(rotors)];
      expect([own.thrustN, own.rollNm, own.pitchNm, own.yawNm].every((v, k) => Math.abs(v - [sum.thrust, sum.roll, sum.pitch, sum.yaw][k]!) < 1e-12)).toBe(true);
    }
  });

  test('2,000 other arrangements too', () => {
    const random = seededRandom('layouts');
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!;
    for (let i = 0; i < 2000; i++) {
      const rotors = Array.from({ length: 2 + Math.floor(random.next() * 8) }, (): FittedRotor => ({ place: 'front', level: 0, xM: random.next() - 0.5, yM: random.next() - 0.5, spin: pick<Spin>(['cw', 'ccw']), hand: pick<Spin>(['cw', 'ccw']), isLabelForward: random.next() < 0.5 }));
      const [own, sum] = [layoutMoments(rotors, 1, 0.02), crossSum(rotors)];
      expect(Math.abs(own.thrustN - sum.thrust) + Math.abs(own.rollNm - sum.roll) + Math.abs(own.pitchNm - sum.pitch) + Math.abs(own.yawNm - sum.yaw)).toBeLessThan(1e-11);
    }
  });
});

describe('take-off, before it happens', () => {
  test('a right craft flies once its spins were seen; before that it is not called confirmed', () => {
    for (const layout of ['quadX', 'quadPlus', 'hexX', 'octoPlus', 'y6', 'x8'] as const) expect(takeOff(checked(layout), 'multirotor')).toMatchObject({ verdict: 'flies', isConfirmed: true, faults: [] });
    expect(takeOff(checked('quadX', (_, i) => ({ isSpinSeen: i > 0 })), 'multirotor')).toMatchObject({ verdict: 'flies', isConfirmed: false });
  });
  test('one wrong piece: it tips toward that arm', () => {
    checked('quadX').forEach((wrong, k) => {
      const state = takeOff(checked('quadX', (r, i) => (i === k ? { hand: otherSpin(r.spin) } : {})), 'multirotor');
      expect(state).toMatchObject({ verdict: 'tips', tipsToward: wrong.place });
    });
  });
  test('the two rear pieces swapped: it tips to the rear', () => {
    const state = takeOff(checked('quadX', (r) => (r.place === 'rearLeft' || r.place === 'rearRight' ? { hand: otherSpin(r.spin) } : {})), 'multirotor');
    expect(state).toMatchObject({ verdict: 'tips', tipsToward: 'rear' });
    expect(state.moments!.tipsDegrees).toBeCloseTo(180, 6);
  });
  test('spins and pieces all opposite: it lifts, then yaw runs away; pieces alone: pressed to the ground', () => {
    expect(takeOff(checked('quadX', (r) => ({ spin: otherSpin(r.spin), hand: otherSpin(r.spin) })), 'multirotor').verdict).toBe('yawRunsAway');
    expect(takeOff(checked('quadX', (r) => ({ hand: otherSpin(r.spin) })), 'multirotor').verdict).toBe('pressed');
    expect(takeOff(checked('quadX', (r) => ({ isLabelForward: false, hand: r.spin })), 'multirotor').verdict).toBe('cannotLift');
  });
  test('one motor the wrong way with a matching piece: yaw drifts', () => {
    expect(takeOff(checked('quadX', (r, i) => (i === 0 ? { spin: otherSpin(r.spin), hand: otherSpin(r.spin) } : {})), 'multirotor').verdict).toBe('yawDrifts');
  });
  test('an unknown hand is asked for, nothing is guessed', () => {
    expect(takeOff(checked('quadX', (_, i) => (i === 2 ? { hand: null } : {})), 'multirotor')).toMatchObject({ verdict: 'unknown', moments: null });
    expect(takeOff([], 'multirotor').verdict).toBe('unknown');
  });
  test('a plane: an ordinary prop is CCW seen from its label, on a shaft that turns clockwise from behind', () => {
    const plane = (change: Partial<CheckedRotor>): CheckedRotor[] => checked('tractor', () => ({ hand: 'ccw', ...change }));
    expect(takeOff(plane({}), 'plane')).toMatchObject({ verdict: 'flies', faults: [] });
    expect(takeOff(plane({ hand: 'cw' }), 'plane').verdict).toBe('pushesBack');
    expect(takeOff(plane({ isLabelForward: false }), 'plane').verdict).toBe('weak');
  });
});

describe('the fewest moves', () => {
  /** Every way to mend, tried out: swaps of any two pieces, spares, turning over, reversing. */
  function bruteCost(rotors: readonly CheckedRotor[]): number {
    const n = rotors.length;
    let best = Infinity;
    const spin = rotors.reduce((sum, r) => sum + (r.spin === r.expectedSpin ? 0 : moveCosts.reverse), 0);
    // Each arm keeps its piece, takes a spare, or changes with another arm.
    const walk = (i: number, cost: number, taken: number): void => {
      if (cost >= best) return;
      if (i === n) {
        best = cost;
        return;
      }
      if (taken & (1 << i)) return walk(i + 1, cost, taken);
      const r = rotors[i]!;
      if (r.hand === r.expectedSpin) walk(i + 1, cost + (r.isLabelForward ? 0 : moveCosts.turnOver), taken);
      walk(i + 1, cost + moveCosts.spare, taken);
      for (let j = i + 1; j < n; j++) {
        if (taken & (1 << j)) continue;
        if (rotors[j]!.hand === r.expectedSpin && r.hand === rotors[j]!.expectedSpin) walk(i + 1, cost + moveCosts.swap, taken | (1 << j));
      }
    };
    walk(0, 0, 0);
    return best + spin;
  }

  test('cost as little as trying everything out, up to four faults', () => {
    const random = seededRandom('fixes');
    for (const layout of ['quadX', 'hexX', 'octoX'] as const) {
      for (let k = 0; k < 120; k++) {
        const count = checked(layout).length;
        const faulty = new Set(Array.from({ length: 1 + Math.floor(random.next() * 4) }, () => Math.floor(random.next() * count)));
        const rotors = checked(layout, (r, i) => (faulty.has(i) ? [{ hand: otherSpin(r.spin) }, { isLabelForward: false }, { spin: otherSpin(r.spin) }, { hand: otherSpin(r.spin), isLabelForward: false }][Math.floor(random.next() * 4)]! : {}));
        expect(fixPlan(rotors, 'multirotor', { cwCount: 9, ccwCount: 9 }).cost).toBe(bruteCost(rotors));
      }
    }
  });
  test('a swap of neighbours stands first and needs no spare', () => {
    const plan = fixPlan(checked('quadX', (r) => (r.place.startsWith('rear') ? { hand: otherSpin(r.spin) } : {})), 'multirotor', { cwCount: 0, ccwCount: 0 });
    expect(plan.moves).toEqual([expect.objectContaining({ kind: 'swap', areNeighbours: true })]);
    expect([plan.cost, plan.missing]).toEqual([2, { cwCount: 0, ccwCount: 0 }]);
  });
  test('pieces that are not there are named by hand', () => {
    const plan = fixPlan(checked('quadX', (r) => ({ hand: r.spin === 'cw' ? 'ccw' : r.spin })), 'multirotor', { cwCount: 1, ccwCount: 0 });
    expect(plan.missing).toEqual({ cwCount: 1, ccwCount: 0 });
    expect(fixPlan(checked('quadX'), 'multirotor', { cwCount: 0, ccwCount: 0 }).moves).toEqual([]);
  });
  test('doing what it says makes any craft fly', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), fc.boolean(), fc.boolean()), { minLength: 4, maxLength: 4 }), (flags) => {
        let rotors = checked('quadX', (r, i) => ({ hand: flags[i]![0] ? otherSpin(r.spin) : r.spin, isLabelForward: !flags[i]![1], spin: flags[i]![2] ? otherSpin(r.spin) : r.spin }));
        for (const move of fixPlan(rotors, 'multirotor', { cwCount: 4, ccwCount: 4 }).moves) {
          const at = (arm: { place: string }) => rotors.find((r) => r.place === arm.place)!;
          const set = (arm: { place: string }, change: Partial<CheckedRotor>): void => void (rotors = rotors.map((r) => (r.place === arm.place ? { ...r, ...change } : r)));
          if (move.kind === 'reverse') set(move.arm, { spin: move.to });
          else if (move.kind === 'turnOver') set(move.arm, { isLabelForward: true });
          else if (move.kind === 'spare') set(move.arm, { hand: move.hand, isLabelForward: true });
          else {
            const [a, b] = [at(move.a).hand, at(move.b).hand];
            set(move.a, { hand: b, isLabelForward: true });
            set(move.b, { hand: a, isLabelForward: true });
          }
        }
        expect(takeOff(rotors, 'multirotor')).toMatchObject({ verdict: 'flies', faults: [] });
      }),
      { seed: 5 },
    );
  });
});

describe('rotors out', () => {
  const rotorsOf = (layout: Layout) => layOut({ layout, diagonalM: 0.6, arms: null });
  test('all turning: thrust over weight', () => expect(hoverMargin(rotorsOf('quadX'), 10, 0.02, 20)).toBeCloseTo(2, 6));
  test('a quad without one rotor cannot hover; an alternating hex only on the edge; an octo can', () => {
    expect(Math.max(...marginsAfterLoss(rotorsOf('quadX'), 10, 0.02, 20))).toBeCloseTo(0, 6);
    for (const margin of marginsAfterLoss(rotorsOf('hexX'), 10, 0.02, 30)) expect(margin).toBeCloseTo(40 / 30, 6);
    for (const margin of marginsAfterLoss(rotorsOf('octoX'), 10, 0.02, 40)) expect(margin).toBeGreaterThan(1);
    for (const margin of marginsAfterLoss(rotorsOf('x8'), 10, 0.02, 40)) expect(margin).toBeGreaterThan(1);
  });
  test('a tri holds its yaw only by tilting its tail', () => {
    const tri = rotorsOf('tri');
    expect(hoverMargin(tri, 10, 0.02, 15)).toBeCloseTo(0, 6);
    expect(hoverMargin(tri.map((r) => ({ ...r, tiltDegrees: r.place === 'rear' ? 25 : 0 })), 10, 0.02, 15)).toBeGreaterThan(1.5);
  });
  test('nothing turning holds nothing, nonsense is refused', () => {
    expect(hoverMargin([], 10, 0.02, 20)).toBe(0);
    expect(() => hoverMargin(rotorsOf('quadX'), 0, 0.02, 20)).toThrow(/mostThrustN/);
  });
});

test('a right-hand nut tightens on a CCW shaft, a left-hand one on a CW shaft; hanging motors are mirrored', () => {
  expect([threadAdvice('ccw', false), threadAdvice('cw', false), threadAdvice('cw', true)]).toEqual([{ selfTightening: 'right', undo: 'ccw' }, { selfTightening: 'left', undo: 'cw' }, { selfTightening: 'right', undo: 'ccw' }]);
  expect(threadAdvice('cw', false, 'right').undo).toBe('ccw');
});

describe('the hand of a piece', () => {
  const none: HandSigns = { letters: null, arrow: null, matchesArm: null, leadingEdge: null, hollow: null };
  const noLetters = { cwLetters: null, ccwLetters: null };
  test('letters count as their maker means them, and no other', () => {
    expect(findHand({ ...none, letters: 'b' }, { cwLetters: 'A', ccwLetters: 'B' }).hand).toBe('ccw');
    expect(findHand({ ...none, letters: 'A' }, noLetters)).toMatchObject({ hand: null, ask: 'arrow' });
    expect(findHand({ ...none, letters: 'R' }, noLetters).hand).toBe('cw');
  });
  test('the higher edge leads: on the right of a blade that points up it turns clockwise; from the back the other way', () => {
    expect(findHand({ ...none, leadingEdge: 'right' }, noLetters).hand).toBe('cw');
    expect(findHand({ ...none, leadingEdge: 'right', hollow: 'toward' }, noLetters).hand).toBe('ccw');
  });
  test('signs that contradict each other are not believed', () => {
    expect(findHand({ ...none, arrow: 'cw', leadingEdge: 'left' }, noLetters)).toMatchObject({ hand: null, isContradicting: true });
  });
  test('nothing seen: the letters are asked for first', () => expect(findHand(none, noLetters)).toMatchObject({ hand: null, ask: 'letters' }));
});
