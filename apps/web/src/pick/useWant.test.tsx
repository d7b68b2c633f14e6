import { pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { PropModelView } from '@zivvo/contract';
import { INCH_M, labelGeometry } from '@zivvo/core';
import { useLastUndo } from '../shared/ui/undo.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { craftForPick, modelForPick } from './pick.fixtures.ts';
import { propOfKey, keyOfSize, propOfModel, type PickProp } from './pickProps.ts';
import { useWant } from './useWant.ts';

const craft = craftForPick();

function Wanting({ prop }: { prop: PickProp }) {
  const want = useWant(craft);
  const undo = useLastUndo();
  return (
    <>
      <button onClick={() => void want(prop)}>Want</button>
      <button onClick={undo}>Undo</button>
    </>
  );
}

const press = (name: string): Promise<void> => userEvent.click(screen.getByRole('button', { name }));

test('a prop of the rack is wanted for every rotor; undoing brings back what was wanted before', async () => {
  const model = modelForPick('m2', 7.6, 3.4, 2, { makerName: 'Orle', wantedCount: 2, wantedCraftId: 'c7' });
  const { sent } = pretendServer({ 'PUT /prop-models/m2/want': model });
  renderInApp(<Wanting prop={propOfModel(model)} />);
  await press('Want');
  expect(await screen.findByText('4 of Orle 7.6×3.4×2 are wanted for Petrel: 2 CW and 2 CCW.')).toBeTruthy();
  await press('Undo');
  await waitFor(() => expect(sent).toHaveLength(2));
  expect(sent.map((s) => s.body)).toEqual([
    { count: 4, craftId: 'c1' },
    { count: 2, craftId: 'c7' },
  ]);
});

test('a size that nobody has joins the rack first, and leaves it when undone', async () => {
  const geometry = labelGeometry(7.4 * INCH_M, 4.1 * INCH_M, 3, 'square', 'carbonNylon');
  const { sent } = pretendServer({ 'POST /prop-models': (s: { body: unknown }) => s.body });
  // The ids are made by the page, so the answers to them are made as they come.
  const known = globalThis.fetch;
  globalThis.fetch = (async (request: Request) => {
    const { pathname } = new URL(request.url);
    if (!/prop-models\/[0-9a-f-]{36}/.test(pathname)) return known(request);
    sent.push({
      method: request.method,
      path: pathname.replace(/^\/api/, ''),
      body: request.method === 'PUT' ? await request.json() : null,
    });
    return request.method === 'DELETE' ? new Response(null, { status: 204 }) : Response.json({} as PropModelView);
  }) as typeof fetch;
  renderInApp(<Wanting prop={propOfKey(keyOfSize(geometry))!} />);
  await press('Want');
  await screen.findByText(/^4 of .* are wanted for Petrel: 2 CW and 2 CCW\.$/);
  await press('Undo');
  await waitFor(() => expect(sent).toHaveLength(3));
  const [created, wanted, removed] = sent;
  const { id } = created!.body as PropModelView;
  expect(created!.body).toMatchObject({
    diameterM: expect.closeTo(7.4 * INCH_M, 6),
    pitchM: expect.closeTo(4.1 * INCH_M, 6),
    bladeCount: 3,
    tipShape: 'square',
    material: 'carbonNylon',
    makerName: null,
  });
  expect([wanted, removed]).toMatchObject([
    { method: 'PUT', path: `/prop-models/${id}/want`, body: { count: 4, craftId: 'c1' } },
    { method: 'DELETE', path: `/prop-models/${id}` },
  ]);
});

test('what the server refuses is told with its reason, and nothing is offered to be undone', async () => {
  const model = modelForPick('m3', 9, 5, 2, { makerName: 'Tamsk' });
  const { sent } = pretendServer({
    'PUT /prop-models/m3/want': new Refusal(422, 'unknownReference', 'craftId names something that does not exist'),
  });
  renderInApp(<Wanting prop={propOfModel(model)} />);
  await press('Want');
  expect(
    await screen.findByText('Tamsk 9×5×2 could not be put on the list. craftId names something that does not exist'),
  ).toBeTruthy();
  expect(sent).toHaveLength(1);
});
