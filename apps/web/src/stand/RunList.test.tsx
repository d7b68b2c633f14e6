import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import type { PropModelView, RunSummaryView } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import type { ResultRow } from './resultsView.ts';
import { RunList } from './RunList.tsx';

const models = [
  { id: 'a', label: '7x4x3', makerName: 'Orle' },
  { id: 'b', label: '9x5', makerName: 'Orle' },
] as PropModelView[];
const run = (id: string, propModelId: string, more: Partial<RunSummaryView> = {}): RunSummaryView =>
  ({
    id,
    propModelId,
    state: 'kept',
    ordinal: 1,
    restingCellV: 4.15,
    replacedByRunId: null,
    recordingId: null,
    ...more,
  }) as RunSummaryView;
const rows = [
  { id: 'a', result: { leftOut: [{ runId: 'gate', ordinal: 2, code: 'belowGate', value: 3.9, limit: 4.05 }] } },
] as never as ResultRow[];

const show = (runs: RunSummaryView[], propModelId: string | null = null): void =>
  void renderInApp(
    <RunList
      runs={runs}
      models={models}
      rows={rows}
      rigs={[]}
      propModelId={propModelId}
      to={(path) => `${path}?craft=c`}
    />,
  );
const texts = (): string[] => screen.getAllByRole('link').map((l) => l.textContent!.replace(/\u202f/g, ' '));

test('drafts come first, and every run says how it stands', () => {
  show([
    run('kept', 'a'),
    run('gate', 'a', { ordinal: 2 }),
    run('old', 'b', { replacedByRunId: 'new' }),
    run('draft', 'b', { state: 'draft', ordinal: 2 }),
  ]);
  expect(texts()).toEqual([
    'Orle 9×5 · run 2 · draft',
    'Orle 7×4×3 · run 1 · 4.15 V a cell',
    'Orle 7×4×3 · run 2 · does not count',
    'Orle 9×5 · run 1 · corrected',
  ]);
});

test('with a prop in hand only its runs stand there, and every draft', () => {
  show([run('kept', 'a'), run('other', 'b'), run('draft', 'b', { state: 'draft', ordinal: 2 })], 'a');
  expect(screen.getByRole('heading').textContent).toBe('Runs of Orle 7×4×3');
  expect(texts()).toEqual(['run 2 · draft', 'run 1 · 4.15 V a cell']);
});

test('what does not count looks it, and links keep what is in hand', () => {
  show([run('gate', 'a', { ordinal: 2 })]);
  const link = screen.getByRole('link');
  expect(link.dataset.out).toBe('true');
  expect(link.getAttribute('href')).toBe('/stand/runs/gate?craft=c');
});

test('without runs there is no list', () => {
  show([]);
  expect(screen.queryByRole('heading')).toBeNull();
});
