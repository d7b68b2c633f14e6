import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { layOut, motorSpinOf, nutSpinOf, otherSpin, type CraftKind, type Layout, type Spin } from '../craft/layouts.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { fixPlan, moveCosts, tablePlan } from './fixes.ts';
import { findHand, type HandSigns } from './handFinder.ts';
import {
  controlAuthority,
  controlledRotors,
  hoverMargin,
  rotorLosses,
  type RotorForces,
  type RotorLoss,
} from './control.ts';
import { forceReasons, type CraftForces } from './forceReasons.ts';
import { armChecks, checksAfterChange, isLookedAt, mountChecks, mountKinds } from './hardware.ts';
import { layoutMoments } from './layoutMoments.ts';
import { rotorAction, type FittedRotor } from './rotorAction.ts';
import { isSideThrustWrong, sideThrustFor } from './sideThrust.ts';
import { takeOff as takeOffWith, type CheckedRotor } from './takeOff.ts';
import { threadAdvice } from './threads.ts';

const carry = { thrustN: 4, torqueNm: 0.06 };
const usual = { carry, most: null, hasTailServo: false };
const takeOff = (rotors: readonly CheckedRotor[], kind: CraftKind) => takeOffWith(rotors, kind, usual);

const checked = (
  layout: Layout,
  change: (r: CheckedRotor, i: number) => Partial<CheckedRotor> = () => ({}),
): CheckedRotor[] =>
  layOut({ layout, diagonalM: 0.5, arms: null }).map((r, i) => {
    const right: CheckedRotor = {
      cantDegrees: r.cantDegrees,
      place: r.place,
      level: r.level,
      xM: r.xM,
      yM: r.yM,
      spin: r.spin,
      expectedSpin: r.spin,
      isSpinSeen: true,
      hand: r.spin,
      isLabelForward: true,
    };
    return { ...right, ...change(right, i) };
  });

/** Independent sum of forces: vectors crossed with arms, the helix by its handedness alone. */
function crossSum(rotors: readonly FittedRotor[]): { thrust: number; roll: number; pitch: number; yaw: number } {
  let [thrust, roll, pitch, yaw] = [0, 0, 0, 0];
  for (const r of rotors) {
    // +1: the screw pulls toward its label; turned over, the label looks down.
    const screw = r.hand === r.spin ? 1 : -1;
    const strength = r.isLabelForward === screw > 0 ? 1 : 0.5;
    const drag = r.isLabelForward === screw > 0 ? 1 : 0.85;
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
    expect(
      [
        rotorAction('cw', 'cw', true),
        rotorAction('cw', 'cw', false),
        rotorAction('cw', 'ccw', true),
        rotorAction('cw', 'ccw', false),
      ].map((a) => a.thrustRatio),
    ).toEqual([1, 0.5, -0.5, -1]);
    expect(rotorAction('ccw', 'either', false)).toEqual({ thrustRatio: 1, torqueRatio: 1 });
  });

  test('all 256 arrangements of a quad agree with an independent sum', () => {
    for (let bits = 0; bits < 256; bits++) {
      const rotors = checked('quadX', (r, i) => ({
        hand: bits & (1 << i) ? r.spin : otherSpin(r.spin),
        isLabelForward: (bits & (16 << i)) > 0,
      }));
      const [own, sum] = [layoutMoments(rotors, 1, 0.02), crossSum(rotors)];
      expect(
        [own.thrustN, own.rollNm, own.pitchNm, own.yawNm].every(
          (v, k) => Math.abs(v - [sum.thrust, sum.roll, sum.pitch, sum.yaw][k]!) < 1e-12,
        ),
      ).toBe(true);
    }
  });

  test('2,000 other arrangements too', () => {
    const random = seededRandom('layouts');
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!;
    for (let i = 0; i < 2000; i++) {
      const rotors = Array.from({ length: 2 + Math.floor(random.next() * 8) }, (): FittedRotor => ({
        place: 'front',
        level: 0,
        xM: random.next() - 0.5,
        yM: random.next() - 0.5,
        spin: pick<Spin>(['cw', 'ccw']),
        hand: pick<Spin>(['cw', 'ccw']),
        isLabelForward: random.next() < 0.5,
      }));
      const [own, sum] = [layoutMoments(rotors, 1, 0.02), crossSum(rotors)];
      expect(
        Math.abs(own.thrustN - sum.thrust) +
          Math.abs(own.rollNm - sum.roll) +
          Math.abs(own.pitchNm - sum.pitch) +
          Math.abs(own.yawNm - sum.yaw),
      ).toBeLessThan(1e-11);
    }
  });
});

