import { afterEach, describe, expect, test } from '@jest/globals';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { FreezeVerdictDto, JudgeView, JudgeWishesDto, SayingsView } from '@zivvo/contract';
import type { SayingAnswer } from '@zivvo/core';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { defaultUnits } from '@zivvo/words';
import { aCraft, aJudge, models, weightsOf } from './judge.fixtures.ts';
import { Component as JudgePage } from './JudgePage.tsx';
import { differenceText, judgeRows, judgementOf, widthText } from './judgeView.ts';
import { Route, Routes } from 'react-router';
import { labelSides, tradePoints, tradeSentence } from './tradeChart.ts';
import { Component as SayingsPage } from './SayingsPage.tsx';
import { Component as VerdictPage } from './VerdictPage.tsx';

const answers = (view: JudgeView, more: object = {}) => ({
  'GET /crafts/c1': aCraft,
  'GET /judge/c1': view,
  'GET /prop-models': { items: models, total: 2 },
  'GET /people': listed([]),
  ...more,
});
const plain = (text: string | null | undefined): string => (text ?? '').replace(/[\u202f\u00a0]/g, ' ');
const headline = async (): Promise<string> => plain((await screen.findByRole('heading', { level: 1 })).textContent);
const show = (): void => void renderInApp(<JudgePage />, { address: '/judge?craft=c1' });

const showVerdict = (id: string): void =>
  void renderInApp(
    <Routes>
      <Route path="/judge/:verdictId" element={<VerdictPage />} />
    </Routes>,
    { address: `/judge/${id}?craft=c1` },
  );

afterEach(() => localStorage.clear());

