import { beforeEach, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { FileDrop } from './FileDrop.tsx';

const onFile = jest.fn<(file: File) => void>();
beforeEach(() => {
  onFile.mockReset();
  render(
    <FileDrop accept=".csv,text/csv" button="Choose a file" onFile={onFile}>
      Drop a table here.
    </FileDrop>,
  );
});

const place = (): HTMLElement => screen.getByTestId('file-drop');
const table = new File(['Throttle,Thrust\n50,700'], 'run.csv', { type: 'text/csv' });

test('a dropped file is taken, the first of several', () => {
  fireEvent.drop(place(), { dataTransfer: { files: [table, new File([''], 'other.csv')] } });
  expect(onFile).toHaveBeenCalledTimes(1);
  expect(onFile.mock.calls[0]![0].name).toBe('run.csv');
});

test('a chosen file is taken as well', async () => {
  await userEvent.upload(document.querySelector<HTMLInputElement>('input[type=file]')!, table);
  expect(onFile.mock.calls[0]![0].name).toBe('run.csv');
});

test('while something is over it, it shows, and no longer', () => {
  fireEvent.dragOver(place());
  expect(place().dataset.over).toBe('true');
  fireEvent.dragLeave(place());
  expect(place().dataset.over).toBe('false');
});

test('dropping nothing does nothing', () => {
  fireEvent.drop(place(), { dataTransfer: { files: [] } });
  expect(onFile).not.toHaveBeenCalled();
});
