import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { armStand, expect, overflowOf, putOnStand, seriousFaults, test, watchFaults, Zivvo } from './zivvo.ts';

const KILLS = 12;
const headline = (page: Page) => page.getByRole('heading', { level: 1 });

/** A workshop of its own: what is flown here stands in its results. */
const shed = new Zivvo('demo');
test.beforeAll(() => shed.start());
test.afterAll(() => shed.end());

const fly = (page: Page, zivvo: Zivvo = shed): Promise<void> => putOnStand(page, zivvo, 'Veddick 7.9×3.3×2');
const throttle = (page: Page, percent: number) => expect(page.getByLabel('Readings')).toContainText(new RegExp(`\\]${percent}.%`));
const points = (page: Page) => page.getByRole('listitem').filter({ hasText: /%.*g.*A/ });

test('a ladder runs by itself, and the run stands in the results', async ({ page }) => {
  const faults = watchFaults(page);
  await fly(page);
  await page.getByRole('button', { name: 'Run the ladder' }).click();
  await expect(points(page)).toHaveCount(7, { timeout: 40_000 });
  await expect(headline(page)).toContainText(/thrust (than|as)/);
  await page.getByRole('button', { name: 'Keep run' }).click();
  await expect(page.getByRole('columnheader', { name: /Thrust g/ })).toBeVisible();
  await page.getByRole('link', { name: /run 4 · 4/ }).click();
  await expect(headline(page)).toHaveText('7 steps, simulated');
  expect(faults).toEqual([]);
});

test('the live page serves every reader: assistive technology in both themes, narrow windows, from afar', async ({ page }) => {
  await fly(page);
  await page.keyboard.press('Escape');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    await page.goto(page.url().replace(/[?&]far=1/, ''));
    await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
    expect(await seriousFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Read from afar' }).click();
    await expect(page.getByText('held', { exact: true })).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    const size = await page.locator('main strong').first().evaluate((e) => parseFloat(getComputedStyle(e).fontSize));
    expect(size).toBeGreaterThanOrEqual(110);
    await page.getByRole('button', { name: 'Back to the run' }).click();
  }
  for (const [width, height] of [[1000, 760], [390, 844]] as const) {
    await page.setViewportSize({ width, height });
    expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  }
});

test('a reading over its limit cuts, and so do Escape and any key that is not listed', async ({ page }) => {
  await fly(page);
  for (let i = 0; i < 8; i++) await page.keyboard.press(']');
  await throttle(page, 40);
  await page.keyboard.press('q');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  await armStand(page);
  await page.keyboard.press('ArrowUp');
  await throttle(page, 5);
  await page.keyboard.press('Escape');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  await armStand(page);
  for (let i = 0; i < 16; i++) await page.keyboard.press(']');
  await page.getByLabel(/Let something go wrong/).selectOption({ label: 'the ESC loses step' });
  await expect(headline(page)).toContainText(/Cut at .*: the limit is/);
  await throttle(page, 0);
});

test('who watches sees it all and may cut; a reload holds the run, its points stay, and it goes on', async ({ page, context }) => {
  await fly(page);
  for (let i = 0; i < 6; i++) await page.keyboard.press(']');
  await throttle(page, 30);
  await expect(page.getByText('turning', { exact: false }).first()).toBeVisible();
  await page.keyboard.press('Space');
  await expect(points(page)).toHaveCount(1);
  const watcher = await context.newPage();
  await watcher.goto(page.url());
  await expect(watcher.getByText('another tab flies; you watch', { exact: false })).toBeVisible();
  await expect(points(watcher)).toHaveCount(1);
  await expect(watcher.getByRole('button', { name: 'Run the ladder' })).toBeDisabled();
  await watcher.getByRole('button', { name: 'Cut Esc' }).click();
  await expect(headline(page)).toHaveText('Cut by somebody who watches');
  await watcher.close();
  await armStand(page);
  await page.keyboard.press(']');
  await throttle(page, 5);
  await page.reload();
  await expect(headline(page)).toHaveText('Cut: the page that flew it went away');
  await expect(points(page)).toHaveCount(1);
  await armStand(page);
  await page.keyboard.press('.');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  await page.getByRole('button', { name: 'Throw the run away' }).click();
  await expect(page.getByText('The run was thrown away.')).toBeVisible();
});

test('a dead server is said within three seconds; started again, the run is held with its points', async ({ page }) => {
  const zivvo = new Zivvo('demo');
  await zivvo.start();
  try {
    await fly(page, zivvo);
    for (let i = 0; i < 6; i++) await page.keyboard.press(']');
    await throttle(page, 30);
    await page.keyboard.press('Space');
    await expect(points(page)).toHaveCount(1);
    await zivvo.stop('SIGKILL');
    await expect(headline(page)).toHaveText('Zivvo’s server does not answer: use your switch', { timeout: 4000 });
    await zivvo.start();
    await expect(headline(page)).toHaveText('Held: the run stands as it was, its points are kept', { timeout: 30_000 });
    await expect(points(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'Put it on the stand again' }).click();
    await expect(headline(page)).toHaveText('Tare the scale with nothing turning');
  } finally {
    await zivvo.end();
  }
});

interface LiveState {
  phase: string;
  points: unknown[];
  recordedS: number;
}

test(`killed ${KILLS} times in mid-run: every point shown as kept is there, and nothing turns by itself`, async ({ request }) => {
  test.setTimeout(KILLS * 20_000);
  const zivvo = new Zivvo('demo');
  await zivvo.start();
  try {
    const tabId = v7();
    const api = (path: string): string => `${zivvo.address}/api${path}`;
    const read = async (runId: string): Promise<LiveState> => (await request.get(api(`/live/${runId}`))).json() as Promise<LiveState>;
    const post = (path: string, data: object = {}) => request.post(api(path), { data });
    const { items } = (await (await request.get(api('/campaigns'))).json()) as { items: { id: string; referencePropModelId: string }[] };
    const runId = v7();
    expect((await post(`/campaigns/${items[0]!.id}/live`, { id: runId, propModelId: items[0]!.referencePropModelId, packPieceId: null })).status()).toBe(201);
    for (let kill = 0; kill < KILLS; kill++) {
      await post(`/live/${runId}/open`);
      await post(`/live/${runId}/heartbeat`, { tabId });
      const beating = setInterval(() => void post(`/live/${runId}/heartbeat`, { tabId }).catch(() => undefined), 300);
      await waitFor(async () => (await post(`/live/${runId}/commands`, { tabId, name: 'tare' })).ok());
      for (const command of [{ name: 'arm', hasHardwareStop: true }, { name: 'throttle', throttleRatio: 0.3 }, { name: 'keepPoint' }]) expect((await post(`/live/${runId}/commands`, { tabId, ...command })).status()).toBe(200);
      const shown = await waitFor(async () => {
        const state = await read(runId);
        return state.points.length === kill + 1 && state.phase === 'running' && state.recordedS > kill ? state : false;
      });
      clearInterval(beating);
      await zivvo.stop('SIGKILL');
      await zivvo.start();
      const after = await read(runId);
      expect(after.phase).toBe('held');
      expect(after.points).toHaveLength(shown.points.length);
      expect(after.recordedS).toBeGreaterThanOrEqual(shown.recordedS);
    }
  } finally {
    await zivvo.end();
  }
});

/** Asks until the answer is there; each question waits for its answer, none for a time. */
async function waitFor<T>(ask: () => Promise<T | false>): Promise<T> {
  let found: T | false = false;
  await expect.poll(async () => (found = await ask()) !== false, { timeout: 15_000, intervals: [100] }).toBe(true);
  return found as T;
}
