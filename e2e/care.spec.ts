import type { Page } from '@playwright/test';
import { craftId, headline } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, signIt, test, watchFaults } from './zivvo.ts';

/** Sees every side of every prop with one key. */
async function seeAll(page: Page, taps: number): Promise<void> {
  for (let tap = 0; tap < taps; tap++) {
    const before = await headline(page).textContent();
    await page.keyboard.press('n');
    await expect(headline(page)).not.toHaveText(before!);
  }
}

test('a walkaround finds white at the root: the piece goes, a spare is fitted, and the craft is fit to fly', async ({
  shed,
  page,
}) => {
  const faults = watchFaults(page);
  const id = await craftId(page, shed, 'Petrel');
  await page.goto(`${shed.address}/care?craft=${id}`);
  await expect(headline(page)).toHaveText('Petrel waits for a look');
  await expect(page.getByText(/due in \d+ days at this pace/)).toBeVisible();
  await page.keyboard.press('n');
  await expect(headline(page)).toHaveText(/: top$/);
  await seeAll(page, 10);
  // The last prop: white marks hide on the underside.
  const tag = (await headline(page).textContent())!.slice(0, 4);
  await page.getByRole('button', { name: 'Something is wrong' }).click();
  await page.getByRole('button', { name: 'root, underside' }).click();
  await page.getByRole('button', { name: 'white mark' }).click();
  await expect(page.getByRole('list', { name: 'Found here' })).toContainText('white mark: root, underside');
  // What was seen survives a reload.
  await page.reload();
  await expect(page.getByRole('list', { name: 'Found here' })).toContainText('white mark: root, underside');
  await seeAll(page, 2);
  await expect(headline(page)).toHaveText('All seen: write it down');
  await page.getByRole('button', { name: 'Write the look down' }).click();
  await expect(headline(page)).toHaveText(`${tag}: retire`);
  await expect(page.getByText('Not yet', { exact: true })).toBeVisible();
  await expect(page.getByText(/the polycarbonate has yielded/)).toBeVisible();
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: `Retire ${tag} and fit a spare` }).click();
  // Back through Fit: a spare of the same model and hand, by its tag.
  await expect(page).toHaveURL(/\/fit/);
  const { items } = (await (await page.request.get(`${shed.address}/api/pieces?state=trued`)).json()) as {
    items: { tag: string; hand: string; propModelId: string; look: string }[];
  };
  const old = (
    (await (await page.request.get(`${shed.address}/api/pieces?state=retired`)).json()) as {
      items: { tag: string; hand: string; propModelId: string }[];
    }
  ).items.find((p) => p.tag === tag)!;
  const spare = items.find((p) => p.propModelId === old.propModelId && p.hand === old.hand && p.look === 'good')!;
  await page.getByRole('button', { name: /no piece known/ }).click();
  await page.getByRole('textbox', { name: 'Tag of the piece that goes on' }).fill(spare.tag);
  await page.getByRole('button', { name: 'May it go on?' }).click();
  await expect(page.getByText('Yes', { exact: false }).first()).toBeVisible();
  // An arm has changed: its signature is void until somebody has looked at every arm and signs again.
  await expect(page.getByText(/4 pieces to look at/)).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText(/All seen and looked at/)).toBeVisible();
  await signIt(page);
  await page.goto(`${shed.address}/care/walk?craft=${id}`);
  await expect(headline(page)).toHaveText(/: top$/);
  await seeAll(page, 12);
  await page.keyboard.press('n');
  await expect(page.getByText('Fit to fly', { exact: true })).toBeVisible();
  await expect(headline(page)).toHaveText('Petrel is fit to fly');
  expect(faults).toEqual([]);
});

test('a flight counts, a strike asks about its motor, and a typed flight goes out again', async ({ shed, page }) => {
  const id = await craftId(page, shed, 'Petrel');
  await page.goto(`${shed.address}/care?craft=${id}`);
  const flight = page.getByRole('region', { name: 'A flight' });
  await flight.getByRole('textbox', { name: 'Minutes' }).fill('0');
  await expect(page.getByText('more than 0, at most 600')).toBeVisible();
  await flight.getByRole('textbox', { name: 'Minutes' }).fill('12,5');
  await flight.getByRole('combobox', { name: 'Pack' }).selectOption('P2');
  await flight.getByRole('button', { name: 'It hit something' }).click();
  await flight.getByRole('combobox', { name: 'It hit' }).selectOption({ label: 'gravel' });
  await flight.getByRole('button', { name: 'Front right' }).click();
  await flight.getByRole('button', { name: 'Log the flight' }).click();
  await expect(page.getByRole('region', { name: 'Last flights' })).toContainText('hit gravel at 40');
  await expect(headline(page)).toHaveText('Petrel is to be mended first');
  await expect(page.getByText('1 strike since the last look: walk round before it flies.')).toBeVisible();
  const motors = page.getByRole('region', { name: 'Struck motors' });
  await expect(motors).toContainText('M2');
  await motors.getByRole('button', { name: 'smooth' }).click();
  await expect(motors).toBeHidden();
  await expect(headline(page)).toHaveText('Petrel waits for a look');
  await page.getByRole('button', { name: /^Take the flight of 24 Nov 2026 out/ }).click();
  await expect(page.getByRole('region', { name: 'Last flights' })).not.toContainText('12.5');
  await page.getByRole('button', { name: /^Undo/ }).last().click();
  await expect(page.getByRole('region', { name: 'Last flights' })).toContainText('12.5');
});