describe('take-off, before it happens', () => {
  test('a right craft flies once its spins were seen; before that it is not called confirmed', () => {
    for (const layout of ['quadX', 'quadPlus', 'quadVTail', 'hexX', 'octoPlus', 'y6', 'x8'] as const)
      expect(takeOff(checked(layout), 'multirotor')).toMatchObject({ verdict: 'flies', isConfirmed: true, faults: [] });
    expect(
      takeOff(
        checked('quadX', (_, i) => ({ isSpinSeen: i > 0 })),
        'multirotor',
      ),
    ).toMatchObject({ verdict: 'flies', isConfirmed: false });
  });
  test('one wrong piece: it tips toward that arm', () => {
    checked('quadX').forEach((wrong, k) => {
      const state = takeOff(
        checked('quadX', (r, i) => (i === k ? { hand: otherSpin(r.spin) } : {})),
        'multirotor',
      );
      expect(state).toMatchObject({ verdict: 'tips', tip: { toward: wrong.place, liftRatio: 0.625 } });
    });
  });
  test('the two rear pieces swapped: it tips to the rear', () => {
    const state = takeOff(
      checked('quadX', (r) => (r.place === 'rearLeft' || r.place === 'rearRight' ? { hand: otherSpin(r.spin) } : {})),
      'multirotor',
    );
    expect(state).toMatchObject({ verdict: 'tips', tip: { toward: 'rear' }, pullRatios: [1, 1, -0.5, -0.5] });
    expect(state.tip!.degrees).toBeCloseTo(180, 6);
    // Each rear rotor lacks 1.5 · 4 N at 0.25·cos 45° m behind the centre.
    expect(state.tip!.momentNm).toBeCloseTo(2 * 1.5 * 4 * 0.25 * Math.SQRT1_2, 9);
  });
  test('spins and pieces all opposite: it lifts, then yaw runs away; pieces alone: pressed to the ground', () => {
    expect(
      takeOff(
        checked('quadX', (r) => ({ spin: otherSpin(r.spin), hand: otherSpin(r.spin) })),
        'multirotor',
      ).verdict,
    ).toBe('yawRunsAway');
    expect(
      takeOff(
        checked('quadX', (r) => ({ hand: otherSpin(r.spin) })),
        'multirotor',
      ).verdict,
    ).toBe('pressed');
    expect(
      takeOff(
        checked('quadX', (r) => ({ isLabelForward: false, hand: r.spin })),
        'multirotor',
      ).verdict,
    ).toBe('cannotLift');
  });
  /** Motors that turn the other way, each with a piece that suits it: all pull up. */
  const reversed = (layout: Layout, places: readonly string[]): CheckedRotor[] =>
    checked(layout, (r) => (places.includes(r.place) ? { spin: otherSpin(r.spin), hand: otherSpin(r.spin) } : {}));
  test.each([
    [['frontLeft']],
    [['frontLeft', 'frontRight', 'rearLeft']],
    [['frontLeft', 'rearRight']],
    [['frontLeft', 'frontRight']],
  ])('a quad with %j and their pieces reversed cannot be flown', (places) => {
    const state = takeOff(reversed('quadX', places), 'multirotor');
    expect(state.verdict).toBe('cannotFly');
    expect(state.reasons[0]).toMatchObject({
      code: 'fit.cannotFly',
      severity: 'danger',
      values: { wrongSpinCount: places.length, count: 4 },
    });
  });
  test('yaw runs away only where a level hover can be steered, and drifts where the rest can still hold it', () => {
    expect(takeOff(reversed('octoX', ['frontLeft']), 'multirotor').verdict).toBe('yawDrifts');
    expect(
      takeOff(
        checked('hexX', (r) => ({ spin: otherSpin(r.spin), hand: otherSpin(r.spin) })),
        'multirotor',
      ).verdict,
    ).toBe('yawRunsAway');
    const servo = { carry, most: null, hasTailServo: true };
    expect(takeOffWith(checked('tri'), 'multirotor', servo).verdict).toBe('flies');
    expect(takeOffWith(reversed('tri', ['frontLeft']), 'multirotor', servo).verdict).toBe('yawDrifts');
  });
  test('arms that all turn one way cannot be flown, even where the table expects it so', () => {
    expect(
      takeOff(
        checked('quadX', () => ({ spin: 'cw', expectedSpin: 'cw', hand: 'cw' })),
        'multirotor',
      ).verdict,
    ).toBe('cannotFly');
  });
  test('every label the wrong way: weak where half the thrust still lifts it, else it does not lift', () => {
    const over = checked('quadX', () => ({ isLabelForward: false }));
    expect(
      takeOffWith(over, 'multirotor', {
        carry,
        most: { mostThrustN: 3 * carry.thrustN, torquePerThrustM: 0.015, weightN: 4 * carry.thrustN },
        hasTailServo: false,
      }).verdict,
    ).toBe('weak');
    expect(
      takeOffWith(over, 'multirotor', {
        carry,
        most: { mostThrustN: 1.6 * carry.thrustN, torquePerThrustM: 0.015, weightN: 4 * carry.thrustN },
        hasTailServo: false,
      }).verdict,
    ).toBe('cannotLift');
  });
  test('an unknown hand is asked for, nothing is guessed', () => {
    expect(
      takeOff(
        checked('quadX', (_, i) => (i === 2 ? { hand: null } : {})),
        'multirotor',
      ),
    ).toMatchObject({ verdict: 'unknown', tip: null, pullRatios: null });
    expect(takeOff([], 'multirotor').verdict).toBe('unknown');
  });
  test('a plane: an ordinary prop is CCW seen from its label, on a shaft that turns clockwise from behind', () => {
    const plane = (change: Partial<CheckedRotor>): CheckedRotor[] =>
      checked('tractor', () => ({ hand: 'ccw', ...change }));
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
        if (rotors[j]!.hand === r.expectedSpin && r.hand === rotors[j]!.expectedSpin)
          walk(i + 1, cost + moveCosts.swap, taken | (1 << j));
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
        const faulty = new Set(
          Array.from({ length: 1 + Math.floor(random.next() * 4) }, () => Math.floor(random.next() * count)),
        );
        const rotors = checked(layout, (r, i) =>
          faulty.has(i)
            ? [
                { hand: otherSpin(r.spin) },
                { isLabelForward: false },
                { spin: otherSpin(r.spin) },
                { hand: otherSpin(r.spin), isLabelForward: false },
              ][Math.floor(random.next() * 4)]!
            : {},
        );
        expect(fixPlan(rotors, 'multirotor', { cwCount: 9, ccwCount: 9 }).cost).toBe(bruteCost(rotors));
      }
    }
  });
  test('a swap of neighbours stands first and needs no spare', () => {
    const plan = fixPlan(
      checked('quadX', (r) => (r.place.startsWith('rear') ? { hand: otherSpin(r.spin) } : {})),
      'multirotor',
      { cwCount: 0, ccwCount: 0 },
    );
    expect(plan.moves).toEqual([expect.objectContaining({ kind: 'swap', areNeighbours: true })]);
    expect([plan.cost, plan.missing]).toEqual([2, { cwCount: 0, ccwCount: 0 }]);
  });
  test('pieces that are not there are named by hand', () => {
    const plan = fixPlan(
      checked('quadX', (r) => ({ hand: r.spin === 'cw' ? 'ccw' : r.spin })),
      'multirotor',
      { cwCount: 1, ccwCount: 0 },
    );
    expect(plan.missing).toEqual({ cwCount: 1, ccwCount: 0 });
    expect(fixPlan(checked('quadX'), 'multirotor', { cwCount: 0, ccwCount: 0 }).moves).toEqual([]);
  });
  test('where the motors could stay, the controller is told instead; else there is one remedy', () => {
    const allReversed = checked('quadX', (r) => ({ spin: otherSpin(r.spin), hand: otherSpin(r.spin) }));
    const spares = { cwCount: 0, ccwCount: 0 };
    expect(tablePlan(allReversed, 'multirotor', spares, usual)).toMatchObject({
      cost: 1,
      moves: [{ kind: 'table', armCount: 4 }],
    });
    // The pieces still suit the old spins: each of them moves too.
    const onlyMotors = allReversed.map((r) => ({ ...r, hand: otherSpin(r.spin) }));
    expect(tablePlan(onlyMotors, 'multirotor', spares, usual)!.moves.map((m) => m.kind)).toEqual([
      'table',
      'swap',
      'swap',
    ]);
    expect(
      tablePlan(
        checked('quadX', (r, i) => (i === 0 ? { spin: otherSpin(r.spin) } : {})),
        'multirotor',
        spares,
        usual,
      ),
    ).toBeNull();
    expect(
      tablePlan(
        allReversed.map((r, i) => ({ ...r, isSpinSeen: i > 0 })),
        'multirotor',
        spares,
        usual,
      ),
    ).toBeNull();
    expect(tablePlan(checked('quadX'), 'multirotor', spares, usual)).toBeNull();
  });
  test('doing what it says makes any craft fly', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.boolean(), fc.boolean(), fc.boolean()), { minLength: 4, maxLength: 4 }),
        (flags) => {
          let rotors = checked('quadX', (r, i) => ({
            hand: flags[i]![0] ? otherSpin(r.spin) : r.spin,
            isLabelForward: !flags[i]![1],
            spin: flags[i]![2] ? otherSpin(r.spin) : r.spin,
          }));
          for (const move of fixPlan(rotors, 'multirotor', { cwCount: 4, ccwCount: 4 }).moves) {
            const at = (arm: { place: string }) => rotors.find((r) => r.place === arm.place)!;
            const set = (arm: { place: string }, change: Partial<CheckedRotor>): void =>
              void (rotors = rotors.map((r) => (r.place === arm.place ? { ...r, ...change } : r)));
            if (move.kind === 'reverse') set(move.arm, { spin: move.to });
            else if (move.kind === 'turnOver') set(move.arm, { isLabelForward: true });
            else if (move.kind === 'spare') set(move.arm, { hand: move.hand, isLabelForward: true });
            else if (move.kind === 'swap') {
              const [a, b] = [at(move.a).hand, at(move.b).hand];
              set(move.a, { hand: b, isLabelForward: true });
              set(move.b, { hand: a, isLabelForward: true });
            }
          }
          expect(takeOff(rotors, 'multirotor')).toMatchObject({ verdict: 'flies', faults: [] });
        },
      ),
      { seed: 5 },
    );
  });
});

