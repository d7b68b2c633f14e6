import type { CraftView } from '@zivvo/contract';
import type { PackChemistry } from '@zivvo/core';

/** A motor with its cells that props of a craft can be run on. */
export interface RigChoice {
  /** Null for the craft as it is described. */
  kitId: string | null;
  name: string;
  motorLabel: string;
  seriesCount: number;
  chemistry: PackChemistry;
}

/**
 * The craft as it is described, and its kits with another motor or another pack; a kit of payload alone is no other
 * rig.
 */
export function rigChoices(craft: CraftView): RigChoice[] {
  const { motorLabel, packSeriesCount: seriesCount, packChemistry: chemistry } = craft;
  return [
    { kitId: null, name: `${motorLabel}, ${seriesCount}S`, motorLabel, seriesCount, chemistry },
    ...craft.kits.flatMap(({ id, name, motor, pack }): RigChoice[] =>
      motor == null && pack == null
        ? []
        : [
            {
              kitId: id,
              name,
              motorLabel: motor?.label ?? motorLabel,
              seriesCount: pack?.seriesCount ?? seriesCount,
              chemistry: pack?.chemistry ?? chemistry,
            },
          ],
    ),
  ];
}
