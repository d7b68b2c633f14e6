import { craftId, headline } from './ownThings.ts';
import { armStand, expect, seriousFaults, test, watchFaults } from './zivvo.ts';

test('bursts of one prop on two motors: planned as one, flown on the stand, told as time to thrust, side by side', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  const id = await craftId(page, shed, 'Petrel');
  const response = await page.request.get(`${shed.address}/api/crafts/${id}`);
  const { revision, ...craft } = (await response.json()) as { revision: number; kits: object[] };
  const motor = { label: '2808 900 kV', statorDiameterM: 0.028, statorHeightM: 0.008, kvRpmPerV: 900 };
  const kit = { id: crypto.randomUUID(), name: 'calm motors', addedMassKg: 0, pack: null, motor, escLimitA: null };
  const fields = Object.fromEntries(
    Object.entries(craft).filter(
      ([name]) => !['id', 'createdAt', 'updatedAt', 'kind', 'rotors', 'use', 'weights', 'carryThrustN'].includes(name),
    ),
  );
  const put = await page.request.put(`${shed.address}/api/crafts/${id}`, {
    // A burst draws more than it settles to: its limits are those of the rig that stands it.
    data: { ...fields, escLimitA: 120, motorLimitA: null, kits: [kit], revision },
  });
  expect(put.status(), await put.text()).toBe(200);

  await page.goto(`${shed.address}/stand/new?craft=${id}`);
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await page.getByRole('link', { name: 'Plan the evening' }).click();
  await page.getByRole('checkbox', { name: /calm motors/ }).check();
  // Only the reference runs, on each motor.
  for (const box of await page.getByRole('region', { name: 'Props' }).getByRole('checkbox').all()) await box.uncheck();
  await page.getByLabel('Runs of each prop').fill('1');
  await page.getByRole('combobox', { name: 'Each run' }).selectOption({ label: 'a ladder down' });
  await page.getByRole('region', { name: 'Props' }).getByRole('checkbox').first().check();
  await page.getByRole('button', { name: 'Steps whose thrusts overlap' }).click();
  await expect(page.getByText(/By the model every prop is read from/)).toBeVisible();
  await expect(page.getByLabel('Throttles, %')).toHaveValue(/^100 \d/);
  await page.getByRole('combobox', { name: 'Each run' }).selectOption({ label: 'bursts to full throttle' });
  await page.getByRole('textbox', { name: 'Bursts' }).fill('2');
  await page.getByRole('region', { name: 'Props' }).getByRole('checkbox').first().uncheck();
  await page.getByRole('button', { name: 'Put in order' }).click();
  await expect(page.getByRole('list', { name: 'Order of the runs' }).getByRole('listitem')).toHaveCount(2);
  await expect(page.getByText('They need a stand that reads by itself', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Keep plan' }).click();
  await expect(page.getByText('0 of 2 done')).toBeVisible();

  for (const [i, rig] of ['2507 1080 kV, 6S', 'calm motors'].entries()) {
    await expect(page.getByRole('region', { name: 'Next' })).toContainText(i === 0 ? 'Pack' : 'The rig: calm motors.');
    await expect(page.getByRole('listitem').filter({ hasText: rig })).toHaveCount(1);
    await page.keyboard.press('l');
    await expect(headline(page)).toHaveText('Tare the scale with nothing turning');
    await page.getByRole('button', { name: 'Tare', exact: true }).click();
    await armStand(page);
    await page.getByRole('button', { name: 'Run the bursts' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: /100.*%.*g.*A/ })).toHaveCount(2, { timeout: 40_000 });
    await page.getByRole('button', { name: 'Keep run' }).click();
    await page.getByRole('link', { name: 'The evening’s plan' }).click();
    await expect(page.getByText(`${i + 1} of 2 done`)).toBeVisible();
  }
  await page.getByRole('button', { name: 'Read from afar' }).click();
  await expect(page.getByText('The evening is run')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the evening' }).click();
  await page.getByRole('link', { name: 'See the results' }).click();
  await page.getByText('Response', { exact: true }).click();
  await expect(page.getByRole('columnheader', { name: /Time to thrust s/ })).toBeVisible();
  await page
    .getByRole('button', { name: /^0\.\d+$/ })
    .first()
    .click();
  await expect(page.getByText('time to thrust by run 1')).toBeVisible();
  await page.keyboard.press('Escape');
  const matrix = page.getByRole('region', { name: 'Props on motors and cells' });
  await page.getByText('Full throttle', { exact: true }).first().click();
  await expect(matrix.getByRole('columnheader')).toHaveText([/Thrust/, '2507 1080 kV, 6S', 'calm motors']);
  await page.getByRole('combobox', { name: 'Motor and cells' }).selectOption({ label: 'calm motors' });
  await expect(page).toHaveURL(new RegExp(`rig=${kit.id}`));
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('link', { name: /run 1/ }).first().click();
  await expect(page.getByRole('region', { name: 'Between the points' })).toContainText('mean of 2 bursts');
  expect(faults).toEqual([]);
});
