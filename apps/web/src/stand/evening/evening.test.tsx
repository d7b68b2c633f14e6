import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type {
  CampaignDetailView,
  EveningPlanDto,
  KeepRunDto,
  PackPieceView,
  PropModelView,
  RunSummaryView,
} from '@zivvo/contract';
import { defaultUnits } from '@zivvo/words';
import { Route, Routes } from 'react-router';
import { address } from '../../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../../test/pretendServer.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { Component as EveningPage } from './EveningPage.tsx';
import { Component as PlanPage } from './PlanPage.tsx';
import {
  cellVolts,
  draftFaults,
  draftOf,
  durationText,
  fittingPacks,
  gateText,
  moved,
  namesOf,
  nextText,
  orderText,
  planBody,
  planHeadline,
  protocolText,
  putInOrder,
  rigText,
  stateOf,
  withKind,
} from './planView.ts';
import { photoPlaces } from './photoPlaces.ts';
import { blankEntry, entryFaults, keepBody, startBody } from './quickRun.ts';

const model = (id: string, label: string, diameterM: number) =>
  ({ id, label, makerName: 'Veddick', bladeCount: 2, diameterM }) as unknown as PropModelView;
const models = [model('m1', '7x4x2', 0.178), model('m2', '7.2x3.6x2', 0.183), model('m3', '12.5x4.8x2', 0.3175)];
const pack = (id: string, tag: string, seriesCount = 6) =>
  ({ id, tag, seriesCount, capacityAh: 4, chemistry: 'lipo' }) as unknown as PackPieceView;
const packs = [pack('p1', 'P1'), pack('p2', 'P2')];
const rig = { name: '2507 1080 kV, 6S', motorLabel: '2507 1080 kV', seriesCount: 6, chemistry: 'lipo' } as const;
const rigs = [
  { ...rig, kitId: null },
  { ...rig, kitId: 'k1', name: 'four cells', seriesCount: 4 },
];
const names = namesOf(models, packs, rigs);

const evening = (runs: Partial<RunSummaryView>[] = [], more: Partial<CampaignDetailView> = {}): CampaignDetailView =>
  ({
    id: 'e1',
    craftId: 'c1',
    name: 'Cliff evening',
    referencePropModelId: 'm1',
    gateCellV: 4.05,
    protocolVersion: 1,
    protocols: [],
    runs: runs.map((r, i) => ({
      protocolVersion: 1,
      id: `r${i}`,
      createdAt: `2026-11-20T1${i}:00:00Z`,
      keptAt: `2026-11-20T1${i}:05:00Z`,
      kitId: null,
      state: 'kept',
      packPieceId: 'p1',
      restingCellV: 4.15,
      replacedByRunId: null,
      recordingId: null,
      ...r,
    })),
    ...more,
  }) as CampaignDetailView;
const plan = (more: Partial<EveningPlanDto> = {}): EveningPlanDto => ({
  kind: 'full',
  stepCount: 1,
  holdS: 5,
  throttles: null,
  changeS: 150,
  runsPerPack: 3,
  runs: ['m1', 'm2', 'm1'].map((propModelId, i) => ({
    id: `n${i}`,
    propModelId,
    packPieceId: i === 1 ? 'p2' : 'p1',
    isReference: propModelId === 'm1',
    isSkipped: false,
  })),
  revision: 4,
  ...more,
});
const craft = {
  id: 'c1',
  name: 'Petrel',
  motorLabel: '2507 1080 kV',
  packSeriesCount: 6,
  packChemistry: 'lipo',
  kits: [],
};
const answers = (campaign = evening(), own: EveningPlanDto | null = plan(), more: object = {}) => ({
  'GET /campaigns/e1': campaign,
  'GET /campaigns/e1/plan': { plan: own, fullCurrentA: 40 },
  'GET /campaigns/e1/results': { props: [] },
  'GET /prop-models': { items: models, total: 3 },
  'GET /pack-pieces': listed([...packs, pack('p9', 'P9', 4)]),
  'GET /crafts': { items: [craft], total: 1 },
  'GET /crafts/c1': craft,
  ...more,
});
const show = (page: 'plan' | 'evening'): void =>
  void renderInApp(
    <Routes>
      <Route path="/stand/:campaignId/plan" element={<PlanPage />} />
      <Route path="/stand/:campaignId/evening" element={<EveningPage />} />
      <Route path="*" element={null} />
    </Routes>,
    { address: `/stand/e1/${page}` },
  );
