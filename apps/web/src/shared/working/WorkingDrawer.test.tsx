import { expect, jest, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import type { Working } from '@zivvo/core';
import { renderInApp } from '../../test/renderInApp.tsx';
import { WorkingDrawer } from './WorkingDrawer.tsx';

const working: Working = {
  key: 'carryThrustN',
  title: 'craft.carryThrustN',
  inputs: [
    { symbol: 'm', what: 'massKg', value: 1.92, dimension: 'mass', mark: 'measured' },
    { symbol: 'k', what: 'rotorCount', value: 4, dimension: 'number', mark: 'measured' },
  ],
  lines: [{ symbol: 'T', formula: 'm * 9.80665 / k', value: 4.707192, dimension: 'force' }],
  result: {
    value: 4.707192,
    dimension: 'force',
    mark: 'estimated',
    origin: null,
    uncertainty: 0.25,
    working: 'carryThrustN',
  },
  source: 'hoverShare',
  notes: [{ code: 'meanOfRuns', values: { count: 3 } }],
};
const text = (): string => screen.getByRole('dialog').textContent!.replace(/\u202f/g, ' ');

test('inputs, formula, result, mark, uncertainty, source and remarks', () => {
  renderInApp(<WorkingDrawer working={working} subject="Petrel" onClose={() => undefined} />);
  for (const shown of [
    'Thrust of each rotor that carries the craft',
    'Petrel',
    '480 g',
    'estimated',
    '± 25 g (95 %)',
    'take-off mass',
    '1.92 kg',
    'm * 9.80665 / k',
    '4.70719 N',
    'Hover in still air',
    'Mean of 3 runs',
  ])
    expect(text()).toContain(shown);
});

test('the numbers stand in SI beside the reader’s units, so that the formula can be followed', () => {
  renderInApp(<WorkingDrawer working={working} subject="Petrel" onClose={() => undefined} />, {
    units: { length: 'mm', mass: 'lb', force: 'N', temperature: '°C' } as never,
  });
  expect(text()).toContain('1.92 kg');
  expect(text()).toContain('4.71 N');
});

test('on its way it says so; failed it says what was wrong', () => {
  const { unmount } = renderInApp(<WorkingDrawer working={null} subject="Petrel" onClose={() => undefined} />);
  expect(text()).toContain('working…');
  unmount();
  renderInApp(
    <WorkingDrawer
      working={null}
      error={{ status: 404, code: 'notFound', title: 'No such figure', detail: 'gone', fields: [] }}
      subject="Petrel"
      onClose={() => undefined}
    />,
  );
  expect(text()).toContain('No such figure');
  expect(text()).not.toContain('working…');
});

test('Escape and the cross close it', () => {
  const onClose = jest.fn();
  renderInApp(<WorkingDrawer working={working} subject="Petrel" onClose={onClose} />);
  fireEvent.click(document.querySelector('.mantine-Drawer-close')!);
  expect(onClose).toHaveBeenCalledTimes(1);
});