describe('the judgement', () => {
  test('says what to take; each figure with its width and where it comes from; what is barred stands last', async () => {
    pretendServer(answers(aJudge()));
    show();
    expect(await headline()).toBe('Take Veddick 7.9×3.3×2 for Petrel');
    const [, best, reference, barred] = within(screen.getByRole('table', { name: 'Evidence' })).getAllByRole('row');
    expect(plain(best!.textContent)).toMatch(/^Veddick.*best: 100 %.*\+16 %.*± 1\.5 %.*\+5\.0 %/);
    expect(plain(reference!.textContent)).toContain('the reference');
    expect(plain(barred!.textContent)).toMatch(/^Kessro.*ESC limit/);
    expect(
      within(best!)
        .getByRole('link', { name: /Minutes in the air.*more air time, by the stand/ })
        .getAttribute('href'),
    ).toBe('/stand/e1?craft=c1');
    // Nobody climbed: the column is not there, and it is said.
    expect(screen.queryByRole('columnheader', { name: 'Climb' })).toBeNull();
    expect(screen.getByRole('region', { name: 'Opinions, apart' }).textContent).toContain(
      'grip 4.5 of 5 (2) · liked unseen 2 of 3 times',
    );
  });

  test('a handle that moves turns the verdict at once; it is kept when somebody keeps it', async () => {
    const kept = aJudge();
    const server = pretendServer(answers(kept, { 'PUT /judge/c1/wishes': kept }));
    show();
    await headline();
    const slider = within(screen.getByRole('region', { name: 'What counts' })).getByRole('slider', {
      name: /Minutes in the air/,
    });
    fireEvent.change(slider, { target: { value: '0' } });
    expect(await screen.findByText(/Keep the weights first/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Keep these weights' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect((server.sent[0]!.body as JudgeWishesDto).weights).toMatchObject({ minutes: 0, thrust: 3 });
    await waitFor(() => expect(screen.queryByText(/Keep the weights first/)).toBeNull());
  });

  test('weights that are refused stay as they were moved, and why is said', async () => {
    const refused = new Refusal(409, 'revisionConflict', 'Somebody was quicker', 'Look again.');
    pretendServer(answers(aJudge(), { 'PUT /judge/c1/wishes': refused }));
    show();
    await headline();
    fireEvent.change(screen.getByRole('slider', { name: /Thrust in hand/ }), { target: { value: '9' } });
    await userEvent.click(await screen.findByRole('button', { name: 'Keep these weights' }));
    expect(await screen.findByText('Somebody was quicker')).toBeTruthy();
    expect((screen.getByRole('slider', { name: /Thrust in hand/ }) as HTMLInputElement).value).toBe('9');
  });

  test('without a weight nothing counts, and the page says so instead of a verdict', async () => {
    pretendServer(answers(aJudge({ input: { ...aJudge().input, weights: weightsOf({}) } })));
    show();
    expect(await headline()).toBe('Nothing counts: give a wish more than 0');
    expect((screen.getAllByRole('button', { name: /Keep the verdict/ })[0] as HTMLButtonElement).disabled).toBe(true);
  });

  test('the verdict is kept with the reason somebody gave', async () => {
    const server = pretendServer(answers(aJudge(), { 'POST /judge/c1/verdicts': aJudge() }));
    show();
    await headline();
    await userEvent.type(screen.getByLabelText('Why, in your words'), 'over the gardens');
    await userEvent.click(screen.getAllByRole('button', { name: /^Keep the verdict/ })[0]!);
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect((server.sent[0]!.body as FreezeVerdictDto).note).toBe('over the gardens');
    await waitFor(() => expect((screen.getByLabelText('Why, in your words') as HTMLInputElement).value).toBe(''));
  });

  test('a craft of which nothing is known leads to what begins it', async () => {
    pretendServer(answers(aJudge({ input: { ...aJudge().input, referenceId: '', contenders: [] }, props: [] })));
    show();
    expect(await headline()).toBe('Nothing is known of any prop for Petrel');
    expect(screen.getByRole('link', { name: /Say which prop/ }).getAttribute('href')).toContain('/crafts/c1');
  });
});

describe('a verdict that was kept', () => {
  const row = { id: 'v1', revision: 1, createdAt: '2026-11-01T09:00:00Z', updatedAt: '2026-11-01T09:00:00Z' };
  const { input } = aJudge();
  const view = aJudge({
    verdicts: [
      {
        ...row,
        frozenAt: row.createdAt,
        personId: null,
        note: 'quieter over the gardens',
        headline: judgementOf(input)!.headline,
        winnerPropModelId: 'm2',
      },
    ],
    verdictTotal: 1,
    changes: [{ code: 'judge.changed.joined', severity: 'note', values: { name: 'Tamsk 7.7×4×3' }, figure: null }],
  });

  const whole = { ...view.verdicts[0]!, input, changes: view.changes };

  test('stands on its sheet as it was, with what to buy of each hand and what has changed since', async () => {
    pretendServer(answers(view, { 'GET /judge/c1/verdicts/v1': whole }));
    showVerdict('v1');
    expect(await headline()).toBe('Take Veddick 7.9×3.3×2 for Petrel');
    expect(document.body.textContent).toContain('1 Nov 2026: quieter over the gardens');
    expect(document.body.textContent).toContain('4 of Veddick 7.9×3.3×2, 2 CW and 2 CCW');
    expect(screen.getByText('Tamsk 7.7×4×3 has come in.')).toBeTruthy();
    expect(within(screen.getByRole('table', { name: 'Evidence' })).queryByRole('link')).toBeNull();
  });

  test('stands in the list, is taken out and comes back', async () => {
    const server = pretendServer(
      answers(view, { 'DELETE /judge/c1/verdicts/v1': {}, 'POST /judge/c1/verdicts/v1/restore': view }),
    );
    show();
    const list = await screen.findByRole('region', { name: 'Verdicts kept' });
    await userEvent.click(within(list).getByRole('button', { name: 'Take out' }));
    await userEvent.click(await screen.findByRole('button', { name: /Undo/ }));
    await waitFor(() => expect(server.sent.map((s) => s.method)).toEqual(['DELETE', 'POST']));
  });

  test('one that is not there says so', async () => {
    pretendServer(
      answers(view, { 'GET /judge/c1/verdicts/v9': new Refusal(404, 'notFound', 'Not found', 'It is not there.') }),
    );
    showVerdict('v9');
    expect(await headline()).toBe('This verdict is not among those that are kept');
  });
});

describe('sayings', () => {
  const items: SayingAnswer[] = [
    { name: 'bladesPull', wish: 'thrust', status: 'holds', basis: 'predicted', predicted: 0.12, pairs: [] },
    {
      name: 'bladesAreQuiet',
      wish: 'quiet',
      status: 'fails',
      basis: 'measured',
      predicted: -2.1,
      pairs: [
        { moreId: 'm2', moreName: 'Tamsk', lessName: 'Veddick', gain: -0.1, halfWidth: 0.02, source: 'ear' },
        { moreId: 'm3', moreName: 'Orle', lessName: 'Veddick', gain: 0.01, halfWidth: 0.02, source: 'ear' },
      ],
    },
    { name: 'squareTipsPull', wish: 'thrust', status: 'untold', basis: null, predicted: null, pairs: [] },
  ];
  const showSayings = (view: SayingsView): void => {
    pretendServer(answers(aJudge(), { 'GET /judge/c1/sayings': view }));
    renderInApp(<SayingsPage />, { address: '/judge/sayings?craft=c1' });
  };

  test('each with what decided, by how much, and where it is tested', async () => {
    showSayings({ referenceName: 'Brindlow 7.2×3.9×3', items });
    expect(await headline()).toBe('1 of 2 sayings hold for Petrel');
    const [pull, quiet, square] = within(screen.getByRole('region', { name: 'Sayings of the trade' })).getAllByRole(
      'listitem',
    );
    expect(plain(pull!.textContent)).toMatch(/holds here.*\+12 % \(more thrust\), predicted/);
    expect(within(pull!).getByRole('link').getAttribute('href')).toBe('/stand/new?craft=c1');
    expect(plain(quiet!.textContent)).toMatch(
      /does not hold here.*−2\.1 dB \(quieter\).*Tamsk: louder than Veddick, by ear.*Orle cannot be told apart from Veddick/,
    );
    expect(within(square!).queryByRole('link')).toBeNull();
  });

  test('a craft that flies nothing is asked what it flies', async () => {
    showSayings({ referenceName: null, items: [] });
    expect(await headline()).toBe('Nothing to ask the sayings of, on Petrel');
    expect(screen.getByRole('link', { name: 'Edit the craft' }).getAttribute('href')).toContain('/crafts/c1/edit');
  });
});

test.each([
  ['minutes', 0.16, '+16 %', '± 16 %'],
  ['thrust', -0.0004, '0.0 %', '± 0.0 %'],
  ['quiet', -4.78, '−4.8 dB', '± 4.8'],
  ['cool', 12.6, '+13 °C', '± 13 °C'],
  ['tough', -0.35, '−35 pts', '± 35'],
] as const)('a difference of %s of %d is written %s', (name, value, text, width) => {
  expect(plain(differenceText(name, value, { choices: defaultUnits }))).toBe(text);
  expect(plain(widthText(name, Math.abs(value), { choices: defaultUnits }))).toBe(width);
});

test('the scatter shows who is known in both, names who is not beaten in both, and hides no name behind another', () => {
  const { input } = aJudge();
  const rows = judgeRows(input, judgementOf(input));
  const points = tradePoints(rows, 'minutes', 'thrust');
  expect(points.map((p) => p.row.id)).toEqual(['m2', 'm1']);
  expect(tradeSentence(rows, 'minutes', 'thrust')).toBe(
    'Air time against thrust: 2 props; nobody is better in both than Veddick 7.9×3.3×2.',
  );
  const span = { from: -0.1, to: 0.1 };
  const close = [0, 0.001, 0.002].map((x, i) => ({ ...points[0]!, row: { ...rows[0]!, id: `p${i}` }, x, y: 0 }));
  expect(new Set(labelSides(close, span, span, 500).values()).size).toBe(3);
});
