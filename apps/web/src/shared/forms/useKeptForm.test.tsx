import 'reflect-metadata';
import { beforeEach, expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MaxLength, Min } from 'class-validator';
import type { ApiProblem } from '../api/api.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { TextField } from './Fields.tsx';
import { madeIdOf, readKept, useKept } from './kept.ts';
import { QuantityField } from './QuantityField.tsx';
import { useKeptForm } from './useKeptForm.tsx';

class NoteDto {
  @MaxLength(20)
  name!: string;

  @MaxLength(20)
  place!: string;
}
type Note = { [K in keyof NoteDto]: NoteDto[K] };

const send = jest.fn<(values: Note, id: string, revision: number | null) => Promise<unknown>>();
const reread = jest.fn<() => Promise<Note & { id: string; revision: number }>>();
const onDone = jest.fn();
const problem = (status: number, code: string): ApiProblem => ({ status, code, title: code, detail: '', fields: [] });
const row = { id: 'r1', revision: 3, name: 'shed', place: 'shelf' };

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  for (const spy of [send, reread, onDone]) spy.mockReset();
});

function Page({ isNew = false }: { isNew?: boolean }) {
  const { form, save, notes } = useKeptForm<Note>({
    keptAs: `note/${isNew ? 'new' : row.id}`,
    row: isNew ? null : row,
    blank: { name: '', place: '' },
    Dto: NoteDto,
    send,
    reread,
    onDone,
  });
  return (
    <form onSubmit={(e) => void form.handleSubmit(save)(e)}>
      {notes}
      <TextField control={form.control} name="name" label="Name" />
      <TextField control={form.control} name="place" label="Place" />
      <button type="submit">Save</button>
    </form>
  );
}
const name = (): HTMLElement => screen.getByRole('textbox', { name: 'Name' });
const pressSave = (): Promise<void> => userEvent.click(screen.getByRole('button', { name: 'Save' }));

test('what was typed outlives the page, is let go of once the server has it, and the same id goes with every trial', async () => {
  const first = renderInApp(<Page isNew />);
  await userEvent.type(name(), 'bag of ten');
  first.unmount();
  renderInApp(<Page isNew />);
  expect(name()).toHaveProperty('value', 'bag of ten');
  expect(screen.getByText(/^Taken up again/)).toBeTruthy();
  const id = madeIdOf('note/new');
  send.mockResolvedValue({});
  await pressSave();
  await waitFor(() => expect(onDone).toHaveBeenCalledWith(id));
  expect(send).toHaveBeenCalledWith({ name: 'bag of ten', place: '' }, id, null);
  expect(readKept('note/new')).toBeNull();
  expect(madeIdOf('note/new')).not.toBe(id);
});

test('two tabs with one form make two things: what was typed is shared, the id is not', () => {
  const first = madeIdOf('note/new');
  expect(madeIdOf('note/new')).toBe(first);
  // Another tab shares the storage of the browser, not that of the tab.
  sessionStorage.clear();
  expect(madeIdOf('note/new')).not.toBe(first);
});

test('a form that stays on its page saves a second thing under a second id', async () => {
  renderInApp(<Page isNew />);
  send.mockResolvedValue({});
  for (const text of ['one', 'two']) {
    await userEvent.type(name(), text);
    await pressSave();
  }
  await waitFor(() => expect(onDone).toHaveBeenCalledTimes(2));
  const ids = send.mock.calls.map(([, id]) => id);
  expect(new Set(ids).size).toBe(2);
});

test('while the server does not answer it says so, and sends by itself when it is back', async () => {
  renderInApp(<Page />);
  await userEvent.type(name(), 's');
  send.mockRejectedValueOnce(problem(0, 'unreachable')).mockResolvedValue({});
  await pressSave();
  expect(await screen.findByText(/sent by itself when it is back/)).toBeTruthy();
  await waitFor(() => expect(onDone).toHaveBeenCalledWith('r1'), { timeout: 3000 });
  expect(send).toHaveBeenCalledTimes(2);
});

