import { store } from '../store/store.ts';
import { craftApi } from './craftApi.ts';
import { rackApi } from './rackApi.ts';
import { workshopApi } from './workshopApi.ts';

/** Asked for while a page is on its way; nobody listens yet. */
export const AHEAD = { subscribe: false } as const;

export const askCraft = (craftId: string) => store.dispatch(craftApi.endpoints.craft.initiate(craftId, AHEAD));
export const askAir = () => store.dispatch(workshopApi.endpoints.air.initiate(undefined, AHEAD));
export const askPropModels = () => store.dispatch(rackApi.endpoints.propModels.initiate(undefined, AHEAD));

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
