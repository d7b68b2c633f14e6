import type { CraftView, PropModelView } from '@zivvo/contract';
import {
  brokenLimits,
  costPerHour,
  criteria,
  criterionNames,
  explainPickFigure,
  geometryAt,
  goodnessTable,
  handsNeeded,
  isExplained,
  scoreOf,
  scoreTable,
  USUAL_USE,
  usablePieceCost,
  useWeights,
  type PickMap,
  type PickSetting,
  type PropGeometry,
  type Scale,
  type UseName,
  type Weights,
  type MarkedProp,
  type Working,
} from '@zivvo/core';
import { keyOfSize, type PickProp } from './pickProps.ts';

export interface RankedProp {
  prop: PickProp;
  worked: MarkedProp;
  /** 0 to 100; barred props have one too, and stand last. */
  score: number;
  isAllowed: boolean;
}

/** Use and weights in force: the craft's own, or a long endurance that nobody chose yet. */
export function usedWeights(craft: Pick<CraftView, 'use' | 'weights'>): { use: UseName; weights: Weights } {
  const use = craft.use ?? USUAL_USE;
  return { use, weights: craft.weights ?? useWeights[use] };
}

/** Props by score, those that a limit bars behind all others. */
export function rankProps(
  props: readonly PickProp[],
  worked: Readonly<Record<string, MarkedProp>>,
  scale: Scale,
  weights: Weights,
): RankedProp[] {
  const ranked = props.flatMap((prop): RankedProp[] => {
    const own = worked[prop.id];
    return own
      ? [
          {
            prop,
            worked: own,
            score: scoreOf(scale, own.figures, weights),
            isAllowed: brokenLimits(own.margins).length === 0,
          },
        ]
      : [];
  });
  return ranked.sort((a, b) => Number(b.isAllowed) - Number(a.isAllowed) || b.score - a.score);
}

/** The tables behind the scores of every map, made once for a scale. */
export function goodnessOfMaps(maps: Iterable<PickMap>, scale: Scale): { map: PickMap; table: Float32Array }[] {
  return [...maps].map((map) => ({ map, table: goodnessTable(scale, map.values) }));
}

/** The best size of each family, the best families first: what could be bought. */
export function bestSizes(
  tables: readonly { map: PickMap; table: Float32Array }[],
  weights: Weights,
  count: number,
): { key: string; score: number }[] {
  const best = tables.flatMap(({ map, table }): { geometry: PropGeometry; score: number }[] => {
    const scores = scoreTable(table, weights);
    let top = -1;
    for (let i = 0; i < scores.length; i++) if (scores[i]! > (top < 0 ? -1 : scores[top]!)) top = i;
    return top < 0 ? [] : [{ geometry: geometryAt(map, top), score: scores[top]! }];
  });
  best.sort((a, b) => b.score - a.score);
  return best.slice(0, count).map(({ geometry, score }) => ({ key: keyOfSize(geometry), score }));
}

/** Points of score by which a new size must beat the rack before it is worth buying. */
const WORTH_BUYING = 4;

/** The one answer for those who want no map: which label, and how many of each hand. */
export interface PlainAnswer {
  prop: PickProp;
  /** Pieces of each hand in a set and a spare set. */
  cwCount: number;
  ccwCount: number;
  /** Pieces still to buy beside those on the rack. */
  toBuy: { cwCount: number; ccwCount: number };
}

export function plainAnswer(
  ranked: readonly RankedProp[],
  craft: Pick<CraftView, 'rotors' | 'kind'>,
): PlainAnswer | null {
  const allowed = ranked.filter((r) => r.isAllowed);
  const [top] = allowed;
  if (!top) return null;
  const owned = allowed.find((r) => r.prop.model !== null);
  const { prop } = owned && owned.score >= top.score - WORTH_BUYING ? owned : top;
  const set = handsNeeded(craft.rotors, craft.kind);
  const [cwCount, ccwCount] = [2 * set.cwCount, 2 * set.ccwCount];
  const stock = prop.model?.stock;
  return {
    prop,
    cwCount,
    ccwCount,
    toBuy: {
      cwCount: Math.max(0, cwCount - (stock?.cwCount ?? 0)),
      ccwCount: Math.max(0, ccwCount - (stock?.ccwCount ?? 0)),
    },
  };
}

export interface PropCost {
  pieceCost: number;
  hourCost: number;
}

/** What a model costs per usable piece and per hour; null where no price is known. */
export function costOf(model: PropModelView | null, craft: Pick<CraftView, 'rotors'>): PropCost | null {
  if (model?.bagPrice == null || model.bagCount === null) return null;
  const pieceCost = usablePieceCost({
    bagPrice: model.bagPrice,
    bagCount: model.bagCount,
    usableRatio: usableRatio(model, craft),
  });
  return { pieceCost, hourCost: costPerHour(pieceCost, craft.rotors.length, model.material) };
}

/** Share of a bag whose hand the craft can use: with one spin alone, half of a mixed bag is the other hand. */
function usableRatio({ stock, labelHand }: PropModelView, { rotors }: Pick<CraftView, 'rotors'>): number {
  const spins = new Set(rotors.map((r) => r.spin));
  if (spins.size > 1 || labelHand !== null || !stock || stock.cwCount === 0 || stock.ccwCount === 0) return 1;
  return 0.5;
}

/** How the figure that counts most of a prop follows; the next one where it has no formula of its own. */
export function weightiestWorking(setting: PickSetting, { worked }: RankedProp, weights: Weights): Working | null {
  const figure = [...criterionNames]
    .sort((a, b) => weights[b] - weights[a])
    .map((name) => criteria[name].figure)
    .find((name) => isExplained(name) && Number.isFinite(worked.figures[name]));
  return figure === undefined ? null : explainPickFigure(setting, worked, figure);
}
