import { v7 } from 'uuid';
import { expect, test } from './zivvo.ts';

test.use({ isApart: true });

/** How often the server is killed in mid-run. */
const KILLS = process.env.ZIVVO_SOAK ? 60 : 4;

interface LiveState {
  phase: string;
  points: unknown[];
  recordedS: number;
}

test(`killed ${KILLS} times in mid-run: every point shown as kept is there, and nothing turns by itself`, async ({
  shed,
  request,
}) => {
  test.setTimeout(KILLS * 30_000);
  const tabId = v7();
  const api = (path: string): string => `${shed.address}/api${path}`;
  const read = async (runId: string): Promise<LiveState> =>
    (await request.get(api(`/live/${runId}`))).json() as Promise<LiveState>;
  const post = (path: string, data: object = {}) => request.post(api(path), { data });
  const { items } = (await (await request.get(api('/campaigns'))).json()) as {
    items: { id: string; referencePropModelId: string }[];
  };
  const runId = v7();
  expect(
    (
      await post(`/campaigns/${items[0]!.id}/live`, {
        id: runId,
        propModelId: items[0]!.referencePropModelId,
        packPieceId: null,
      })
    ).status(),
  ).toBe(201);
  for (let kill = 0; kill < KILLS; kill++) {
    expect((await post(`/live/${runId}/open`)).status()).toBe(200);
    await post(`/live/${runId}/heartbeat`, { tabId });
    const beating = setInterval(() => void post(`/live/${runId}/heartbeat`, { tabId }).catch(() => undefined), 300);
    await waitFor(async () => (await post(`/live/${runId}/commands`, { tabId, name: 'tare' })).ok());
    for (const command of [
      { name: 'arm', hasHardwareStop: true },
      { name: 'throttle', throttleRatio: 0.3 },
      { name: 'keepPoint' },
    ])
      expect((await post(`/live/${runId}/commands`, { tabId, ...command })).status()).toBe(200);
    const shown = await waitFor(async () => {
      const state = await read(runId);
      // A machine that is busy may have held the pilot's word back for two seconds: then it is armed again, and a
      // point that the hold cut off is asked for again.
      if (state.phase === 'held')
        for (const command of [
          { name: 'arm', hasHardwareStop: true },
          { name: 'throttle', throttleRatio: 0.3 },
          ...(state.points.length === kill ? [{ name: 'keepPoint' }] : []),
        ])
          await post(`/live/${runId}/commands`, { tabId, ...command });
      return state.points.length === kill + 1 && state.phase === 'running' && state.recordedS > kill ? state : false;
    });
    clearInterval(beating);
    await shed.stop('SIGKILL');
    await shed.start();
    const after = await read(runId);
    expect(after.phase).toBe('held');
    expect(after.points).toHaveLength(shown.points.length);
    // Sums of seconds, added up in another order after a restart.
    expect(after.recordedS).toBeGreaterThanOrEqual(shown.recordedS - 1e-6);
  }
});

/** Asks until the answer is there; each question waits for its answer, none for a time. */
async function waitFor<T>(ask: () => Promise<T | false>): Promise<T> {
  let found: T | false = false;
  await expect.poll(async () => (found = await ask()) !== false, { timeout: 15_000, intervals: [100] }).toBe(true);
  return found as T;
}
