import { expect, jest, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import type { Reason } from '@zivvo/core';
import { renderInApp } from '../../test/renderInApp.tsx';
import { gravest } from './reasonCount.ts';
import { ReasonList, SaidList } from './ReasonList.tsx';
import { StationPage } from './StationPage.tsx';

const breach: Reason = {
  code: 'breach.escCurrent',
  severity: 'danger',
  values: { name: 'Tamsk 7.7x4x3', value: 46.5, limit: 40, throttleRatio: 0.94 },
  figure: 't77:full:currentA',
};
const notes = (count: number): Reason[] =>
  Array.from({ length: count }, (_, i) => ({
    code: 'rowsDropped',
    severity: 'note',
    values: { name: `Prop ${i}`, count: i + 1 },
    figure: null,
  }));

test('a reason has its severity as a word, its sentence, and the way to its working', () => {
  const onShow = jest.fn();
  renderInApp(<ReasonList reasons={[breach]} onShow={onShow} />);
  expect(screen.getByRole('img', { name: 'Danger' })).toBeTruthy();
  expect(screen.getByRole('listitem').textContent).toMatch(/Tamsk 7\.7×4×3 draws 46\.5.A; the ESC’s limit is 40.A/);
  fireEvent.click(screen.getByRole('button', { name: /^Working: Tamsk/ }));
  expect(onShow).toHaveBeenCalledWith('t77:full:currentA');
});

test('pointing at a reason, by hand or by focus, marks its figure, and leaving lets it go', () => {
  const onPoint = jest.fn();
  renderInApp(<ReasonList reasons={[breach]} onShow={() => undefined} onPoint={onPoint} />);
  const item = screen.getByRole('listitem');
  const link = screen.getByRole('button');
  fireEvent.mouseEnter(item);
  fireEvent.mouseLeave(item);
  fireEvent.focus(link);
  fireEvent.blur(link);
  expect(onPoint.mock.calls.map(([figure]) => figure)).toEqual(['t77:full:currentA', null, 't77:full:currentA', null]);
});

test('five at most; the rest stands behind a word that says how many', () => {
  renderInApp(<ReasonList reasons={notes(8)} />);
  expect(screen.getAllByRole('listitem')).toHaveLength(5);
  fireEvent.click(screen.getByRole('button', { name: '3 more' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(8);
  fireEvent.click(screen.getByRole('button', { name: 'fewer' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(5);
});

test('a reason without a figure offers no working', () => {
  renderInApp(<ReasonList reasons={notes(1)} onShow={() => undefined} />);
  expect(screen.queryByRole('button')).toBeNull();
});

test('without reasons it says so', () => {
  renderInApp(<ReasonList reasons={[]} />);
  expect(screen.getByText('Nothing to say yet.')).toBeTruthy();
});

test('the sentence is in the reader’s units', () => {
  const reason: Reason = {
    code: 'mostThrust',
    severity: 'gain',
    values: { name: 'Orle', thrustN: 20, differenceRatio: 0.06, halfWidthRatio: 0.011 },
    figure: null,
  };
  renderInApp(<ReasonList reasons={[reason]} />, { units: { length: 'mm', mass: 'g', force: 'N', temperature: '°C' } });
  expect(screen.getByRole('listitem').textContent).toMatch(/20\.00.N/);
});

test('the station counts what all its lists say, and shows the gravest', () => {
  renderInApp(
    <StationPage
      eyebrow="Fit"
      headline="Three things"
      reasons={
        <>
          <ReasonList reasons={notes(2)} />
          <SaidList said={[{ severity: 'caution', text: 'Stand behind the disc.', key: 'behind' }]} />
        </>
      }
    >
      <p>the work</p>
    </StationPage>,
  );
  const handle = screen.getByRole('button', { name: 'Caution 3 reasons' });
  expect(handle.getAttribute('aria-expanded')).toBe('false');
  fireEvent.click(handle);
  expect(handle.getAttribute('aria-expanded')).toBe('true');
  expect(gravest(['gain', 'action'])).toBe('action');
  expect(gravest([])).toBeNull();
});