test('two front pieces swapped after the look ground the craft, in Care as in Fit', async ({ shed, page }) => {
  const id = await craftId(page, shed, 'Fulmar');
  await page.goto(`${shed.address}/care?craft=${id}`);
  await expect(headline(page)).toHaveText('Fulmar is fit to fly');
  const swap = async (): Promise<void> => {
    const swapped = await page.request.post(`${shed.address}/api/fittings/${id}/swap`, {
      data: { first: { place: 'frontLeft', level: 0 }, second: { place: 'frontRight', level: 0 } },
    });
    expect(swapped.ok()).toBe(true);
  };
  await swap();
  await page.reload();
  await expect(headline(page)).toHaveText('Fulmar must not take off so');
  await page.goto(`${shed.address}/fit?craft=${id}`);
  await expect(headline(page)).toHaveText('Fulmar will tip toward its front');
  // Back in place nothing is wrong, but nobody has signed for it or looked at it since.
  await swap();
  await page.goto(`${shed.address}/care?craft=${id}`);
  await expect(headline(page)).toHaveText('Fulmar is not signed for');
});

test('an alert grounds a craft, and its release lets it be looked over', async ({ shed, page }) => {
  const id = await craftId(page, shed, 'Skua');
  await page.goto(`${shed.address}/care?craft=${id}`);
  await expect(headline(page)).toHaveText('Skua stays on the ground');
  const alerts = page.getByRole('region', { name: 'Model alerts' });
  await expect(alerts).toContainText('cracked at the root without a strike');
  await alerts.getByRole('textbox', { name: 'Why it may be released' }).fill('whole bag looked at under the magnifier');
  await alerts.getByRole('button', { name: 'Release' }).click();
  await expect(headline(page)).toHaveText('Skua has spins that nobody saw');
});

test('after a swap: exclude the rest, down by single percents, and back when the old props return', async ({
  shed,
  page,
}) => {
  const id = await craftId(page, shed, 'Petrel');
  await page.goto(`${shed.address}/care/gains?craft=${id}`);
  await expect(headline(page)).toHaveText('Brindlow 7.2×3.9×3 is back on: back to its own sheet');
  await expect(page.getByRole('region', { name: 'Back to the old sheet' })).toContainText('Roll 100 %');
  await page.getByRole('button', { name: 'New sheet' }).click();
  await page.getByRole('combobox', { name: 'Props before' }).selectOption({ label: 'Tamsk 7.7×4×3' });
  await page.getByRole('combobox', { name: 'Props now' }).selectOption({ label: 'Tamsk 7.7×4×3' });
  await expect(page.getByText('the same as before')).toBeVisible();
  await page.getByRole('combobox', { name: 'Props before' }).selectOption({ label: 'Veddick 7.5×3.6×2' });
  await page.getByRole('button', { name: 'Open the sheet' }).click();
  await expect(headline(page)).toHaveText('First exclude what gains cannot mend');
  const roll = page.getByRole('group', { name: 'Roll' });
  await expect(roll.getByRole('button', { name: 'It flutters' })).toBeDisabled();
  for (const box of await page.getByRole('region', { name: 'Excluded first' }).getByRole('checkbox').all()) {
    await box.click();
    await expect(box).toBeChecked();
  }
  await expect(headline(page)).toHaveText('Fly pitch at 100 %');
  await expect(page.getByText(/Nobody goes under \d\d.%/)).toBeVisible();
  await roll.getByRole('button', { name: 'It flutters' }).click();
  await expect(roll).toContainText('99');
  await roll.getByRole('button', { name: 'It flutters' }).click();
  await expect(roll).toContainText('98');
  await roll.getByRole('button', { name: /^It rests/ }).click();
  await expect(roll).toContainText('rests and comes back: found');
  await page.getByRole('button', { name: 'Take the last flight back' }).click();
  await expect(roll).toContainText('fly it so and look');
  await page.reload();
  await expect(roll).toContainText('98');
});

