import type { PropModelView, BalanceJobView } from '@zivvo/contract';
import { labelGeometry, balanceJobState, USUAL_TAPE, vibrationState, type BalanceJobEvidence } from '@zivvo/core';

export const modelOnShaft = {
  id: 'm1',
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  measuredDiameterM: null,
  pitchM: 0.1,
  bladeCount: 3,
  tipShape: 'standard',
  material: 'polycarbonate',
} as PropModelView;

/** A job as the server would work it out from what was seen. */
export function jobOf(more: Partial<BalanceJobView> = {}): BalanceJobView {
  const observations = (more.observations ?? []).map(({ tape, kind, downDegrees, fallS }) => ({
    tape,
    seen: kind === 'stays' ? { kind } : { kind, downDegrees, fallS },
  }));
  const evidence = {
    swings: [],
    heavyDegrees: null,
    bladeMomentsKgM: [],
    onKgM: (more.observations ?? []).at(-1)?.tape ?? [],
    ...more,
    observations,
  } as unknown as BalanceJobEvidence;
  const setting = {
    geometry: labelGeometry(0.18288, 0.1, 3, 'standard', 'polycarbonate'),
    massKg: 0.0079,
    craft: { massKg: 1.9, hoverSpeedRpm: 9000 },
    bellMassKg: 0.02,
    rig: { frictionKgM: 2e-8, borePlayM: 0, largestM: 0.4, inertiaKgM2: 1e-7 },
    target: more.target ?? ('good' as const),
    roll: USUAL_TAPE,
  };
  return {
    id: 'j1',
    revision: 4,
    createdAt: '2026-11-20T09:00:00Z',
    updatedAt: '2026-11-20T09:00:00Z',
    pieceId: 'p1',
    rigId: 'r1',
    craftId: 'c1',
    state: 'open',
    target: 'good',
    finishedAt: null,
    note: null,
    observations: [],
    swings: [],
    runs: [],
    bladeMomentsKgM: [],
    corrections: [],
    singleBlade: null,
    single: null,
    heavyDegrees: null,
    runSpeedRpm: null,
    hoverSpeedRpm: 9000,
    result: balanceJobState(setting, evidence),
    vibration: vibrationState(more.runs ?? [], 18.6, 0.068, 9000),
    problem: null,
    ...more,
  } as unknown as BalanceJobView;
}
