import { strFromU8, unzipSync } from 'fflate';
import fs from 'node:fs';
import { expect, openEvening, seriousFaults, test, watchFaults } from './zivvo.ts';

test('the table sorts by any figure and by a second one with shift; every figure opens its working', async ({
  demo,
  page,
}) => {
  const faults = watchFaults(page);
  await openEvening(page, demo);
  const firstCell = (row: number) => page.locator('tbody').first().getByRole('row').nth(row).getByRole('cell').first();
  await expect(firstCell(0)).toContainText('reference');
  await page.getByRole('button', { name: /^Current A/ }).click();
  await expect(page.getByRole('columnheader', { name: /Current A/ })).toHaveAttribute('aria-sort', 'descending');
  await expect(firstCell(0)).toContainText('Kessro');
  await page.getByRole('button', { name: /^Voltage V/ }).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('columnheader', { name: /Current A/ })).toHaveAttribute('aria-sort', 'descending');
  await expect(page.getByRole('columnheader', { name: /Voltage V/ })).not.toHaveAttribute('aria-sort', 'none');
  await page
    .getByRole('row', { name: /Veddick 7.9/ })
    .getByTitle('Show the working')
    .first()
    .click();
  const drawer = page.getByRole('dialog');
  await expect(drawer).toContainText('Thrust at full throttle');
  await expect(drawer).toContainText('measured, simulated');
  await expect(drawer).toContainText('mean = (T1r + T2r + T3r) / 3');
  // A second click leads to every sample behind it.
  await drawer.getByRole('link', { name: 'Run 2: every sample' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/of readings$/);
  await expect(page.getByText('all readings of Veddick 7.9×3.3×2')).toBeVisible();
  expect(faults).toEqual([]);
});

test('full throttle, hover and a chosen throttle; the address keeps what is looked at', async ({ demo, page }) => {
  await openEvening(page, demo);
  await page.getByText('Hover of Petrel').click();
  await expect(page.getByRole('columnheader', { name: /Power to ref/ })).toBeVisible();
  await page.getByText('60 % throttle').click();
  await page.getByRole('combobox', { name: 'Throttle' }).selectOption('80');
  await expect(page.getByText('80 % throttle')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('combobox', { name: 'Throttle' })).toHaveValue('80');
});

test('arrows move between rows, Enter takes a prop in hand, x marks it; colours stay with their prop', async ({
  demo,
  page,
}) => {
  await openEvening(page, demo);
  const rows = page.locator('tbody').first().getByRole('row');
  await rows.first().focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('x');
  await expect(rows.nth(1)).toContainText('marked');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/prop=/);
  await expect(page.getByRole('heading', { name: /Runs of/ })).toBeVisible();
  await expect(page.locator('[data-drawn=true]')).toHaveAttribute(
    'aria-label',
    /Thrust against electrical power: .*Kessro 7.4×4.6×4 up to/,
  );
});

test('a run is kept for good: a correction stands beside it and counts instead', async ({ own, page }) => {
  await page.request.post(`${own.address}/api/prop-models`, { data: propModel });
  await page.request.post(`${own.address}/api/crafts`, { data: { ...craft, referencePropModelId: propModel.id } });
  await page.goto(`${own.address}/stand/new?craft=${craft.id}`);
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await page.getByRole('link', { name: 'Type a run' }).first().click();
  await page.getByRole('button', { name: 'Type the run' }).click();
  const cell = (row: number, what: string) => page.getByRole('textbox', { name: `Step ${row}, ${what}` });
  for (const [row, throttle, thrust] of [
    [1, '50', '700'],
    [2, '100', '9999'],
  ] as const) {
    await cell(row, 'throttle').fill(throttle);
    await cell(row, 'thrust').fill(thrust);
  }
  await page.getByRole('button', { name: 'Keep run' }).click();
  await page.getByRole('link', { name: /run 1/ }).click();
  await page.getByRole('button', { name: 'Correct' }).click();
  await cell(2, 'thrust').fill('2300');
  await page.getByRole('button', { name: 'Keep run' }).click();
  await expect(page.locator('tbody').first().getByRole('row').first()).toContainText('2,300');
  await expect(page.getByRole('link', { name: /corrected/ })).toBeVisible();
});

