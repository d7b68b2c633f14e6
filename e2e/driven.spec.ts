import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { armStand, expect, openEvening, seriousFaults, test, watchFaults, type Zivvo } from './zivvo.ts';

const script = path.join(fileURLToPath(new URL('..', import.meta.url)), 'scripts/stand.mjs');
const player = (...options: string[]): string[] => [process.execPath, script, 'play', ...options];

/** What the shipped checker says of a program, and with what it ends. */
async function checked(program: string[]): Promise<{ text: string; code: number | null }> {
  const child = spawn(process.execPath, [script, 'check', '--', ...program], { stdio: ['ignore', 'pipe', 'inherit'] });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const code = await new Promise<number | null>((resolve) => child.on('close', resolve));
  return { text, code };
}

/** A made-up stand, joined to Zivvo by the shipped script. */
const joined = ({ address }: Zivvo): ChildProcess =>
  spawn(process.execPath, [script, 'drive', '--to', address, '--name', 'bench', '--', ...player()], {
    stdio: ['ignore', 'inherit', 'inherit'],
  });

test('the checker lets two stands of different words pass, and names what one does wrong that never zeroes itself', async () => {
  const stubborn = `
    let held = 0, obeyed = 0;
    process.stdin.on('data', (data) => {
      for (const [, n, u] of String(data).matchAll(/order (\\d+) ([\\d.]+)/g)) { obeyed = n; held = u; }
    });
    console.log('sequence,throttle (1),thrust (g)');
    setInterval(() => console.log([obeyed, held, 100 * held].join(',')), 40);`;
  const [commas, semicolons, bad, mute] = await Promise.all([
    checked(player()),
    checked(player('--layout', 'semicolons')),
    checked([process.execPath, '-e', stubborn]),
    checked([
      process.execPath,
      '-e',
      'console.log("thrust (g),throttle (%)"); setInterval(() => console.log("12,0"), 50)',
    ]),
  ]);
  expect(commas).toMatchObject({ code: 0, text: expect.stringContaining('Zivvo can drive it.') });
  expect(semicolons).toMatchObject({ code: 0, text: expect.stringContaining('currentA, voltageV, powerW') });
  expect(bad).toMatchObject({ code: 1, text: expect.stringMatching(/has to zero itself[\s\S]*an order that is old/) });
  expect(mute).toMatchObject({ code: 1, text: expect.stringContaining('noSequence') });
});

test('a stand that a program drives is flown, cut, and loses its throttle when the program dies', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  const headline = page.getByRole('heading', { level: 1 });
  const program = joined(shed);
  try {
    await openEvening(page, shed);
    await page.keyboard.press('n');
    await expect(page.getByRole('combobox', { name: 'Live stand' })).toHaveValue('bench');
    await page.getByRole('combobox', { name: 'Prop', exact: true }).selectOption({ label: 'Veddick 7.9×3.3×2' });
    await page.getByRole('button', { name: 'Run it on the live stand' }).click();
    await expect(headline).toHaveText('Tare the scale with nothing turning');
    await expect(page.getByText(/bench does not read shake: nothing cuts by itself at it/)).toBeVisible();
    await expect(page.getByText(/· bench/)).toBeVisible();
    await page.getByRole('button', { name: 'Tare', exact: true }).click();
    await armStand(page);
    for (let i = 0; i < 6; i++) await page.keyboard.press(']');
    await expect(page.getByLabel('Readings')).toContainText(/\]30.%/);
    await page.keyboard.press('Space');
    await expect(page.getByRole('listitem').filter({ hasText: /%.*g.*A/ })).toHaveCount(1);
    expect(await seriousFaults(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(headline).toHaveText('Cut by hand: nothing turns');
    await armStand(page);
    for (let i = 0; i < 4; i++) await page.keyboard.press(']');
    await expect(page.getByLabel('Readings')).toContainText(/\]20.%/);
    program.kill('SIGTERM');
    await expect(headline).toHaveText('Cut: the device stopped answering');
    await page.getByRole('button', { name: 'Keep run' }).click();
    await expect(page.getByRole('columnheader', { name: /Thrust g/ })).toBeVisible();
    await expect(page.getByText(/· bench|simulated/).first()).toBeVisible();
    expect(faults).toEqual([]);
  } finally {
    program.kill('SIGKILL');
  }
});
