import { labelSpinOf, type CraftKind, type Rotor, type Spin } from '../craft/layouts.ts';

/** Hand of a piece; *either* for symmetric reversible ones. */
export type PieceHand = 'cw' | 'ccw' | 'either';

export interface HandCounts {
  cwCount: number;
  ccwCount: number;
}

/** Pieces of each hand that a craft flies with. */
export function handsNeeded(rotors: readonly Pick<Rotor, 'spin'>[], kind: CraftKind): HandCounts {
  const cwCount = rotors.filter((r) => labelSpinOf(r.spin, kind) === 'cw').length;
  return { cwCount, ccwCount: rotors.length - cwCount };
}

/**
 * How many of each hand a wanted count is, in the shares that a craft flies with.
 *
 * @param count - pieces that are wanted, a whole number from 0
 * @example handsWanted(8, { cwCount: 2, ccwCount: 2 }) // => 4 and 4
 */
export function handsWanted(count: number, { cwCount, ccwCount }: HandCounts): HandCounts {
  const wanted = Math.round((count * cwCount) / Math.max(1, cwCount + ccwCount));
  return { cwCount: wanted, ccwCount: count - wanted };
}

/**
 * Pieces by the hand they would serve: those that fit either way count once, where there are fewer.
 *
 * @param pieces - counts of each hand and of symmetric pieces, whole numbers from 0
 * @returns counts that add up to all pieces, with as many pairs as can be made
 * @example byHand({ cwCount: 1, ccwCount: 3, eitherCount: 2 }) // => 3 and 3
 */
export function byHand({ cwCount, ccwCount, eitherCount }: HandCounts & { eitherCount: number }): HandCounts {
  const total = cwCount + ccwCount + eitherCount;
  const served = Math.min(cwCount + eitherCount, Math.max(cwCount, Math.ceil(total / 2)));
  return { cwCount: served, ccwCount: total - served };
}

/** A piece as sets see it. */
export interface SetPiece {
  id: string;
  propModelId: string;
  hand: PieceHand;
}

export interface SetState {
  needed: HandCounts;
  present: HandCounts;
  eitherCount: number;
  /** What is still missing of each hand, pieces that suit both counted where they are needed most. */
  missing: HandCounts;
  /** Pieces of another model than most: one model per set, colours may mix. */
  strangers: string[];
  isComplete: boolean;
}

/** What a set of pieces lacks for its craft. */
export function setState(pieces: readonly SetPiece[], needed: HandCounts): SetState {
  const count = (hand: PieceHand): number => pieces.filter((p) => p.hand === hand).length;
  const present = { cwCount: count('cw'), ccwCount: count('ccw') };
  const eitherCount = count('either');
  const short = {
    cwCount: Math.max(0, needed.cwCount - present.cwCount),
    ccwCount: Math.max(0, needed.ccwCount - present.ccwCount),
  };
  const forCw = Math.min(short.cwCount, eitherCount);
  const missing = { cwCount: short.cwCount - forCw, ccwCount: Math.max(0, short.ccwCount - (eitherCount - forCw)) };
  const models = new Map<string, number>();
  for (const p of pieces) models.set(p.propModelId, (models.get(p.propModelId) ?? 0) + 1);
  const [main] = [...models].sort((a, b) => b[1] - a[1])[0] ?? [null];
  const strangers = pieces.filter((p) => p.propModelId !== main).map((p) => p.id);
  return {
    needed,
    present,
    eitherCount,
    missing,
    strangers,
    isComplete: missing.cwCount + missing.ccwCount === 0 && strangers.length === 0,
  };
}

export interface ChangesLeft {
  /** Full changes of all pieces that the rack still gives. */
  count: number;
  /** The hand that runs out first; null where both end together or none is needed. */
  firstOut: Spin | null;
  /** Pieces left over of each hand after the last full change. */
  left: HandCounts;
}

/** How many times a craft can be given a whole new set from what lies on the rack. */
export function changesLeft(available: HandCounts, needed: HandCounts): ChangesLeft {
  const times = (have: number, need: number): number => (need === 0 ? Infinity : Math.floor(have / need));
  const [cw, ccw] = [times(available.cwCount, needed.cwCount), times(available.ccwCount, needed.ccwCount)];
  const count = Math.min(cw, ccw);
  if (!Number.isFinite(count)) return { count: 0, firstOut: null, left: available };
  const ratio = (have: number, need: number): number => (need === 0 ? Infinity : have / need);
  const [cwRatio, ccwRatio] = [ratio(available.cwCount, needed.cwCount), ratio(available.ccwCount, needed.ccwCount)];
  return {
    count,
    firstOut: cwRatio === ccwRatio ? null : cwRatio < ccwRatio ? 'cw' : 'ccw',
    left: {
      cwCount: available.cwCount - count * needed.cwCount,
      ccwCount: available.ccwCount - count * needed.ccwCount,
    },
  };
}
