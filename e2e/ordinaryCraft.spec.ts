import type { Page } from '@playwright/test';
import { describe, fiveInchQuad, flyNow, headline, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

test('a five-inch quad, from an empty workshop to a short list', async ({ own, page }) => {
  const faults = watchFaults(page);
  await putOnRack(page, own, '5.1x4.3x3', [
    ['Maker', 'Brindlow'],
    ['CW pieces', '4'],
    ['CCW pieces', '4'],
  ]);
  await describe(page, own, fiveInchQuad);
  await flyNow(page, own, /Brindlow 5\.1/);
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  // What it flies is allowed, and so are most sizes that the frame clears.
  const row = page.getByRole('row', { name: /Mark Brindlow 5\.1×4\.3×3/ });
  await expect(row).toContainText('flown now');
  await expect(row).not.toHaveAttribute('data-barred', 'true');
  expect(await page.locator('tbody tr[data-barred="false"]').count()).toBeGreaterThan(5);
  // What the figures rest on is said, and where they hold.
  await row.click();
  const reasons = page.getByRole('complementary');
  await expect(reasons.getByText('four motors, half pack')).toBeVisible();
  await expect(reasons.getByText(/from the 100 C on its label/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('a tiny one-cell craft in ducts is picked for in millimetres', async ({ own, page }) => {
  await putOnRack(page, own, '31mm x 25mm x 4', [
    ['CW pieces', '2'],
    ['CCW pieces', '2'],
  ]);
  await describe(page, own, [
    ['Name', 'Wren'],
    ['Take-off weight', '27 g'],
    ['Motor diagonal', '65 mm'],
    ['Largest disc', '32 mm'],
    [/^Motor label/, '0802 20000'],
    ['ESC limit', '5'],
    ['Cells in series', '1'],
    ['Capacity', '0.3'],
    ['C rating', '40'],
    ['Gain of the ducts', '1.1'],
  ]);
  await flyNow(page, own, /31/);
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('row', { name: /flown now/ })).not.toHaveAttribute('data-barred', 'true');
  await expect(page.getByText('diameter, mm')).toBeVisible();
  await expect(page.getByText(/^Ducts are assumed to give/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
});

/** Marks the first rows of the list for comparison. */
async function mark(page: Page, count: number): Promise<void> {
  const boxes = page.getByRole('checkbox', { name: /^Mark .* for comparison$/ });
  for (let i = 0; i < count; i++) {
    await boxes.nth(i).click();
    await expect(boxes.nth(i)).toBeChecked();
  }
}

test('a tiny craft is compared, laddered and asked about in millimetres', async ({ own, page }) => {
  await putOnRack(page, own, '31mm x 25mm x 4', [
    ['CW pieces', '2'],
    ['CCW pieces', '2'],
  ]);
  await describe(page, own, [
    ['Name', 'Wren'],
    ['Take-off weight', '27 g'],
    ['Motor diagonal', '65 mm'],
    ['Largest disc', '32 mm'],
    [/^Motor label/, '0802 20000'],
    ['ESC limit', '5'],
    ['Cells in series', '1'],
    ['Capacity', '0.3'],
    ['C rating', '40'],
  ]);
  await flyNow(page, own, /31/);
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await mark(page, 2);
  await page.getByRole('link', { name: 'Compare 2 marked' }).click();
  await expect(page.getByRole('row', { name: /^Air time/ })).toContainText('min');
  await page.getByRole('link', { name: 'Load ladder' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'flown now' })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('link', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('row', { name: /^One blade more/ })).toBeVisible({ timeout: 30_000 });
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
});

test('a five-inch quad: three props side by side, a ladder, and what an inch would do', async ({ own, page }) => {
  const faults = watchFaults(page);
  await putOnRack(page, own, '5.1x4.3x3', [
    ['Maker', 'Brindlow'],
    ['CW pieces', '4'],
    ['CCW pieces', '4'],
  ]);
  await describe(page, own, fiveInchQuad);
  await flyNow(page, own, /Brindlow 5\.1/);
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await mark(page, 3);
  await page.getByRole('link', { name: 'Compare 3 marked' }).click();
  await expect(page.getByRole('row', { name: /^Air time/ })).toContainText('min');
  await page.getByRole('link', { name: 'Load ladder' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'flown now' })).toContainText('5.1×4.3×3', {
    timeout: 30_000,
  });
  await page.getByRole('link', { name: 'Ask', exact: true }).click();
  await expect(headline(page)).toHaveText(/^One inch more (gives Dunlin|takes .* from Dunlin)/, { timeout: 30_000 });
  await expect(page.getByRole('row', { name: /^Now/ })).toContainText('flown now, within all');
  await expect(page.getByText('No pack on the shelf yet')).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('a park plane whose ESC the present prop passes: Ask says so first, and no line fits beside it', async ({
  own,
  page,
}) => {
  await putOnRack(page, own, '11x6x2', [['Maker', 'Brindlow']]);
  await describe(
    page,
    own,
    [
      ['Name', 'Plover'],
      ['Take-off weight', '1.1 kg'],
      [/^Motor label/, '2814 900'],
      ['ESC limit', '18'],
      ['Cells in series', '4'],
      ['Capacity', '3'],
    ],
    'tractor',
  );
  await flyNow(page, own, /11/);
  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as { items: { id: string }[] };
  await page.goto(`${own.address}/pick/ask?craft=${items[0]!.id}`);
  await expect(headline(page)).toHaveText(/is past a limit already on Plover: ESC limit$/, { timeout: 60_000 });
  for (const name of [/^Now/, /^One blade more/, /^100 g more payload/])
    await expect(page.getByRole('row', { name })).toContainText('already past: ESC limit');
  await expect(page.getByRole('cell', { name: 'fits', exact: true })).toHaveCount(0);
});
