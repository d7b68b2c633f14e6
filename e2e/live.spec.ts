import type { Page } from '@playwright/test';
import { armStand, expect, overflowOf, putOnStand, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

const headline = (page: Page) => page.getByRole('heading', { level: 1 });

const fly = (page: Page, zivvo: Zivvo): Promise<void> => putOnStand(page, zivvo, 'Veddick 7.9×3.3×2');
const throttle = (page: Page, percent: number) =>
  expect(page.getByLabel('Readings')).toContainText(new RegExp(`\\]${percent}.%`));
const points = (page: Page) => page.getByRole('listitem').filter({ hasText: /%.*g.*A/ });

test('a ladder runs by itself, and the run stands in the results', async ({ shed, page }) => {
  const faults = watchFaults(page);
  await fly(page, shed);
  await page.getByRole('button', { name: 'Run the ladder' }).click();
  await expect(points(page)).toHaveCount(7, { timeout: 40_000 });
  await expect(headline(page)).toContainText(/thrust (than|as)/);
  await page.getByRole('button', { name: 'Keep run' }).click();
  await expect(page.getByRole('columnheader', { name: /Thrust g/ })).toBeVisible();
  await page.getByRole('link', { name: /run 4 · 4/ }).click();
  await expect(headline(page)).toHaveText('7 steps, simulated');
  await page.getByRole('link', { name: 'All readings' }).click();
  await expect(headline(page)).toContainText('Nearest to its limit');
  await expect(page.getByText(/a point is the least and the greatest of \d+ samples/)).toBeVisible();
  for (let i = 0; i < 9; i++) await page.keyboard.press('+');
  await expect(page.getByText(/every sample/)).toBeVisible();
  await expect(page.getByRole('img', { name: /8 channels over/ })).toHaveAttribute('data-drawn', 'true');
  const file = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save this stretch as a table' }).click();
  expect((await file).suggestedFilename()).toMatch(/\.csv$/);
  expect(faults).toEqual([]);
});

test('the live page serves every reader: assistive technology in both themes, narrow windows, from afar', async ({
  shed,
  page,
}) => {
  await fly(page, shed);
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
    const size = await page
      .locator('main strong')
      .first()
      .evaluate((e) => parseFloat(getComputedStyle(e).fontSize));
    expect(size).toBeGreaterThanOrEqual(110);
    await page.getByRole('button', { name: 'Back to the run' }).click();
  }
  for (const [width, height] of [
    [1000, 760],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  }
});

test('a reading over its limit cuts, and so do Escape and any key that is not listed', async ({ shed, page }) => {
  await fly(page, shed);
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

test('while armed no button keeps the focus: Enter cuts; and a nut that backs off at steady throttle is cut and named', async ({
  shed,
  page,
}) => {
  await fly(page, shed);
  await page.keyboard.press(']');
  await throttle(page, 5);
  await page.getByRole('button', { name: 'More throttle' }).click();
  await throttle(page, 10);
  await page.getByRole('button', { name: 'More throttle' }).focus();
  await page.keyboard.press('Enter');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  await throttle(page, 0);
  await armStand(page);
  for (let i = 0; i < 10; i++) await page.keyboard.press(']');
  await throttle(page, 50);
  await page.keyboard.press('l');
  await expect(page.getByRole('button', { name: /Run the ladder/ })).toBeDisabled();
  await page.keyboard.press('Tab');
  await expect(headline(page)).toHaveText('Cut by hand: nothing turns');
  await armStand(page);
  for (let i = 0; i < 10; i++) await page.keyboard.press(']');
  await page.getByLabel(/Let something go wrong/).selectOption({ label: 'the nut backs off' });
  await expect(headline(page)).toContainText(/Cut: (thrust fell|shake rose) from .* to .* at steady throttle/, {
    timeout: 20_000,
  });
  await expect(page.getByText(/before it is armed again/)).toBeVisible();
});

test('who watches sees it all and may cut; a reload holds the run, its points stay, and it goes on', async ({
  shed,
  page,
  context,
}) => {
  await fly(page, shed);
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

test('a page of another run says which run is on the stand, and cuts it from there', async ({
  shed,
  page,
  context,
}) => {
  await fly(page, shed);
  await page.keyboard.press('Escape');
  const first = page.url();
  await putOnStand(page, shed, 'Orle 7144-2');
  for (let i = 0; i < 4; i++) await page.keyboard.press(']');
  await throttle(page, 20);
  const other = await context.newPage();
  await other.goto(first);
  const note = other.getByRole('status', { name: 'Another run' });
  await expect(note).toContainText('Another run is on the stand: Orle 7144-2');
  await expect(other.getByRole('button', { name: /^Cut Esc/ })).toBeHidden();
  const band = other.getByRole('status', { name: 'On the stand' });
  await expect(band).toContainText('The stand turns at 20 %.');
  // Whatever station somebody is at, the cut is there.
  for (const station of ['crafts', 'care', 'pick']) {
    await other.goto(`${shed.address}/${station}`);
    await expect(band.getByRole('button', { name: 'Cut the stand' })).toBeInViewport();
  }
  await band.getByRole('button', { name: 'Cut the stand' }).click();
  await expect(headline(page)).toHaveText('Cut by somebody who watches');
  await expect(band).toBeHidden();
  await other.goto(first);
  await note.getByRole('link', { name: 'Go to it' }).click();
  await expect(other.getByText(/another tab flies; you watch/)).toBeVisible();
});

test.describe(() => {
  test.use({ isApart: true });

  test('a dead server is said within three seconds; started again, the run is held with its points', async ({
    shed,
    page,
  }) => {
    await fly(page, shed);
    for (let i = 0; i < 6; i++) await page.keyboard.press(']');
    await throttle(page, 30);
    await page.keyboard.press('Space');
    await expect(points(page)).toHaveCount(1);
    await shed.stop('SIGKILL');
    await expect(headline(page)).toHaveText('Zivvo’s server does not answer: use your switch', { timeout: 4000 });
    await shed.start();
    await expect(headline(page)).toHaveText('Held: the run stands as it was, its points are kept', { timeout: 30_000 });
    await expect(points(page)).toHaveCount(1);
    await page.getByRole('button', { name: 'Put it on the stand again' }).click();
    await expect(headline(page)).toHaveText('Tare the scale with nothing turning');
  });
});
