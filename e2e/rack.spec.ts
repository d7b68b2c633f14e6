import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

test.describe(() => {
  test.use({ isApart: true });

  test('a delivery is checked in without leaving the keyboard, stopped and resumed', async ({ own, page }) => {
    const faults = watchFaults(page);
    await page.goto(`${own.address}/rack/new`);
    await page.getByRole('textbox', { name: 'Label on the hub' }).fill('7.2x3.9x3');
    await page.getByRole('button', { name: 'Put on the rack' }).click();
    await expect(page.getByRole('row', { name: /7.2×3.9×3/ })).toBeVisible();
    await page.goto(`${own.address}/rack/deliveries/new`);
    await page.getByLabel('Model').selectOption({ label: '7.2×3.9×3' });
    await page.getByRole('textbox', { name: 'CW pieces', exact: true }).fill('2');
    await page.getByRole('textbox', { name: 'CCW pieces' }).fill('2');
    await page.getByRole('button', { name: 'Start the check-in' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 of 4 pieces still to check in');
    // Thirteen strokes a piece: weight, Enter, diameter, Enter, a letter, a letter.
    const first = page.getByRole('textbox', { name: /weight$/ }).first();
    await expect(first).toBeFocused();
    const strokes = async (mass: string, diameter: string, bore: string, look: string): Promise<void> => {
      for (const key of [...mass, 'Enter', ...diameter, 'Enter', bore, look]) await page.keyboard.press(key);
    };
    await strokes('7.92', '7.19', 'f', 'g');
    await expect(page.getByText('checked in', { exact: true })).toHaveCount(1);
    await strokes('7.88', '7.18', 'f', 'g');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 of 4 pieces still to check in');
    // Half a row is kept over a restart; nothing was preset to good.
    await page.keyboard.type('9.10');
    await page.keyboard.press('Enter');
    await expect(page.getByText('bore and look?')).toBeVisible();
    await own.stop('SIGTERM');
    await own.start();
    await page.reload();
    await expect(page.getByRole('textbox', { name: /weight$/ }).nth(2)).toHaveValue('9.1');
    await page
      .getByRole('textbox', { name: /weight$/ })
      .nth(2)
      .focus();
    await page.keyboard.press('Enter');
    for (const key of ['7', '.', '2', 'Enter', 't', 'c']) await page.keyboard.press(key);
    await page
      .getByRole('textbox', { name: /weight$/ })
      .nth(3)
      .fill('7.9');
    await page.keyboard.press('Enter');
    for (const key of ['7', '.', '1', '9', 'Enter', 'f', 'g']) await page.keyboard.press(key);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('All 4 pieces');
    await expect(page.getByText(/has a crack: it never flies/)).toBeVisible();
    await expect(page.getByText(/weighs 9.1.*its batch 7.9/)).toBeVisible();
    await expect(page.getByText(/fit the ring or ream before balancing/)).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    // The sheet of stickers is a PDF.
    const href = await page.getByRole('link', { name: 'Print stickers' }).getAttribute('href');
    const sheet = await page.request.get(`${own.address}${href}`);
    expect([sheet.status(), sheet.headers()['content-type'], (await sheet.body()).subarray(0, 5).toString()]).toEqual([
      200,
      'application/pdf',
      '%PDF-',
    ]);
    expect(faults).toEqual([]);
  });
});

test('a set says what it lacks, a piece is found by its tag, many are retired and brought back', async ({
  shed,
  page,
}) => {
  await page.goto(`${shed.address}/rack/sets`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('T2 needs 1 CCW');
  await expect(page.getByText(/full changes? of Brindlow 7.2×3.9×3/)).toBeVisible();
  const short = page.getByRole('region', { name: 'T2' });
  const tag = (await short.getByRole('link').first().textContent())!;
  expect(await seriousFaults(page)).toEqual([]);
  await page.keyboard.press('/');
  await page.getByRole('textbox', { name: 'Find anything' }).fill(tag.toLowerCase());
  await page.getByRole('button', { name: new RegExp(`${tag}.*Piece`) }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(tag);
  await expect(page.getByRole('region', { name: 'History' })).toContainText('came in');
  // Bulk work is all or nothing, and undone by one key.
  await page.goto(`${shed.address}/rack/pieces?state=checkedIn`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('pieces checked in');
  const rows = page.getByRole('row').filter({ hasText: 'Orle' });
  const before = await page.getByRole('heading', { level: 1 }).textContent();
  for (const i of [0, 1]) {
    await rows.nth(i).focus();
    await page.keyboard.press('x');
  }
  const work = page.getByRole('region', { name: 'Marked pieces' });
  await expect(work).toContainText('2 pieces marked');
  await work.getByRole('textbox', { name: 'Because' }).fill('white at the root');
  await work.getByRole('button', { name: 'Retire' }).click();
  await expect(page.getByText('2 pieces retired.')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(before!);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(before!);
});

test('motors keep their history, screws are counted, yields are compared', async ({ shed, page }) => {
  await page.goto(`${shed.address}/rack/parts`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Look at M2: struck or gritty');
  await page.getByRole('row', { name: /^M4/ }).click();
  await page.getByRole('textbox', { name: 'Strikes' }).fill('1');
  await page.getByRole('button', { name: 'Save motor' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Look at M2, M4: struck or gritty');
  await page.getByRole('row', { name: /^M4/ }).click();
  await expect(page.getByRole('region', { name: 'History of motor M4' })).toContainText('strikes 1');
  await page.getByRole('link', { name: 'All parts' }).click();
  await page.getByRole('button', { name: 'One M5 lock nut less' }).click();
  await expect(page.getByRole('region', { name: 'Small parts' })).toContainText('18');
  await page.getByRole('link', { name: 'Yield' }).click();
  const answer = page.getByRole('heading', { level: 1 });
  await expect(answer).toHaveText(/^\d+ of \d+ pieces of Orle failed: change supplier$/);
  await expect(page.getByRole('row', { name: /^Brindlow/ }).first()).toContainText('%');
  await expect(page.getByRole('row', { name: /^Orle/ }).first()).toContainText(
    (await answer.textContent())!.replace(' pieces of Orle', ''),
  );
});

test('a pack gets its page: runs, sag, charges, and what was changed', async ({ shed, page }) => {
  await page.goto(`${shed.address}/rack/parts`);
  await page.getByRole('row', { name: /^P1 / }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /P1 served \d+ runs and sagged by 0\.\d\d V a cell at most/,
  );
  await expect(page.getByRole('row', { name: /V.+V.+A/ }).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Charges so far' }).fill('twelve');
  await page.getByRole('button', { name: 'Save pack' }).click();
  await expect(page.getByRole('textbox', { name: 'Charges so far' })).toHaveAttribute('aria-invalid', 'true');
  await page.getByRole('textbox', { name: 'Charges so far' }).fill('41');
  await page.getByRole('button', { name: 'Save pack' }).click();
  await expect(page.getByRole('region', { name: 'History of pack P1' })).toContainText('charges so far 41');
  await page.reload();
  await expect(page.getByText('41 charges')).toBeVisible();
  // A run of the list opens, and a pack of one's own joins the shelf and leaves it again.
  await page
    .getByRole('row', { name: /V.+V.+A/ })
    .first()
    .click();
  await expect(page).toHaveURL(/stand\/runs\//);
  await page.goto(`${shed.address}/rack/parts/packs/new`);
  for (const [name, text] of [
    ['Tag', 'K9'],
    ['Cells in series', '4'],
    ['Capacity', '1.5'],
  ] as const)
    await page.getByRole('textbox', { name, exact: true }).fill(text);
  await page.getByRole('button', { name: 'Put on the list' }).click();
  await page.getByRole('row', { name: /^K9/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Pack K9 has served no run yet');
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('row', { name: /^K9/ })).toBeHidden();
});

test('on a telephone the rack stays inside its window', async ({ demo, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/rack', '/rack/pieces', '/rack/sets', '/rack/deliveries']) {
    await page.goto(`${demo.address}${path}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    expect([path, (await overflowOf(page)).page]).toEqual([path, 0]);
  }
});