test('measured arms need not balance by themselves: only what is wrong turns them over', () => {
  const arms = [
    { xM: 0.2, yM: -0.1, spin: 'cw' },
    { xM: 0.2, yM: 0.12, spin: 'ccw' },
    { xM: -0.1, yM: 0.1, spin: 'cw' },
    { xM: -0.1, yM: -0.1, spin: 'ccw' },
  ] as const;
  const rotors = layOut({ layout: 'custom', diagonalM: null, arms }).map((r): CheckedRotor => ({
    ...r,
    expectedSpin: r.spin,
    isSpinSeen: true,
    hand: r.spin,
    isLabelForward: true,
  }));
  expect(takeOff(rotors, 'multirotor').verdict).toBe('flies');
  expect(
    takeOff(
      rotors.map((r, i) => (i === 2 ? { ...r, hand: 'ccw' } : r)),
      'multirotor',
    ),
  ).toMatchObject({ verdict: 'tips', tip: { toward: rotors[2]!.place } });
});

describe('control within bounds', () => {
  const rotorsOf = (layout: Layout) =>
    controlledRotors(layOut({ layout, diagonalM: 0.6, arms: null }), layout === 'tri');
  const forces = (weightN: number, change: Partial<RotorForces> = {}): RotorForces => ({
    mostThrustN: 10,
    torquePerThrustM: 0.02,
    weightN,
    ...change,
  });
  test('all turning: thrust over weight', () => expect(hoverMargin(rotorsOf('quadX'), forces(20))).toBeCloseTo(2, 6));
  test('a quad without one rotor cannot hover; an alternating hex holds level and steers nothing; octo and coaxial craft may lose one', () => {
    const lost = (layout: Layout, weightN: number) => rotorLosses(rotorsOf(layout), forces(weightN));
    expect(Math.max(...lost('quadX', 20).map((l) => l.marginRatio))).toBeCloseTo(0, 6);
    for (const loss of lost('hexX', 30))
      expect(loss).toEqual({ marginRatio: expect.closeTo(40 / 30, 6), isSteered: false, canYaw: false });
    for (const layout of ['octoX', 'octoPlus', 'x8'] as const)
      for (const loss of lost(layout, 40)) expect(loss).toMatchObject({ isSteered: true });
    for (const loss of lost('octoX', 79)) expect(loss.isSteered).toBe(false);
  });
  test('a rotor that pushes the wrong way takes lift away and turns its own moments round', () => {
    const quad = rotorsOf('quadX');
    expect(
      controlAuthority(
        quad.map((r, i) => ({ ...r, pullRatio: i === 0 ? -0.5 : 1 })),
        forces(20),
      ),
    ).toBeNull();
    expect(
      hoverMargin(
        quad.map((r) => ({ ...r, pullRatio: 0.5 })),
        forces(20),
      ),
    ).toBeCloseTo(1, 6);
  });
  test('a tri holds its yaw only by tilting its tail', () => {
    const tri = rotorsOf('tri');
    expect(
      hoverMargin(
        tri.map((r) => ({ ...r, tiltDegrees: 0 })),
        forces(15),
      ),
    ).toBeCloseTo(0, 6);
    expect(hoverMargin(tri, forces(15))).toBeGreaterThan(1.5);
    expect(controlAuthority(tri, forces(15))).toMatchObject({ missing: [] });
  });
  test('a quad’s authority by hand: half the throttle in hand on two arms, each way', () => {
    // Hover at 5 N each: two rotors up by 5 N and two down by 5 N, at 0.3·sin 45° m; yaw: 4 · 5 N · 0.02 m.
    const found = controlAuthority(rotorsOf('quadX'), forces(20))!;
    expect(found.rollNm).toBeCloseTo(20 * 0.3 * Math.SQRT1_2, 6);
    expect(found.pitchNm).toBeCloseTo(20 * 0.3 * Math.SQRT1_2, 6);
    expect(found.yawNm).toBeCloseTo(20 * 0.02, 6);
  });
  test('the tail of a V gives many times the yaw of drag alone', () => {
    const vTail = rotorsOf('quadVTail');
    const flat = vTail.map((r) => ({ ...r, cantDegrees: 0 }));
    expect(controlAuthority(vTail, forces(18))!.yawNm).toBeGreaterThan(2 * controlAuthority(flat, forces(18))!.yawNm);
  });
  test('no craft can do more than its thrusts times its arms', () => {
    const random = seededRandom('authority');
    for (let k = 0; k < 60; k++) {
      const rotors = Array.from({ length: 4 + Math.floor(random.next() * 5) }, () => ({
        xM: random.next() - 0.5,
        yM: random.next() - 0.5,
        spin: random.next() < 0.5 ? ('cw' as const) : ('ccw' as const),
      }));
      const found = controlAuthority(rotors, forces(10));
      if (!found) continue;
      const reach = (of: (r: { xM: number; yM: number }) => number): number =>
        rotors.reduce((sum, r) => sum + 10 * Math.abs(of(r)), 0);
      expect(found.rollNm).toBeLessThanOrEqual(reach((r) => r.yM) + 1e-9);
      expect(found.pitchNm).toBeLessThanOrEqual(reach((r) => r.xM) + 1e-9);
      expect(found.yawNm).toBeLessThanOrEqual(reach(() => 0.02) + 1e-9);
    }
  });
  test('two arms side by side hover without pitch or yaw; arms on one side cannot hover; too heavy neither', () => {
    const pair = [
      { xM: 0, yM: -0.2, spin: 'cw' as const },
      { xM: 0, yM: 0.2, spin: 'ccw' as const },
    ];
    expect(controlAuthority(pair, forces(10))!.missing).toEqual(expect.arrayContaining(['pitch']));
    expect(
      controlAuthority(
        pair.map((r) => ({ ...r, xM: 0.2 })),
        forces(10),
      ),
    ).toBeNull();
    expect(controlAuthority(rotorsOf('quadX'), forces(41))).toBeNull();
  });
  test('nothing turning holds nothing, nonsense is refused', () => {
    expect([hoverMargin([], forces(20)), controlAuthority([], forces(20))]).toEqual([0, null]);
    expect(() => hoverMargin(rotorsOf('quadX'), forces(20, { mostThrustN: 0 }))).toThrow(/mostThrustN/);
    expect(() => controlAuthority(rotorsOf('quadX'), forces(NaN))).toThrow(/weightN/);
  });
});

