import type { CraftView, PropModelView } from '@zivvo/contract';
import { handsNeeded, handsWanted } from '@zivvo/core';
import { handsText } from '@zivvo/words';
import { propModelName } from '../shared/ui/propModelName.ts';

export interface Shortage {
  id: string;
  name: string;
  hand: 'cw' | 'ccw';
  missing: number;
  /** What the missing pieces would complete. */
  wanted: string;
}

export interface RackFindings {
  fullSets: number;
  shortages: Shortage[];
  uncounted: number;
}

const SETS = ['no set', 'one set', 'two sets', 'three sets'];

/** Full sets of four (two of each hand) and the hand that runs out first. */
export function rackFindings(models: readonly PropModelView[]): RackFindings {
  const findings: RackFindings = { fullSets: 0, shortages: [], uncounted: 0 };
  for (const model of models) {
    if (!model.stock) {
      findings.uncounted++;
      continue;
    }
    const { cwCount, ccwCount } = model.stock;
    findings.fullSets += Math.floor(Math.min(cwCount, ccwCount) / 2);
    const hand = cwCount < ccwCount ? 'cw' : 'ccw';
    const sets = Math.floor(Math.max(cwCount, ccwCount) / 2);
    const missing = sets * 2 - Math.min(cwCount, ccwCount);
    if (missing > 0)
      findings.shortages.push({
        id: model.id,
        name: propModelName(model),
        hand,
        missing,
        wanted: SETS[sets] ?? `${sets} sets`,
      });
  }
  return findings;
}

/** Smallest first, as they hang on the rack. */
export function bySize(models: readonly PropModelView[]): PropModelView[] {
  return [...models].sort((a, b) => a.diameterM - b.diameterM || a.pitchM - b.pitchM);
}

/** How many of a model are wanted, of each hand where it is said for which craft. */
export function wantedText(
  { wantedCount, wantedCraftId }: Pick<PropModelView, 'wantedCount' | 'wantedCraftId'>,
  crafts: readonly Pick<CraftView, 'id' | 'name' | 'rotors' | 'kind'>[],
): string {
  const craft = crafts.find((c) => c.id === wantedCraftId);
  if (!craft) return `wanted: ${wantedCount}`;
  const hands = handsWanted(wantedCount, handsNeeded(craft.rotors, craft.kind));
  return `wanted for ${craft.name}: ${handsText(hands)}`;
}
