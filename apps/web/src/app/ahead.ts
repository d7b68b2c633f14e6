import { craftApi } from '../shared/api/craftApi.ts';
import { rackApi } from '../shared/api/rackApi.ts';
import { standApi } from '../shared/api/standApi.ts';
import { workshopApi } from '../shared/api/workshopApi.ts';
import { store } from './store.ts';

const AHEAD = { subscribe: false } as const;

/**
 * Asks for what nearly every page needs while the page itself is still being loaded: the craft that the address holds,
 * the rack, the air. Whoever opens Pick also waits for the craft's own runs.
 */
export function askAhead({ pathname, searchParams }: URL): void {
  const craftId = searchParams.get('craft');
  if (craftId !== null) void store.dispatch(craftApi.endpoints.craft.initiate(craftId, AHEAD));
  void store.dispatch(workshopApi.endpoints.air.initiate(undefined, AHEAD));
  void store.dispatch(rackApi.endpoints.propModels.initiate(undefined, AHEAD));
  if (craftId !== null && pathname.startsWith('/pick')) void store.dispatch(standApi.endpoints.calibration.initiate(craftId, AHEAD));
}
