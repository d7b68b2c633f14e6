import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComparedFigure, PointFigure, PropResult } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { chartSentence, comparedFigureName, resultRows, type ResultRow } from './resultsView.ts';
import { ResultsTable, shownFigures } from './ResultsTable.tsx';
import { ShownChoice } from './ShownChoice.tsx';

const onOpen = jest.fn();
const onHide = jest.fn();
const onMark = jest.fn();
const onShow = jest.fn();
beforeEach(() => [onOpen, onMark, onHide, onShow].forEach((spy) => spy.mockReset()));

const compared = (value: number, working: string, differenceRatio: number | null = null): ComparedFigure =>
  ({
    figure: { value, dimension: 'force', mark: 'measured', origin: 'typed', uncertainty: null, working },
    differenceRatio,
    halfWidthRatio: 0.011,
    comparison: null,
  }) as never;

/** A measured prop with a full-throttle thrust [N] and current [A]. */
function prop(id: string, thrustN: number, currentA: number, more: Partial<PropResult> = {}): PropResult {
  const full: Partial<Record<PointFigure, ComparedFigure>> = {
    thrustN: compared(thrustN, `${id}:full:thrustN`, id === 'ref' ? null : thrustN / 20 - 1),
    currentA: compared(currentA, `${id}:full:currentA`),
  };
  return {
    propModelId: id,
    isReference: id === 'ref',
    countedRunIds: ['1', '2'],
    leftOut: [],
    origin: 'typed',
    points: { full, hover: {}, chosen: {}, response: {} },
    canHover: true,
    isFullOnly: false,
    standardThrust: null,
    breaches: [],
    thrustExponent: 2,
    signs: null,
    curve: [{ throttleRatio: 1, thrustN, powerW: 800, speedRpm: null, currentA }],
    line: [],
    ...more,
  };
}

const models = ['ref', 'a', 'b'].map((id, i) => ({
  id,
  label: `7x${4 + i}x3`,
  makerName: 'Orle',
  diameterM: 0.18,
  pitchM: 0.1,
  bladeCount: 3,
  tipShape: 'standard',
  seriesIndex: i,
}));
const props = [
  prop('a', 22, 46, { breaches: [{ limit: 'escCurrent' }] as never }),
  prop('ref', 20, 36),
  prop('b', 18, 30),
];
const rows = (): ResultRow[] => resultRows({ props } as never, models as never, 'full');

function show(change: Partial<Parameters<typeof ResultsTable>[0]> = {}): void {
  renderInApp(
    <ResultsTable
      kind="multirotor"
      rows={rows()}
      point="full"
      figures={shownFigures('full')}
      marked={[]}
      inHandId={null}
      pointedKey={null}
      onOpen={onOpen}
      onMark={onMark}
      onHide={onHide}
      onShow={onShow}
      {...change}
    />,
  );
}
const names = (): string[] =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((r) => /Orle 7×\d/.exec(r.textContent)![0]);

describe('rows', () => {
  test('the reference first, then by thrust', () => expect(rows().map((r) => r.id)).toEqual(['ref', 'a', 'b']));

  test('what passes a limit is named in short', () =>
    expect(rows().find((r) => r.id === 'a')!.breaches).toEqual(['ESC']));

  test('a model that was deleted keeps its figures', () => {
    expect(resultRows({ props } as never, [], 'full').map((r) => r.name)).toEqual([
      'deleted model',
      'deleted model',
      'deleted model',
    ]);
  });

  test('at hover thrust is given, so power is compared', () => {
    expect([comparedFigureName('full'), comparedFigureName('hover'), comparedFigureName('chosen')]).toEqual([
      'thrustN',
      'powerW',
      'thrustN',
    ]);
  });

  test('the chart in one sentence, for those who do not see it', () => {
    expect(chartSentence(rows(), (n) => `${n} N`)).toBe(
      'Thrust against electrical power: Orle 7×4×3 up to 20 N, Orle 7×5×3 up to 22 N, Orle 7×6×3 up to 18 N.',
    );
  });
});

