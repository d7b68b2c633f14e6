import { simulateMicrophone, writeWav } from '@zivvo/core';
import { chromiumPath } from '../scripts/chromium.mjs';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { craftId, headline } from './ownThings.ts';
import { expect, test } from './zivvo.ts';

// A browser whose microphone hears a recording; it is another browser, so it has a file of its own.
const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-ear-')), 'microphone.wav');
const heard = simulateMicrophone({
  seed: 'ear',
  rateHz: 48_000,
  durationS: 4,
  rotors: [{ rpm: 8000, bladeCount: 3, toneDb: 82, fallDb: 4, unevenRatio: 0.03 }],
  rushDb: 74,
});
fs.writeFileSync(file, writeWav([heard], 48_000));
test.afterAll(() => fs.rmSync(path.dirname(file), { recursive: true, force: true }));
test.use({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: chromiumPath(),
    args: [
      '--headless',
      '--no-sandbox',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${file}`,
    ],
  },
});

test('the microphone tells the speed within half a percent, a recording how it runs down', async ({ demo, page }) => {
  const id = await craftId(page, demo, 'Petrel');
  await page.goto(`${demo.address}/listen/speed?craft=${id}`);
  await page.getByRole('button', { name: 'Listen now' }).click();
  await expect(headline(page)).toHaveText(/^(7,9[6-9]|8,0[0-4])0 rpm by ear$/, { timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop listening' }).click();
  await page.getByRole('combobox', { name: 'Blades' }).selectOption('2');
  let turns = 0;
  const down = Float32Array.from({ length: 5 * 24_000 }, (_, i) => {
    const t = i / 24_000;
    const rpm = t < 2.5 ? 7000 : 7000 / (1 + 3 * (t - 2.5));
    turns += rpm / 60 / 24_000;
    return 0.1 * (rpm / 7000) ** 1.5 * (Math.sin(4 * Math.PI * turns) + 0.5 * Math.sin(8 * Math.PI * turns));
  });
  const buffer = Buffer.from(writeWav([down], 24_000));
  await page.locator('input[type=file]').setInputFiles({ name: 'run-down.wav', mimeType: 'audio/wav', buffer });
  await expect(headline(page)).toHaveText(/^From (6,9[89]|7,0[01])\d rpm to half in 0\.3\d s$/);
});