describe('what the forces say', () => {
  const loss = (marginRatio: number, isSteered = false): RotorLoss => ({ marginRatio, isSteered, canYaw: isSteered });
  const quiet: CraftForces = {
    weightN: 20,
    authority: { rollNm: 3, pitchNm: 3, yawNm: 0.3, missing: [] },
    losses: [loss(0), loss(0), loss(0), loss(0)],
    bladeLossN: 280,
    torqueNm: 0.2,
    sideThrust: null,
    wantedSideThrust: 'none',
    isPusher: false,
  };
  const codes = (change: Partial<CraftForces>) => forceReasons({ ...quiet, ...change }).map((r) => r.code);
  test('each follows its cause and goes with it', () => {
    expect(codes({})).toEqual(['fit.steers', 'fit.lossDrops', 'fit.bladeLoss']);
    expect(codes({ losses: [loss(0.8), loss(0.9)] })).toContain('fit.lossFalls');
    expect(codes({ losses: [loss(1.2), loss(1.1)] })).toContain('fit.lossTurns');
    expect(codes({ losses: [loss(1.2, true), loss(1.1)] })).toContain('fit.lossTurns');
    expect(codes({ losses: [loss(1.2, true), loss(1.1, true)] })).toContain('fit.lossHolds');
    expect(codes({ authority: null })).toContain('fit.cannotHover');
    expect(codes({ authority: { rollNm: 3, pitchNm: 0, yawNm: 0, missing: ['pitch', 'yaw'] } })).toContain(
      'fit.cannotSteer',
    );
    expect(codes({ authority: undefined, losses: null, bladeLossN: null })).toEqual([]);
    expect(codes({ sideThrust: 'left', wantedSideThrust: 'right' })).toContain('fit.sideThrust');
    expect(codes({ sideThrust: 'none', wantedSideThrust: 'right' })).not.toContain('fit.sideThrust');
  });
  test('the pull of a lost blade is told in weights', () =>
    expect(forceReasons(quiet).at(-1)!.values).toMatchObject({ forceN: 280, timesWeight: 14 }));
});

