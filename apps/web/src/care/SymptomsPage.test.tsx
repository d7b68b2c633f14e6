import { heading } from '../test/onPage.ts';
import { pretendServer } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { SymptomCaseView, SymptomStartView } from '@zivvo/contract';
import { diagnose, type SymptomEvidence } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { aCraft } from './care.fixtures.ts';
import { Component as SymptomsPage } from './SymptomsPage.tsx';

const recent: SymptomStartView['recent'] = [
  {
    sequence: 9,
    at: '2026-11-22T10:00:00Z',
    personName: null,
    kind: 'struck',
    tag: null,
    values: { thing: 'gravel', throttleRatio: 0.5, severity: 'medium', isCrash: false },
    change: 'strike',
  },
  {
    sequence: 4,
    at: '2026-11-02T10:00:00Z',
    personName: null,
    kind: 'pieceFitted',
    tag: 'AB12',
    values: { place: 'frontLeft', reason: null },
    change: 'props',
  },
];
const start: SymptomStartView = {
  facts: ['motorStruck'],
  recent,
  openCase: null,
  solved: [{ cause: 'softMount', at: '2026-10-24T10:00:00Z' }],
};

function aCase(told: Partial<SymptomEvidence>): SymptomCaseView {
  const evidence: SymptomEvidence = {
    symptoms: ['tremblingPicture'],
    changes: ['strike'],
    facts: ['motorStruck'],
    answers: [],
    ...told,
  };
  return {
    id: 'k1',
    revision: 2,
    createdAt: '',
    updatedAt: '',
    craftId: 'c1',
    openedAt: '2026-11-24T10:00:00Z',
    mendedCause: null,
    recent,
    diagnosis: diagnose(evidence),
    ...evidence,
  } as unknown as SymptomCaseView;
}

function show(view: SymptomStartView) {
  const server = pretendServer({
    'GET /crafts/c1': aCraft,
    'GET /care/c1/symptoms': view,
    'PUT /care/c1/symptoms/k1': aCase({}),
  });
  renderInApp(<SymptomsPage />, { address: '/care/symptoms?craft=c1' });
  return server;
}

test('the record speaks first: what changed last stands first, what was found before is told', async () => {
  show(start);
  await heading('What does Petrel do?');
  const changes = within(screen.getByRole('region', { name: 'What changed' }))
    .getAllByRole('button')
    .map((b) => b.textContent);
  expect(await screen.findByText(/shut down at once/)).toBeTruthy();
  expect(changes.slice(0, 3)).toEqual([
    'it hit somethingin the record, 22 Nov 2026',
    'propsin the record, 2 Nov 2026',
    'a motor',
  ]);
  const record = screen.getByRole('complementary');
  for (const said of [
    'a motor was struck',
    'Hit gravel at 50',
    'AB12: fitted, front left',
    'a worn camera mount, 24 Oct 2026',
  ])
    expect(record.textContent!.replace(/\u202f/g, ' ')).toContain(said);
  expect(screen.queryByRole('region', { name: 'Most likely' })).toBeNull();
});

test('one question at a time, with what a no proves', async () => {
  const { sent } = show({ ...start, openCase: aCase({}) });
  const question = await screen.findByRole('region', { name: 'Next question' });
  expect(question.textContent).toMatch(/What a no proves(Rules out|Makes)/);
  expect(within(screen.getByRole('region', { name: 'Most likely' })).getAllByRole('listitem')).toHaveLength(3);
  await userEvent.click(within(question).getByRole('button', { name: /^No ?n$/ }));
  expect(sent[0]).toMatchObject({
    method: 'PUT',
    path: '/care/c1/symptoms/k1',
    body: { symptoms: ['tremblingPicture'], answers: [{ answer: 'no' }], revision: 2, mendedCause: null },
  });
});

test('a test that was done already is entered, an answer is taken back, another end is told', async () => {
  const { sent } = show({ ...start, openCase: aCase({ answers: [{ test: 'pullNut', answer: 'no' }] }) });
  await userEvent.click(await screen.findByText('Tests done already, and other ends'));
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Does a shaft’s tip wander?' }), 'yes');
  await userEvent.click(screen.getByRole('button', { name: /^Take the last answer back/ }));
  await userEvent.click(screen.getByRole('button', { name: 'a prop that rubs' }));
  expect(sent.map((s) => s.body)).toMatchObject([
    {
      answers: [
        { test: 'pullNut', answer: 'no' },
        { test: 'shaftTip', answer: 'yes' },
      ],
    },
    { answers: [] },
    { mendedCause: 'propRubs' },
  ]);
});

test('one cause that stands out is named with what mends it', async () => {
  show({
    ...start,
    openCase: aCase({
      answers: [
        { test: 'shaftTip', answer: 'yes' },
        { test: 'bareSpinUp', answer: 'yes' },
      ],
    }),
  });
  await heading('Most likely a bent shaft');
  expect(screen.getByRole('region', { name: 'What to do' }).textContent).toContain('no balancing mends it');
  expect(screen.getByRole('button', { name: 'It was a bent shaft' })).toBeTruthy();
});
