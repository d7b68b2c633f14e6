import { flightUlog, simulateFlight, usualFlightPlan } from '@zivvo/core';
import type { Page } from '@playwright/test';
import { fileURLToPath } from 'node:url';
import { expect, openEvening, putOnStand, test, type Zivvo } from './zivvo.ts';

const FOLDER = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));

async function take(page: Page, name: string): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `${FOLDER}${name}.png`, animations: 'disabled' });
}

async function openStation(page: Page, { address }: Zivvo, station: string, craftName: string): Promise<void> {
  const { items } = (await (await page.request.get(`${address}/api/crafts`)).json()) as {
    items: { id: string; name: string }[];
  };
  await page.goto(`${address}/${station}?craft=${items.find((c) => c.name === craftName)!.id}`);
}

test('crafts', async ({ demo, page }) => {
  await page.goto(`${demo.address}/crafts`);
  await expect(page.getByRole('row', { name: /Petrel/ })).toBeVisible();
  await take(page, 'crafts');
  await page.getByRole('row', { name: /Petrel/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: /Petrel needs/ })).toBeVisible();
  await take(page, 'craft');
});

test('rack', async ({ demo, page }) => {
  await page.goto(`${demo.address}/rack`);
  await expect(page.getByRole('row', { name: /Brindlow 7.2/ })).toBeVisible();
  await take(page, 'rack');
});

test('pick', async ({ demo, page }) => {
  await openStation(page, demo, 'pick', 'Petrel');
  await expect(page.getByText('Plain answer:')).toBeVisible({ timeout: 60_000 });
  await take(page, 'pick');
});

test('today', async ({ demo, page }) => {
  await page.goto(`${demo.address}/today`);
  await expect(page.getByRole('region', { name: 'May it fly?' })).toContainText('Skua');
  await take(page, 'today');
});

test('balance', async ({ shed, page }) => {
  await openStation(page, shed, 'balance', 'Petrel');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to balance for Petrel');
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('has never been balanced');
  await page.keyboard.press('n');
  await page.getByRole('slider', { name: /prop on its shaft/ }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/on blade/);
  await take(page, 'balance');
});

test('fit', async ({ shed, page }) => {
  await openStation(page, shed, 'fit', 'Petrel');
  await expect(page.getByRole('group', { name: /Spin map/ })).toBeVisible();
  await page.keyboard.press('n');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { level: 1, name: /will tip/ })).toBeVisible();
  await take(page, 'fit');
});

test('care', async ({ demo, page }) => {
  await openStation(page, demo, 'care', 'Petrel');
  await expect(page.getByText(/used \d\d.%/).first()).toBeVisible();
  await take(page, 'care');
});

test('a walkaround on a telephone', async ({ demo, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openStation(page, demo, 'care/walk', 'Petrel');
  await page.getByRole('button', { name: /^Top seen/ }).click();
  await expect(page.getByRole('button', { name: /^Underside seen/ })).toBeVisible();
  await take(page, 'walkaround');
});

test('stand', async ({ demo, page }) => {
  await openEvening(page, demo);
  await take(page, 'stand');
});

test('typing a run', async ({ shed, page }) => {
  await openEvening(page, shed);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Type the run' }).click();
  for (const [row, throttle, thrust, current] of [
    [1, '20', '138', '0.6'],
    [2, '40', '560', '3.6'],
    [3, '60', '1130', '10.4'],
  ] as const) {
    await page.getByRole('textbox', { name: `Step ${row}, throttle` }).fill(throttle);
    await page.getByRole('textbox', { name: `Step ${row}, thrust` }).fill(thrust);
    await page.getByRole('textbox', { name: `Step ${row}, current` }).fill(current);
  }
  await expect(page.getByText('All entries written down')).toBeVisible();
  await take(page, 'typed-run');
  await page.getByRole('button', { name: 'Throw the draft away' }).click();
});

test('the first page of an empty workshop', async ({ own, page }) => {
  await page.goto(own.address);
  await expect(page.getByRole('navigation', { name: 'First steps' })).toBeVisible();
  await take(page, 'first');
});

test('the live stand', async ({ shed, page }) => {
  await putOnStand(page, shed, 'Veddick 7.9×3.3×2');
  await page.getByRole('button', { name: 'Run the ladder' }).click();
  await expect(page.getByText(/than Brindlow|as Brindlow/).first()).toBeVisible();
  await expect(page.getByLabel('Readings')).toContainText(/\]80.%/, { timeout: 30_000 });
  await page.screenshot({ path: `${FOLDER}live.png` });
});

test('all readings', async ({ shed, page }) => {
  const ask = async <T>(path: string): Promise<T> =>
    (await (await page.request.get(`${shed.address}/api/${path}`)).json()) as T;
  const { items } = await ask<{ items: { id: string }[] }>('campaigns');
  const { runs } = await ask<{ runs: { id: string; ordinal: number }[] }>(`campaigns/${items[0]!.id}`);
  await page.goto(`${shed.address}/stand/runs/${runs[0]!.id}/readings`);
  await expect(page.getByRole('img', { name: /8 channels over/ })).toHaveAttribute('data-drawn', 'true');
  await take(page, 'readings');
});

test('evening', async ({ shed, page }) => {
  await openStation(page, shed, 'stand/new', 'Petrel');
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await page.getByRole('link', { name: 'Plan the evening' }).click();
  await page.getByRole('button', { name: 'Put in order' }).click();
  await page.getByRole('button', { name: 'Keep plan' }).click();
  const runs = [
    ['416', '1842', '28.1', 'Brindlow 7.2×3.9×3'],
    ['415', '1733', '22.4', 'Veddick 7.9×3.3×2'],
    ['417', '1905', '31.6', 'Tamsk 6852BN x3'],
  ] as const;
  for (const [rest, thrust, current, prop] of runs) {
    await expect(page.getByRole('heading', { level: 1 })).toContainText(prop);
    await page.getByLabel('Volts a cell at rest').fill(rest);
    await page.getByLabel('Thrust, g').fill(thrust);
    await page.getByLabel('Current, A').fill(current);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('3 of 21 done')).toBeVisible();
  await page.getByLabel('Volts a cell at rest').fill('413');
  await expect(page.getByText('leads at full throttle')).toBeVisible();
  await take(page, 'evening');
});

test('fly', async ({ demo, page }) => {
  await openStation(page, demo, 'fly', 'Petrel');
  await expect(page.getByRole('table', { name: 'Props as they flew' })).toBeVisible();
  await take(page, 'fly');
});

test('listen', async ({ demo, page }) => {
  await openStation(page, demo, 'listen', 'Petrel');
  await expect(page.getByRole('img', { name: /^Spectrum of / })).toHaveAttribute('data-drawn', 'true');
  await take(page, 'listen');
});

test('judge', async ({ demo, page }) => {
  await openStation(page, demo, 'judge', 'Petrel');
  await expect(page.getByRole('table', { name: 'Evidence' })).toBeVisible();
  await take(page, 'judge');
});

test('a flight log by night', async ({ demo, page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await openStation(page, demo, 'fly/log', 'Petrel');
  const flight = simulateFlight(usualFlightPlan('picture'));
  await page.locator('input[type=file]').setInputFiles({
    name: 'evening.ulg',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from(flightUlog(flight)),
  });
  await page.getByText('Which of these count?').waitFor();
  await take(page, 'fly-log');
});
