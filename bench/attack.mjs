// Sends what nobody means well, and looks at what comes back.
import { hostileRequests, idsIn } from './hostileRequests.mjs';

const AT_ONCE = 4;
const ANSWER_MS = 10_000;
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

/**
 * Sends so many requests, some at once, to a server at an address.
 *
 * @returns what failed, what had no answer within ten seconds, and how often there was each status
 */
export async function attack(address, document, random, count) {
  const ids = [];
  const learn = (text) => {
    for (const id of idsIn(text)) if (ids.length < IDS_KEPT) ids.push(id);
  };
  for (const list of LISTS) learn((await (await fetch(`${address}/api/${list}`)).text()).slice(0, 60_000));
  const make = hostileRequests(document, random, ids);
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
export async function send(address, { method, path, body, type }, learn) {
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
