import { flightCsv, flightGpx, flightUlog, simulateFlight, usualFlightPlan } from '@zivvo/core';
import { craftId, describe, fiveInchQuad, headline, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

test.describe(() => {
  test.use({ isApart: true });

  test('a card typed by thumb on a telephone counts as the flight in the log, entered once, and survives a kill', async ({
    shed,
    page,
  }) => {
    const faults = watchFaults(page);
    await page.setViewportSize({ width: 390, height: 844 });
    const id = await craftId(page, shed, 'Skua');
    await page.goto(`${shed.address}/fly/new?craft=${id}`);
    await expect(headline(page)).toHaveText(/^Flight 1 of /);
    await expect(page.getByText('First flight with these props: half a minute, gently')).toBeVisible();
    await page.getByLabel('Minutes in the air').fill('4,5');
    await page.getByLabel('Climb 1, s').fill('5.8');
    await page.getByLabel('Climb 2, s').fill('6,1');
    await page.getByLabel('Pass 1, m/s').fill('19');
    await page.getByLabel('Track, °').first().fill('80');
    await page.getByRole('button', { name: 'smoothness: 4 of 5' }).click();
    expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
    expect(await seriousFaults(page)).toEqual([]);
    // Half typed, the tab is closed and opened again.
    await page.reload();
    await expect(page.getByLabel('Climb 2, s')).toHaveValue('6,1');
    await page.getByRole('button', { name: 'Keep card' }).click();
    await expect(headline(page)).toContainText('to fly again before anything counts');
    await expect(page.getByText(/No pack is named/)).toBeVisible();
    expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
    await shed.stop('SIGKILL');
    await shed.start();
    await page.goto(`${shed.address}/care/log?craft=${id}`);
    await expect(page.getByText(/4\.5\D?min/).first()).toBeVisible();
    await page.goto(`${shed.address}/fly?craft=${id}`);
    await expect(page.getByText('smoothness 4 of 5')).toBeVisible();
    await page.getByRole('button', { name: 'Take out' }).click();
    await expect(headline(page)).toHaveText('Nothing is flown by protocol yet');
    await page.keyboard.press('Control+z');
    await expect(page.getByText('smoothness 4 of 5')).toBeVisible();
    expect(faults).toEqual([]);
  });
});

test.describe(() => {
  test.use({ isApart: true });

  test('a log: the motor that shakes, stretches confirmed and moved, taken over into a card of an own quad', async ({
    own,
    page,
  }) => {
    const faults = watchFaults(page);
    await describe(page, own, fiveInchQuad);
    await putOnRack(page, own, '5.1x4.3x3', [['Maker', 'Brindlow']]);
    await page.goto(`${own.address}/crafts`);
    const id = ((await (await page.request.get(`${own.address}/api/crafts`)).json()) as { items: { id: string }[] })
      .items[0]!.id;
    await page.goto(`${own.address}/fly/log?craft=${id}`);
    const choose = (name: string, bytes: Buffer): Promise<void> =>
      page.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/octet-stream', buffer: bytes });
    const made = simulateFlight(usualFlightPlan('journey'));
    await choose('no-times.gpx', Buffer.from(flightGpx(made, Date.parse('2026-11-20T11:00:00Z'), false)));
    await expect(page.getByRole('alert')).toContainText('has no times');
    await choose('evening.csv', Buffer.from(flightCsv(made)));
    await expect(headline(page)).toHaveText('Which column is what?');
    await page.getByRole('button', { name: 'Read the flight' }).click();
    await expect(headline(page)).toHaveText('Found: 1 climb, 3 passes, 2 hovers');
    await choose('evening.ulg', Buffer.from(flightUlog(made)));
    await expect(headline(page)).toHaveText('Motor 3 shakes the craft');
    expect(await seriousFaults(page)).toEqual([]);
    // One hover is left out, the climb's end is moved by hand.
    await page
      .getByRole('checkbox', { name: /^Hover at/ })
      .last()
      .uncheck();
    await page.getByRole('button', { name: /^Climb, / }).click();
    const before = await page.getByRole('button', { name: /^Climb, / }).textContent();
    await page.getByRole('slider', { name: 'It ends' }).press('ArrowLeft');
    await expect(page.getByRole('button', { name: /^Climb, / })).not.toHaveText(before!);
    await page.getByRole('button', { name: 'Take over into a card' }).click();
    await expect(headline(page)).toHaveText(/^Flight 1 of /);
    await expect(page.getByLabel('Pass 3, m/s')).not.toHaveValue('');
    await expect(page.getByLabel('Current in hover, A')).not.toHaveValue('');
    await page.getByRole('button', { name: 'Keep card' }).click();
    const cards = page.getByRole('region', { name: 'Flight cards' });
    await expect(cards).toContainText(/wind \d\.\d.m\/s from \d+°/);
    // The log stays with its card, and is read again after a restart.
    await own.stop('SIGKILL');
    await own.start();
    await page.reload();
    await cards.getByRole('link', { name: 'Its log' }).click();
    await expect(headline(page)).toHaveText('Motor 3 shakes the craft');
    expect(faults).toEqual([]);
  });
});

test('the air stands beside the stand: sorted by a key, a prop that flew twice against the reference', async ({
  demo,
  page,
}) => {
  const id = await craftId(page, demo, 'Petrel');
  await page.goto(`${demo.address}/crafts?craft=${id}`);
  await expect(headline(page)).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('f');
  await expect(headline(page)).toHaveText(/stays up \d+.% longer; the climb tells none apart$/);
  const table = page.getByRole('table', { name: 'Props as they flew' });
  await expect(table.getByText(/of static/).first()).toBeVisible();
  await expect(table.getByRole('row').nth(1)).toContainText('reference');
  await table.getByRole('button', { name: 'To the gate' }).press('Enter');
  await expect(table.getByRole('columnheader', { name: /To the gate/ })).toHaveAttribute('aria-sort', 'descending');
  await expect(table.getByRole('row').nth(1)).not.toContainText('reference');
  await expect(page.getByText(/under the gate of 4\.05.V: fly it again/)).toBeVisible();
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
    expect(await seriousFaults(page)).toEqual([]);
  }
});
