import type { Page } from '@playwright/test';
import { putOnRack } from './ownThings.ts';
import { expect, overflowOf, seriousFaults, signIt, test, watchFaults, type Zivvo } from './zivvo.ts';

interface Arm {
  place: string;
  piece: { id: string; tag: string } | null;
}

async function openFit(page: Page, { address }: Zivvo, craftName: string): Promise<{ id: string; arms: Arm[] }> {
  const { items } = (await (await page.request.get(`${address}/api/crafts`)).json()) as {
    items: { id: string; name: string }[];
  };
  const { id } = items.find((c) => c.name === craftName)!;
  const { arms } = (await (await page.request.get(`${address}/api/fittings/${id}`)).json()) as { arms: Arm[] };
  await page.goto(`${address}/fit?craft=${id}`);
  await expect(page.getByRole('group', { name: /Spin map/ })).toBeVisible();
  return { id, arms };
}

/** Takes back what was seen of a craft’s spins. */
async function unsee(page: Page, { address }: Zivvo, id: string): Promise<void> {
  const { revision, isHanging, arms } = (await (await page.request.get(`${address}/api/fittings/${id}`)).json()) as {
    revision: number;
    isHanging: boolean;
    arms: { place: string; level: number }[];
  };
  const unseen = arms.map(({ place, level }) => ({
    place,
    level,
    seenSpin: null,
    spinBy: null,
    outputName: null,
    hand: null,
    isLabelForward: true,
    thread: null,
    checks: [],
  }));
  expect(
    (
      await page.request.put(`${address}/api/fittings/${id}`, {
        data: { arms: unseen, isHanging, sideThrust: null, note: null, revision },
      })
    ).ok(),
  ).toBe(true);
}

const headline = (page: Page) => page.getByRole('heading', { level: 1 });

test('two neighbours swapped: found before the pack is in, mended in one press', async ({ shed, page }) => {
  const faults = watchFaults(page);
  const { id, arms } = await openFit(page, shed, 'Fulmar');
  const on = (place: string) => arms.find((a) => a.place === place)!.piece!;
  const swapped = await page.request.post(`${shed.address}/api/fittings/${id}/swap`, {
    data: { first: { place: 'frontLeft', level: 0 }, second: { place: 'frontRight', level: 0 } },
  });
  expect(swapped.ok()).toBe(true);
  await page.reload();
  await expect(headline(page)).toHaveText('Fulmar will tip toward its front');
  await expect(page.getByRole('button', { name: /^Front left: .*wrong: other hand/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText(
    'two neighbours swapped, the usual fault',
  );
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'I swapped them' }).click();
  await expect(headline(page)).toHaveText('Fulmar is right: every piece, every spin');
  await expect(page.getByRole('button', { name: /^Front left/ }).last()).toContainText(on('frontLeft').tag);
  expect(faults).toEqual([]);
});

test('a craft is seen, looked at and signed for in three keys, and stays so', async ({ shed, page }) => {
  const { id } = await openFit(page, shed, 'Skua');
  await expect(headline(page)).toHaveText('Skua looks right; its spins were not seen');
  await page.keyboard.press('a');
  await expect(headline(page)).toHaveText('Skua is right: every piece, every spin');
  await page.keyboard.press('l');
  await expect(page.getByText(/All seen and looked at/)).toBeVisible();
  await signIt(page);
  await page.reload();
  await expect(page.getByText(/^Signed .*24/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Rear left: .*, seen/ })).toBeVisible();
  await unsee(page, shed, id);
});

test('hanging motors turn the nut’s thread round, and the note is there tomorrow', async ({ shed, page }) => {
  await openFit(page, shed, 'Skua');
  const thread = page.getByText(/Drag tightens a (left|right)-hand nut here/);
  await page.keyboard.press('n');
  const before = await thread.textContent();
  await page.goto(page.url());
  await page.getByRole('checkbox', { name: 'The motors hang under the arms' }).click();
  await expect(page.getByRole('checkbox', { name: 'The motors hang under the arms' })).toBeChecked();
  await page.getByLabel('Note for whoever fits next').fill('ring of the left arm is worn');
  const kept = page.waitForResponse(
    (r) => r.request().method() === 'PUT' && (r.request().postData() ?? '').includes('ring of the left arm is worn'),
  );
  await page.getByLabel('Note for whoever fits next').blur();
  await kept;
  await page.reload();
  await expect(page.getByLabel('Note for whoever fits next')).toHaveValue('ring of the left arm is worn');
  await page
    .getByRole('button', { name: /^Front left/ })
    .last()
    .click();
  await expect(thread).not.toHaveText(before!);
});

