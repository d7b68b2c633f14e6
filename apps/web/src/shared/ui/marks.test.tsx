import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import type { EvidenceMark, LineStop, StopState, ReasonCode } from '@zivvo/core';
import { renderInApp } from '../../test/renderInApp.tsx';
import { EvidenceDot } from './EvidenceDot.tsx';
import { HandArrow } from './HandArrow.tsx';
import { LineBar } from './LineBar.tsx';

test.each<[EvidenceMark, number, boolean]>([
  ['measured', 1, false],
  ['calibrated', 2, false],
  ['estimated', 1, false],
  ['extended', 1, true],
])('%s has a mark of its own: %i shapes, dashed %s', (mark, shapes, isDashed) => {
  renderInApp(<EvidenceDot mark={mark} />);
  const dot = screen.getByRole('img', { name: mark });
  expect(dot.querySelectorAll('circle')).toHaveLength(shapes);
  expect(dot.querySelector('[stroke-dasharray]') !== null).toBe(isDashed);
});

test('what was simulated says so', () => {
  renderInApp(<EvidenceDot mark="measured" origin="simulated" />);
  expect(screen.getByRole('img', { name: 'measured, simulated' })).toBeTruthy();
});

test.each<[StopState, ReasonCode, Record<string, number>, string]>([
  ['empty', 'stand.noRuns', {}, 'Stand: nothing measured yet'],
  ['half', 'stand.fewRuns', { count: 1, needed: 2 }, 'Stand: 1 of 2 runs of the prop in hand'],
  ['full', 'stand.measured', { count: 6 }, 'Stand: measured, 6 runs'],
  ['notched', 'stand.breach', {}, 'Stand: the prop in hand passes a current limit'],
])('a stop that is %s has its shape and its sentence', (state, code, values, sentence) => {
  const stop: LineStop = { station: 'stand', state, code, values };
  renderInApp(<LineBar stop={stop} />);
  const bar = screen.getByRole('img', { name: sentence });
  expect(bar.getAttribute('data-state')).toBe(state);
  expect(bar.querySelectorAll('rect, path')).toHaveLength({ empty: 1, half: 2, full: 2, notched: 1 }[state]);
});

test('without a craft in hand the stop is empty and says so', () => {
  renderInApp(<LineBar stop={undefined} />);
  expect(screen.getByRole('img', { name: 'nothing in hand' }).getAttribute('data-state')).toBe('empty');
});

test('hands carry their word, and the two arrows are mirror images', () => {
  renderInApp(
    <p>
      <HandArrow hand="cw" />
      <HandArrow hand="ccw" />
    </p>,
  );
  expect(screen.getByRole('paragraph').textContent).toBe('CWCCW');
  const [cw, ccw] = [...document.querySelectorAll('p svg')].map((svg) => (svg as SVGElement).style.transform);
  expect([cw, ccw]).toEqual(['', 'scaleX(-1)']);
});
