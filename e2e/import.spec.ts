import type { Page } from '@playwright/test';
import { anEvening, headline } from './ownThings.ts';
import { expect, openEvening, seriousFaults, test, watchFaults } from './zivvo.ts';

/** Drops a file on the page as a hand would. */
async function drop(page: Page, name: string, text: string, type = 'text/csv'): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([n, t, m]) => {
      const data = new DataTransfer();
      data.items.add(new File([t!], n!, { type: m! }));
      return data;
    },
    [name, text, type],
  );
  await page.getByTestId('file-drop').dispatchEvent('drop', { dataTransfer: transfer });
}

test('a file with one bad cell saves nothing, names the cell, and can be mended on the page', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  await openEvening(page, shed);
  const runs = page.getByRole('listitem').filter({ hasText: /run \d/ });
  const before = await runs.count();
  await page.getByRole('link', { name: 'Paste or drop a file' }).click();
  await drop(page, 'bad.csv', 'Throttle,Thrust (g),Current (A)\n50,700,8\n120,1500,20\n100,2300,36\n');
  await page.locator('select').filter({ hasText: 'choose' }).selectOption({ label: 'Brindlow 7.2×3.9×3' });
  await expect(
    page.getByRole('button', { name: /Row 2, throttle: “120” is out of bounds: 0.% to 100.% is allowed/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
  await page.getByRole('textbox', { name: 'Step 2, throttle' }).fill('75');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('3 steps read, ready to keep');
  await page.getByRole('link', { name: 'Cancel' }).click();
  await expect(runs).toHaveCount(before);
  expect(faults).toEqual([]);
});

test('headers that nobody knows are mapped by hand', async ({ shed, page }) => {
  await openEvening(page, shed);
  await page.getByRole('link', { name: 'Paste or drop a file' }).click();
  await drop(page, 'odd.tsv', 'first\tsecond\n50\t700\n100\t2300\n');
  await expect(page.getByText('Not known: first, second.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Column 1 holds' }).selectOption('throttleRatio');
  await page.getByRole('combobox', { name: 'Column 2 holds' }).selectOption('thrustN');
  await page.locator('select').filter({ hasText: 'choose' }).selectOption({ label: 'Orle 6340×3' });
  // A unit that no header names is asked for, never taken.
  await expect(page.getByText('Say the unit of throttle, thrust: the header does not.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
  await page.getByRole('combobox', { name: 'Unit of throttle' }).selectOption('%');
  await page.getByRole('combobox', { name: 'Unit of thrust' }).selectOption('g');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 steps read, ready to keep');
});

test('readings in the wrong unit are told with the likely one; how the headers were read is offered the next time', async ({
  own,
  page,
}) => {
  await anEvening(page, own, ['5.1x4.3x3']);
  const table = 'stick\tforce\tturns\tinput\n60\t0.62\t320\t290\n100\t1.46\t460\t781\n';
  const read = async (): Promise<void> => {
    await page.getByRole('link', { name: 'Paste or drop a file' }).first().click();
    await drop(page, 'bench.tsv', table);
    await page.locator('select').filter({ hasText: 'choose' }).selectOption({ label: 'Brindlow 5.1×4.3×3' });
  };
  await read();
  for (const [column, holds, unit] of [
    [2, 'thrustN', 'g'],
    [3, 'speedRpm', 'rpm'],
    [4, 'powerW', 'W'],
  ] as const) {
    await page.getByRole('combobox', { name: `Column ${column} holds` }).selectOption(holds);
    await page
      .getByRole('combobox', { name: /^Unit of/ })
      .nth(column - 1)
      .selectOption(unit);
  }
  await expect(page.getByText('It makes sense with thrust in kg, not g and speed in Hz, not rpm.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
  await page.getByRole('combobox', { name: 'Unit of thrust' }).selectOption('kg');
  await page.getByRole('combobox', { name: 'Unit of speed' }).selectOption('Hz');
  await page.getByRole('button', { name: 'Keep run' }).click();
  await expect(page.getByRole('row', { name: /Brindlow 5\.1×4\.3×3/ })).toContainText('1,460');
  await read();
  await expect(page.getByText(/^Not known: force, turns, input/)).toBeVisible();
  await page.getByRole('button', { name: 'Read them as then' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('2 steps read, ready to keep');
  await expect(page.getByRole('combobox', { name: 'Unit of thrust' })).toHaveValue('kg');
});

test('a full-throttle-only evening of eight props, typed twice, ranks them and says what it cannot show', async ({
  own,
  page,
}) => {
  test.setTimeout(240_000);
  const faults = watchFaults(page);
  const labels = ['5x4x3', '5x4.5x3', '5x5x3', '5.1x4x3', '5.1x4.3x3', '5.1x4.6x3', '5.1x5x3', '5.2x4x3'];
  await anEvening(page, own, labels);
  for (let round = 0; round < 2; round++) {
    for (const [i, label] of labels.entries()) {
      await page.getByRole('link', { name: 'Type a run' }).first().click();
      const name = `Brindlow ${label.replaceAll('x', '×')}`;
      await page.getByRole('combobox', { name: 'Prop', exact: true }).selectOption({ label: name });
      await page.getByRole('button', { name: 'Type the run' }).click();
      await expect(page.getByRole('textbox', { name: 'Step 1, throttle' })).toBeFocused();
      for (const text of [
        '100',
        String(1300 + 25 * i + 4 * round),
        String(27_000 - 200 * i),
        String(34 + i / 2),
        '21.6',
      ]) {
        await page.keyboard.type(text);
        await page.keyboard.press('ArrowRight');
      }
      await expect(headline(page)).toHaveText('1 step, ready to keep');
      await page.getByRole('button', { name: 'Keep run' }).click();
      await expect(page.getByRole('row', { name: new RegExp(name.replaceAll('.', '\\.')) })).toBeVisible();
    }
  }
  await expect(headline(page)).toContainText('Brindlow 5.2×4×3');
  // The second round read 4 g more of every prop: that is the evening, and who ran late has less of it to thank for.
  await expect(headline(page)).toContainText('1,475');
  await expect(
    page.getByText(/^At full throttle alone: .*hover, part throttle and crossings need a ladder of steps/),
  ).toBeVisible();
  await expect(page.getByRole('row', { name: /^(1|Mark).*Brindlow/ }).or(page.getByRole('row').nth(1))).toContainText(
    'Brindlow',
  );
  expect(faults).toEqual([]);
});

test('a picture of the scale stands beside the grid, and is there after a reload', async ({ shed, page }) => {
  await openEvening(page, shed);
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'Type the run' }).click();
  await expect(page.getByRole('textbox', { name: 'Step 1, throttle' })).toBeVisible();
  const pixel = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'scale.png', mimeType: 'image/png', buffer: Buffer.from(pixel, 'base64') });
  await expect(page.getByRole('img', { name: 'scale.png, beside the run' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: 'scale.png, beside the run' })).toBeVisible();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'tool.exe', mimeType: 'application/octet-stream', buffer: Buffer.from([77, 90, 0, 1]) });
  await expect(page.getByText(/must be a PNG, JPEG/)).toBeVisible();
  await page.getByRole('button', { name: 'Throw the draft away' }).click();
  await expect(page.getByRole('button', { name: /Undo/ })).toBeVisible();
});

test.describe('a logger’s file', () => {
  test.use({ isApart: true });

  test('of sixty thousand rows: read, its steps kept with every sample, its columns known the next time', async ({
    own,
    page,
  }) => {
    const faults = watchFaults(page);
    await anEvening(page, own, ['5.1x4.3x3']);
    const evening = page.url();
    await page.getByRole('link', { name: 'Paste or drop a file' }).first().click();
    const rows = Array.from({ length: 60_000 }, (_, i) => {
      const throttle = [0, 0.4, 0.6, 0.8, 1, 0][Math.min(5, Math.floor(i / 10_000))]!;
      const speed = Math.round(23_000 * Math.sqrt(throttle));
      return `${i},${100 * throttle},${(1100 * throttle ** 2 + (i % 3) - 1).toFixed(1)},${speed},${(32 * throttle ** 2.5 + 0.3).toFixed(2)},16.1`;
    });
    await drop(page, 'night.csv', `zeit ms,gas %,schub g,drehzahl,strom A,spannung V\n${rows.join('\n')}\n`);
    await expect(headline(page)).toHaveText('60,000 rows read: 4 steps found', { timeout: 30_000 });
    await expect(
      page.getByText('Voltage is 16.10 V from the first row to the last: is its sensor connected?'),
    ).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
    await page.locator('select').filter({ hasText: 'choose' }).selectOption({ index: 1 });
    const steps = page.getByRole('table', { name: 'Steps found' });
    await expect(steps.getByRole('row').last()).toContainText('1,100 g');
    expect(await seriousFaults(page)).toEqual([]);
    await page.getByRole('button', { name: 'Keep run' }).click();
    await expect(headline(page)).toHaveText('4 steps, imported', { timeout: 30_000 });
    // After a kill all of it is there, every sample too.
    const run = page.url();
    await own.stop('SIGKILL');
    await own.start();
    await page.goto(run);
    await page.getByRole('link', { name: 'All readings' }).click();
    await expect(headline(page)).toHaveText('1:00 of readings');
    // A wrong file keeps nothing, and says where it is wrong; its columns are read as the last time.
    await page.goto(evening);
    await page.getByRole('link', { name: 'Paste or drop a file' }).first().click();
    const broken = [...rows.slice(0, 500), '3,40,200,9000,3,16.1', ...rows.slice(501, 2000)];
    await drop(page, 'again.csv', `zeit ms,gas %,schub g,drehzahl,strom A,spannung V\n${broken.join('\n')}\n`);
    await expect(headline(page)).toHaveText('2,000 rows read: they cannot be kept like this');
    await expect(page.getByText('columns read as the last time')).toBeVisible();
    await expect(page.getByText(/^Row 501: time runs back from 0\.499\ss to 0\.003\ss\./)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep run' })).toBeDisabled();
    await page.getByRole('link', { name: 'Cancel' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: /run \d/ })).toHaveCount(1);
    expect(faults).toEqual([]);
  });
});
