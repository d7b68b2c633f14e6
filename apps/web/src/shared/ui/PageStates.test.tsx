import { expect, jest, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import type { Problem } from '@zivvo/contract';
import { renderInApp } from '../../test/renderInApp.tsx';
import { EmptyPage, ProblemNote, Ready } from './PageStates.tsx';

const problem: Problem = {
  status: 409,
  code: 'revisionConflict',
  title: 'The craft was changed meanwhile',
  detail: 'Load it again, nothing was overwritten.',
  fields: [],
};
const query = (more: object = {}) => ({
  currentData: undefined as string | undefined,
  isError: false,
  refetch: jest.fn(),
  ...more,
});

test('on its way it says that it works', () => {
  renderInApp(<Ready query={query()}>{(text) => <p>{text}</p>}</Ready>);
  expect(screen.getByText('working…')).toBeTruthy();
  expect(screen.getByRole('main').getAttribute('aria-busy')).toBe('true');
});

test('ready, the page writes itself', () => {
  renderInApp(<Ready query={query({ currentData: 'three crafts' })}>{(text) => <p>{text}</p>}</Ready>);
  expect(screen.getByText('three crafts')).toBeTruthy();
  expect(screen.queryByText('working…')).toBeNull();
});

test('failed, it says what was wrong and tries again', () => {
  const failed = query({ isError: true, error: problem });
  renderInApp(<Ready query={failed}>{(text) => <p>{text}</p>}</Ready>);
  expect(screen.getByRole('alert').textContent).toContain('The craft was changed meanwhile');
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(failed.refetch).toHaveBeenCalledTimes(1);
});

test('what is already there stays while it is asked for again', () => {
  renderInApp(
    <Ready query={query({ currentData: 'kept', isError: true, error: problem })}>{(text) => <p>{text}</p>}</Ready>,
  );
  expect(screen.getByText('kept')).toBeTruthy();
});

test('an error that nobody knows is still said', () => {
  renderInApp(<Ready query={query({ isError: true, error: new Error('x') })}>{(text) => <p>{text}</p>}</Ready>);
  expect(screen.getByRole('heading').textContent).toBe('This page could not be read');
});

test('a refused change names its field in the reader’s words', () => {
  const refused: Problem = {
    status: 400,
    code: 'invalidBody',
    title: 'The entries break a rule',
    detail: 'd',
    fields: [{ path: 'massKg', rule: 'max', value: '61', allowed: { min: 0.01, max: 60 }, message: 'm' }],
  };
  renderInApp(<ProblemNote error={refused} />);
  expect(screen.getByRole('alert').textContent).toMatch(/The entries break a rule\. Take-off weight: .* is allowed/);
});

test('nothing wrong, nothing said', () => {
  const { container } = renderInApp(<ProblemNote error={undefined} />);
  expect(container.querySelector('[role=alert]')).toBeNull();
});

test('an empty page says what belongs there and offers the first step', () => {
  renderInApp(
    <EmptyPage title="Describe the first craft" actions={<button>New craft</button>}>
      <p>Its frame, motor and pack.</p>
    </EmptyPage>,
  );
  expect(screen.getByRole('heading', { name: 'Describe the first craft' })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'New craft' })).toBeTruthy();
});
