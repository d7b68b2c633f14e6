// The rack with 3,000 pieces: how long list, filter and search take, from request to answer.
import { fillRack, get, timed } from './demoRequests.mjs';
import { withDemoServer } from './demoServer.mjs';

const PIECES = 3000;
const PORT = 4811;
const TARGET_MS = 100;

export async function rackFigures(seed) {
  return withDemoServer(PORT, async (address) => {
    await fillRack(address, seed, PIECES);
    const { items } = await get(address, 'pieces');
    const { tag, propModelId } = items[Math.floor(items.length / 2)];
    return [
      await timed(address, 'rack.list.p95.ms', 'pieces', TARGET_MS),
      await timed(address, 'rack.filter.p95.ms', `pieces?state=new&propModelId=${propModelId}`, TARGET_MS),
      await timed(address, 'rack.search.p95.ms', `pieces?words=${tag}`, TARGET_MS),
      await timed(address, 'rack.searchNothing.p95.ms', 'pieces?words=nowhere', TARGET_MS),
    ];
  });
}