describe('shafts, nuts and gears', () => {
  test('a right-hand nut tightens on a CCW shaft, a left-hand one on a CW shaft', () => {
    expect([threadAdvice('ccw'), threadAdvice('cw')]).toEqual([
      { selfTightening: 'right', undo: 'ccw' },
      { selfTightening: 'left', undo: 'cw' },
    ]);
    expect(threadAdvice('cw', 'right').undo).toBe('ccw');
  });
  test('who holds the nut sees a hanging motor from below and a tractor from the front', () => {
    expect([
      nutSpinOf('cw', 'quadX', false),
      nutSpinOf('cw', 'quadX', true),
      nutSpinOf('cw', 'tractor', false),
      nutSpinOf('cw', 'pusher', false),
    ]).toEqual(['cw', 'ccw', 'ccw', 'cw']);
    // An ordinary aeroplane prop has an ordinary right-hand thread.
    expect(threadAdvice(nutSpinOf('cw', 'tractor', false)).selfTightening).toBe('right');
  });
  test('one stage turns the motor against its shaft, two with it', () => {
    const [one] = layOut({ layout: 'tractor', diagonalM: null, arms: null, gearRatio: -2.5 });
    const [two] = layOut({ layout: 'tractor', diagonalM: null, arms: null, gearRatio: 4 });
    expect([motorSpinOf(one!), motorSpinOf(two!)]).toEqual(['ccw', 'cw']);
    expect(() => layOut({ layout: 'tractor', diagonalM: null, arms: null, gearRatio: 0 })).toThrow(/gearRatio/);
  });
  test('a shaft clockwise from behind asks for right thrust, reversed for left, a pair turning apart for none', () => {
    expect([
      sideThrustFor(['cw']),
      sideThrustFor(['ccw']),
      sideThrustFor(['cw', 'ccw']),
      sideThrustFor(['ccw', 'ccw']),
    ]).toEqual(['right', 'left', 'none', 'left']);
    expect([
      isSideThrustWrong('left', 'right'),
      isSideThrustWrong('right', 'none'),
      isSideThrustWrong('none', 'right'),
      isSideThrustWrong(null, 'right'),
    ]).toEqual([true, true, false, false]);
  });
});

