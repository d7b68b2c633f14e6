import type { CareOutcome, PieceHand, PieceLifeLeft, RotorPlace, TakeOff } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import type { LivingPiece } from '../rack/piece.repository.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';

/** An arm as far as it decides whether its craft may fly. */
export interface ArrangedArm {
  place: RotorPlace;
  level: number;
  hand: PieceHand | null;
  isSpinSeen: boolean;
}

/** What is on a craft, what it will do, and when that changed: events are told by their numbers, 0 for never. */
export interface Arrangement {
  on: LivingPiece[];
  /** The models on the craft, the most common first; while nothing is on, the one it flies with. */
  models: PropModelRow[];
  arms: readonly ArrangedArm[];
  takeOff: TakeOff;
  /** The last change of each arm, by {@link armKey}. */
  changed: ReadonlyMap<string, number>;
  signedSequence: number;
}

/** Answers for arrangements; the feature that owns them stands behind it. */
export abstract class ArrangementSource {
  abstract of(crafts: readonly CraftRow[]): Promise<Map<string, Arrangement>>;
}

/** The newest walkaround of a craft, as the ledger numbers it. */
export interface LastLook {
  sequence: number;
  at: Date;
  durationS: number;
  looks: readonly { place: RotorPlace; level: number }[];
}

/** What was seen, flown and struck. */
export interface CareRecord {
  look: LastLook | null;
  pieces: ReadonlyMap<
    string,
    { life: PieceLifeLeft; openOutcome: Exclude<CareOutcome, 'fly'> | null; alert: string | null }
  >;
  flightsSinceLook: number;
  strikesSinceLook: number;
  /** Tags of motors that were struck and not felt since. */
  motorsToFeel: readonly string[];
}

/** Answers for what care knows of craft. */
export abstract class CareSource {
  abstract of(
    crafts: readonly CraftRow[],
    arrangements: ReadonlyMap<string, Arrangement>,
  ): Promise<Map<string, CareRecord>>;
}

/** An arm as a key of a map. */
export function armKey({ place, level }: { place: string; level: number }): string {
  return `${place}/${level}`;
}