test('see the spin: the strip is flicked the other way on one arm, which is told from a wrong piece and mended', async ({
  shed,
  page,
}) => {
  const { id } = await openFit(page, shed, 'Skua');
  await page.getByRole('button', { name: 'See the spin, arm by arm' }).click();
  const check = page.getByRole('region', { name: 'See the spin' });
  await expect(check).toContainText('Front left, 1 of 4');
  await page.keyboard.press('o');
  for (const arm of ['Front right, 2 of 4', 'Rear right, 3 of 4', 'Rear left, 4 of 4']) {
    await expect(check).toContainText(arm);
    await page.keyboard.press('y');
  }
  await expect(headline(page)).toHaveText('Skua will tip toward front left');
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText('Reverse the motor of front left');
  await page.getByRole('button', { name: 'It turns right now' }).click();
  await expect(headline(page)).toHaveText('Skua is right: every piece, every spin');
  await page.keyboard.press('n');
  const arm = page.getByRole('region', { name: 'Front left' });
  await arm.getByText('down', { exact: true }).click();
  await expect(page.getByRole('region', { name: 'Fewest moves' })).toContainText('label forward');
  await page.getByRole('button', { name: 'I turned it over' }).click();
  await expect(headline(page)).toHaveText('Skua is right: every piece, every spin');
  await unsee(page, shed, id);
});

test('scan to arm: the old mark is read, and a drone’s hand is a huge no on a plane', async ({ shed, page }) => {
  const { arms } = await openFit(page, shed, 'Eider');
  const old = arms[0]!.piece!.tag;
  const { items } = (await (await page.request.get(`${shed.address}/api/pieces`)).json()) as {
    items: { tag: string; hand: string; state: string; propModelId: string }[];
  };
  const { propModelId } = items.find((p) => p.tag === old)!;
  const spare = items.find((p) => p.propModelId === propModelId && p.hand === 'cw' && p.state !== 'fitted')!;
  await page.keyboard.press('n');
  await page.getByLabel('Tag of the piece that goes on').fill(spare.tag);
  await page.getByRole('button', { name: 'May it go on?' }).click();
  await expect(page.getByRole('status').getByText(/read its tag, or photograph its mark/)).toBeVisible();
  await page.getByLabel(/Read the old mark/).fill(old);
  await page.getByRole('button', { name: 'May it go on?' }).click();
  await expect(page.getByRole('status').getByText(/is CW, this arm needs CCW/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Override, and write it down' })).toBeDisabled();
  // Nothing came off, and what was typed is still there.
  await expect(page.getByLabel('Tag of the piece that goes on')).toHaveValue(spare.tag);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Nose/ }).last()).toContainText(old);
});

test('the station fits a telephone', async ({ demo, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openFit(page, demo, 'Petrel');
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  await page
    .getByRole('button', { name: /^Rear right/ })
    .last()
    .click();
  await expect(page.getByRole('region', { name: 'Rear right' })).toBeVisible();
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: /reasons?/i }).click();
  await page.getByRole('link', { name: 'Card for pocket and case' }).click();
  await expect(page.getByRole('article', { name: 'Card of Petrel' }).getByRole('row')).toHaveCount(5);
  expect(await overflowOf(page)).toEqual({ page: 0, work: 0 });
  expect(await seriousFaults(page)).toEqual([]);
});

test('a props-out quad: one switch turns every arm of Fit round, and an own table one arm alone', async ({
  own,
  page,
}) => {
  await putOnRack(page, own, '5.1x4.3x3', [
    ['Maker', 'Brindlow'],
    ['CW pieces', '4'],
    ['CCW pieces', '4'],
  ]);
  await page.goto(`${own.address}/crafts/new`);
  for (const [name, text] of [
    ['Name', 'Dunlin'],
    ['Take-off weight', '680 g'],
    ['Motor diagonal', '220 mm'],
    [/^Motor label/, '2207 1950'],
    ['ESC limit', '45'],
    ['Cells in series', '6'],
    ['Capacity', '1.3'],
  ] as const)
    await page.getByRole('textbox', { name }).first().fill(text);
  await page.getByRole('combobox', { name: 'The controller’s table' }).selectOption('out');
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await expect(headline(page)).toHaveText(/needs/);
  const { items } = (await (await page.request.get(`${own.address}/api/crafts`)).json()) as { items: { id: string }[] };
  const spins = async (): Promise<(string | null)[]> => {
    await page.goto(`${own.address}/fit?craft=${items[0]!.id}`);
    await expect(headline(page)).toContainText('Dunlin');
    return Promise.all(
      ['Front left', 'Front right', 'Rear left', 'Rear right'].map(
        async (place) =>
          /shaft (CW|CCW)/.exec(
            (await page.getByRole('button', { name: new RegExp(`^${place}: shaft`) }).getAttribute('aria-label'))!,
          )![1]!,
      ),
    );
  };
  expect(await spins()).toEqual(['CCW', 'CW', 'CW', 'CCW']);
  await page.goto(`${own.address}/crafts/${items[0]!.id}/edit`);
  await page.getByRole('combobox', { name: 'The controller’s table' }).selectOption('own');
  await page.getByRole('radiogroup', { name: 'Front left turns' }).getByText('CCW').click();
  await page.getByRole('button', { name: 'Save craft' }).click();
  await expect(headline(page)).toHaveText(/needs/);
  expect(await spins()).toEqual(['CCW', 'CCW', 'CCW', 'CW']);
});