const propModel = {
  id: '01922904-1a0d-72b8-80eb-310000000001',
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  pitchM: 0.09906,
  bladeCount: 3,
  tipShape: 'standard',
  material: 'polycarbonate',
  labelHand: null,
  measuredDiameterM: null,
  measuredMassKg: null,
  speedLimitRpm: null,
  colour: null,
  note: null,
};
const craft = {
  id: '01922904-1a0d-72b8-80eb-310000000002',
  name: 'Petrel',
  ownerName: null,
  layout: 'quadX',
  arms: null,
  groundClearanceM: null,
  boomClearanceM: null,
  shaftDiameterM: null,
  massKg: 1.92,
  diagonalM: 0.294,
  clearanceDiameterM: 0.2,
  motorLabel: '2507 1080 kV',
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  motorResistanceOhm: 0.136,
  motorNoLoadCurrentA: 0.67,
  motorMassKg: 0.04,
  estimatedFields: [],
  motorLimitA: null,
  escLimitA: 40,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packParallelCount: 1,
  packCapacityAh: 4,
  referencePropModelId: null,
  note: null,
};

test('an estimate of a craft shows how it came about, and so does its hover thrust', async ({ demo, page }) => {
  await page.goto(`${demo.address}/crafts`);
  await page.getByRole('row', { name: /Petrel/ }).click();
  await page.getByRole('button', { name: 'Winding: estimated, show the working' }).click();
  await expect(page.getByRole('dialog')).toContainText('Winding resistance at 25 °C');
  await expect(page.getByRole('dialog')).toContainText('1.6e11 / (kV^2');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'working', exact: true }).click();
  await expect(page.getByRole('dialog')).toContainText('m * 9.80665 / k');
});

test('columns and rows are the reader’s, kept over a reload; the table and the evening leave as files; the difference has a chart', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  await openEvening(page, shed);
  await expect(page.getByText(/^Least power for a thrust: .* Veddick 7\.9×3\.3×2/)).toBeVisible();
  await page.getByText('Against the reference', { exact: true }).click();
  await expect(
    page.getByRole('img', { name: /^Thrust against Brindlow 7\.2×3\.9×3 at the same power: / }),
  ).toBeVisible();
  await expect(page).toHaveURL(/view=difference/);

  await page.getByRole('button', { name: 'Columns and rows' }).click();
  await page.getByRole('checkbox', { name: 'Voltage' }).uncheck();
  await page.getByRole('checkbox', { name: /Orle 7144-2/ }).uncheck();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: /Voltage/ })).toHaveCount(0);
  const orle = page.getByRole('row', { name: /Orle 7144-2/ });
  await expect(orle).toHaveCount(0);
  await page.getByRole('row', { name: /Tamsk 7\.7×4×3/ }).focus();
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Columns and rows, 2 props hidden' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Columns and rows, 2 props hidden' })).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);

  const table = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it as CSV' }).click();
  const text = fs.readFileSync(await (await table).path(), 'utf8');
  expect(text).toMatch(/^\uFEFFProp,Runs,Thrust \(g\),± Thrust \(g\)/);
  expect(text).not.toMatch(/Voltage|Orle 7144-2|Tamsk 7\.7/);
  const evening = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save all runs as JSON' }).click();
  const file = JSON.parse(fs.readFileSync(await (await evening).path(), 'utf8')) as { format: string; runs: object[] };
  expect([file.format, file.runs.length]).toEqual(['zivvo-evening-1', 27]);
  const workbook = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Evening as .xlsx' }).click();
  const saved = await workbook;
  expect(saved.suggestedFilename()).toMatch(/^Cliff season.*\.xlsx$/);
  const parts = unzipSync(fs.readFileSync(await saved.path()));
  expect(Object.keys(parts).filter((name) => /worksheets\/sheet\d+\.xml$/.test(name))).toHaveLength(3);
  const strings = strFromU8(parts['xl/sharedStrings.xml']!);
  for (const text of ['Thrust (g)', 'Factors of the checks', 'Air density (kg/m³)', 'Veddick 7.9×3.3×2'])
    expect(strings).toContain(text);
  expect(faults).toEqual([]);
});
