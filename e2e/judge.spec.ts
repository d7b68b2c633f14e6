import { craftId, describe, fiveInchQuad, flyNow, headline, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

test.describe(() => {
  test.use({ isApart: true });

  test('an own quad with nothing measured: two props on predictions, weights moved, a verdict kept, all of it after a kill', async ({
    own,
    page,
  }) => {
    const faults = watchFaults(page);
    await page.goto(`${own.address}/judge`);
    await expect(headline(page)).toHaveText('No craft on the shelf yet');
    await describe(page, own, fiveInchQuad);
    const id = await craftId(page, own, 'Dunlin');
    await page.goto(`${own.address}/judge?craft=${id}`);
    await expect(headline(page)).toHaveText('Nothing is known of any prop for Dunlin');
    await putOnRack(page, own, '5.1x4.3x3', [['Maker', 'Brindlow']]);
    await putOnRack(page, own, '5x4.6x2', [['Maker', 'Veddick']]);
    await flyNow(page, own, /Brindlow/);
    await page.goto(`${own.address}/judge?craft=${id}`);
    await expect(headline(page)).toHaveText('Nothing stands beside Brindlow 5.1×4.3×3 for Dunlin yet');
    await page.getByLabel('Judge another, by what is predicted').selectOption({ label: 'Veddick 5×4.6×2' });
    const evidence = page.getByRole('table', { name: 'Evidence' });
    await expect(evidence.getByRole('row', { name: /Veddick/ })).toContainText(/best: /);
    await expect(page.getByText(/predictions alone/).first()).toBeVisible();
    // Only thrust counts: three blades pull more, and the order follows the handles at once.
    for (const slider of await page.getByRole('region', { name: 'What counts' }).getByRole('slider').all())
      await slider.fill('0');
    await expect(headline(page)).toHaveText('Nothing counts: give a wish more than 0');
    await page.getByRole('slider', { name: 'Thrust in hand' }).fill('10');
    await expect(evidence.getByRole('row').nth(1)).toContainText('Brindlow');
    await expect(page.getByText(/^Keep the weights first/)).toBeVisible();
    // What is not kept yet is still there after a reload.
    await page.reload();
    await expect(page.getByRole('slider', { name: 'Thrust in hand' })).toHaveValue('10');
    await page.getByRole('button', { name: 'Keep these weights' }).click();
    await expect(page.getByText(/^Keep the weights first/)).toBeHidden();
    await page.getByLabel('Why, in your words').fill('until the stand says more');
    await page.getByRole('heading', { level: 1 }).click();
    await page.keyboard.press('k');
    const kept = page.getByRole('region', { name: 'Verdicts kept' });
    await expect(kept).toContainText('until the stand says more');
    await expect(kept).toContainText('Nothing that matters has changed since.');
    await own.stop('SIGKILL');
    await own.start();
    await page.reload();
    await expect(kept).toContainText('until the stand says more');
    await expect(page.getByRole('slider', { name: 'Quiet at 20 m' })).toHaveValue('0');
    expect(faults).toEqual([]);
  });
});

test('the demo’s quad: stand, air and ear in one matrix; a verdict on paper, bought, taken out and back', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  const id = await craftId(page, shed, 'Petrel');
  await page.goto(`${shed.address}/crafts?craft=${id}`);
  await expect(headline(page)).toHaveText('4 crafts on the shelf');
  await page.keyboard.press('g');
  await page.keyboard.press('j');
  await expect(headline(page)).toHaveText('Take Veddick 7.9×3.3×2 for Petrel');
  const evidence = page.getByRole('table', { name: 'Evidence' });
  await expect(evidence.getByRole('row', { name: /Kessro 7\.4/ })).toContainText('ESC limit');
  for (const source of ['by the stand', 'by flights', 'by ear', 'predicted'])
    await expect(evidence.getByRole('img', { name: source, exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'All 12 figures' }).click();
  await expect(evidence.getByRole('columnheader', { name: 'Price' })).toBeVisible();
  await evidence.getByRole('button', { name: 'Sound' }).click();
  await expect(evidence.getByRole('columnheader', { name: /Sound/ })).toHaveAttribute('aria-sort', 'descending');
  await expect(evidence.getByRole('row').nth(1)).toContainText('Tamsk 7.7×4×3');
  await expect(
    page.getByRole('img', { name: /^Air time against thrust: 9 props; nobody is better in both/ }),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Opinions, apart' })).toContainText('planted');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Want 4 of Veddick 7.9×3.3×2' }).click();
  await expect(page.getByText('4 of Veddick 7.9×3.3×2 are wanted for Petrel: 2 CW and 2 CCW.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep the verdict' }).first().click();
  const kept = page.getByRole('region', { name: 'Verdicts kept' });
  await kept.getByRole('link', { name: 'Take Veddick 7.9×3.3×2 for Petrel' }).click();
  await expect(page.getByText(/To buy for Petrel: 4 of Veddick 7\.9×3\.3×2, 2 CW and 2 CCW\./)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  // It fits on paper: nothing of the frame is printed, no column is cut, and a page or two hold it.
  await page.emulateMedia({ media: 'print' });
  await page.setViewportSize({ width: 1030, height: 700 });
  const cut = await page.evaluate(() => {
    const table = document.querySelector('table')!;
    return table.getBoundingClientRect().right - document.documentElement.clientWidth;
  });
  expect(cut).toBeLessThanOrEqual(0);
  await page.emulateMedia({ media: null });
  await page.setViewportSize({ width: 1280, height: 800 });
  const paper = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  const pageCount = paper.match(/\/Type\s*\/Page\b/g)!.length;
  expect(pageCount).toBeGreaterThan(0);
  expect(pageCount).toBeLessThanOrEqual(2);
  await page.getByRole('link', { name: 'As it is today' }).click();
  await kept.getByRole('button', { name: 'Take out' }).click();
  await expect(kept).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(kept).toBeVisible();
  // Sayings of the trade, by its own readings where two props differ in that and little else.
  await page.getByRole('link', { name: 'Sayings' }).click();
  await expect(headline(page)).toHaveText(/^\d+ of \d+ sayings hold for Petrel$/);
  await expect(page.getByText(/by (ear|the stand)$/).first()).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('link', { name: 'Verdict', exact: true }).click();
  // A figure leads to where it was read.
  await evidence
    .getByRole('link', { name: /Thrust in hand.*by the stand/ })
    .first()
    .click();
  await expect(page).toHaveURL(/\/stand\//);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${shed.address}/judge?craft=${id}`);
  await expect(headline(page)).toHaveText('Take Veddick 7.9×3.3×2 for Petrel');
  expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
  expect(faults).toEqual([]);
});
