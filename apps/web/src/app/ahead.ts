import { modelGeometry, pickGrid, type StandCalibration } from '@zivvo/core';
import { pickPool } from '../pick/pickPool.ts';
import { pickSettingOf } from '../pick/pickCraftOf.ts';
import { familyAt } from '../pick/usePickAddress.ts';
import { craftApi } from '../shared/api/craftApi.ts';
import { rackApi } from '../shared/api/rackApi.ts';
import { standApi } from '../shared/api/standApi.ts';
import { workshopApi } from '../shared/api/workshopApi.ts';
import { store } from './store.ts';

const AHEAD = { subscribe: false } as const;

const askCraft = (craftId: string) => store.dispatch(craftApi.endpoints.craft.initiate(craftId, AHEAD));
const askAir = () => store.dispatch(workshopApi.endpoints.air.initiate(undefined, AHEAD));
const askPropModels = () => store.dispatch(rackApi.endpoints.propModels.initiate(undefined, AHEAD));

/**
 * Asks for what nearly every page needs while the page itself is still being loaded: the craft that the address holds,
 * the rack, the air, and what may be taken in hand.
 */
export function askAhead({ searchParams }: URL): void {
  const craftId = searchParams.get('craft');
  if (craftId !== null) void askCraft(craftId);
  void askAir();
  void askPropModels();
  void store.dispatch(craftApi.endpoints.crafts.initiate(undefined, AHEAD));
  void store.dispatch(workshopApi.endpoints.people.initiate(undefined, AHEAD));
}

/**
 * Starts what the map of Pick waits for, before the page has come: a worker, the craft's own runs, and the map itself as
 * far as it can be worked out without them. What cannot be had is left to the page, which says so.
 */
export async function startPick({ searchParams }: URL): Promise<void> {
  const pool = pickPool();
  const craftId = searchParams.get('craft');
  if (craftId === null) return;
  const asked = store.dispatch(standApi.endpoints.calibration.initiate(craftId, AHEAD));
  const [{ data: craft }, { data: air }, { data: models }] = await Promise.all([askCraft(craftId), askAir(), askPropModels()]);
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
