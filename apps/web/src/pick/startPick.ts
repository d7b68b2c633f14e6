import { modelGeometry, pickGrid, type StandCalibration } from '@zivvo/core';
import { AHEAD, askAir, askCraft, askPropModels } from '../shared/api/ahead.ts';
import { standApi } from '../shared/api/standApi.ts';
import { store } from '../shared/store/store.ts';
import { pickSettingOf } from './pickCraftOf.ts';
import { pickPool } from './pickPool.ts';
import { familyAt } from './usePickAddress.ts';

/**
 * Starts what the map of Pick waits for, before the page has come: a worker, the craft's own runs, and the map itself
 * as far as it can be worked out without them. What cannot be had is left to the page, which says so.
 */
export async function startPick({ searchParams }: URL): Promise<void> {
  const pool = pickPool();
  const craftId = searchParams.get('craft');
  if (craftId === null) return;
  const asked = store.dispatch(standApi.endpoints.calibration.initiate(craftId, AHEAD));
  const [{ data: craft }, { data: air }, { data: models }] = await Promise.all([
    askCraft(craftId),
    askAir(),
    askPropModels(),
  ]);
  if (!craft || !air || !models) return;
  const model = models.items.find((m) => m.id === craft.referencePropModelId);
  const present = model ? modelGeometry(model) : null;
  const family = familyAt(searchParams.get('family'), present);
  const warm = (calibration: StandCalibration | null): void => {
    const setting = pickSettingOf(craft, air.air, calibration);
    pool.warm(setting, pickGrid(setting.craft, present?.diameterM ?? null), family);
  };
  // First for the sake of the tables that it reads; then, with the craft's own runs, it takes little.
  warm(null);
  const { data: own } = await asked;
  if (own?.calibration) warm(own.calibration);
}
