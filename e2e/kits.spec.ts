import type { Page } from '@playwright/test';
import { describe, flyNow, headline, putOnRack } from './ownThings.ts';
import { expect, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

async function kit(
  page: Page,
  number: number,
  name: string,
  fields: readonly (readonly [name: string | RegExp, text: string])[],
  parts: readonly string[],
): Promise<void> {
  await page.getByRole('button', { name: 'Add a way it flies' }).click();
  const row = page.getByRole('group', { name: `Kit ${number}` });
  await row.getByRole('textbox', { name: 'Called' }).fill(name);
  for (const part of parts) await row.getByRole('checkbox', { name: part }).check();
  for (const [field, text] of fields) await row.getByRole('textbox', { name: field }).fill(text);
}

async function editOnly(page: Page, own: Zivvo): Promise<void> {
  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as { items: { id: string }[] };
  await page.goto(`${own.address}/crafts/${items[0]!.id}/edit`);
}

test('a park plane with three motors and five props: one table, and Pick takes any of them', async ({ own, page }) => {
  test.setTimeout(180_000);
  const faults = watchFaults(page);
  for (const label of ['8x4x2', '8x6x2', '9x4.7x2', '9x6x2', '10x4.7x2']) await putOnRack(page, own, label, []);
  await describe(
    page,
    own,
    [
      ['Name', 'Wagtail'],
      ['Take-off weight', '640 g'],
      [/^Motor label/, '2212 1400'],
      ['ESC limit', '30'],
      ['Cells in series', '3'],
      ['Capacity', '2.2'],
    ],
    'tractor',
  );
  await editOnly(page, own);
  await kit(
    page,
    1,
    'slower motor',
    [
      [/^Heavier by/, '8 g'],
      [/^Motor label/, '2212 1000'],
    ],
    ['Other motors'],
  );
  await kit(
    page,
    2,
    'larger motor, 4S',
    [
      [/^Heavier by/, '70 g'],
      [/^Motor label/, '2216 880'],
      ['Cells in series', '4'],
      ['Capacity', '2.2'],
    ],
    ['Other motors', 'Another pack'],
  );
  await page.getByRole('button', { name: 'Save craft' }).click();
  await expect(headline(page)).toContainText('Wagtail weighs');
  await flyNow(page, own, /9×4\.7/);
  await page.getByRole('link', { name: 'Kits', exact: true }).click();
  await expect(headline(page)).toHaveText('Wagtail in 3 ways, 5 props');
  for (const way of [/^as described/, /^slower motor/, /^larger motor, 4S/]) {
    const row = page.getByRole('row', { name: way });
    await expect(row.getByRole('cell')).toHaveCount(5);
    await expect(row).not.toContainText('…', { timeout: 30_000 });
  }
  const amps = async (way: RegExp): Promise<string> =>
    (await page.getByRole('row', { name: way }).getByRole('cell').first().textContent())!;
  await page.getByRole('combobox', { name: 'Figure' }).selectOption('fullCurrentA');
  await expect.poll(() => amps(/^as described/)).toContain('A');
  expect(await amps(/^slower motor/)).not.toBe(await amps(/^as described/));
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('combobox', { name: 'Flown as' }).selectOption({ label: 'larger motor, 4S' });
  // The address holds it before anybody can press the next thing.
  await expect(page).toHaveURL(/kit=/);
  await page.getByRole('link', { name: 'Ask', exact: true }).click();
  await expect(headline(page)).not.toHaveText('Wagtail in 3 ways, 5 props');
  await expect(page).toHaveURL(/kit=/);
  await expect(page.getByRole('combobox', { name: 'Flown as' })).not.toHaveValue('');
  expect(faults).toEqual([]);
});

test('a bag of ten of which three come good: the yield says so, and what a usable one costs', async ({ own, page }) => {
  await putOnRack(page, own, '6x4x3', [
    ['Maker', 'Orle'],
    ['Price of a bag', '12'],
    ['Pieces in a bag', '10'],
  ]);
  await page.goto(`${own.address}/rack/deliveries/new`);
  await page.getByRole('combobox', { name: 'Model' }).selectOption({ index: 1 });
  await page.getByRole('textbox', { name: 'CW pieces', exact: true }).fill('5');
  await page.getByRole('textbox', { name: 'CCW pieces' }).fill('5');
  await page.getByRole('textbox', { name: 'Bought from' }).fill('Harbour shed');
  await page.getByRole('button', { name: 'Start the check-in' }).click();
  await expect(headline(page)).toHaveText('10 of 10 pieces still to check in');
  const cell = (name: RegExp, row: number) => page.getByRole('textbox', { name }).nth(row);
  for (let row = 0; row < 10; row++) {
    await cell(/weight$/, row).fill(String(4.4 + 0.01 * row));
    await cell(/diameter$/, row).fill('6');
    await page.getByRole('combobox', { name: /bore$/ }).nth(row).selectOption('fits');
    await page
      .getByRole('combobox', { name: /look$/ })
      .nth(row)
      .selectOption(row < 7 ? 'crack' : 'good');
  }
  await expect(headline(page)).toContainText('All 10 pieces');
  // Three are found good on the shaft; until then they are not judged.
  await page.goto(`${own.address}/rack/yield`);
  await expect(headline(page)).toHaveText('7 of 7 pieces of Orle failed: change supplier');
  const { items } = (await (await page.request.get(`${own.address}/api/pieces`)).json()) as {
    items: { id: string; look: string }[];
  };
  for (const { id } of items.filter((p) => p.look === 'good'))
    expect(
      (
        await page.request.post(`${own.address}/api/pieces/${id}/actions`, {
          data: { action: 'true', isDynamic: false },
        })
      ).ok(),
    ).toBe(true);
  await page.reload();
  await expect(headline(page)).toHaveText('7 of 10 pieces of Orle failed: change supplier');
  await page.reload();
  await page.getByRole('link', { name: 'Harbour shed' }).click();
  await expect(headline(page)).toHaveText('7 of 10 pieces from Harbour shed failed: change supplier');
  await page.getByRole('link', { name: 'Models' }).click();
  await page.getByRole('row', { name: /Orle/ }).click();
  const done = page.getByRole('region', { name: 'What it has done' });
  await expect(done).toContainText('30 % of 10 judged pieces were usable; a usable one costs 4.00');
  await expect(done).toContainText('No craft flies it now');
});
