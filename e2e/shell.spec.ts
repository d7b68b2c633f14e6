import { gzipSync } from 'node:zlib';
import { expect, openEvening, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

/** Largest first load of script, gzipped [kB]. */
const FIRST_LOAD_KB = 320;

test('the first load stays small', async ({ demo, page }) => {
  const sizes: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script' || response.url().endsWith('.js'))
      sizes.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto(demo.address, { waitUntil: 'networkidle' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('may fly');
  const bytes = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
  expect(bytes / 1000).toBeGreaterThan(50);
  expect(bytes / 1000).toBeLessThan(FIRST_LOAD_KB);
});

test('nothing serious is wrong for assistive technology on any page, by day and by night', async ({ demo, page }) => {
  test.setTimeout(300_000);
  const faults = watchFaults(page);
  await openEvening(page, demo);
  const evening = new URL(page.url());
  const craftId = evening.searchParams.get('craft')!;
  const campaignPath = evening.pathname;
  const pages = [
    '/crafts',
    '/crafts/new',
    `/crafts/${craftId}`,
    `/crafts/${craftId}/edit`,
    '/rack',
    '/rack/new',
    '/stand',
    '/stand/new',
    campaignPath,
    `${campaignPath}?point=hover`,
    `${campaignPath}/edit`,
    `${campaignPath}/type`,
    `${campaignPath}/import`,
    '/settings',
    '/nowhere',
  ];
  for (const path of pages) {
    await page.goto(`${demo.address}${path}${path.includes('?') ? '&' : '?'}craft=${craftId}`, {
      waitUntil: 'networkidle',
    });
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    for (const scheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme: scheme });
      await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', scheme);
      // By night only the colours are others.
      const found = await seriousFaults(page, scheme === 'light' ? 'all' : 'contrast');
      expect([scheme, found]).toEqual([scheme, []]);
    }
  }
  expect(faults).toEqual([]);
});

test('no page scrolls sideways, from the bench’s screen to the telephone', async ({ demo, page }) => {
  await openEvening(page, demo);
  const evening = new URL(page.url());
  for (const path of [
    '/crafts',
    '/rack',
    '/rack/new',
    '/crafts/new',
    '/stand',
    evening.pathname,
    `${evening.pathname}/import`,
    '/settings',
  ]) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(`${demo.address}${path}${evening.search}`, { waitUntil: 'networkidle' });
    for (const [width, height] of [
      [1280, 800],
      [1000, 760],
      [640, 400],
      [390, 844],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect
        .poll(async () => ({ path, width, ...(await overflowOf(page)) }))
        .toEqual({ path, width, page: 0, work: 0 });
    }
  }
});

test('at twice the size and on a telephone the work keeps most of the window; the rail folds to five and opens whole', async ({
  demo,
  page,
}) => {
  await openEvening(page, demo);
  const { search } = new URL(page.url());
  for (const [width, height] of [
    [640, 400],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    for (const path of ['/today', '/rack', '/fit', '/care', '/judge', '/pick/ask']) {
      await page.goto(`${demo.address}${path}${search}`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      const share = (await page.getByRole('main').boundingBox())!.height / height;
      expect([path, width, share > 0.57 ? 'enough' : share]).toEqual([path, width, 'enough']);
    }
    const rail = page.getByRole('navigation', { name: 'The line' });
    await expect(rail.getByRole('link')).toHaveCount(4);
    await rail.getByRole('button', { name: 'Whole line' }).click();
    await expect(rail.getByRole('link', { name: 'Crafts' })).toBeVisible();
    await rail.getByRole('link', { name: 'Care' }).click();
    await expect(rail.getByRole('button', { name: 'Whole line' })).toBeVisible();
    await page.getByRole('button', { name: /^(\w+ )?\d+ reasons?/ }).click();
    await expect(
      page.getByRole('complementary', { name: 'Reasons and actions' }).getByRole('listitem').first(),
    ).toBeVisible();
  }
});

test('find by a few letters, see the keys of a page, go by g and a letter', async ({ demo, page }) => {
  await page.goto(`${demo.address}/crafts`);
  await expect(page.getByRole('row', { name: /Petrel/ })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('textbox', { name: 'Find anything' }).fill('cliff');
  await expect(page.getByRole('button', { name: /Cliff season/ })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/stand\/[0-9a-f-]{36}\?craft=/);
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Paste or drop a file');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await expect(page).toHaveURL(/\/rack\?craft=/);
});

test('single letters can be switched off, and never fire while typing', async ({ demo, page }) => {
  await page.goto(`${demo.address}/rack/new`);
  await page.getByRole('textbox', { name: 'Label on the hub' }).pressSequentially('gcn7x4');
  await expect(page).toHaveURL(/\/rack\/new/);
  await page.goto(`${demo.address}/settings`);
  await page.getByRole('switch', { name: 'Single letters work as keys' }).click();
  await page.goto(`${demo.address}/crafts`);
  await expect(page.getByRole('row', { name: /Petrel/ })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/crafts$/);
});

test('a deleted craft comes back by Ctrl+Z, and by the toast', async ({ shed, page }) => {
  for (const undo of ['Control+Z', 'toast'] as const) {
    await page.goto(`${shed.address}/crafts`);
    await page.getByRole('row', { name: /Skua/ }).click();
    await page.getByRole('button', { name: 'Delete' }).click();
    await expect(page.getByText('Skua was taken off the shelf.')).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('3 crafts on the shelf');
    if (undo === 'toast') await page.getByRole('button', { name: /Undo/ }).click();
    else await page.keyboard.press(undo);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 crafts on the shelf');
  }
});

test('units and theme are the reader’s, kept over a reload', async ({ demo, page }) => {
  await page.goto(`${demo.address}/settings`);
  await page.getByRole('combobox', { name: 'Lengths' }).selectOption('mm');
  await page.getByRole('combobox', { name: 'Thrust' }).selectOption('N');
  await page.getByText('Night hangar').click();
  await page.goto(`${demo.address}/rack`);
  await expect(page.getByRole('row', { name: /Brindlow 7.2/ })).toContainText('182.9');
  await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'dark');
  await openEvening(page, demo);
  await expect(page.getByRole('columnheader', { name: /Thrust N/ })).toBeVisible();
});

test('who works is chosen once and goes with every row', async ({ own, page }) => {
  await page.goto(`${own.address}/settings`);
  await page.getByRole('textbox', { name: 'New person' }).fill('Irva Solt');
  await page.getByRole('button', { name: 'Add and choose' }).click();
  await expect(page.getByRole('link', { name: 'Irva Solt' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: 'Irva Solt' })).toBeVisible();
});

test.describe(() => {
  test.use({ isApart: true });

  test('a server that does not answer is said, and the page goes on when it is back', async ({ own, page }) => {
    await page.goto(`${own.address}/crafts`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('What brings you here?');
    await own.stop('SIGKILL');
    await page.getByRole('link', { name: 'Stand', exact: false }).first().click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Zivvo’s server does not answer');
    await own.start();
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('No stand evening yet');
  });
});

test('an address that leads nowhere says so', async ({ demo, page }) => {
  await page.goto(`${demo.address}/nowhere`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing lives at this address');
  await page.goto(`${demo.address}/crafts/01922904-1a0d-72b8-80eb-310000000009`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('No such craft');
  expect((await page.request.get(`${demo.address}/assets/nothing.js`)).status()).toBe(404);
});
