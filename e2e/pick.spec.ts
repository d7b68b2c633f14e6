import { expect, overflowOf, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';
import type { Page } from '@playwright/test';

/** Opens Pick for a craft and waits until every map is worked out. */
async function openPick(page: Page, zivvo: Zivvo, craft: string): Promise<void> {
  await page.goto(`${zivvo.address}/pick`);
  await page.getByRole('button', { name: craft, exact: true }).click();
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
}

test('from the map to a wanted prop, and back', async ({ shed, page }) => {
  const faults = watchFaults(page);
  await openPick(page, shed, 'Petrel');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/suits Petrel/, { timeout: 60_000 });
  // The chart is walked over with the keyboard; a size is taken and explained.
  const chart = page.getByRole('application');
  await chart.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('figure').getByRole('status')).toContainText(/score \d+|barred/);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/at=[\d.]+x/);
  // The page names what was taken once it is worked out; until then there is nothing to want.
  const action = page.getByRole('button', { name: /^Want 4 of/ });
  await expect(page.getByRole('complementary').getByText(/^Best:|working…/)).toBeHidden();
  const name = (await action.textContent())!
    .replace(/^Want 4 of /, '')
    .replace(/n$/, '')
    .trim();
  await expect(page.getByText(name, { exact: true }).first()).toBeVisible();
  // It is wanted, stands on the rack, and the wish is taken back.
  await page.keyboard.press('Escape');
  await action.click();
  await expect(page.getByText(`4 of ${name} are wanted for Petrel: 2 CW and 2 CCW.`)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText(`4 of ${name} are wanted for Petrel: 2 CW and 2 CCW.`)).toBeHidden();
  // Other weights rank anew without another simulation.
  await page.getByLabel('Flown for').selectOption({ label: 'open fast course' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('For open fast course');
  await page.reload();
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByLabel('Flown for')).toHaveValue('openCourse');
  await page.getByLabel('Flown for').selectOption({ label: 'long endurance' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('For long endurance');
  expect(faults).toEqual([]);
});

test('marked props side by side, the ladder, and questions', async ({ demo, page }) => {
  await openPick(page, demo, 'Petrel');
  for (const name of ['Veddick 7.5×3.6×2', 'Tamsk 7.7×4×3']) {
    const box = page.getByRole('checkbox', { name: `Mark ${name} for comparison` });
    await box.click();
    await expect(box).toBeChecked();
  }
  await page.getByRole('link', { name: 'Compare 2 marked' }).click();
  await expect(page.getByRole('columnheader', { name: /Tamsk 7.7/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Air time/ })).toContainText('min');
  await page
    .getByRole('row', { name: /^Air time/ })
    .getByRole('button')
    .first()
    .click();
  const working = page.getByRole('dialog');
  await expect(working).toContainText('E / P');
  await expect(working).toContainText('energy that the pack gives');
  await page.keyboard.press('Escape');
  await expect(working).toBeHidden();
  await page.getByLabel('over', { exact: true }).selectOption({ label: 'throttle' });
  await expect(page.getByLabel('Curve of')).toHaveValue('powerW');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('link', { name: 'Load ladder' }).click();
  await expect(page.getByText('heaviest for normal')).toBeVisible({ timeout: 30_000 });
  expect(
    await page
      .getByRole('listitem')
      .filter({ hasText: /any flying|gentle|too much/ })
      .count(),
  ).toBeGreaterThan(10);
  await page.getByRole('link', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('One inch more gives Petrel');
  await expect(page.getByText(/more than today/)).toBeVisible();
  await page.getByLabel('Smallest pack for so many minutes').fill('200');
  await expect(page.getByText('None gives that.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Try-out kit' })).toContainText('Teaches most about Petrel', {
    timeout: 60_000,
  });
});

test('a plane has its ground, and a craft that fits nothing says why', async ({ shed, page }) => {
  await openPick(page, shed, 'Eider');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('suits Eider', { timeout: 60_000 });
  await expect(page.getByRole('columnheader', { name: 'Cruise' })).toBeVisible();
  await page.getByRole('link', { name: 'Crafts', exact: true }).click();
  await expect(page.getByRole('row', { name: /Petrel/ })).toBeVisible();
  await page.keyboard.press('n');
  await page.getByRole('textbox', { name: 'Name' }).fill('Cramped');
  await page.getByRole('textbox', { name: /Take-off weight/ }).fill('1.4 kg');
  await page.getByRole('textbox', { name: /Motor diagonal/ }).fill('220 mm');
  await page.getByRole('textbox', { name: /Largest disc/ }).fill('52 mm');
  await page.getByRole('textbox', { name: /Motor label/ }).fill('2306 1750 kV');
  await page.getByRole('textbox', { name: /Cells in series/ }).fill('6');
  await page.getByRole('textbox', { name: /Capacity/ }).fill('1.3');
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Cramped needs');
  await page.keyboard.press('g');
  await page.keyboard.press('p');
  await expect(page.getByText(/No size of this family fits/)).toBeVisible({ timeout: 60_000 });
  const craftId = new URL(page.url()).searchParams.get('craft')!;
  expect((await page.request.delete(`${shed.address}/api/crafts/${craftId}`)).status()).toBe(204);
});

test('on a telephone nothing reaches beyond the window', async ({ demo, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openPick(page, demo, 'Skua');
  expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
  expect(await seriousFaults(page)).toEqual([]);
});
