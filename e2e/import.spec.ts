import type { Page } from '@playwright/test';
import { expect, openEvening, test, watchFaults } from './zivvo.ts';

/** Drops a file on the page as a hand would. */
async function drop(page: Page, name: string, text: string, type = 'text/csv'): Promise<void> {
  const transfer = await page.evaluateHandle(([n, t, m]) => {
    const data = new DataTransfer();
    data.items.add(new File([t!], n!, { type: m! }));
    return data;
  }, [name, text, type]);
  await page.getByTestId('file-drop').dispatchEvent('drop', { dataTransfer: transfer });
}

test('a file with one bad cell saves nothing, names the cell, and can be mended on the page', async ({ demo, page }) => {
  const faults = watchFaults(page);
  await openEvening(page, demo);
  const runs = page.getByRole('listitem').filter({ hasText: /run \d/ });
  const before = await runs.count();
  await page.getByRole('link', { name: 'Paste or drop a file' }).click();
  await drop(page, 'bad.csv', 'Throttle,Thrust (g),Current (A)\n50,700,8\n120,1500,20\n100,2300,36\n');
  await page.locator('select').filter({ hasText: 'choose' }).selectOption({ label: 'Brindlow 7.2×3.9×3' });
  await expect(page.getByRole('button', { name: /Row 2, throttle: “120” is out of bounds: 0.% to 100.% is allowed/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Step 2, throttle' }).fill('75');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('3 steps read, ready to keep');
  await page.getByRole('link', { name: 'Cancel' }).click();
  await expect(runs).toHaveCount(before);
  expect(faults).toEqual([]);
});

test('headers that nobody knows are mapped by hand', async ({ demo, page }) => {
  await openEvening(page, demo);
  await page.getByRole('link', { name: 'Paste or drop a file' }).click();
  await drop(page, 'odd.tsv', 'first\tsecond\n50\t700\n100\t2300\n');
  await expect(page.getByText('Not known: first, second.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Column 1 holds' }).selectOption('throttleRatio');
  await page.getByRole('combobox', { name: 'Column 2 holds' }).selectOption('thrustN');
  await page.locator('select').filter({ hasText: 'choose' }).selectOption({ label: 'Orle 6340×3' });
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 steps read, ready to keep');
});

test('a picture of the scale stands beside the grid, and is there after a reload', async ({ demo, page }) => {
  await openEvening(page, demo);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Type the run' }).click();
  await expect(page.getByRole('textbox', { name: 'Step 1, throttle' })).toBeVisible();
  const pixel = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await page.locator('input[type=file]').setInputFiles({ name: 'scale.png', mimeType: 'image/png', buffer: Buffer.from(pixel, 'base64') });
  await expect(page.getByRole('img', { name: 'scale.png, beside the run' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: 'scale.png, beside the run' })).toBeVisible();
  await page.locator('input[type=file]').setInputFiles({ name: 'tool.exe', mimeType: 'application/octet-stream', buffer: Buffer.from([77, 90, 0, 1]) });
  await expect(page.getByText(/must be a PNG, JPEG/)).toBeVisible();
  await page.getByRole('button', { name: 'Throw the draft away' }).click();
  await expect(page.getByRole('button', { name: /Undo/ })).toBeVisible();
});
