import type { Working, WorkingInput, WorkingLine } from '@zivvo/core';
import type { Locator, Page } from '@playwright/test';
import { evaluateWorking } from '../packages/core/src/test/evaluateWorking.ts';
import { expect, test } from './zivvo.ts';

/** What a drawer shows: read off the page as a reader with a calculator would. */
async function shownWorking(drawer: Locator): Promise<Pick<Working, 'inputs' | 'lines'>> {
  const told = await drawer.evaluate((element) => ({
    inputs: [...element.querySelectorAll('tbody tr')].map((row) => [...row.children].map((c) => c.textContent ?? '')),
    lines: [...element.querySelectorAll('ol li')].map((line) => [
      line.querySelector('code')?.textContent ?? '',
      line.querySelector('span')?.textContent ?? '',
    ]),
  }));
  return {
    inputs: told.inputs.map(([symbol = '', , value = '']) => ({ symbol, value: parseFloat(value) }) as WorkingInput),
    lines: told.lines.map(([code = '', value = '']) => {
      const [symbol = '', formula = ''] = code.split(/ = (.*)/s);
      return { symbol: symbol.trim(), formula, value: parseFloat(value.replace(/^=\s*/, '')) } as WorkingLine;
    }),
  };
}

/** Opens a working by its button, evaluates every line on what is shown above it, and closes it. */
async function expectItFollows(page: Page, opener: Locator): Promise<void> {
  await expect(opener).toBeVisible({ timeout: 30_000 });
  await opener.click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.getByRole('heading', { name: 'Through' })).toBeVisible();
  const { inputs, lines } = await shownWorking(drawer);
  expect(inputs.length).toBeGreaterThan(0);
  expect(lines.length).toBeGreaterThan(0);
  expect([...inputs, ...lines].map((i) => i.value).every(Number.isFinite)).toBe(true);
  lines.forEach(({ formula, value }, i) => {
    const found = evaluateWorking({ inputs, lines: lines.slice(0, i + 1) } as Working);
    // Six digits are shown of each.
    expect(Math.abs(found - value), formula).toBeLessThanOrEqual(1e-4 * Math.max(0.1, Math.abs(value)));
  });
  // No input is told by its code.
  await expect(drawer.locator('tbody td:nth-child(2)').filter({ hasText: /\w\.[a-z]|[a-z]{2}[A-Z]/ })).toHaveCount(0);
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(drawer).toBeHidden();
}

test('every station shows how its headline’s figure follows, and it does', async ({ demo, page }) => {
  const get = async <T>(path: string): Promise<T> =>
    (await (await page.request.get(`${demo.address}/api${path}`)).json()) as T;
  const { items: crafts } = await get<{ items: { id: string; name: string }[] }>('/crafts');
  const craftId = crafts.find((c) => c.name === 'Petrel')!.id;
  const { items: campaigns } = await get<{ items: { id: string; runCount: number }[] }>(
    `/campaigns?craftId=${craftId}`,
  );
  const campaign = campaigns.toSorted((a, b) => b.runCount - a.runCount)[0]!;
  const how = page.getByRole('button', { name: /^How .+ follows$/ });
  const reason = page.getByRole('button', { name: /^Working: / }).first();
  const stations: readonly [path: string, opener: Locator][] = [
    [`/crafts/${craftId}`, page.getByRole('button', { name: 'working', exact: true })],
    [`/pick?craft=${craftId}`, how],
    ['/rack/yield', how],
    [`/fit?craft=${craftId}`, how],
    [`/stand/${campaign.id}?craft=${craftId}`, reason],
    [`/fly?craft=${craftId}`, how],
    [`/listen?craft=${craftId}`, how],
    [`/judge?craft=${craftId}`, how],
    [`/care?craft=${craftId}`, how],
  ];
  for (const [path, opener] of stations)
    await test.step(path, async () => {
      await page.goto(`${demo.address}${path}`);
      await expectItFollows(page, opener);
    });
  await test.step('a plan of an evening', async () => {
    await page.goto(`${demo.address}/stand/${campaign.id}/plan?craft=${craftId}`);
    await page.getByRole('button', { name: 'Put in order' }).click();
    await expectItFollows(page, how);
  });
});
