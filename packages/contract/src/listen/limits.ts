import type { Range } from '../shared/limits.ts';

export const listenLimits = {
  distanceM: { min: 0.1, max: 500 },
  heightM: { min: 0, max: 150 },
  windMPerS: { min: 0, max: 30 },
  /** Of full scale where the chain is not calibrated, so below nothing too. */
  levelDb: { min: -60, max: 160 },
  chainOffsetDb: { min: -150, max: 150 },
  thrustN: { min: 0.01, max: 2000 },
  rpm: { min: 100, max: 90_000 },
  ratio: { min: 0, max: 1 },
  durationS: { min: 0.1, max: 7200 },
  betweenDb: { min: -100, max: 100 },
  frequencyHz: { min: 1, max: 200_000 },
  spinDownS: { min: 0.05, max: 120 },
  bandCount: { min: 0, max: 40 },
  lineCount: { min: 0, max: 60 },
  spectrumCount: { min: 0, max: 320 },
  slot: { min: 0, max: 11 },
  slotCount: { min: 2, max: 12 },
  slotsCount: { min: 1, max: 12 },
  /** Takes of one listening, listenings of a craft, votes of a listening. */
  takesMost: 120,
  listeningsMost: 200,
  votesMost: 500,
} as const satisfies Record<string, Range | number>;

/** What turned: the craft as it hovers, or one rotor on the stand. */
export const heardOn = ['craft', 'stand'] as const;
export const listenSurfaces = ['grass', 'snow', 'gravel', 'hard', 'indoors'] as const;
