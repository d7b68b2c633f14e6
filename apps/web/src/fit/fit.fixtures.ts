import type { ArmView, CraftView, FittingView } from '@zivvo/contract';
import {
  fixPlan,
  labelSpinOf,
  layOut,
  layoutKind,
  nutSpinOf,
  rotorAction,
  tablePlan,
  takeOff,
  threadAdvice,
  type Layout,
  type RotorPlace,
} from '@zivvo/core';

const CARRY = { thrustN: 4.7, torqueNm: 0.06 };
const FORCES = { carry: CARRY, most: null, hasTailServo: false };

export type ArmChange = Partial<Record<RotorPlace, Partial<ArmView>>> | ((arm: ArmView, i: number) => Partial<ArmView>);

/**
 * A craft as the server would tell of it: each arm with its matching tagged piece, nothing seen or looked at, unless
 * changed.
 */
export function fittingOf(layout: Layout, change: ArmChange = {}, more: Partial<FittingView> = {}): FittingView {
  const kind = layoutKind(layout);
  const changeOf = typeof change === 'function' ? change : (arm: ArmView) => change[arm.place] ?? {};
  const arms = layOut({ layout, diagonalM: 0.3, arms: null }).map((r, i): ArmView => {
    const hand = labelSpinOf(r.spin, kind);
    const tag = `T${i}`;
    const piece = { id: tag, tag, hand, propModelId: 'm1', place: r.place, level: r.level } as ArmView['piece'];
    const right: ArmView = {
      place: r.place,
      level: r.level,
      xM: r.xM,
      yM: r.yM,
      spin: r.spin,
      expectedSpin: r.spin,
      isSpinSeen: false,
      seenSpin: null,
      spinBy: null,
      outputName: null,
      hand,
      neededHand: hand,
      motorSpin: null,
      isLabelForward: true,
      piece,
      pullN: null,
      threadOn: null,
      thread: threadAdvice(nutSpinOf(r.spin, layout, false)),
      checks: [],
      fittedAt: '2026-11-20T09:00:00Z',
      fittedBy: 'Irva Solt',
    };
    const own = { ...right, ...changeOf(right, i) };
    return {
      ...own,
      pullN:
        own.hand === null
          ? null
          : CARRY.thrustN * rotorAction(labelSpinOf(own.spin, kind), own.hand, own.isLabelForward).thrustRatio,
    };
  });
  const spares = more.spares ?? { cwCount: 1, ccwCount: 1 };
  return {
    craftId: 'c1',
    revision: 5,
    isHanging: false,
    sideThrust: null,
    wantedSideThrust: kind === 'plane' ? 'right' : 'none',
    note: null,
    arms,
    takeOff: takeOff(arms, kind, FORCES),
    reasons: [],
    plan: fixPlan(arms, kind, spares),
    tablePlan: tablePlan(arms, kind, spares, FORCES),
    spares,
    propModelIds: ['m1'],
    mountKind: 'nut',
    confirmedAt: null,
    confirmedBy: null,
    confirmedMissing: [],
    missing: [],
    isSignatureStale: false,
    ready: { verdict: 'fit', missing: [] },
    ...more,
  };
}

/** The spin of every arm seen, every piece looked at. */
export function ready(arm: ArmView): Partial<ArmView> {
  return { isSpinSeen: true, seenSpin: arm.spin, spinBy: 'strip', checks: [{ what: 'noDamage' }] };
}

export function craftOf(layout: Layout): CraftView {
  return {
    id: 'c1',
    name: layoutKind(layout) === 'plane' ? 'Eider' : 'Petrel',
    kind: layoutKind(layout),
    layout,
    massKg: 1.2,
    rotors: layOut({ layout, diagonalM: 0.3, arms: null }),
    referencePropModelId: 'm1',
  } as unknown as CraftView;
}

export const modelOnRack = {
  id: 'm1',
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  mountKind: 'nut',
  cwLetters: null,
  ccwLetters: null,
};
