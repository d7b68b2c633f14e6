import { pretendServer } from '../test/pretendServer.ts';
import { describe, expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { DrillAnswerDto } from '@zivvo/contract';
import { drillKinds, makeDrill } from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import { renderInApp } from '../test/renderInApp.tsx';
import { givenOf, optionWords, questionOf } from './drillView.ts';
import { Component as PracticePage } from './PracticePage.tsx';

const scores = [{ personId: null, personName: null, kind: 'label', askedCount: 3, rightCount: 2 }];

test('an answer is explained at once, counted, and sent with its seed alone', async () => {
  const { sent } = pretendServer({ 'GET /drills/scores': scores, 'POST /drills/answers': scores });
  renderInApp(<PracticePage />, { address: '/care/practice' });
  const answers = within(screen.getByRole('region', { name: 'Answers' }));
  await userEvent.click(answers.getAllByRole('button')[0]!);
  const { kind, seed, chosen } = sent[0]!.body as DrillAnswerDto;
  const drill = makeDrill(kind, seed);
  expect(chosen).toBe(0);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe(drill.right === 0 ? 'Right' : 'No');
  expect(answers.getByRole('status').textContent!.length).toBeGreaterThan(10);
  expect(answers.getAllByRole('button').map((b) => b.dataset.right)).toContain('true');
  expect(answers.getAllByRole('button').every((b) => (b as HTMLButtonElement).disabled)).toBe(true);
  expect(screen.getByText(/[01] of 1 in this round/)).toBeTruthy();
  expect((await screen.findByRole('region', { name: 'Score of no name chosen' })).textContent).toContain('2 of 3');
  await userEvent.click(screen.getByRole('button', { name: /^Next question/ }));
  expect(answers.getAllByRole('button').every((b) => !(b as HTMLButtonElement).disabled)).toBe(true);
});

describe('words of the drills', () => {
  test.each(drillKinds)('%s asks a question and offers answers that differ', (kind) => {
    for (let i = 0; i < 20; i++) {
      const drill = makeDrill(kind, `words/${i}`);
      expect(questionOf(drill)).toMatch(/\?$/);
      const words = drill.options.map((o) => optionWords(kind, o, defaultUnits));
      expect(new Set(words).size).toBe(words.length);
      expect(words.join(' ')).not.toMatch(/undefined|NaN|null/);
      expect(givenOf(drill) ?? '').not.toMatch(/undefined|NaN/);
    }
  });

  test('a reader in millimetres reads millimetres', () => {
    expect(
      optionWords(
        'label',
        { diameterM: 0.18288, pitchM: 0.09906, bladeCount: 3 },
        { ...defaultUnits, length: 'mm' },
      ).replace(/\u202f/g, ' '),
    ).toBe('182.9 mm across, pitch 99.1 mm, 3 blades');
    expect(optionWords('tape', { blades: '1+3' }, defaultUnits)).toBe('Shared on blades 1 and 3');
  });
});
