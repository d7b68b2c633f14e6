import { describe, expect, test } from '@jest/globals';
import type { ArmView, FittingView } from '@zivvo/contract';
import type { Layout } from '@zivvo/core';
import { fittingOf, ready, type ArmChange } from './fit.fixtures.ts';
import {
  armName,
  faultWords,
  headlineOf,
  isArm,
  moveDone,
  moveSentence,
  nextStep,
  openSentence,
  withAllLooked,
  withAllSpins,
  withArm,
  withFacts,
} from './fitView.ts';

const fitting = (layout: Layout, change: ArmChange = {}): FittingView =>
  fittingOf(
    layout,
    (arm, i) => ({ piece: null, ...(typeof change === 'function' ? change(arm, i) : change[arm.place]) }),
    { note: 'after a landing in grass' },
  );

const other = (arm: ArmView): Partial<ArmView> => ({ hand: arm.neededHand === 'cw' ? 'ccw' : 'cw' });

describe('the answer in a line', () => {
  test('a craft whose spins nobody saw only looks right', () => {
    expect(headlineOf(fitting('quadX'), 'Petrel')).toBe('Petrel looks right; its spins were not seen');
    expect(
      headlineOf(
        fitting('quadX', () => ({ isSpinSeen: true })),
        'Petrel',
      ),
    ).toBe('Petrel is right: every piece, every spin');
  });

  test('one arm is named, two arms are a side', () => {
    expect(
      headlineOf(
        fitting('quadX', (a) => (a.place === 'rearLeft' ? other(a) : {})),
        'Petrel',
      ),
    ).toBe('Petrel will tip toward rear left');
    expect(
      headlineOf(
        fitting('quadX', (a) => (a.xM > 0 ? other(a) : {})),
        'Petrel',
      ),
    ).toBe('Petrel will tip toward its front');
    expect(
      headlineOf(
        fitting('quadX', (a) => (a.yM < 0 ? other(a) : {})),
        'Petrel',
      ),
    ).toBe('Petrel will tip toward its left');
  });

  test('every piece wrong, every motor reversed, an arm without a piece', () => {
    expect(headlineOf(fitting('quadX', other), 'Petrel')).toBe('Petrel will press itself to the ground');
    expect(
      headlineOf(
        fitting('quadX', (a) => ({ spin: a.spin === 'cw' ? 'ccw' : 'cw', ...other(a) })),
        'Petrel',
      ),
    ).toBe('Petrel will lift, then yaw runs away');
    expect(
      headlineOf(
        fitting('quadX', (_, i) => (i === 2 ? { hand: null } : {})),
        'Petrel',
      ),
    ).toBe('Petrel: say what is on each arm');
  });

  test('a plane pushes back or pulls weakly', () => {
    expect(headlineOf(fitting('tractor', other), 'Eider')).toBe('Eider will push backwards');
    expect(
      headlineOf(
        fitting('tractor', () => ({ isLabelForward: false })),
        'Eider',
      ),
    ).toBe('Eider will pull weakly');
  });
});

describe('moves', () => {
  test('two neighbours swapped is called the usual fault', () => {
    const view = fitting('quadX', (a) => (a.xM > 0 ? other(a) : {}));
    expect(view.plan.moves.map((m) => moveSentence(m, view.arms))).toEqual([
      expect.stringMatching(
        /^Swap the pieces of front (left|right) and front (left|right): two neighbours swapped, the usual fault\.$/,
      ),
    ]);
  });

  test('a piece turned over, a spare of the other hand, a motor to reverse', () => {
    const over = fitting('quadX', (_, i) => (i === 0 ? { isLabelForward: false } : {}));
    expect(moveSentence(over.plan.moves[0]!, over.arms)).toMatch(/^Turn the piece over on .*: label forward\.$/);
    const single = fitting('quadX', (a) => (a.place === 'frontLeft' ? other(a) : {}));
    expect(single.plan.moves.map((m) => moveSentence(m, single.arms))).toEqual(['Put a CW piece on front left.']);
    const reversed = fitting('quadX', (a) =>
      a.place === 'rearRight' ? { spin: a.spin === 'cw' ? 'ccw' : 'cw', isSpinSeen: true } : {},
    );
    expect(reversed.plan.moves.map((m) => moveSentence(m, reversed.arms))).toEqual([
      'Reverse the motor of rear right: it must turn CW.',
    ]);
  });
});

