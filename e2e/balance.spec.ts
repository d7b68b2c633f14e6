import type { Page } from '@playwright/test';
import { expect, overflowOf, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

/** Takes the next piece of Petrel's tray onto the shaft. */
async function onShaft(page: Page, demo: Zivvo): Promise<string> {
  await page.goto(`${demo.address}/balance`);
  await page.getByRole('combobox', { name: /Craft/ }).selectOption({ label: 'Petrel · Seabird count' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to balance for Petrel');
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('has never been balanced');
  const tag = (await page.getByRole('heading', { level: 1 }).textContent())!.slice(0, 4);
  await page.keyboard.press('n');
  await expect(page.getByText('Let go with a blade level. What does it do?')).toBeVisible();
  return tag;
}

test('a tape job: looks, undo, a reload in between, trued', async ({ shed, page }) => {
  const faults = watchFaults(page);
  const tag = await onShaft(page, shed);
  // The dial is turned until it looks like the prop: blade 1 down.
  await page.getByRole('slider', { name: /prop on its shaft/ }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/mm.* on blade 2; .* on blade 3/);
  const asked = await page.getByRole('heading', { level: 1 }).textContent();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(asked!);
  expect(await seriousFaults(page)).toEqual([]);
  await page.keyboard.press('u');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Let it go with one blade up, and look');
  await page.getByRole('slider', { name: /prop on its shaft/ }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(asked!);
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Balanced');
  await expect(page.getByText(/More work is not worth it/)).toBeVisible();
  await page.getByRole('button', { name: 'Mark it balanced' }).click();
  await expect(page.getByRole('region', { name: 'Good' })).toContainText(tag);
  expect(faults).toEqual([]);
});

test('two swings: bare, then with tape, and where it hangs', async ({ shed, page }) => {
  await onShaft(page, shed);
  await page.getByRole('tab', { name: 'Swing timing' }).click();
  await expect(page.getByText(/tap at each end/)).toBeVisible();
  // Taps of a metronome: the page's own clock times them.
  const tap = async (everyMs: number): Promise<void> => {
    await page.evaluate(async (ms) => {
      const key = [...document.querySelectorAll('button')].find((b) => b.textContent?.startsWith('Tap '))!;
      for (let i = 0; i < 6; i++) {
        key.click();
        await new Promise((resolve) => setTimeout(resolve, ms));
      }
    }, everyMs);
  };
  await tap(700);
  await page.getByRole('button', { name: 'Keep this swing' }).click();
  await expect(page.getByText('Now with a known tape on it, again: tap at each swing')).toBeVisible();
  await expect(page.getByText(/inertia/).first()).toBeVisible();
  await page.getByRole('button', { name: 'It hangs like this' }).click();
  await expect(page.getByRole('button', { name: /Noted: 0°/ })).toBeVisible();
  await page.getByRole('textbox', { name: 'Tape moment' }).fill('1.0');
  await tap(500);
  await page.getByRole('button', { name: 'Keep this swing' }).click();
  await expect(page.getByText(/± \d+ %, inertia/)).toBeVisible();
  await page.getByRole('tab', { name: 'Tape trials' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'More than tape may mend: another school, or send it back',
  );
  await page.getByRole('button', { name: 'Send it back' }).click();
  await expect(page.getByRole('region', { name: 'Back' })).not.toContainText('empty');
});

/**
 * Reads recordings by file: a long one, without its tacho, and one that tells nothing; leaves the fields as they were.
 */
async function readRecordings(page: Page): Promise<void> {
  // Thirty seconds at 2 kHz: more rows than the page itself would read.
  const turnsPerS =
    Number(await page.getByRole('textbox', { name: 'Speed of the runs' }).getAttribute('placeholder')) / 60;
  const rows = Array.from({ length: 60_000 }, (_, i) => {
    const turns = (turnsPerS * i) / 2000;
    return `${(i / 2000).toFixed(4)},${(9.81 + 1.5 * Math.cos(2 * Math.PI * turns)).toFixed(4)},${turns % 1 < 0.2 ? 5 : 0}`;
  });
  const give = (name: string, lines: string[]): Promise<void> =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await give('shake.csv', ['seconds,acceleration,tacho', ...rows]);
  await page.getByRole('button', { name: 'Read once a turn from 60001 rows' }).click();
  await expect(page.getByRole('textbox', { name: 'Amplitudes' })).toHaveValue(/^1\.(4[89]|5)/);
  await expect(page.getByRole('textbox', { name: 'Phases' })).not.toHaveValue('');
  await page.getByRole('textbox', { name: 'Amplitudes' }).fill('');
  await page.getByRole('textbox', { name: 'Phases' }).fill('');
  await page.getByLabel('Tacho').selectOption({ value: '' });
  await page.getByRole('button', { name: /^Read once a turn/ }).click();
  await expect(page.getByRole('textbox', { name: 'Amplitudes' })).toHaveValue(/^1\.[45]/);
  await expect(page.getByRole('textbox', { name: 'Phases' })).toHaveValue('');
  await give('nothing.csv', ['seconds,acceleration', '0,1']);
  await expect(page.getByRole('alert').filter({ hasText: 'Fewer than twenty rows' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Amplitudes' }).fill('');
}

test('a vibration job without phase: recordings are read in a worker, too heavy a trial is refused, three places give mass and angle', async ({
  shed,
  page,
}) => {
  await onShaft(page, shed);
  await page.getByRole('tab', { name: 'Vibration' }).click();
  await readRecordings(page);
  await page.getByRole('textbox', { name: 'Amplitudes' }).fill('2.0 2.0');
  await page.getByRole('button', { name: 'Keep the run' }).click();
  await expect(page.getByText('Run with the trial mass')).toBeVisible();
  await page.getByRole('textbox', { name: 'Trial mass' }).fill('50');
  await page.getByRole('textbox', { name: 'Amplitudes' }).fill('3');
  await page.getByRole('button', { name: 'Keep the run' }).click();
  await expect(page.getByText(/The trial mass is too large/)).toBeVisible();
  for (const [degrees, amplitude] of [
    [0, 2.44582],
    [120, 2.06155],
    [240, 1.5868],
  ] as const) {
    await page.getByRole('textbox', { name: 'Trial mass' }).fill('0.02');
    await page.getByRole('textbox', { name: 'At', exact: true }).fill(String(degrees));
    await page.getByRole('textbox', { name: 'Amplitudes' }).fill(String(amplitude));
    await page.getByRole('button', { name: 'Keep the run' }).click();
    await expect(page.getByRole('row', { name: new RegExp(`^trial.*${degrees}°`) })).toBeVisible();
  }
  await expect(page.getByText(/Put 0.08.g at 210° after the mark/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Amplitudes' }).fill('0.3');
  await page.getByRole('button', { name: 'Keep the run' }).click();
  await expect(page.getByText(/15.% of the shake is left/)).toBeVisible();
  await page.getByRole('button', { name: 'Mark it balanced on its motor' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to balance for Petrel');
});

/** Types into every empty field of a bench what stands there as an example. */
async function typeExamples(page: Page): Promise<void> {
  for (const field of await page.getByRole('main').getByRole('textbox').all())
    await field.fill((await field.getAttribute('placeholder')) ?? '');
}

test('slots, spinner, two planes, aids to print, and the telephone', async ({ demo, page }) => {
  await page.goto(`${demo.address}/balance/slots`);
  await expect(page.getByText(/g·mm left/)).toBeHidden();
  await page.getByRole('textbox', { name: 'Slots of the hub' }).fill('6');
  await page.getByRole('textbox', { name: 'Moments of the blades, g·mm' }).fill('50.1 49.8 50.6 50.2');
  await expect(page.getByText(/Like blades balance in 1 pattern: 1-2-4-5; none of them evenly spaced/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Moments of the blades, g·mm' }).fill('50 51 49');
  await expect(page.getByText(/g·mm left/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Moments of the blades, g·mm' })).toHaveValue('50 51 49');
  await page.getByText('Spinner', { exact: true }).click();
  await typeExamples(page);
  await expect(page.getByText(/Turn it \d+°/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Positions it can sit in' }).fill('0');
  await expect(page.getByText('1 to 36')).toBeVisible();
  await page.getByText('Two planes', { exact: true }).click();
  await typeExamples(page);
  await expect(page.getByText(/g at \d+° in the front plane/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Amplitude, bare, front sensor' }).fill('');
  await expect(page.getByText(/Every cell needs its number/)).toBeVisible();
  await page.getByRole('link', { name: 'To print' }).click();
  await expect(page.getByRole('img', { name: 'Tape ruler in gram-millimetres' })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of ['/balance', '/balance/slots', '/balance/aids']) {
    await page.goto(`${demo.address}${path}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    expect([path, (await overflowOf(page)).page]).toEqual([path, 0]);
  }
});
