import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CellError } from '@zivvo/core';
import { useEffect, useState } from 'react';
import { renderInApp } from '../test/renderInApp.tsx';
import { freshGrid, readGrid, type RunGrid } from './runGrid.ts';
import { RunGridTable } from './RunGridTable.tsx';

const onLeftOver = jest.fn();
let last: RunGrid;
beforeEach(() => void onLeftOver.mockReset());

/** The table as its page holds it: what is typed comes back with its errors. */
function Page({ start, headers }: { start: RunGrid; headers?: string[] }) {
  const [grid, setGrid] = useState(start);
  useEffect(() => {
    last = grid;
  }, [grid]);
  return (
    <RunGridTable
      grid={grid}
      errors={readGrid(grid).errors}
      headers={headers}
      onChange={(next, leftOverRows) => {
        setGrid(next);
        if (leftOverRows > 0) onLeftOver(leftOverRows);
      }}
    />
  );
}

const show = (start: RunGrid = freshGrid()): void => void renderInApp(<Page start={start} />);
const cell = (step: number, name: string): HTMLInputElement =>
  screen.getByRole('textbox', { name: `Step ${step}, ${name}` });
const paste = (input: HTMLElement, text: string): boolean =>
  fireEvent.paste(input, { clipboardData: { getData: () => text } });

describe('moving about', () => {
  test.each([
    ['Enter', {}, 2, 'throttle'],
    ['ArrowDown', {}, 2, 'throttle'],
    ['ArrowRight', {}, 1, 'thrust'],
  ])('%s from the first cell', (key, more, step, name) => {
    show();
    cell(1, 'throttle').focus();
    fireEvent.keyDown(cell(1, 'throttle'), { key, ...more });
    expect(document.activeElement).toBe(cell(step, name));
  });

  test('up and left come back, and stop at the edge', () => {
    show();
    cell(2, 'thrust').focus();
    fireEvent.keyDown(cell(2, 'thrust'), { key: 'Enter', shiftKey: true });
    expect(document.activeElement).toBe(cell(1, 'thrust'));
    fireEvent.keyDown(cell(1, 'thrust'), { key: 'ArrowLeft' });
    expect(document.activeElement).toBe(cell(1, 'throttle'));
    fireEvent.keyDown(cell(1, 'throttle'), { key: 'ArrowUp' });
    fireEvent.keyDown(cell(1, 'throttle'), { key: 'ArrowLeft' });
    expect(document.activeElement).toBe(cell(1, 'throttle'));
  });

  test('inside a text the arrows move the caret, not the cell', async () => {
    show();
    await userEvent.type(cell(1, 'thrust'), '1946');
    cell(1, 'thrust').setSelectionRange(2, 2);
    fireEvent.keyDown(cell(1, 'thrust'), { key: 'ArrowRight' });
    expect(document.activeElement).toBe(cell(1, 'thrust'));
  });
});

describe('typing', () => {
  test('a cell holds what was typed, wrong or right, and says what is wrong', async () => {
    show();
    await userEvent.type(cell(1, 'throttle'), '120');
    expect(last.cells[0]![0]).toBe('120');
    expect(cell(1, 'throttle').getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toMatch(/Row 1, throttle: “120” is out of bounds/);
  });

  test('the sentence leads back to its cell', async () => {
    show();
    await userEvent.type(cell(3, 'throttle'), '50');
    await userEvent.type(cell(3, 'thrust'), 'seven');
    fireEvent.click(within(screen.getByRole('alert')).getByRole('button'));
    expect(document.activeElement).toBe(cell(3, 'thrust'));
  });

  test('six sentences at most, then how many more', () => {
    const errors: CellError[] = Array.from({ length: 9 }, (_, row) => ({
      row,
      column: 0,
      quantity: 'throttleRatio',
      problem: { status: 'notANumber', text: 'x' },
    })) as never;
    renderInApp(<RunGridTable grid={freshGrid()} errors={errors} onChange={() => undefined} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(7);
    expect(screen.getByText('and 3 more.')).toBeTruthy();
  });
});

describe('pasting', () => {
  test('a block from a spreadsheet fills the cells from here on', () => {
    show();
    paste(cell(1, 'throttle'), '20\t138\n40\t560\n60\t1130');
    expect(last.cells.slice(0, 3).map((r) => r.slice(0, 2))).toEqual([
      ['20', '138'],
      ['40', '560'],
      ['60', '1130'],
    ]);
  });

  test('headers in the block name the columns', () => {
    show();
    paste(cell(1, 'throttle'), 'Throttle %\tPeak current (A)\n50\t12,4\n');
    expect(last.columns[1]).toMatchObject({ quantity: 'currentA', unitSymbol: 'A', readingKind: 'peakHold' });
    expect(last.cells[0]!.slice(0, 2)).toEqual(['50', '12,4']);
  });

  test('one value goes into its cell as the browser does it', () => {
    show();
    expect(paste(cell(1, 'thrust'), '1946')).toBe(true);
    expect(last.cells[0]![1]).toBe('');
  });

  test('what does not fit is told, not dropped in silence', () => {
    show();
    paste(cell(1, 'throttle'), Array.from({ length: 200 }, (_, i) => `${i / 2}\t${i}`).join('\n'));
    expect(onLeftOver).toHaveBeenCalled();
  });
});

describe('columns', () => {
  test('hold what the reader says, with the unit and the kind of reading', async () => {
    show();
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Column 2 holds' }), 'temperatureC');
    expect(last.columns[1]).toMatchObject({ quantity: 'temperatureC' });
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'bell is' }), 'peakHold');
    expect(last.columns[1]!.readingKind).toBe('peakHold');
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Column 2 holds' }), '');
    expect(last.columns[1]!.quantity).toBeNull();
  });

  test('one more is added by a button; a file’s own headers stand above', async () => {
    show();
    const before = last.columns.length;
    await userEvent.click(screen.getByRole('button', { name: /add a quantity/ }));
    expect(last.columns).toHaveLength(before + 1);
    renderInApp(<Page start={freshGrid()} headers={['Stick', 'Pull']} />);
    expect(screen.getByTitle('Stick')).toBeTruthy();
  });
});
