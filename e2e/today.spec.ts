import { craftId, describe, fiveInchQuad, headline, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

test.describe(() => {
  test.use({ isApart: true });

  test('the morning of an own workshop: nothing, then a craft, a delivery that waits until it is checked in, after a kill too', async ({
    own,
    page,
  }) => {
    const faults = watchFaults(page);
    await page.goto(own.address);
    await expect(page).toHaveURL(/\/today/);
    await expect(headline(page)).toHaveText('What brings you here?');
    await describe(page, own, fiveInchQuad);
    await putOnRack(page, own, '5.1x4.3x3', [['Maker', 'Brindlow']]);
    await page.goto(own.address);
    await expect(headline(page)).toHaveText('Nothing may fly yet; nothing else waits');
    await expect(page.getByRole('region', { name: 'May it fly?' })).toContainText('props missing');
    // One of the three big starts, by its key.
    await page.keyboard.press('d');
    await expect(page).toHaveURL(/\/rack\/deliveries\/new/);
    await page.getByLabel('Model').selectOption({ label: 'Brindlow 5.1×4.3×3' });
    await page.getByRole('textbox', { name: 'CW pieces', exact: true }).fill('1');
    await page.getByRole('textbox', { name: 'CCW pieces' }).fill('0');
    await page.getByRole('button', { name: 'Start the check-in' }).click();
    await expect(page).toHaveURL(/\/rack\/deliveries\/[0-9a-f-]{36}/);
    await expect(headline(page)).toContainText('still to check in');
    await page.getByRole('link', { name: 'Today', exact: true }).click();
    await expect(headline(page)).toHaveText('Nothing may fly yet; 1 thing waits');
    const waiting = page.getByRole('region', { name: 'What waits' }).getByRole('link');
    await expect(waiting).toHaveText('1 piece of Brindlow 5.1×4.3×3 waits to be checked in.');
    await own.stop('SIGKILL');
    await own.start();
    await page.reload();
    await waiting.click();
    await expect(page).toHaveURL(/\/rack\/deliveries\/[0-9a-f-]{36}/);
    expect(faults).toEqual([]);
  });
});

test('the demo’s morning: who may fly, what waits by weight, jobs for the minutes at hand, what to go on with', async ({
  demo,
  page,
}) => {
  const faults = watchFaults(page);
  const id = await craftId(page, demo, 'Skua');
  await page.goto(`${demo.address}/today`);
  await expect(headline(page)).toHaveText('Fulmar may fly; 4 things wait');
  const shelf = page.getByRole('region', { name: 'May it fly?' });
  await expect(shelf.getByRole('listitem').first()).toContainText('Skuagrounded');
  const waits = page.getByRole('region', { name: 'What waits' });
  await expect(waits.getByRole('link').first()).toContainText('Skua:');
  const bench = page.getByRole('region', { name: 'Not a flying day' });
  await bench.getByRole('radio', { name: /^15/ }).click();
  await expect(bench.getByRole('listitem')).toHaveCount(1);
  await bench.getByRole('radio', { name: /^120/ }).click();
  expect(await bench.getByRole('listitem').count()).toBeGreaterThan(2);
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', scheme);
    expect(await seriousFaults(page)).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
  await waits.getByRole('link').first().click();
  await expect(page).toHaveURL(new RegExp(`craft=${id}`));
  // What stands there is found by its words, too.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.keyboard.press('/');
  await page.getByRole('textbox', { name: 'Find anything' }).fill('school yard');
  await page.getByRole('button', { name: /school yard.*Listening · Eider/ }).click();
  await expect(page).toHaveURL(/\/listen\?listening=/);
  expect(faults).toEqual([]);
});
