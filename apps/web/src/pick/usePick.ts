import type { AirView, CraftView } from '@zivvo/contract';
import {
  pickFamilies,
  pickGrid,
  type PickFamily,
  type PickMap,
  type PickSetting,
  type PropMaterial,
} from '@zivvo/core';
import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { useCalibrationQuery } from '../shared/api/standApi.ts';
import { useAirQuery } from '../shared/api/workshopApi.ts';
import { pickSettingOf } from './pickCraftOf.ts';
import { workProblemOf, type WorkProblem } from '../shared/worker/workProblem.ts';
import { pickPool } from './pickPool.ts';
import type { KittedView } from './useKit.ts';
import type { PickTask, PickTasks } from './pickMessages.ts';

export function familyKey({ bladeCount, tipShape, material }: PickFamily): string {
  return `${bladeCount} ${tipShape} ${material}`;
}

/** The craft in today's air, its own runs counted; null while air and runs are read. */
export function usePickSetting(craft: CraftView | KittedView): PickSetting | null {
  const { data, isError } = useAirQuery();
  const own = useCalibrationQuery(craft.id);
  const air: AirView | null | undefined = data ? data.air : isError ? null : undefined;
  const calibration = own.data ? own.data.calibration : own.isError ? null : undefined;
  return useMemo(() => {
    if (air === undefined || calibration === undefined) return null;
    // What the stand said of the described motor says nothing of another one.
    const isOtherMotor = 'kit' in craft && craft.kit?.motor != null;
    return pickSettingOf(craft, air, calibration && isOtherMotor ? { ...calibration, motor: null } : calibration);
  }, [craft, air, calibration]);
}

export interface PickSpace {
  /** Maps by family; coarse ones first, refined as they come. */
  maps: ReadonlyMap<string, PickMap>;
  done: number;
  total: number;
  problem: WorkProblem | null;
}

const NOTHING: PickSpace = { maps: new Map(), done: 0, total: 0, problem: null };
/** Finished maps are shown together this often, so that a list is not sorted thirty times. */
const GATHER_MS = 250;

/**
 * All maps of a craft, the one that is looked at first; started anew when the craft or the air changes, never when
 * only weights do.
 */
export function usePickSpace(setting: PickSetting | null, referenceM: number | null, shown: PickFamily): PickSpace {
  const [space, setSpace] = useState(NOTHING);
  const first = useRef(shown);
  useEffect(() => {
    first.current = shown;
  });
  const grid = useMemo(() => (setting ? pickGrid(setting.craft, referenceM) : null), [setting, referenceM]);
  const { material } = shown;
  useEffect(() => {
    if (!setting || !grid) return;
    const pool = pickPool();
    const families = inOrder(first.current, material);
    const maps = new Map<string, PickMap>();
    let progress = { done: 0, total: families.length };
    let problem: WorkProblem | null = null;
    let timer: number | undefined;
    const show = (): void => {
      timer = undefined;
      // Drawing a map takes a while: as a transition it is done in pieces, and hands at the keys go first.
      startTransition(() => setSpace({ maps: new Map(maps), ...progress, problem }));
    };
    const gather = (isUrgent: boolean): void => {
      if (isUrgent) {
        window.clearTimeout(timer);
        show();
      } else timer ??= window.setTimeout(show, GATHER_MS);
    };
    pool.startMaps(setting, grid, families, {
      onMap: (key, values, state) => {
        const family = families.find((f) => f.key === key)!.family;
        maps.set(key, { family, grid, values });
        if (state === 'fine' || key === familyKey(first.current)) gather(key === familyKey(first.current));
      },
      onProgress: (done, total) => {
        progress = { done, total };
        gather(done === total);
      },
      onFailure: (found) => {
        problem = found;
        gather(true);
      },
    });
    return () => {
      window.clearTimeout(timer);
      pool.stop();
    };
  }, [setting, grid, material]);
  return space;
}

/** Every family, the one that is looked at first; a material outside the usual two joins them. */
function inOrder(shown: PickFamily, material: PropMaterial): { key: string; family: PickFamily }[] {
  const usual = pickFamilies();
  const all = usual.some((f) => f.material === material) ? usual : [...usual, ...pickFamilies([material])];
  const nearness = (f: PickFamily): number =>
    Math.abs(f.bladeCount - shown.bladeCount) +
    (f.tipShape === shown.tipShape ? 0 : 3) +
    (f.material === shown.material ? 0 : 10);
  return [...all].sort((a, b) => nearness(a) - nearness(b)).map((family) => ({ key: familyKey(family), family }));
}

export interface Asked<T> {
  value: T | null;
  problem: WorkProblem | null;
  /** True while the last question has no answer yet; the value is that of an earlier one. */
  isWorking: boolean;
}

/** The answer of a worker to one question; asked anew when it changes, the last answer stays meanwhile. */
export function usePickTask<K extends PickTask>(
  setting: PickSetting | null,
  task: K,
  ask: PickTasks[K]['ask'] | null,
): Asked<PickTasks[K]['answer']> {
  const [asked, setAsked] = useState<Omit<Asked<PickTasks[K]['answer']>, 'isWorking'> & { ask: typeof ask }>({
    value: null,
    problem: null,
    ask: null,
  });
  useEffect(() => {
    if (!setting || !ask) return;
    let isGone = false;
    // As a transition, like the maps: an answer does not make a map begin to be drawn anew.
    const tell = (answer: typeof asked): void => startTransition(() => (isGone ? undefined : setAsked(answer)));
    pickPool()
      .ask(setting, task, ask)
      .then(
        (value) => tell({ value, problem: null, ask }),
        (error: unknown) => tell({ value: null, problem: workProblemOf(error), ask }),
      );
    return () => {
      isGone = true;
    };
  }, [setting, task, ask]);
  return {
    value: asked.value,
    problem: asked.problem,
    isWorking: setting !== null && ask !== null && asked.ask !== ask,
  };
}