test('an answer that got lost is no conflict: the server has exactly this already', async () => {
  renderInApp(<Page />);
  await userEvent.type(name(), 's');
  send.mockRejectedValue(problem(409, 'revisionConflict'));
  reread.mockResolvedValue({ ...row, revision: 4, name: 'sheds' });
  await pressSave();
  await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
});

test('changed by somebody else: both values stand, and what is chosen goes on the newest revision', async () => {
  renderInApp(<Page />);
  await userEvent.type(name(), 's');
  send.mockRejectedValueOnce(problem(409, 'revisionConflict')).mockResolvedValue({});
  reread.mockResolvedValue({ ...row, revision: 9, name: 'barn', place: 'drawer' });
  await pressSave();
  const conflict = await screen.findByRole('alert', { name: 'Changed meanwhile' });
  expect(conflict.textContent).toContain('sheds yours');
  expect(conflict.textContent).toContain('barn theirs');
  await userEvent.click(screen.getByText('drawer'));
  await userEvent.click(screen.getByRole('button', { name: 'Save as chosen' }));
  await waitFor(() => expect(onDone).toHaveBeenCalledTimes(1));
  expect(send).toHaveBeenLastCalledWith(expect.objectContaining({ name: 'sheds', place: 'drawer' }), 'r1', 9);
});

test('an edit that was left before the row changed comes back as a choice, not over it', async () => {
  localStorage.setItem(
    'zivvo.kept.note/r1',
    JSON.stringify({ revision: 2, values: { name: 'old words', place: 'shelf' } }),
  );
  renderInApp(<Page />);
  expect(name()).toHaveProperty('value', 'shed');
  expect((await screen.findByRole('alert', { name: 'Changed meanwhile' })).textContent).toContain('old words yours');
});

test('state of a page is kept the same way, and anew once it is handed over; what cannot be read is forgotten', async () => {
  localStorage.setItem('zivvo.kept.tap', '{not json');
  function Taps() {
    const [count, setCount, handedOver] = useKept('tap', () => 0);
    return (
      <>
        <button type="button" onClick={() => setCount((c) => c + 1)}>{`tapped ${count}`}</button>
        <button type="button" onClick={handedOver}>
          hand over
        </button>
      </>
    );
  }
  const first = renderInApp(<Taps />);
  await userEvent.click(screen.getByRole('button', { name: 'tapped 0' }));
  first.unmount();
  renderInApp(<Taps />);
  await userEvent.click(await screen.findByRole('button', { name: 'tapped 1' }));
  await userEvent.click(screen.getByRole('button', { name: 'hand over' }));
  expect(screen.getByRole('button', { name: 'tapped 0' })).toBeTruthy();
  expect(readKept('tap')).toBeNull();
});

class WeightDto {
  @Min(0)
  massKg!: number;
}

function Weigh() {
  const { form, save, notes } = useKeptForm<{ massKg: number }>({
    keptAs: 'weight',
    row: null,
    blank: { massKg: null } as unknown as { massKg: number },
    Dto: WeightDto,
    send: send as never,
    onDone,
  });
  return (
    <form noValidate onSubmit={(e) => void form.handleSubmit(save)(e)}>
      {notes}
      <QuantityField control={form.control} name="massKg" label="Weight" dimension="mass" />
      <button type="submit">Save</button>
    </form>
  );
}

test('a text that is no value yet is taken up again as it was typed, is not sent as nothing, and goes with the rest', async () => {
  const weight = (): HTMLElement => screen.getByRole('textbox', { name: 'Weight' });
  const first = renderInApp(<Weigh />);
  await userEvent.type(weight(), '12 stone');
  first.unmount();
  renderInApp(<Weigh />);
  expect(weight()).toHaveProperty('value', '12 stone');
  await pressSave();
  await waitFor(() => expect(weight().getAttribute('aria-invalid')).toBe('true'));
  expect(send).not.toHaveBeenCalled();
  await userEvent.clear(weight());
  await userEvent.type(weight(), '12 g');
  send.mockResolvedValue({});
  await pressSave();
  await waitFor(() => expect(onDone).toHaveBeenCalled());
  expect(Object.keys(localStorage).filter((key) => key.includes('weight'))).toEqual([]);
});