describe('what is written down', () => {
  test('one arm changes, the others and the note stay', () => {
    const view = fitting('quadX');
    const body = withArm(view, view.arms[1]!, { seenSpin: 'cw' });
    expect(body.arms.map((a) => a.seenSpin)).toEqual([null, 'cw', null, null]);
    expect(body).toMatchObject({ revision: 5, note: 'after a landing in grass', isHanging: false });
  });

  test('the hand of a tagged piece is the piece’s own, not the arm’s', () => {
    const view = fitting('quadX', (_, i) => (i === 0 ? { piece: { id: 'p', tag: '3339' } as ArmView['piece'] } : {}));
    expect(withArm(view, view.arms[3]!, {}).arms.map((a) => a.hand === null)).toEqual([true, false, false, false]);
  });

  test('what holds for the whole craft leaves the arms alone', () => {
    const view = fitting('quadX', (_, i) => (i === 1 ? { seenSpin: 'ccw' } : {}));
    expect(withFacts(view, { isHanging: true })).toEqual({ ...withFacts(view, {}), isHanging: true });
    expect(withFacts(view, { note: null })).toMatchObject({ note: null, isHanging: false, revision: 5 });
  });

  test('seen as drawn never mends a motor that was noted as reversed', () => {
    const view = fitting('quadX', (a, i) =>
      i === 2 ? { spin: a.spin === 'cw' ? 'ccw' : 'cw', seenSpin: a.spin === 'cw' ? 'ccw' : 'cw' } : {},
    );
    const seen = withAllSpins(view).arms.map((a) => a.seenSpin);
    expect(seen.map((s, i) => s === view.arms[i]!.expectedSpin)).toEqual([true, true, false, true]);
  });
});

test('the two of a pair are upper and lower; faults belong to one of them', () => {
  const view = fitting('x8', (a) => (a.place === 'frontLeft' && a.level === 1 ? other(a) : {}));
  const [upper, lower] = [
    view.arms.find((a) => a.place === 'frontLeft' && a.level === 0)!,
    view.arms.find((a) => a.place === 'frontLeft' && a.level === 1)!,
  ];
  expect([armName(upper, view.arms), armName(lower, view.arms)]).toEqual(['Front left, upper', 'Front left, lower']);
  expect([isArm(upper, lower), isArm(upper, upper), isArm(upper, null)]).toEqual([false, true, false]);
  expect([faultWords(view, upper), faultWords(view, lower)]).toEqual([[], ['other hand']]);
});

describe('what comes next', () => {
  test('mend, fit, see, look, sign: in that order', () => {
    const swapped = fitting('quadX', (a) => (a.xM > 0 ? other(a) : {}));
    expect(nextStep(swapped)).toMatchObject({ kind: 'move', move: { kind: 'swap' } });
    expect(nextStep(fitting('quadX', (a) => (a.place === 'frontLeft' ? other(a) : {})))).toMatchObject({
      kind: 'fit',
      arm: { place: 'frontLeft' },
    });
    expect(nextStep(fitting('quadX', (a) => (a.place === 'rearLeft' ? { hand: null } : {})))).toMatchObject({
      kind: 'fit',
      arm: { place: 'rearLeft' },
    });
    expect(nextStep(fitting('quadX'))).toEqual({ kind: 'see' });
    expect(nextStep(fitting('quadX', (a) => ({ ...ready(a), checks: [] })))).toEqual({ kind: 'look' });
    expect(nextStep(fitting('quadX', ready))).toEqual({ kind: 'sign' });
  });

  test('what is open is counted, and goes', () => {
    expect(openSentence(fitting('quadX', (a, i) => (i < 3 ? ready(a) : {})))).toBe(
      'Before you sign: 1 spin to see, 1 piece to look at.',
    );
    expect(openSentence(fitting('quadX', ready))).toBe('All seen and looked at: sign for it.');
    expect(openSentence({ ...fitting('quadX', ready), confirmedAt: '2026-11-24T10:00:00Z' })).toBeNull();
    expect(
      openSentence({ ...fitting('quadX', ready), confirmedAt: '2026-11-24T10:00:00Z', isSignatureStale: true }),
    ).not.toBeNull();
  });

  test('a look is added to every arm and to none twice', () => {
    const { arms } = withAllLooked(
      fitting('quadX', (_, i) =>
        i === 0 ? { checks: [{ what: 'locked' }, { what: 'noDamage' }] } : { checks: [{ what: 'locked' }] },
      ),
    );
    expect(arms.map((a) => a.checks.length)).toEqual([2, 2, 2, 2]);
  });

  test('a move that was done is written down', () => {
    const over = fitting('quadX', (_, i) => (i === 0 ? { isLabelForward: false } : {}));
    const [turn] = over.plan.moves;
    if (turn?.kind !== 'turnOver') throw new Error('a piece to turn over was expected');
    expect(moveDone(over, turn).arms[0]!.isLabelForward).toBe(true);
    const wrong = fitting('quadX', (a) =>
      a.place === 'rearRight' ? { spin: 'ccw', seenSpin: 'ccw', isSpinSeen: true } : {},
    );
    const [reverse] = wrong.plan.moves;
    if (reverse?.kind !== 'reverse') throw new Error('a motor to reverse was expected');
    expect(moveDone(wrong, reverse).arms.find((a) => a.place === 'rearRight')).toMatchObject({
      seenSpin: 'cw',
      spinBy: 'strip',
    });
  });
});
