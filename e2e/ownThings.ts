import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { expect, type Zivvo } from './zivvo.ts';

/** Describes a craft on the form, as somebody with the thing on the bench would type it. */
export async function describe(
  page: Page,
  { address }: Zivvo,
  fields: readonly (readonly [name: string | RegExp, text: string])[],
  layout: string | null = null,
): Promise<void> {
  await page.goto(`${address}/crafts/new`);
  if (layout !== null) await page.getByRole('combobox', { name: 'Layout' }).selectOption(layout);
  for (const [name, text] of fields) await page.getByRole('textbox', { name }).first().fill(text);
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await expect(headline(page)).toHaveText(/needs|hovers|carries|of thrust|weighs/i);
}

/** The commonest craft there is, as it is typed. */
export const fiveInchQuad = [
  ['Name', 'Dunlin'],
  ['Take-off weight', '680 g'],
  ['Motor diagonal', '220 mm'],
  ['Largest disc', '135 mm'],
  [/^Motor label/, '2207 1950'],
  ['ESC limit', '45'],
  ['Cells in series', '6'],
  ['Capacity', '1.3'],
  ['C rating', '100'],
] as const;

/** Id of a craft by its name. */
export async function craftId(page: Page, { address }: Zivvo, name: string): Promise<string> {
  const { items } = (await (await page.request.get(`${address}/api/crafts`)).json()) as {
    items: { id: string; name: string }[];
  };
  return items.find((c) => c.name === name)!.id;
}

/** Puts a model on the rack by its label, as it stands on the hub. */
export async function putOnRack(
  page: Page,
  { address }: Zivvo,
  label: string,
  fields: readonly (readonly [name: string, text: string])[],
): Promise<void> {
  await page.goto(`${address}/rack/new`);
  await page.getByRole('textbox', { name: 'Label on the hub' }).fill(label);
  for (const [name, text] of fields) await page.getByRole('textbox', { name }).first().fill(text);
  await page.getByRole('button', { name: 'Put on the rack' }).click();
  await expect(headline(page)).toHaveText(/^\d models?, /);
}

/** Says what the only craft flies, and opens Pick with it in hand. */
export async function flyNow(page: Page, { address }: Zivvo, prop: RegExp): Promise<void> {
  const { items } = (await (await page.request.get(`${address}/api/crafts`)).json()) as { items: { id: string }[] };
  await page.goto(`${address}/crafts/${items[0]!.id}/edit`);
  const choice = page.getByRole('combobox', { name: /Flies now/ });
  await choice.selectOption({ label: (await choice.getByRole('option', { name: prop }).textContent())! });
  await page.getByRole('button', { name: 'Save craft' }).click();
  await page.goto(`${address}/pick?craft=${items[0]!.id}`);
}

export const headline = (page: Page) => page.getByRole('heading', { level: 1 });

/** Posts what another journey shows by hand: here it is only the ground that something else stands on. */
async function post<T>(page: Page, { address }: Zivvo, path: string, data: object): Promise<T> {
  const answer = await page.request.post(`${address}/api${path}`, { data });
  expect([path, answer.status()]).toEqual([path, 201]);
  return (await answer.json()) as T;
}

/** A checked-in piece of the only model, and a rig to balance it on; answers its id. */
export async function onTheBench(page: Page, zivvo: Zivvo, massKg: number): Promise<string> {
  const { items } = (await (await page.request.get(`${zivvo.address}/api/prop-models`)).json()) as {
    items: { id: string }[];
  };
  await post(page, zivvo, '/rigs', {
    id: v7(),
    name: 'Knife edge',
    frictionKgM: 5e-8,
    borePlayM: 0,
    largestM: 0.4,
    inertiaKgM2: 1e-7,
    note: null,
  });
  const { pieces } = await post<{ pieces: { id: string }[] }>(page, zivvo, '/batches', {
    id: v7(),
    propModelId: items[0]!.id,
    cwCount: 0,
    ccwCount: 1,
    eitherCount: 0,
    resolutionKg: 1e-5,
    location: null,
    note: null,
  });
  const measured = await page.request.put(`${zivvo.address}/api/pieces/${pieces[0]!.id}/measures`, {
    data: { massKg, diameterM: null, boreFit: 'fits', look: 'good' },
  });
  expect(measured.status()).toBe(200);
  return pieces[0]!.id;
}

/** A five-inch quad and an evening for it, with models on the rack. */
export async function anEvening(page: Page, own: Zivvo, labels: readonly string[]): Promise<void> {
  for (const label of labels) await putOnRack(page, own, label, [['Maker', 'Brindlow']]);
  await describe(page, own, [
    ['Name', 'Dunlin'],
    ['Take-off weight', '680 g'],
    ['Motor diagonal', '220 mm'],
    ['Largest disc', '135 mm'],
    [/^Motor label/, '2207 1950'],
    ['ESC limit', '45'],
    ['Cells in series', '6'],
    ['Capacity', '1.3'],
    ['C rating', '100'],
  ]);
  await page.getByRole('link', { name: 'New stand evening' }).click();
  await page.getByRole('button', { name: 'Open the evening' }).click();
  await expect(page.getByRole('link', { name: 'Type a run' }).first()).toBeVisible();
}
