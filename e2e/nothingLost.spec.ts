import type { Page } from '@playwright/test';
import { describe, headline, putOnRack } from './ownThings.ts';
import { expect, test, watchFaults, type Zivvo } from './zivvo.ts';

test.use({ isApart: true });

const textbox = (page: Page, name: string | RegExp) => page.getByRole('textbox', { name }).first();

/** Presses a form's button while the server is dead, and brings it back: what was typed is sent by itself. */
async function sentWhenBack(page: Page, own: Zivvo, button: string): Promise<void> {
  await own.stop('SIGKILL');
  await page.getByRole('button', { name: button }).click();
  await expect(page.getByText(/sent by itself when it is back/)).toBeVisible();
  await own.start();
}

test('a server that is stopped in the middle of a form takes it when it is back; a reload takes up what was typed', async ({
  own,
  page,
}) => {
  test.setTimeout(180_000);
  const faults = watchFaults(page);
  await page.goto(`${own.address}/rack/new`);
  await textbox(page, 'Label on the hub').fill('9x4.7x2');
  await textbox(page, 'Maker').fill('Brindlow');
  await page.reload();
  await expect(page.getByText('Taken up again as you left it.')).toBeVisible();
  await expect(textbox(page, 'Label on the hub')).toHaveValue('9x4.7x2');
  await expect(textbox(page, 'Maker')).toHaveValue('Brindlow');
  await sentWhenBack(page, own, 'Put on the rack');
  await expect(page.getByRole('row', { name: /Brindlow 9×4\.7×2/ })).toBeVisible();

  await page.goto(`${own.address}/crafts/new`);
  for (const [name, text] of [
    ['Name', 'Plover'],
    ['Take-off weight', '0.7 kg'],
    ['Motor diagonal', '300 mm'],
    [/^Motor label/, '2212 1000'],
    ['ESC limit', '30'],
    ['Cells in series', '3'],
    ['Capacity', '2.2'],
  ] as const)
    await textbox(page, name).fill(text);
  await sentWhenBack(page, own, 'Put on the shelf');
  await expect(headline(page)).toHaveText(/needs|hovers|carries|of thrust|weighs/i);
  expect(((await (await page.request.get(`${own.address}/api/crafts`)).json()) as { total: number }).total).toBe(1);

  await page.getByRole('link', { name: 'New stand evening' }).click();
  await textbox(page, 'Name').fill('Behind the shed');
  await sentWhenBack(page, own, 'Open the evening');
  await expect(page.getByText('Behind the shed').first()).toBeVisible();

  await page.goto(`${own.address}/rack/deliveries/new`);
  await page.getByRole('combobox', { name: 'Model' }).selectOption({ index: 1 });
  await textbox(page, /^CW/).fill('3');
  await sentWhenBack(page, own, 'Start the check-in');
  await expect(headline(page)).toContainText('3 of 3 pieces still to check in');

  await own.stop('SIGKILL');
  await page
    .getByRole('textbox', { name: /weight$/ })
    .first()
    .fill('8.2');
  await page.getByRole('combobox', { name: /bore$/ }).first().selectOption('fits');
  await page.getByRole('combobox', { name: /look$/ }).first().selectOption('good');
  await expect(page.getByText('waits for the server')).toBeVisible();
  await own.start();
  await expect(page.getByText('checked in', { exact: true })).toHaveCount(1);
  await expect(headline(page)).toContainText('2 of 3 pieces still to check in');

  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as { items: { id: string }[] };
  await page.goto(`${own.address}/care?craft=${items[0]!.id}`);
  await page.getByRole('region', { name: 'A flight' }).getByRole('textbox', { name: 'Minutes' }).fill('6');
  await own.stop('SIGKILL');
  await page.getByRole('button', { name: 'Log the flight' }).click();
  await expect(page.getByText(/one step waits here and is sent when it is back/)).toBeVisible();
  await own.start();
  await expect(page.getByRole('heading', { name: '0.1 h flown in all' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('two tabs on one craft: both values stand, and the person chooses', async ({ own, page, context }) => {
  await putOnRack(page, own, '9x4.7x2', []);
  await describe(page, own, [
    ['Name', 'Plover'],
    ['Take-off weight', '0.7 kg'],
    ['Motor diagonal', '300 mm'],
    [/^Motor label/, '2212 1000'],
    ['ESC limit', '30'],
    ['Cells in series', '3'],
    ['Capacity', '2.2'],
  ]);
  await page.getByRole('link', { name: /^Edit/ }).first().click();
  await expect(textbox(page, 'Name')).toHaveValue('Plover');
  const other = await context.newPage();
  await other.goto(page.url());
  await textbox(other, 'Take-off weight').fill('0.9 kg');
  await other.getByRole('button', { name: 'Save craft' }).click();
  await expect(headline(other)).not.toContainText('Edit');
  await textbox(page, 'Name').fill('Golden plover');
  await page.getByRole('button', { name: 'Save craft' }).click();
  const conflict = page.getByRole('alert', { name: 'Changed meanwhile' });
  await expect(conflict).toContainText('Golden plover yours');
  await conflict.getByRole('group', { name: 'Take-off weight' }).getByText('theirs').click();
  await conflict.getByRole('button', { name: 'Save as chosen' }).click();
  await expect(headline(page)).toContainText('Golden plover');
  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as {
    items: { name: string; massKg: number }[];
  };
  expect(items).toMatchObject([{ name: 'Golden plover', massKg: 0.9 }]);
});

test('half a walkaround is taken up again in another window', async ({ demo, page, context }) => {
  const { items } = (await (await page.request.get(`${demo.address}/api/crafts`)).json()) as {
    items: { id: string; name: string }[];
  };
  const address = `${demo.address}/care/walk?craft=${items.find((c) => c.name === 'Skua')!.id}`;
  await page.goto(address);
  await expect(headline(page)).toHaveText(/: top$/);
  const first = (await headline(page).textContent())!.split(':')[0]!;
  for (let i = 0; i < 4; i++) await page.keyboard.press('n');
  await expect(headline(page)).toHaveText(/: underside$/);
  const half = await headline(page).textContent();
  expect(half).not.toContain(first);
  await page.close();
  const later = await context.newPage();
  await later.goto(address);
  await expect(headline(later)).toHaveText(half!);
});
