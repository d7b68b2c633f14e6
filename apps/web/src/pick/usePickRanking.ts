import type { CraftView } from '@zivvo/contract';
import { scaleOf, type PickMap, type PickSetting, type Scale, type Weights } from '@zivvo/core';
import { useMemo } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { bestSizes, goodnessOfMaps, rankProps, type RankedProp } from './rankProps.ts';
import { askedOf, findProp, ifOnRack, propOfModel, type PickProp } from './pickProps.ts';
import { usePickTask, type Asked } from './usePick.ts';
import type { PickTasks } from './pickMessages.ts';

export interface PickRanking {
  scale: Scale | null;
  ranked: RankedProp[];
  /** The present prop; null where none is chosen, or it is not worked out yet. */
  reference: RankedProp | null;
  asked: Asked<PickTasks['props']['answer']>;
}

/** New sizes that are offered beside the rack. */
const OFFERED_SIZES = 6;

/** Rack and new sizes in one order, for the weights in force; where only the rack counts, a set must lie there. */
export function usePickRanking(
  craft: CraftView,
  setting: PickSetting | null,
  maps: ReadonlyMap<string, PickMap>,
  weights: Weights,
  more: readonly string[],
  isRackOnly = false,
): PickRanking {
  const { data } = usePropModelsQuery();
  const models = data?.items;
  const scale = useMemo(() => scaleOf([...maps.values()].map((m) => m.values)), [maps]);
  const tables = useMemo(() => (scale ? goodnessOfMaps(maps.values(), scale) : []), [maps, scale]);
  const sizes = useMemo(() => bestSizes(tables, weights, OFFERED_SIZES).map((s) => s.key), [tables, weights]);
  const ids = [...new Set([...sizes, ...more])].join('~');
  const props = useMemo((): PickProp[] => {
    if (!models) return [];
    const named = ids.split('~').flatMap((id) => {
      const found = id === '' ? null : findProp(id, models);
      return found && found.model === null ? [found] : [];
    });
    return isRackOnly ? models.map(propOfModel).map(ifOnRack) : [...models.map(propOfModel), ...named];
  }, [models, ids, isRackOnly]);
  const ask = useMemo(() => (props.length === 0 ? null : { props: props.map(askedOf) }), [props]);
  const asked = usePickTask(setting, 'props', ask);
  const ranked = useMemo(
    () => (scale && asked.value ? rankProps(props, asked.value, scale, weights) : []),
    [props, asked.value, scale, weights],
  );
  return { scale, ranked, reference: ranked.find((r) => r.prop.id === craft.referencePropModelId) ?? null, asked };
}
