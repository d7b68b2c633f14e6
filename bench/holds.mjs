// Whether the server holds: requests that nobody means well never make it fail, and no body keeps the others waiting.
import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import * as core from '../packages/core/dist/index.js';
import { withDemoServer } from './demoServer.mjs';
import { heavyBodies, hostileRequests, idsIn, routesOf } from './hostileRequests.mjs';

const PORT = 4816;
const REQUESTS = 20_000;
const AT_ONCE = 4;
const ANSWER_MS = 10_000;
/** What the server takes of JSON at most. */
const BODY_BYTES = 2_000_000;
const IDS_KEPT = 4000;
/** Lists whose answers name what is there. */
const LISTS = [
  'crafts',
  'prop-models',
  'pieces',
  'batches',
  'sets',
  'campaigns',
  'rigs',
  'pack-pieces',
  'motor-pieces',
];

export async function holdsFigures(seed) {
  return withDemoServer(PORT, async (address) => {
    const document = await (await fetch(`${address}/api/docs-json`)).json();
    const bodyMs = await heaviestHoldMs(address, document);
    const { failed, silent, byStatus } = await attack(address, document, `${seed}/holds`, REQUESTS);
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

/** Sends requests of a seed, some at once; tells which failed and which had no answer within ten seconds. */
async function attack(address, document, seed, count) {
  const ids = [];
  const learn = (text) => {
    for (const id of idsIn(text)) if (ids.length < IDS_KEPT) ids.push(id);
  };
  for (const list of LISTS) learn((await (await fetch(`${address}/api/${list}`)).text()).slice(0, 60_000));
  const make = hostileRequests(document, core.seededRandom(seed), ids);
  const [failed, silent, byStatus] = [[], [], new Map()];
  let left = count;
  const sender = async () => {
    while (left-- > 0) {
      const request = make();
      const status = await send(address, request, learn);
      byStatus.set(status, (byStatus.get(status) ?? 0) + 1);
      const what = () =>
        `${status} ${request.method} ${request.path.slice(0, 200)} ${String(request.body).slice(0, 400)}`;
      if (status === 0) silent.push(what());
      else if (status >= 500) failed.push(what());
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, sender));
  return { failed, silent, byStatus };
}

/** The status that a request is answered with; 0 where there is none in time. */
async function send(address, { method, path, body, type }, learn) {
  const stop = new AbortController();
  const timer = setTimeout(() => stop.abort(), ANSWER_MS);
  try {
    const headers = type === null ? {} : { 'content-type': type };
    const answer = await fetch(address + path, { method, headers, body, signal: stop.signal });
    // A stream goes on for as long as it is listened to.
    if (answer.headers.get('content-type')?.startsWith('text/event-stream')) stop.abort();
    else if (method !== 'GET' && answer.ok) learn(await answer.text());
    else await answer.arrayBuffer();
    return answer.status;
  } catch {
    return 0;
  } finally {
    clearTimeout(timer);
  }
}

/** The longest that any body of the greatest size kept another request waiting, each body tried twice [ms]. */
async function heaviestHoldMs(address, document) {
  const pinger = new Worker(new URL('./ping.worker.mjs', import.meta.url), { workerData: { address, everyMs: 1 } });
  const worstSince = async () => {
    pinger.postMessage(null);
    return (await once(pinger, 'message'))[0];
  };
  let [worstMs, worst] = [0, ''];
  for (const route of routesOf(document).filter((r) => r.schema !== null))
    for (const [kind, body] of Object.entries(heavyBodies(document, route, BODY_BYTES))) {
      const holds = [];
      for (let i = 0; i < 2; i++) {
        await worstSince();
        const path = route.path.replace(/\{\w+\}/g, '01922904-1a0d-72b8-80eb-3103f832088a');
        await send(address, { ...route, path, body, type: 'application/json' }, () => undefined);
        holds.push(await worstSince());
      }
      // What the machine did meanwhile does not come twice; what the body asks for does.
      if (Math.min(...holds) > worstMs)
        [worstMs, worst] = [Math.min(...holds), `${route.method} ${route.path}: ${kind}`];
    }
  await pinger.terminate();
  console.log(`holds body: ${worst}`);
  return worstMs;
}