test('from a symptom to its cause: the record first, one question after another, and it is written down', async ({
  shed,
  page,
}) => {
  const id = await craftId(page, shed, 'Fulmar');
  await page.goto(`${shed.address}/care/symptoms?craft=${id}`);
  await expect(headline(page)).toHaveText('What does Fulmar do?');
  await expect(page.getByText(/a worn camera mount, \d+ Oct 2026/i)).toBeVisible();
  await page.getByRole('button', { name: 'it hit something' }).click();
  await expect(page.getByRole('button', { name: 'it hit something' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'picture trembles' }).click();
  await expect(headline(page)).toHaveText(/\?$/);
  await expect(page.getByRole('region', { name: 'Next question' })).toContainText('What a no proves');
  // A test that was done already is entered by hand, and moves the causes.
  await page.getByText('Tests done already, and other ends').click();
  await page.getByRole('combobox', { name: 'Does a shaft’s tip wander?' }).selectOption('yes');
  await expect(page.getByRole('region', { name: 'Most likely' }).getByRole('listitem').first()).toContainText(
    'a bent shaft',
  );
  await page.reload();
  await expect(headline(page)).toHaveText('Most likely a bent shaft');
  await page.getByRole('button', { name: 'It was a bent shaft' }).click();
  await expect(headline(page)).toHaveText('What does Fulmar do?');
  await expect(page.getByText(/a bent shaft, 24 Nov 2026/i)).toBeVisible();
});

test('a ticket is filled, closed and printed; the log holds it all and is taken along', async ({ shed, page }) => {
  const id = await craftId(page, shed, 'Eider');
  await page.goto(`${shed.address}/care/tickets?craft=${id}`);
  await expect(headline(page)).toHaveText('Open: Nosed over on landing and hums since.');
  await page.getByRole('textbox', { name: 'Found' }).fill('Nick on the leading edge.');
  await page.getByRole('textbox', { name: 'Minutes' }).fill('half an hour');
  await expect(page.getByText('a whole number, 0 or more')).toBeVisible();
  await page.getByRole('textbox', { name: 'Minutes' }).fill('30');
  await page.getByRole('button', { name: 'Save and close it' }).click();
  await expect(headline(page)).toHaveText('Done 24 Nov 2026: Nosed over on landing and hums since.');
  await page.emulateMedia({ media: 'print' });
  const paper = page.getByRole('region', { name: 'The ticket', exact: true });
  await expect(paper).toContainText('Nick on the leading edge.');
  await expect(page.getByRole('region', { name: 'Fill the ticket' })).toBeHidden();
  expect((await page.pdf()).byteLength).toBeGreaterThan(5000);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByRole('row', { name: /Ticket closed after 30 minutes/ })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const stream = await (await saved).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString()).toContain('Ticket closed after 30 minutes');
});

test('practice explains at once and keeps the score of whoever works', async ({ shed, page }) => {
  await page.goto(`${shed.address}/care/practice`);
  for (const kind of [
    'Read the label',
    'Which hand',
    'Where will it tip',
    'What becomes of it',
    'Where does the tape go',
  ]) {
    await page.getByText(kind, { exact: true }).first().click();
    await expect(page.getByRole('region', { name: 'Answers' }).getByRole('button').first()).toBeEnabled();
    await page.keyboard.press('1');
    await expect(headline(page)).toHaveText(/^(Right|No)$/);
    await expect(page.getByRole('region', { name: 'Answers' }).getByRole('status')).toContainText(/.{20,}/);
  }
  expect(await seriousFaults(page)).toEqual([]);
  await expect(page.getByText(/of 5 in this round/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Score of no name chosen' })).toContainText('of 1');
});

test('on a telephone, at night, nothing of Care reaches beyond the window or cannot be read', async ({
  shed,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'dark' });
  const id = await craftId(page, shed, 'Petrel');
  for (const path of [
    '/care',
    '/care/walk',
    '/care/symptoms',
    '/care/gains',
    '/care/tickets',
    '/care/log',
    '/care/practice',
  ]) {
    await page.goto(`${shed.address}${path}?craft=${id}`);
    await expect(headline(page)).toBeVisible();
    expect([path, (await overflowOf(page)).page]).toEqual([path, 0]);
    expect([path, await seriousFaults(page)]).toEqual([path, []]);
  }
  await page.goto(`${shed.address}/care/walk?craft=${id}`);
  await page.getByRole('button', { name: /^Top seen/ }).click();
  await expect(page.getByRole('button', { name: /^Underside seen/ })).toBeInViewport();
});