describe('the table', () => {
  test('stands as it was given until a header is pressed', () => {
    show();
    expect(names()).toEqual(['Orle 7×4', 'Orle 7×5', 'Orle 7×6']);
  });

  test('a difference that is real and surely under what matters says so; one that may reach it does not', () => {
    const differing = (differenceRatio: number, differenceHalfWidthRatio: number): ResultRow[] => {
      const cell = { ...compared(20, 'k', differenceRatio), comparison: 'less', differenceHalfWidthRatio };
      return resultRows(
        {
          props: [
            props[1]!,
            prop('b', 18, 30, { points: { full: { thrustN: cell }, hover: {}, chosen: {}, response: {} } as never }),
          ],
        } as never,
        models as never,
        'full',
      );
    };
    show({ rows: differing(-0.011, 0.009) });
    expect(screen.getByText('± 0.9 %, too little to matter')).toBeTruthy();
    cleanup();
    show({ rows: differing(-0.028, 0.009) });
    expect(screen.getByText('± 0.9 %')).toBeTruthy();
  });

  test('sorts by a figure, most first, then least first', () => {
    show();
    const header = screen.getByRole('button', { name: /^Current/ });
    fireEvent.click(header);
    expect(names()).toEqual(['Orle 7×5', 'Orle 7×4', 'Orle 7×6']);
    expect(screen.getByRole('columnheader', { name: /Current/ }).getAttribute('aria-sort')).toBe('descending');
    fireEvent.click(header);
    expect(names()).toEqual(['Orle 7×6', 'Orle 7×4', 'Orle 7×5']);
  });

  test('a figure opens its working and not the row', () => {
    show();
    const row = screen.getAllByRole('row')[2]!;
    fireEvent.click(within(row).getAllByTitle('Show the working')[0]!);
    expect(onShow).toHaveBeenCalledWith('a:full:thrustN', expect.objectContaining({ id: 'a' }));
    expect(onOpen).not.toHaveBeenCalled();
  });

  test('a row is opened by a click and by Enter, marked by x, walked by arrows', () => {
    show();
    const [, first, second] = screen.getAllByRole('row');
    fireEvent.click(first!);
    expect(onOpen).toHaveBeenLastCalledWith(expect.objectContaining({ id: 'ref' }));
    first!.focus();
    fireEvent.keyDown(first!, { key: 'ArrowDown' });
    expect(document.activeElement).toBe(second);
    fireEvent.keyDown(second!, { key: 'x' });
    expect(onMark).toHaveBeenCalledWith(expect.objectContaining({ id: 'a' }));
    fireEvent.keyDown(second!, { key: 'Enter' });
    expect(onOpen).toHaveBeenLastCalledWith(expect.objectContaining({ id: 'a' }));
    fireEvent.keyDown(second!, { key: 'End' });
    fireEvent.keyDown(document.activeElement!, { key: 'ArrowDown' });
    expect(document.activeElement!.textContent).toContain('Orle 7×6');
  });

  test('a figure that a reason points at is marked', () => {
    show({ pointedKey: 'b:full:currentA' });
    expect(document.querySelectorAll('[data-pointed=true]')).toHaveLength(1);
  });
});

test('h hides the row with the keys on it, and they go on at the next; columns are those that are asked for', async () => {
  show({ figures: ['currentA'] });
  expect(screen.getAllByRole('columnheader').map((h) => h.textContent.trim())).not.toContain('Thrust g');
  screen.getAllByRole('row')[2]!.focus();
  await userEvent.keyboard('h');
  expect(onHide).toHaveBeenCalledWith(expect.objectContaining({ id: 'a' }));
  expect(document.activeElement?.textContent).toMatch(/7×6/);
});

test('columns and props are chosen from one list, which says how many are hidden', async () => {
  const onFigures = jest.fn();
  const onRows = jest.fn();
  renderInApp(
    <ShownChoice
      figures={['thrustN', 'currentA']}
      hiddenFigures={['currentA']}
      onFigures={onFigures}
      rows={rows()}
      hiddenIds={['b', 'gone']}
      onRows={onRows}
    />,
  );
  await userEvent.click(screen.getByRole('button', { name: 'Columns and rows, 1 prop hidden' }));
  await userEvent.click(await screen.findByRole('checkbox', { name: 'Current' }));
  expect(onFigures).toHaveBeenCalledWith([]);
  await userEvent.click(screen.getByRole('checkbox', { name: /7×5/ }));
  expect(onRows).toHaveBeenCalledWith(['b', 'gone', 'a']);
});
