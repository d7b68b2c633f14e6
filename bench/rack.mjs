// The rack with 3,000 pieces: how long list, filter and search take, from request to answer.
import { v7 } from 'uuid';
import * as core from '../packages/core/dist/index.js';
import { withDemoServer } from './demoServer.mjs';

const PIECES = 3000;
const DELIVERY = 80;
const ASKED = 40;
const PORT = 4811;

export async function rackFigures(seed) {
  return withDemoServer(PORT, async () => {
    await fill(seed);
    const { items } = await get('pieces');
    const { tag, propModelId } = items[Math.floor(items.length / 2)];
    return [
      await timed('rack.list.p95.ms', 'pieces'),
      await timed('rack.filter.p95.ms', `pieces?state=new&propModelId=${propModelId}`),
      await timed('rack.search.p95.ms', `pieces?words=${tag}`),
      await timed('rack.searchNothing.p95.ms', 'pieces?words=nowhere'),
    ];
  });
}

/** Deliveries of the demo's models until there are enough pieces. */
async function fill(seed) {
  const random = core.seededRandom(`${seed}/rack`);
  const { items: models } = await get('prop-models');
  for (let total = (await get('pieces')).total; total < PIECES; total = (await get('pieces')).total) {
    const { id: propModelId } = models[Math.floor(models.length * random.next())];
    const body = {
      id: v7(),
      propModelId,
      cwCount: DELIVERY / 2,
      ccwCount: DELIVERY / 2,
      eitherCount: 0,
      resolutionKg: 1e-5,
      location: `drawer ${Math.floor(40 * random.next())}`,
      note: null,
    };
    const answer = await fetch(`http://127.0.0.1:${PORT}/api/batches`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`A delivery was refused: ${await answer.text()}`);
  }
}

async function timed(id, address) {
  const times = [];
  for (let i = 0; i < ASKED; i++) {
    const startMs = performance.now();
    await get(address);
    times.push(performance.now() - startMs);
  }
  times.sort((a, b) => a - b);
  return { id, value: times[Math.floor(0.95 * ASKED)], unit: 'ms', baseline: null, target: 100 };
}

async function get(address) {
  const answer = await fetch(`http://127.0.0.1:${PORT}/api/${address}`);
  if (!answer.ok) throw new Error(`${address} answered ${answer.status}: ${await answer.text()}`);
  return answer.json();
}
