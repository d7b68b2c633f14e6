import type { Page } from '@playwright/test';
import { expect, overflowOf, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

const headline = (page: Page) => page.getByRole('heading', { level: 1 });

async function begin(page: Page, { address }: Zivvo, step: string): Promise<void> {
  await page.goto(address);
  await expect(headline(page)).toHaveText('What brings you here?');
  await page.getByRole('link', { name: step }).click();
}

test('props for a craft: from a usual one to a ranked short list in four entries', async ({ own, page }) => {
  const faults = watchFaults(page);
  await page.goto(own.address);
  await expect(headline(page)).toHaveText('What brings you here?');
  expect(await seriousFaults(page)).toEqual([]);
  await begin(page, own, 'I need props for a craft');
  await page.getByRole('combobox', { name: /Begin with a usual one/ }).selectOption({ label: 'Five-inch, four cells' });
  await page.getByRole('textbox', { name: 'Name' }).fill('Dipper');
  await page.getByRole('textbox', { name: /^Take-off weight/ }).fill('0.61 kg');
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /^\d|×/ }).first()).toBeVisible();
  expect(faults).toEqual([]);
});

test('a bag came in: its label, then its delivery', async ({ own, page }) => {
  await begin(page, own, 'A bag came in');
  await page.getByRole('textbox', { name: 'Label on the hub' }).fill('5.1x4.3x3');
  await page.getByRole('button', { name: 'Put on the rack' }).click();
  await expect(headline(page)).toHaveText('What is in the bag?');
  await expect(page.getByRole('combobox', { name: 'Model' })).not.toHaveValue('');
  await page.getByRole('textbox', { name: 'CW pieces', exact: true }).fill('4');
  await page.getByRole('button', { name: 'Start the check-in' }).click();
  await expect(headline(page)).toContainText('4 of 4 pieces still to check in');
});

test('it tips over: a sketch of arms, spins and hands says where and what mends it; it shakes: questions without a craft', async ({
  own,
  page,
}) => {
  const faults = watchFaults(page);
  await begin(page, own, 'It tips over or shakes');
  await expect(headline(page)).toHaveText('Set each arm as you see it');
  for (const arm of ['Front left', 'Front right'])
    await page
      .getByRole('group', { name: arm, exact: true })
      .getByRole('button', { name: /^piece/ })
      .click();
  await expect(headline(page)).toHaveText('This craft will tip toward its front');
  await expect(page.getByText(/Swap the pieces of front left and front right/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.reload();
  await expect(headline(page)).toHaveText('This craft will tip toward its front');
  await page.setViewportSize({ width: 390, height: 844 });
  expect((await overflowOf(page)).page).toBe(0);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'It shakes instead' }).click();
  await expect(headline(page)).toHaveText('What does the craft do?');
  await page.getByRole('region', { name: 'What it does' }).getByRole('button').first().click();
  await page.keyboard.press('y');
  await expect(page.getByText(/^1 answer so far/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^1 answer so far/)).toBeVisible();
  expect(faults).toEqual([]);
});

test('something was measured: prop and craft on the way, then the grid', async ({ own, page }) => {
  await begin(page, own, 'I measured something');
  await page.getByRole('textbox', { name: 'Label on the hub' }).fill('9x4.7x2');
  await page.getByRole('combobox', { name: 'For which craft' }).selectOption({ label: 'a usual one: Slow park plane' });
  await page.getByRole('button', { name: 'Type the readings' }).click();
  await page.getByRole('textbox', { name: 'Step 1, thrust' }).fill('640');
  await expect(page.locator('[data-draft=kept]')).toContainText('All entries written down');
  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as {
    items: { name: string; estimatedFields: string[] }[];
  };
  expect(items).toMatchObject([{ name: 'Slow park plane' }]);
  expect(items[0]!.estimatedFields).toContain('massKg');
});

test('the demo opens beside an empty workshop, which stays empty', async ({ own, page, context }) => {
  test.setTimeout(180_000);
  await page.goto(own.address);
  await page.getByRole('button', { name: /Open the demo workshop/ }).click();
  const there = page.getByRole('link', { name: /The demo workshop is open/ });
  await expect(there).toBeVisible({ timeout: 120_000 });
  const opened = context.waitForEvent('page');
  await there.click();
  await expect(headline(await opened)).toContainText('may fly');
  expect(((await (await page.request.get(`${own.address}/api/crafts`)).json()) as { total: number }).total).toBe(0);
});
