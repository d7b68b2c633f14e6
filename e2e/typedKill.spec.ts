import { expect, test } from './zivvo.ts';

test.use({ isApart: true });

/** How often the server is killed while a run is being typed. */
const KILLS = process.env.ZIVVO_SOAK ? 60 : 4;

test(`every entry shown as written down survives ${KILLS} kills of the server`, async ({ own, page }) => {
  test.setTimeout(KILLS * 30_000);
  await page.goto(`${own.address}/rack/new`);
  await page.getByRole('textbox', { name: 'Label on the hub' }).fill('7.2x3.9x3');
  await page.getByRole('button', { name: 'Put on the rack' }).click();
  await expect(page.getByRole('row', { name: /7.2×3.9×3/ })).toBeVisible();
  await page.goto(`${own.address}/crafts/new`);
  for (const [name, text] of [
    ['Name', 'Petrel'],
    ['Take-off weight', '1920'],
    ['Motor diagonal', '294 mm'],
    ['Motor label', '2507 1080 kV'],
    ['Cells in series', '6'],
    ['Capacity', '4'],
  ] as const)
    await page.getByRole('textbox', { name }).first().fill(text);
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await page.getByRole('link', { name: 'New stand evening' }).click();
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await page.getByRole('link', { name: 'Type a run' }).first().click();
  await page.getByRole('button', { name: 'Type the run' }).click();
  const shownAsKept: string[] = [];
  for (let kill = 0; kill < KILLS; kill++) {
    const text = String(1000 + kill);
    await page.getByRole('textbox', { name: `Step ${kill + 1}, thrust` }).fill(text);
    await expect(page.locator('[data-draft=kept]')).toContainText('All entries written down', { timeout: 5000 });
    shownAsKept.push(text);
    // One more entry is on its way while the server dies: it waits on the page and is sent again.
    await page.getByRole('textbox', { name: `Step ${kill + 1}, speed` }).fill(String(9000 + kill));
    await own.stop('SIGKILL');
    await own.start();
    const campaignRuns = await page.request.get(
      `${own.address}${new URL(page.url()).pathname.replace('/stand/runs', '/api/runs')}`,
    );
    const { draft } = (await campaignRuns.json()) as { draft: { cells: string[][] } };
    expect(shownAsKept.every((t, row) => draft.cells[row]?.[1] === t)).toBe(true);
    await expect(page.locator('[data-draft=kept]')).toContainText('All entries written down', { timeout: 15_000 });
  }
  await page.reload();
  for (let row = 0; row < KILLS; row++) {
    await expect(page.getByRole('textbox', { name: `Step ${row + 1}, thrust` })).toHaveValue(String(1000 + row));
    await expect(page.getByRole('textbox', { name: `Step ${row + 1}, speed` })).toHaveValue(String(9000 + row));
  }
});
