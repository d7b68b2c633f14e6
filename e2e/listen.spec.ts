import type { Page } from '@playwright/test';
import { simulateMicrophone, writeWav, type HeardRotor } from '@zivvo/core';
import { craftId, describe, fiveInchQuad, flyNow, headline, putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, test, watchFaults } from './zivvo.ts';

const RATE_HZ = 24_000;
const FULL_SCALE_PER_PA = 3;

/** A recording of a quad in hover, or of the place without it. */
function recording(seed: string, levelDb: number | null, bladeCount = 3): Buffer {
  const rotor = (rpm: number): HeardRotor => ({
    rpm,
    bladeCount,
    toneDb: (levelDb ?? 0) - 8,
    fallDb: 4,
    unevenRatio: 0.03,
  });
  const sound = simulateMicrophone({
    seed,
    rateHz: RATE_HZ,
    durationS: 3,
    rotors: levelDb === null ? [] : [8700, 9000, 9320, 9650].map(rotor),
    rushDb: levelDb,
    backgroundDb: 46,
  });
  return Buffer.from(writeWav([sound.map((p) => p * FULL_SCALE_PER_PA)], RATE_HZ));
}

const choose = (page: Page, name: string, buffer: Buffer): Promise<void> =>
  page.locator('input[type=file]').setInputFiles({ name, mimeType: 'audio/wav', buffer });

async function take(page: Page, prop: string, buffer: Buffer): Promise<void> {
  await page.getByRole('combobox', { name: 'Prop', exact: true }).last().selectOption({ label: prop });
  await choose(page, 'take.wav', buffer);
  await expect(page.getByText(/^\d\d\.\d dB/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep take' }).click();
  await expect(page.getByText('Choose a recording, or make one.')).toBeVisible();
}

test.describe(() => {
  test.use({ isApart: true });

  test('an own quad, from the place alone to a ranking; relative until a meter is read; all of it after a kill; then unseen', async ({
    own,
    page,
  }) => {
    const faults = watchFaults(page);
    await describe(page, own, fiveInchQuad);
    await putOnRack(page, own, '5.1x4.3x3', [['Maker', 'Brindlow']]);
    await putOnRack(page, own, '5x4.6x2', [['Maker', 'Veddick']]);
    await flyNow(page, own, /Brindlow/);
    const id = await craftId(page, own, 'Dunlin');
    await page.goto(`${own.address}/listen?craft=${id}`);
    await expect(headline(page)).toHaveText('Nothing is listened to yet');
    await page.getByRole('link', { name: 'Say where you listen' }).click();
    await page.getByRole('textbox', { name: 'Place', exact: true }).fill('gravel pit');
    await page.getByRole('textbox', { name: 'Distance, m' }).fill('5,5');
    await page.getByRole('button', { name: 'Listen here' }).click();
    await expect(headline(page)).toHaveText('Take 1: the place alone');
    // What is no recording says so at its place.
    await choose(page, 'song.wav', Buffer.from('ID3'.padEnd(200, 'x')));
    await expect(page.getByRole('alert')).toContainText('This is an MP3');
    await choose(page, 'nothing.wav', Buffer.from(writeWav([new Float32Array(RATE_HZ)], RATE_HZ)));
    await expect(page.getByRole('alert')).toContainText('Silence');
    await take(page, 'the place alone', recording('place', null));
    const [brindlow, veddick] = ['Brindlow 5.1×4.3×3', 'Veddick 5×4.6×2'];
    await expect(headline(page)).toHaveText(`Take 2: ${brindlow}`);
    await choose(page, 'first.wav', recording('first', 72));
    await expect(page.getByText(/^4 rotors: /)).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    await take(page, brindlow, recording('first', 72));
    await take(page, veddick, recording('second', 67, 2));
    await take(page, brindlow, recording('third', 72.3));
    await page.getByRole('link', { name: 'Side by side' }).last().click();
    await expect(headline(page)).toHaveText(/^Veddick 5×4\.6×2 is \d\.\d\sdB quieter at equal thrust$/);
    await expect(page.getByText('The microphone is not calibrated')).toBeVisible();
    // A meter stood beside the recorder: from here on levels are levels.
    await page.getByRole('link', { name: /^Take a sound/ }).click();
    await choose(page, 'again.wav', recording('first', 72));
    await page.getByRole('textbox', { name: /A meter beside it showed/ }).fill('71,5');
    await page.getByRole('button', { name: 'Calibrate by it' }).click();
    await expect(page.getByText('71.5 dB(A)')).toBeVisible();
    await own.stop('SIGKILL');
    await own.start();
    await page.goto(`${own.address}/listen?craft=${id}`);
    await expect(headline(page)).toHaveText(/^Veddick 5×4\.6×2 is \d\.\d\sdB quieter at equal thrust$/);
    await expect(page.getByRole('row', { name: /Brindlow 5\.1/ })).toContainText(/7\d\.\d dB\(A\)/);
    await expect(page.getByRole('img', { name: /^Spectrum of / })).toBeVisible();
    expect(await seriousFaults(page)).toEqual([]);
    // One is taken out and comes back.
    const takes = page.getByRole('region', { name: 'Takes' });
    await takes.getByRole('button', { name: 'Take out' }).nth(2).click();
    await expect(takes.getByRole('heading')).toHaveText('3 takes');
    await page.keyboard.press('Control+z');
    await expect(takes.getByRole('heading')).toHaveText('4 takes');
    // The ear alone: hear both, then vote, three times.
    await page.getByRole('link', { name: 'Unseen' }).click();
    for (let i = 0; i < 3; i++) {
      await expect(page.getByRole('button', { name: 'Rather the first' })).toBeDisabled();
      await page.getByRole('button', { name: 'Play the first' }).click();
      await page.getByRole('button', { name: 'Play the second' }).click();
      await page.getByRole('button', { name: 'Rather the first' }).click();
      await expect(page.getByText(`${i + 1} vote`, { exact: false })).toBeVisible();
    }
    await page.getByRole('button', { name: 'Show the votes' }).click();
    await expect(headline(page)).toHaveText(/^[23] of 3 for .*: chance does that too$/);
    expect(faults).toEqual([]);
  });
});

test('with a meter, by thumb on a telephone: typed, kept over a reload, ranked', async ({ shed, page }) => {
  const faults = watchFaults(page);
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await craftId(page, shed, 'Eider');
  await page.goto(`${shed.address}/listen?craft=${id}`);
  await expect(headline(page)).not.toHaveText('Nothing is listened to yet');
  expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
  await page.getByRole('link', { name: /^Take a sound/ }).click();
  await page.getByRole('textbox', { name: 'The meter read, dB(A)' }).fill('58,4');
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'The meter read, dB(A)' })).toHaveValue('58,4');
  expect((await overflowOf(page)).page).toBeLessThanOrEqual(0);
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Keep take' }).click();
  await expect(page.getByText('What did the meter read?')).toHaveCount(1);
  await expect(page.getByText('The take is kept.')).toBeVisible();
  expect(faults).toEqual([]);
});
