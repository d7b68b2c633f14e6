import { heading as headingWithin } from '../test/onPage.ts';
import { pretendServer, type Sent } from '../test/pretendServer.ts';
import { beforeAll, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CraftUseDto, CraftView, PropModelView } from '@zivvo/contract';
import { calibrate } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as AskPage } from './AskPage.tsx';
import { Component as LadderPage } from './LadderPage.tsx';
import { craftForPick, modelForPick, pickAnswers, pickWithoutWorkers, rackForPick } from './pick.fixtures.ts';
import { Component as PickPage } from './PickPage.tsx';

const LONG = 40_000;
const heading = (name: string | RegExp): Promise<HTMLElement> => headingWithin(name, LONG);
beforeAll(pickWithoutWorkers);

function show(
  craft: CraftView = craftForPick(),
  {
    models = rackForPick,
    answers = {},
    address = '/pick?craft=c1',
    page = <PickPage />,
  }: {
    models?: readonly PropModelView[];
    answers?: Record<string, unknown>;
    address?: string;
    page?: React.ReactElement;
  } = {},
): { sent: Sent[]; answers: Record<string, unknown> } {
  const server = pretendServer({ ...pickAnswers(craft, models), ...answers });
  renderInApp(page, { address });
  return server;
}
const rowOf = (name: RegExp): HTMLElement => screen.getByRole('row', { name });
/** All maps worked out: from then on the answer stands. */
const settled = (): Promise<HTMLElement> => screen.findByText('Plain answer:', {}, { timeout: LONG });

test(
  'the answer names a prop for the use; the list says what each gains and pays, and what bars',
  async () => {
    show();
    await heading(/^For long endurance, .* suits Petrel best$/);
    await settled();
    expect(rowOf(/^Mark Brindlow 7\.2×3\.9×3/).textContent).toContain('flown now');
    expect(rowOf(/Tamsk 9×5×2/).textContent).toMatch(/frame|discs meet/);
    expect(screen.getByText(/Estimated from labels, motor size and pack: ±20 % thrust, ±25 % power/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Want 4 of / })).toBeTruthy();
  },
  LONG,
);

test(
  'the craft’s own runs are counted, told with their numbers, and the candidates marked calibrated',
  async () => {
    const of = (logRatio: number) => calibrate(Array.from({ length: 6 }, () => ({ pitchRatio: 0.5, logRatio })));
    const whole = { thrust: of(0.05), power: of(0.02) };
    show(undefined, {
      answers: {
        'GET /crafts/c1/calibration': {
          calibration: { whole, families: {}, models: {}, motor: null, standVoltageV: 24, runCount: 6, propCount: 3 },
          isSimulated: true,
        },
      },
    });
    await settled();
    expect(screen.getByText(/Calibrated by simulated runs of this motor: ±\d+ % thrust, ±\d+ % power/)).toBeTruthy();
    const more = screen.queryByRole('button', { name: /more$/ });
    if (more) await userEvent.click(more);
    expect(screen.getByText(/6 runs of 3 props on this motor correct the model: \+\d\.\d.% thrust/)).toBeTruthy();
    expect(within(rowOf(/Orle 7\.6×3\.4×2/)).getByRole('img', { name: 'calibrated' })).toBeTruthy();
  },
  LONG,
);

test(
  'only what the rack holds: props without a whole set are barred, new sizes go, the address keeps it',
  async () => {
    show(undefined, {
      models: [
        ...rackForPick.slice(0, 2),
        modelForPick('m4', 7.4, 3.6, 2, { makerName: 'Veddick', stock: { cwCount: 9, ccwCount: 1, countedAt: '' } }),
      ],
    });
    await settled();
    await userEvent.click(screen.getByRole('checkbox', { name: /Only what the rack holds/ }));
    expect(screen.getByTestId('address').textContent).toContain('rack=only');
    await waitFor(() => expect(rowOf(/Veddick 7\.4×3\.6×2/).textContent).toContain('not on the rack'), {
      timeout: LONG,
    });
    expect(
      screen.getAllByRole('row').filter((r) => /standard tips|pointed tips|square tips/.test(r.textContent)),
    ).toEqual([]);
  },
  LONG,
);

test(
  'a bore that does not go over the shaft bars the prop by name',
  async () => {
    show(craftForPick({ shaftDiameterM: 0.006 }));
    await settled();
    expect(rowOf(/Orle 7\.6×3\.4×2/).textContent).toContain('bore too narrow');
  },
  LONG,
);

