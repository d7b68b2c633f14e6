import type { Page } from '@playwright/test';
import { expect, overflowOf, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

interface Arm {
  place: string;
  piece: { id: string; tag: string } | null;
}

async function openFit(page: Page, { address }: Zivvo, craftName: string): Promise<{ id: string; arms: Arm[] }> {
  const { items } = (await (await page.request.get(`${address}/api/crafts`)).json()) as { items: { id: string; name: string }[] };
  const { id } = items.find((c) => c.name === craftName)!;
  const { arms } = (await (await page.request.get(`${address}/api/fittings/${id}`)).json()) as { arms: Arm[] };
  await page.goto(`${address}/fit?craft=${id}`);
  await expect(page.getByRole('group', { name: /Spin map/ })).toBeVisible();
  return { id, arms };
}

const headline = (page: Page) => page.getByRole('heading', { level: 1 });

test('two neighbours swapped: found before the pack is in, mended in one press', async ({ demo, page }) => {
  const faults = watchFaults(page);
  const { id, arms } = await openFit(page, demo, 'Fulmar');
  const on = (place: string) => arms.find((a) => a.place === place)!.piece!;
  const swapped = await page.request.post(`${demo.address}/api/fittings/${id}/swap`, { data: { firstPieceId: on('frontLeft').id, secondPieceId: on('frontRight').id } });
  expect(swapped.ok()).toBe(true);
  await page.reload();
  await expect(headline(page)).toHaveText('Fulmar will tip toward its front');
  await expect(page.getByRole('button', { name: /^Front left: .*wrong: other hand/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText('two neighbours swapped, the usual fault');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'I swapped them' }).click();
  await expect(headline(page)).toHaveText(/Fulmar looks right/);
  await expect(page.getByRole('button', { name: /^Front left/ }).last()).toContainText(on('frontLeft').tag);
  expect(faults).toEqual([]);
});

test('a craft is seen and signed for in two keys, and stays so', async ({ demo, page }) => {
  await openFit(page, demo, 'Fulmar');
  await expect(headline(page)).toHaveText('Fulmar looks right; its spins were not seen');
  await page.keyboard.press('a');
  await expect(headline(page)).toHaveText('Fulmar is right: every piece, every spin');
  await page.keyboard.press('k');
  await expect(page.getByText(/^Signed .*24/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Signed .*24/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Rear left: .*, seen/ })).toBeVisible();
});

test('hanging motors turn the nut’s thread round, and the note is there tomorrow', async ({ demo, page }) => {
  await openFit(page, demo, 'Skua');
  const thread = page.getByText(/Drag tightens a (left|right)-hand nut here/);
  await page.keyboard.press('n');
  const before = await thread.textContent();
  await page.goto(page.url());
  await page.getByRole('checkbox', { name: 'The motors hang under the arms' }).click();
  await expect(page.getByRole('checkbox', { name: 'The motors hang under the arms' })).toBeChecked();
  await page.getByLabel('Note for whoever fits next').fill('ring of the left arm is worn');
  await page.getByLabel('Note for whoever fits next').blur();
  await page.reload();
  await expect(page.getByLabel('Note for whoever fits next')).toHaveValue('ring of the left arm is worn');
  await page.getByRole('button', { name: /^Front left/ }).last().click();
  await expect(thread).not.toHaveText(before!);
});

test('a motor that turns the other way is told from a wrong piece', async ({ demo, page }) => {
  await openFit(page, demo, 'Skua');
  await page.keyboard.press('n');
  const arm = page.getByRole('region', { name: 'Front left' });
  await expect(arm).toBeVisible();
  await page.keyboard.press('s');
  await expect(headline(page)).toHaveText('Skua will tip toward front left');
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText('Reverse the motor of front left');
  await arm.getByText('down', { exact: true }).click();
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText('label forward');
  await arm.getByText('up', { exact: true }).click();
  await arm.getByText('not seen', { exact: true }).click();
  await expect(headline(page)).toHaveText('Skua looks right; its spins were not seen');
});

test('scan to arm: the old mark is read, and a drone’s hand is a huge no on a plane', async ({ demo, page }) => {
  const { arms } = await openFit(page, demo, 'Eider');
  const old = arms[0]!.piece!.tag;
  const { items } = (await (await page.request.get(`${demo.address}/api/pieces`)).json()) as { items: { tag: string; hand: string; state: string; propModelId: string }[] };
  const { propModelId } = items.find((p) => p.tag === old)!;
  const spare = items.find((p) => p.propModelId === propModelId && p.hand === 'cw' && p.state === 'checkedIn')!;
  await page.keyboard.press('n');
  await page.getByLabel('Tag of the piece that goes on').fill(spare.tag);
  await page.getByRole('button', { name: 'May it go on?' }).click();
  await expect(page.getByRole('status').getByText(/read its tag before it comes off/)).toBeVisible();
  await page.getByLabel(/Read the old mark/).fill(old);
  await page.getByRole('button', { name: 'May it go on?' }).click();
  await expect(page.getByRole('status').getByText(/is CW, this arm needs CCW/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Override, and write it down' })).toBeDisabled();
  // Nothing came off, and what was typed is still there.
  await expect(page.getByLabel('Tag of the piece that goes on')).toHaveValue(spare.tag);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Nose/ }).last()).toContainText(old);
});

test('the station fits a telephone', async ({ demo, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openFit(page, demo, 'Petrel');
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  await page.getByRole('button', { name: /^Rear right/ }).last().click();
  await expect(page.getByRole('region', { name: 'Rear right' })).toBeVisible();
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  expect(await seriousFaults(page)).toEqual([]);
});