describe('hardware', () => {
  test('every mount ends with a look at the piece and names no check twice', () => {
    for (const kind of mountKinds) {
      expect(mountChecks[kind].at(-1)).toBe('noDamage');
      expect(new Set(mountChecks[kind]).size).toBe(mountChecks[kind].length);
    }
    expect(armChecks.filter((c) => !Object.values(mountChecks).some((list) => list.includes(c)))).toEqual([]);
  });
  test('a touched arm starts anew, any other is looked at again', () => {
    const done = [{ what: 'locked' as const }, { what: 'noDamage' as const }];
    expect([isLookedAt(done), checksAfterChange(done, true), checksAfterChange(done, false)]).toEqual([
      true,
      [],
      [{ what: 'locked' }],
    ]);
  });
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
    expect(findHand({ ...none, arrow: 'cw', leadingEdge: 'left' }, noLetters)).toMatchObject({
      hand: null,
      isContradicting: true,
    });
  });
  test('nothing seen: the letters are asked for first, then what a piece without them has', () => {
    expect(findHand(none, noLetters)).toMatchObject({ hand: null, ask: 'letters' });
    expect(findHand(none, noLetters, ['letters', 'arrow'])).toMatchObject({ hand: null, ask: 'matchesArm' });
    expect(findHand(none, noLetters, ['letters', 'arrow', 'matchesArm', 'leadingEdge'])).toMatchObject({
      hand: null,
      ask: null,
    });
  });
});
