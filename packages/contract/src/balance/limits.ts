import { schools, shakeTargets, type ShakeTarget } from '@zivvo/core';
import type { Range } from '../shared/limits.ts';

export const balanceLimits = {
  unbalanceKgM: { min: 1e-10, max: 0.001 },
  momentKgM: { min: 0, max: 0.01 },
  bladeMomentKgM: { min: 0, max: 1 },
  borePlayM: { min: 0, max: 0.002 },
  largestM: { min: 0.02, max: 1.1 },
  inertiaKgM2: { min: 0, max: 0.01 },
  degrees: { min: 0, max: 360 },
  phaseDegrees: { min: -3600, max: 3600 },
  swingDegrees: { min: 0, max: 90 },
  fallS: { min: 0.05, max: 120 },
  tapS: { min: 0, max: 600 },
  amplitude: { min: 0, max: 1e6 },
  trialKg: { min: 0, max: 0.1 },
  speedRpm: { min: 200, max: 60_000 },
  placeCount: { min: 0, max: 10 },
  bladeCount: { min: 0, max: 24 },
  tapCount: { min: 0, max: 80 },
  observationCount: { min: 0, max: 60 },
  swingCount: { min: 0, max: 6 },
  runCount: { min: 0, max: 24 },
  readingCount: { min: 1, max: 20 },
  correctionCount: { min: 0, max: 20 },
  bladeMassKg: { min: 1e-5, max: 1 },
  centreOfMassM: { min: 0.001, max: 0.6 },
  washerMassKg: { min: 1e-6, max: 0.1 },
  washerCount: { min: 0, max: 200 },
} as const satisfies Record<string, Range>;

export const lookKinds = ['stays', 'falls'] as const;
export const schoolNames = schools;
export const sides = ['light', 'heavy'] as const;
export const shakeTargetNames = Object.keys(shakeTargets) as ShakeTarget[];
export const balanceJobStates = ['open', 'trued', 'truedDynamic', 'sentBack'] as const;

/** Pieces that the trays sort; beyond that the oldest are left out, and the page says so. */
export const TRAY_MAX_COUNT = 5000;
