import type { Page } from '@playwright/test';
import { describe, headline, onTheBench, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

/** Takes the piece of an own park plane onto the shaft. */
async function onShaft(page: Page, own: Zivvo, label: string, massKg: number): Promise<void> {
  await putOnRack(page, own, label, [['Maker', 'Brindlow']]);
  await describe(
    page,
    own,
    [
      ['Name', 'Plover'],
      ['Take-off weight', '0.7 kg'],
      [/^Motor label/, '2212 1000'],
      ['ESC limit', '30'],
      ['Cells in series', '3'],
      ['Capacity', '2.2'],
    ],
    'tractor',
  );
  const pieceId = await onTheBench(page, own, massKg);
  await page.goto(`${own.address}/balance/${pieceId}`);
  await expect(headline(page)).toContainText('has never been balanced');
  await page.getByRole('button', { name: 'Put it on the shaft n' }).click();
}

/** Turns the dial by so many steps of fifteen degrees and says that it hangs like that. */
async function hangs(page: Page, steps: number): Promise<void> {
  await page.getByRole('slider', { name: /prop on its shaft/ }).focus();
  for (let i = 0; i < steps; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
}

test('a two-blade prop with a heavy hub: the tape that is said is the tape that is booked, then sanded, then true', async ({
  own,
  page,
}) => {
  const faults = watchFaults(page);
  await onShaft(page, own, '9x4.7x2', 0.0085);
  await expect(page.getByText('Let go with a blade level. What does it do?')).toBeVisible();
  // The hub's right side hangs down: tape goes to its left side, folded, and to no blade.
  await hangs(page, 6);
  await expect(headline(page)).toHaveText(/^\d+ mm × \d+ on the hub, (left|right) of blade 1$/);
  const said = (await headline(page).textContent())!.split(' on ')[0]!;
  const side = (await headline(page).textContent())!.split(' on ')[1]!;
  await expect(page.getByRole('button', { name: `More tape on ${side}` }).locator('..')).toContainText(said);
  await page.keyboard.press('2');
  await expect(page.getByRole('listitem').filter({ hasText: `${said} on ${side}: turned` })).toBeVisible();
  await expect(headline(page)).not.toHaveText(`${said} on ${side}`);
  // What was seen counts no more once something was sanded off.
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await expect(headline(page)).toHaveText('Let it go with one blade up, and look');
  await page.getByRole('slider', { name: /prop on its shaft/ }).focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
  await page.getByText('Sanding', { exact: true }).first().click();
  const sanding = page.getByRole('region', { name: 'Sanding' });
  await expect(sanding.getByText(/^Mark the heavy side first, in pencil: blade \d\.$/)).toBeVisible();
  await expect(sanding.getByText(/Back face only/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await sanding.getByRole('button', { name: /look again$/ }).click();
  await expect(headline(page)).toHaveText('Let it go and look');
  await expect(page.getByText('Sanding: what came before counts no more')).toBeVisible();
  await page.reload();
  await expect(headline(page)).toHaveText('Let it go and look');
  await page.keyboard.press('1');
  await expect(headline(page)).toContainText('Balanced');
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  await page.getByRole('button', { name: 'Mark it balanced' }).click();
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('Balanced:');
  expect(faults).toEqual([]);
});

test('a single blade is a way of its own: washers, what they leave, and its thrust beside the shaft', async ({
  own,
  page,
}) => {
  await onShaft(page, own, '5x3x1', 0.004);
  await expect(headline(page)).toHaveText('Weigh the blade and a washer');
  await expect(page.getByRole('button', { name: 'Mark it balanced' })).toBeDisabled();
  for (const [name, text] of [
    ['The blade weighs', '4'],
    ['It balances on an edge, from the shaft', '30'],
    ['A washer weighs', '0.5'],
    ['Washers sit, from the shaft', '20'],
    ['Washers on now', '9'],
  ] as const)
    await page.getByRole('textbox', { name }).fill(text);
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(headline(page)).toHaveText('12 washers instead of 9');
  await page.getByRole('button', { name: '12 washers are on' }).click();
  await expect(headline(page)).toContainText('Balanced: 12 washers leave');
  await expect(page.getByRole('complementary').getByText(/run it in the cage only, never on a craft/)).toBeVisible();
  await page.reload();
  await expect(headline(page)).toContainText('Balanced: 12 washers leave');
  await page.getByRole('button', { name: 'Mark it balanced' }).click();
  await expect(headline(page)).not.toContainText('washers');
});