const headline = async (): Promise<string> =>
  (await screen.findByRole('heading', { level: 1 })).textContent.replace(/\u202f/g, ' ');

describe('a plan', () => {
  test('proposes props near the reference and packs of the craft, puts them in order, says what it takes', async () => {
    const server = pretendServer(
      answers(evening(), null, { 'PUT /campaigns/e1/plan': { plan: plan(), fullCurrentA: 40 } }),
    );
    show('plan');
    expect(await headline()).toBe('Which props, on which packs?');
    expect(screen.getByRole<HTMLInputElement>('checkbox', { name: /7\.2×3\.6×2/ }).checked).toBe(true);
    expect(screen.getByRole<HTMLInputElement>('checkbox', { name: /12\.5×4\.8×2/ }).checked).toBe(false);
    expect(screen.queryByRole('checkbox', { name: /P9/ })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Put in order' }));
    expect(await headline()).toBe('5 runs, 13 min, no charging between');
    const order = within(screen.getByRole('list', { name: 'Order of the runs' })).getAllByRole('listitem');
    expect(order.map((li) => /[\d.]+×[\d.]+×\d/.exec(li.textContent)![0])).toEqual([
      '7×4×2',
      '7.2×3.6×2',
      '7×4×2',
      '7.2×3.6×2',
      '7×4×2',
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Take run 3 out' }));
    await userEvent.selectOptions(screen.getByLabelText('Pack of run 2'), '');
    await userEvent.click(screen.getByRole('button', { name: 'Keep plan' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    const body = server.sent[0]!.body as EveningPlanDto;
    expect(body).toMatchObject({ kind: 'full', stepCount: 1, holdS: 5, changeS: 150, runsPerPack: 3, revision: 0 });
    expect(body.runs.map((r) => [r.propModelId, r.packPieceId])).toEqual([
      ['m1', 'p1'],
      ['m2', null],
      ['m2', 'p2'],
      ['m1', 'p1'],
    ]);
    await waitFor(() => expect(address()).toBe('/stand/e1/evening'));
  });

  test.each([
    ['Show the other one', 1],
    ['Go on with this one', 2],
  ])('another tab has moved it on: both plans stand, and the person chooses: %s', async (choice, kept) => {
    const theirs = { plan: plan({ revision: 7, runs: plan().runs.slice(0, 1) }), fullCurrentA: null };
    const server = pretendServer(answers());
    server.answers['PUT /campaigns/e1/plan'] = (sent: { body: EveningPlanDto }) => {
      if (sent.body.revision === 7) return { plan: plan({ revision: 8 }), fullCurrentA: null };
      server.answers['GET /campaigns/e1/plan'] = theirs;
      return new Refusal(409, 'revisionConflict', 'Somebody was faster.');
    };
    show('plan');
    await userEvent.click(await screen.findByRole('button', { name: 'Take run 3 out' }));
    await userEvent.click(screen.getByRole('button', { name: 'Keep plan' }));
    expect(await screen.findByText(/kept meanwhile, with 1 runs?/)).toBeTruthy();
    const order = (): HTMLElement[] =>
      within(screen.getByRole('list', { name: 'Order of the runs' })).getAllByRole('listitem');
    expect(order()).toHaveLength(2);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep plan' }).disabled).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: choice }));
    await waitFor(() => expect(order()).toHaveLength(kept));
    await userEvent.click(screen.getByRole('button', { name: 'Keep plan' }));
    await waitFor(() => expect(address()).toBe('/stand/e1/evening'));
    expect((server.sent.at(-1)!.body as EveningPlanDto).runs).toHaveLength(kept);
  });

  test('a prop that is chosen after the order was made is told to be missing; a decimal comma is no fault', async () => {
    pretendServer(answers());
    show('plan');
    await userEvent.click(await screen.findByRole('checkbox', { name: /12\.5×4\.8×2/ }));
    await userEvent.click(screen.getByRole('checkbox', { name: /7\.2×3\.6×2/ }));
    expect(
      screen.getByText(/Not in the order yet: Veddick 12\.5×4\.8×2\. Still in the order: Veddick 7\.2×3\.6×2\./),
    ).toBeTruthy();
    const field = screen.getByLabelText('Runs a pack serves');
    await userEvent.clear(field);
    await userEvent.type(field, '3,0');
    expect(await headline()).toBe('3 runs, 8 min, no charging between');
  });

  test('a number that cannot be is said at its field, and nothing is ordered by it', async () => {
    pretendServer(answers());
    show('plan');
    const field = await screen.findByLabelText('Runs of each prop');
    await userEvent.clear(field);
    await userEvent.type(field, '2.5');
    expect(await screen.findByText('a whole number')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Put in order' }).disabled).toBe(true);
  });

  test.each([
    ['runsPerProp', '0', '1 to 6'],
    ['runsPerPack', '', 'a number'],
    ['holdS', 'long', '1 to 600'],
    ['changeMin', '90', '0 to 60'],
  ] as const)('%s of %p: %s', (name, text, said) => {
    const draft = { ...draftOf(null, evening(), models, packs), [name]: text };
    expect(draftFaults(draft)).toEqual({ [name]: said });
  });

  test('an own order is told to be unfair where it is', () => {
    const draft = draftOf(null, evening(), models, packs);
    expect(orderText(putInOrder({ ...draft, propIds: ['m2', 'm3'] }, 'm1', rigs, packs))).toMatch(
      /moves every prop alike/,
    );
    expect(orderText(putInOrder({ ...draft, propIds: ['m2', 'm3'], runsPerProp: '1' }, 'm1', rigs, packs))).toMatch(
      /up to 1\.0 runs apart/,
    );
    expect(putInOrder({ ...draft, propIds: [] }, null, rigs, packs)).toEqual([]);
    expect(withKind(draft, 'ladder')).toMatchObject({ stepCount: '7', changeMin: '3' });
  });

  test('each way of running has its own numbers; steps of one’s own are typed in per cent', () => {
    const draft = draftOf(null, evening(), models, packs);
    const own = { ...withKind(draft, 'own'), throttles: '100 80, 62,5  40%' };
    expect(draftFaults(own)).toEqual({});
    expect(planBody(own, 0)).toMatchObject({ kind: 'own', stepCount: 4, throttles: [1, 0.8, 0.625, 0.4] });
    expect(draftFaults({ ...own, throttles: '100 eighty' })).toHaveProperty('throttles');
    expect(draftFaults({ ...own, throttles: '' })).toHaveProperty('throttles');
    expect(draftFaults({ ...withKind(draft, 'hold'), throttles: '60 70' })).toEqual({ throttles: 'one throttle' });
    expect(draftFaults({ ...withKind(draft, 'ramp'), holdS: '4' })).toHaveProperty('holdS');
    expect(planBody(withKind(draft, 'burst'), 0).throttles).toBeNull();
  });

  test('several motors and cells are one plan: rig by rig, each with packs that fit it, the change of rig is said', () => {
    const shelf = [...packs, pack('p9', 'P9', 4)];
    const draft = { ...draftOf(null, evening(), models, shelf), kitIds: [null, 'k1'], propIds: ['m2'] };
    const runs = putInOrder(draft, 'm1', rigs, shelf);
    expect(runs.map((r) => `${r.kitId ?? '–'}/${r.packPieceId}`)).toEqual([
      '–/p1',
      '–/p2',
      '–/p1',
      '–/p2',
      '–/p1',
      'k1/p9',
      'k1/p9',
      'k1/p9',
      'k1/p9',
      'k1/p9',
    ]);
    expect(orderText(runs)).toMatch(/moves every prop alike/);
    const kept = ['m1', 'm2', 'm1', 'm2', 'm1'].map((propModelId) => ({ propModelId, kitId: null }));
    const state = stateOf(plan({ runs }), evening(kept));
    expect(state).toMatchObject({ doneCount: 5, next: 5 });
    expect(rigText(state, names)).toContain('The rig: four cells.');
    expect(draftFaults({ ...draft, kitIds: [] })).toEqual({ kitIds: 'one at least' });
  });

  test('steps whose thrusts overlap are asked for and stand in the field', async () => {
    pretendServer(
      answers(evening(), null, {
        'GET /campaigns/e1/plan/steps': { throttles: [1, 0.82, 0.6, 0.41], shared: { leastN: 2, mostN: 11 } },
      }),
    );
    show('plan');
    await userEvent.selectOptions(await screen.findByLabelText('Each run'), 'a ladder down');
    await userEvent.click(screen.getByRole('button', { name: 'Steps whose thrusts overlap' }));
    expect(await screen.findByText(/every prop is read from 204 g or less up to 1,?122 g/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Throttles, %').value).toBe('100 82 60 41');
  });

  test('entries move, times are told, packs of another craft are not proposed', () => {
    expect(moved(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
    expect(moved(['a', 'b', 'c'], 2, 0)).toEqual(['c', 'a', 'b']);
    expect([durationText(3599), durationText(3600), durationText(9060)]).toEqual([
      '1 h 00 min',
      '1 h 00 min',
      '2 h 31 min',
    ]);
    expect(planHeadline(1, { durationS: 60, chargeAh: null, chargeCount: 1 })).toBe('1 run, 1 min, 1 charge');
    expect(fittingPacks([...packs, pack('p9', 'P9', 4)], rigs[0]!)).toEqual(packs);
  });
});

describe('what another way of running does to the runs that are there', () => {
  const full = { kind: 'full', stepCount: 1, holdS: 5, throttles: null } as const;
  const ladder = { kind: 'ladder', stepCount: 7, holdS: 6, throttles: null } as const;
  const draft = draftOf(plan(), evening(), models, packs);
  const with2 = evening([{}, {}], { protocols: [full] });

  test('nothing while it is the same, or nothing was run', () => {
    expect(protocolText(draft, with2)).toBeNull();
    expect(protocolText({ ...draft, changeMin: '9' }, with2)).toBeNull();
    expect(protocolText(withKind(draft, 'ladder'), evening([], { protocols: [full] }))).toBeNull();
  });

  test('it says which runs are to be repeated, and which count again', () => {
    expect(protocolText(withKind(draft, 'ladder'), with2)).toBe(
      'This is protocol 2: 2 runs of protocol 1 stay on record and are to be repeated.',
    );
    const both = evening([{ propModelId: 'm1' }, { propModelId: 'm1', protocolVersion: 2 }], {
      protocols: [full, ladder],
      protocolVersion: 2,
    });
    expect(protocolText(draft, both)).toBe(
      'This is protocol 1: 1 run of protocol 2 stays on record and is to be repeated. 1 run of protocol 1 ' +
        'counts again.',
    );
    expect(stateOf(plan(), both).doneCount).toBe(1);
  });
});

describe('an evening', () => {
  test('says what is next and what to change on the rig', () => {
    const state = stateOf(plan(), evening([{ propModelId: 'm1' }]));
    expect(nextText(state, names)).toBe('Next: Veddick 7.2×3.6×2 on P2');
    expect(rigText(state, names)).toBe(
      'Pack out. Veddick 7×4×2 off, Veddick 7.2×3.6×2 on. Tare, telemetry cleared. Pack P2 in last, when ' +
        'nobody is near.',
    );
    const all = stateOf(plan(), evening([{ propModelId: 'm1' }, { propModelId: 'm2' }, { propModelId: 'm1' }]));
    expect([nextText(all, names), rigText(all, names)]).toEqual(['The evening is run', '']);
  });

  test('a run is typed in twelve presses, and the next one is there', async () => {
    const campaign = evening();
    const server = pretendServer(
      answers(campaign, plan(), {
        'POST /campaigns/e1/runs': (sent: { body: { id: string } }) => ({
          id: sent.body.id,
          state: 'draft',
          revision: 1,
        }),
      }),
    );
    show('evening');
    expect(await headline()).toBe('Next: Veddick 7×4×2 on P1');
    await userEvent.type(screen.getByLabelText('Volts a cell at rest'), '412');
    expect(await screen.findByText('4.12 V, over the gate')).toBeTruthy();
    await userEvent.tab();
    await userEvent.keyboard('1523');
    await userEvent.tab();
    await userEvent.keyboard('38');
    const id = sessionStorage.getItem('zivvo.id.evening/e1/n0');
    expect(id).toBeNull();
    sessionStorage.setItem('zivvo.id.evening/e1/n0', 'run-1');
    server.answers['POST /runs/run-1/keep'] = () => {
      server.answers['GET /campaigns/e1'] = evening([{ propModelId: 'm1' }]);
      return { id: 'run-1' };
    };
    await userEvent.keyboard('{Enter}');
    await waitFor(() =>
      expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Next: Veddick 7.2×3.6×2 on P2'),
    );
    const [start, keep] = server.sent;
    expect(start!.body).toMatchObject({ propModelId: 'm1', packPieceId: 'p1', draft: { restingCell: '412' } });
    const body = keep!.body as KeepRunDto;
    expect(body).toMatchObject({ restingCellV: 4.12, packPieceId: 'p1', revision: 1 });
    expect(body.steps).toHaveLength(1);
    expect(body.steps[0]).toMatchObject({ throttleRatio: 1, currentA: 38, speedRpm: null });
    expect(body.steps[0]!.thrustN).toBeCloseTo(1.523 * 9.80665, 6);
    expect(screen.getByText(/1 of 3 done/)).toBeTruthy();
  });

  test('a pack under its gate is said before the run; a refusal loses nothing', async () => {
    const server = pretendServer(
      answers(evening(), plan(), {
        'POST /campaigns/e1/runs': new Refusal(422, 'tooManyRuns', 'The campaign is full.'),
      }),
    );
    show('evening');
    await userEvent.type(await screen.findByLabelText('Volts a cell at rest'), '3,98');
    expect(await screen.findByText(/3\.98 V is under the gate of 4\.05 V/)).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Thrust, g'), '1500{Enter}');
    expect(await screen.findByText(/The campaign is full/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Thrust, g').value).toBe('1500');
    expect(server.sent).toHaveLength(1);
  });

  test('without a thrust nothing is sent, and the field has the focus', async () => {
    const server = pretendServer(answers());
    show('evening');
    await userEvent.type(await screen.findByLabelText('Volts a cell at rest'), '412{Enter}');
    expect(document.activeElement).toBe(screen.getByLabelText('Thrust, g'));
    expect(server.sent).toEqual([]);
  });

  test('a run is left out and taken up again, on the plan that was seen', async () => {
    const server = pretendServer(
      answers(evening(), plan(), { 'PUT /campaigns/e1/plan': { plan: plan(), fullCurrentA: null } }),
    );
    show('evening');
    await userEvent.click(await screen.findByRole('button', { name: 'Skip run 1' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    const body = server.sent[0]!.body as EveningPlanDto;
    expect([body.revision, body.runs.map((r) => r.isSkipped)]).toEqual([4, [true, false, false]]);
  });

  test('who leads and who is beaten is said; the caller speaks when it is asked to, and what is next alone', async () => {
    const result = (propModelId: string, value: number) => ({
      propModelId,
      points: { full: { thrustN: { figure: { value }, repeatHalfWidthRatio: 0.2 / value } } },
    });
    const said: string[] = [];
    Object.assign(window, {
      speechSynthesis: { cancel: () => undefined, speak: (u: { text: string }) => said.push(u.text) },
      SpeechSynthesisUtterance: class {
        constructor(readonly text: string) {}
      },
    });
    pretendServer(
      answers(evening([{ propModelId: 'm1' }]), plan(), {
        'GET /campaigns/e1/results': { props: [result('m1', 15), result('m3', 12)] },
      }),
    );
    show('evening');
    expect(await screen.findByText('Veddick 7×4×2 leads at full throttle so far.')).toBeTruthy();
    expect(screen.getByText('Veddick 12.5×4.8×2 can no longer catch the leader at full throttle.')).toBeTruthy();
    expect(said).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Call out what is next' }));
    expect(said).toEqual(['Next: Veddick 7.2 by 3.6 by 2 on P2']);
    await userEvent.click(screen.getByRole('button', { name: 'Stop calling out' }));
    for (const name of ['speechSynthesis', 'SpeechSynthesisUtterance']) Reflect.deleteProperty(window, name);
  });

  test('without a plan it offers to make one', async () => {
    pretendServer(answers(evening(), null));
    show('evening');
    expect((await screen.findByRole('link', { name: 'Plan the evening' })).getAttribute('href')).toContain(
      '/stand/e1/plan',
    );
  });

  test('a ladder is typed in the grid', async () => {
    const server = pretendServer(
      answers(evening(), plan({ kind: 'ladder', stepCount: 7 }), {
        'POST /campaigns/e1/runs': (sent: { body: { id: string } }) => ({
          id: sent.body.id,
          state: 'draft',
          revision: 1,
        }),
      }),
    );
    show('evening');
    await userEvent.click(await screen.findByRole('button', { name: /Type the run/ }));
    await waitFor(() => expect(address()).toMatch(/^\/stand\/runs\//));
    expect(server.sent[0]!.body).toMatchObject({ propModelId: 'm1', packPieceId: 'p1' });
  });
});

describe('pictures of an evening', () => {
  const picture = (name: string, lastModified: number, size = 4): File =>
    new File([new Uint8Array(size)], name, { type: 'image/png', lastModified });
  const stored = (sent: { path: string }) => ({ sha256: `sha of ${decodeURIComponent(sent.path.split('name=')[1]!)}` });
  const drop = (files: File[]): Promise<void> =>
    userEvent.upload(document.querySelector<HTMLInputElement>('input[type=file]')!, files);

  test('stand in the order of their time, and each goes with the run that was typed beside it', async () => {
    const server = pretendServer(
      answers(evening(), plan(), {
        'POST /blobs': stored,
        'POST /campaigns/e1/runs': (sent: { body: { id: string } }) => ({
          id: sent.body.id,
          state: 'draft',
          revision: 1,
        }),
        'POST /runs/run-1/keep': { id: 'run-1' },
        'POST /runs/run-1/pictures': { id: 'run-1' },
      }),
    );
    show('evening');
    await screen.findByLabelText('Thrust, g');
    await drop([picture('late.png', 3000), picture('IMG 10.png', 2000), picture('IMG 9.png', 2000)]);
    expect(await screen.findByText('IMG 9.png, picture 1 of 3')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Later' }));
    expect(screen.getByText('IMG 10.png, picture 2 of 3')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Earlier' }));
    sessionStorage.setItem('zivvo.id.evening/e1/n0', 'run-1');
    await userEvent.type(screen.getByLabelText('Thrust, g'), '1500{Enter}');
    expect(await screen.findByText('IMG 10.png, picture 1 of 2')).toBeTruthy();
    expect(server.sent.at(-1)).toMatchObject({
      path: '/runs/run-1/pictures',
      body: { blobSha256: 'sha of IMG 9.png' },
    });
    await userEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
    expect(screen.getByText('late.png, picture 1 of 1')).toBeTruthy();
  });

  test('what cannot be stored is told by name, and the others stand', async () => {
    pretendServer(
      answers(evening(), plan(), {
        'POST /blobs': (sent: { path: string }) =>
          sent.path.includes('bad') ? new Refusal(422, 'notAPicture', 'This is no picture.') : stored(sent),
      }),
    );
    show('evening');
    await screen.findByLabelText('Thrust, g');
    await drop([picture('bad.png', 1), picture('good.png', 2), picture('huge.png', 3, 25_000_001)]);
    expect(await screen.findByText(/bad\.png: This is no picture\..*huge\.png has 25 MB/)).toBeTruthy();
    expect(screen.getByText('good.png, picture 1 of 1')).toBeTruthy();
  });
});

test.each<[string, number | null]>([
  ['412', 4.12],
  ['4.12', 4.12],
  ['4,12', 4.12],
  ['', null],
  ['x', Number.NaN],
])('volts of a cell, %p: %p', (text, value) => expect(cellVolts(text)).toEqual(value));

test('what cannot be a cell at rest is no run', () => {
  expect(gateText('41.2', 4.05, 4.2)).toMatchObject({ severity: null });
  expect(gateText('4.31', 4.05, 4.2)).toMatchObject({ severity: 'danger' });
  expect(gateText('4.31', 4.05, null)).toMatchObject({ severity: 'gain' });
  const entry = { ...blankEntry('p1', 2), rest: '41.2' };
  expect([...entryFaults(entry, defaultUnits)].sort()).toEqual(['rest', 'thrust0', 'thrust1']);
});

test('two readings make two steps, and the texts stand in the draft', () => {
  const reading = { thrust: '1500', current: '36,5', rpm: '', voltage: '23.1' };
  const entry = { packId: '', rest: '', readings: [reading, { ...reading, thrust: '1510' }] };
  expect(entryFaults(entry, defaultUnits).size).toBe(0);
  expect(keepBody(entry, defaultUnits, 3).steps.map((s) => s.currentA)).toEqual([36.5, 36.5]);
  const start = startBody('r1', { propId: 'm1', kitId: 'k1' }, entry, defaultUnits);
  expect(start).toMatchObject({ propModelId: 'm1', kitId: 'k1' });
  expect([start.packPieceId, start.draft.cells[1]]).toEqual([null, ['100', '1510', '', '36,5', '23.1']]);
});

test('pictures go to the run that was kept after them, or just before; older ones wait', () => {
  const { runs } = evening([{}, {}]);
  const photo = (name: string, at: string) => ({ sha256: name, name, takenMs: Date.parse(`2026-11-20T${at}Z`) });
  const photos = [photo('a', '10:01:00'), photo('b', '10:05:40'), photo('c', '11:04:59'), photo('d', '08:00:00')];
  expect(photoPlaces([...photos, photo('e', '12:00:00')], runs).map((p) => [p.photo.name, p.runId])).toEqual([
    ['a', 'r0'],
    ['b', 'r0'],
    ['c', 'r1'],
  ]);
});

test('on a second screen the evening says what is next, what to change, and what the last run gave', async () => {
  pretendServer(
    answers(evening([{ propModelId: 'm1' }]), plan(), {
      'GET /runs/r0': { id: 'r0', steps: [{ throttleRatio: 1, thrustN: 14.7, currentA: 36.4, speedRpm: null }] },
    }),
  );
  show('evening');
  await userEvent.click(await screen.findByRole('button', { name: 'Read from afar' }));
  expect(await screen.findByText('Next: Veddick 7.2×3.6×2 on P2')).toBeTruthy();
  expect(await headline()).toMatch(/Pack out\. Veddick 7×4×2 off, Veddick 7\.2×3\.6×2 on/);
  expect(await screen.findByText('1,499')).toBeTruthy();
  expect(screen.getByText('Veddick 7×4×2 gave this · 1 of 3 done')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Back to the evening' }));
  expect(await screen.findByRole('button', { name: 'Read from afar' })).toBeTruthy();
});
