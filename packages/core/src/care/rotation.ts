/** A set of a craft as its turn is decided. */
export interface RotatedSet {
  id: string;
  /** Share of life that its most used piece has behind it. */
  usedRatio: number;
  isOn: boolean;
  isResting: boolean;
  /** Whether it has every piece, and none that may not fly. */
  isComplete: boolean;
}

/** Two sets this near to each other are used alike: no reason to change. */
export const ALIKE_RATIO = 0.1;

/**
 * Order in which sets of one craft take their turn: those that may fly, the least used first, so that all of them age
 * together and none is new when the others are due. Resting and incomplete ones have no turn.
 *
 * @returns ids in their order, and which is due on the craft now; null where the one on it may stay or none could
 *   follow
 */
export function rotation(sets: readonly RotatedSet[]): { order: string[]; nextId: string | null } {
  const able = sets.filter((s) => s.isComplete && !s.isResting).sort((a, b) => a.usedRatio - b.usedRatio);
  const on = sets.find((s) => s.isOn);
  const [first] = able.filter((s) => !s.isOn);
  const isDue =
    first !== undefined && (on === undefined || on.isResting || on.usedRatio - first.usedRatio > ALIKE_RATIO);
  return { order: able.map((s) => s.id), nextId: isDue ? first.id : null };
}