test(
  'another use is written down with its craft; a prop chosen in the list is the one that is told about',
  async () => {
    const { sent } = show();
    await settled();
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Flown for' }), 'quiet neighbourhood');
    expect(sent[0]).toMatchObject({ method: 'PUT', path: '/crafts/c1/use' });
    expect(sent[0]!.body as CraftUseDto).toEqual({ use: 'quietNeighbourhood', weights: null });
    await userEvent.click(within(rowOf(/Orle 7\.6×3\.4×2/)).getByText('Orle 7.6×3.4×2'));
    expect(screen.getByTestId('address').textContent).toContain('at=m2');
    expect(screen.getByRole('button', { name: /^Want 4 of Orle 7\.6×3\.4×2/ })).toBeTruthy();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Mark Orle 7.6×3.4×2 for comparison' }));
    expect(screen.getByRole('link', { name: 'Compare 1 marked' }).getAttribute('href')).toContain('with=m2');
  },
  LONG,
);

test(
  'where nothing fits the page says why, with the limit and its numbers',
  async () => {
    show(craftForPick({ massKg: 14 }));
    await heading('No candidate fits Petrel');
    expect(
      screen.getByText(/throttle just to carry|cannot carry the craft|more than the pack can give/, {
        selector: 'header *',
      }),
    ).toBeTruthy();
  },
  LONG,
);

test(
  'a craft that makes no sense is told by its field, and nothing is lost',
  async () => {
    show(craftForPick({ packSeriesCount: 0 }));
    await heading('This craft cannot be worked out yet');
    expect(screen.getByText(/Mend it on the craft’s sheet; nothing was lost/)).toBeTruthy();
  },
  LONG,
);

test(
  'ask: an inch more with its frame, and backwards the smallest pack for the minutes',
  async () => {
    show(undefined, { page: <AskPage />, address: '/pick/ask?craft=c1' });
    await heading(/^One inch more gives Petrel/);
    expect(rowOf(/One inch more of diameter/).textContent).toMatch(/brings \d+\.\d.g/);
    expect(rowOf(/100 g more payload/)).toBeTruthy();
    expect(screen.getByText(/do not make a craft hang longer upside down/)).toBeTruthy();
  },
  LONG,
);

test.each([
  [{ massKg: 19.2 }, /^Brindlow .* does not carry Petrel$/, /already past: .*too little to carry/],
  [{ escLimitA: 6 }, /^Brindlow .* is past a limit already on Petrel: ESC limit$/, /already past: .*ESC limit/],
])(
  'ask: what is wrong already is the first answer, and no line says “fits” beside it (%j)',
  async (more, headline, line) => {
    show(craftForPick(more), { page: <AskPage />, address: '/pick/ask?craft=c1' });
    await heading(headline);
    for (const row of [/^Now/, /100 g more payload/, /One blade more/]) expect(rowOf(row).textContent).toMatch(line);
    expect(screen.queryByText('fits')).toBeNull();
  },
  LONG,
);

test(
  'ask without a present prop offers the way to choose one',
  async () => {
    show(craftForPick({ referencePropModelId: null }), { page: <AskPage />, address: '/pick/ask?craft=c1' });
    await heading('Which prop does it fly now?');
    expect(screen.getByRole('link', { name: 'Choose the prop it flies now' })).toBeTruthy();
  },
  LONG,
);

test(
  'the ladder: from the easiest to the hardest, and the heaviest for each way of flying',
  async () => {
    show(undefined, { page: <LadderPage />, address: '/pick/ladder?craft=c1' });
    await heading(/the heaviest 2507 1080 kV turns in hard flying|light enough/);
    const rungs = within(screen.getByRole('list', { name: 'Load ladder of Petrel' })).getAllByRole('listitem');
    expect(rungs.map((r) => /Brindlow|Orle|Tamsk/.exec(r.textContent)![0]).at(-1)).toBe('Tamsk');
    expect(rungs.find((r) => r.textContent.includes('Brindlow'))!.textContent).toContain('flown now');
  },
  LONG,
);

test(
  'an empty rack says what belongs there',
  async () => {
    show(craftForPick({ referencePropModelId: null }), { models: [] });
    expect(await screen.findByText('The rack is empty', {}, { timeout: LONG })).toBeTruthy();
  },
  LONG,
);
