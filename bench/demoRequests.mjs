// What benchmarks ask of a demo server and write into it.
import { v7 } from 'uuid';
import * as core from '../packages/core/dist/index.js';

const DELIVERY = 80;
const ASKED = 40;

export async function get(address, path) {
  const answer = await fetch(`${address}/api/${path}`);
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}: ${await answer.text()}`);
  return answer.json();
}

export async function post(address, path, body) {
  const answer = await fetch(`${address}/api/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path} was refused: ${await answer.text()}`);
  return answer.json();
}

/** The time that 95 of a hundred answers take at most [ms]; each after what `between` writes. */
export async function timed(address, id, path, target, between = () => undefined) {
  const times = [];
  for (let i = 0; i < ASKED; i++) {
    await between();
    const startMs = performance.now();
    await get(address, path);
    times.push(performance.now() - startMs);
  }
  times.sort((a, b) => a - b);
  return { id, value: times[Math.floor(0.95 * ASKED)], unit: 'ms', baseline: null, target };
}

/** Deliveries of the demo's models until there are so many pieces. */
export async function fillRack(address, seed, pieceCount) {
  const random = core.seededRandom(`${seed}/rack`);
  const { items: models } = await get(address, 'prop-models');
  const total = async () => (await get(address, 'pieces')).total;
  while ((await total()) < pieceCount)
    await post(address, 'batches', {
      id: v7(),
      propModelId: models[Math.floor(models.length * random.next())].id,
      cwCount: DELIVERY / 2,
      ccwCount: DELIVERY / 2,
      eitherCount: 0,
      resolutionKg: 1e-5,
      location: `drawer ${Math.floor(40 * random.next())}`,
      note: null,
    });
}
