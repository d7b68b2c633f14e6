// Whether the server holds: requests that nobody means well never make it fail, and no body keeps the others waiting.
import * as core from '../packages/core/dist/index.js';
import { withDemoServer } from './demoServer.mjs';
import { attack, send } from './attack.mjs';
import { heavyBodies, routesOf } from './hostileRequests.mjs';
import { startPinger } from './pinger.mjs';

const PORT = 4816;
const REQUESTS = 20_000;
/** What the server takes of JSON at most. */
const BODY_BYTES = 2_000_000;

export async function holdsFigures(seed) {
  return withDemoServer(PORT, async (address) => {
    const document = await (await fetch(`${address}/api/docs-json`)).json();
    const bodyMs = await heaviestHoldMs(address, document);
    const { failed, silent, byStatus } = await attack(address, document, core.seededRandom(`${seed}/holds`), REQUESTS);
    for (const line of [...failed, ...silent].slice(0, 20)) console.error(line);
    console.log(
      `holds answers: ${[...byStatus]
        .sort()
        .map(([status, n]) => `${status} ${n}`)
        .join(', ')}`,
    );
    const figure = (id, value, unit, target) => ({ id, value, unit, baseline: null, target });
    return [
      figure('holds.requests.5xx', failed.length, `of ${REQUESTS}`, 0),
      figure('holds.requests.silent', silent.length, `of ${REQUESTS}`, 0),
      figure('holds.body.ms', bodyMs, 'ms', 100),
    ];
  });
}

/** The longest that any body of the greatest size kept another request waiting, each body tried twice [ms]. */
async function heaviestHoldMs(address, document) {
  const pinger = startPinger(address, 1);
  let [worstMs, worst] = [0, ''];
  for (const route of routesOf(document).filter((r) => r.schema !== null))
    for (const [kind, body] of Object.entries(heavyBodies(document, route, BODY_BYTES))) {
      const holds = [];
      for (let i = 0; i < 2; i++) {
        await pinger.worstMs();
        const path = route.path.replace(/\{\w+\}/g, '01922904-1a0d-72b8-80eb-3103f832088a');
        await send(address, { ...route, path, body, type: 'application/json' }, () => undefined);
        holds.push(await pinger.worstMs());
      }
      // What the machine did meanwhile does not come twice; what the body asks for does.
      if (Math.min(...holds) > worstMs)
        [worstMs, worst] = [Math.min(...holds), `${route.method} ${route.path}: ${kind}`];
    }
  await pinger.stop();
  console.log(`holds body: ${worst}`);
  return worstMs;
}
