import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CreateListeningDto, CreateTakeDto, CreateVoteDto, ListenView } from '@zivvo/contract';
import { address } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as BlindPage } from './BlindPage.tsx';
import { matchedGain, playablePairs } from './blindPairs.ts';
import { aCraft, aListen, aTake, models } from './listen.fixtures.ts';
import { Component as ListenPage } from './ListenPage.tsx';
import { listenHeadline, soundProblem, soundSaid, takeText } from './listenView.ts';
import type { HeardFile } from './listenWork.ts';
import { Component as PlacePage } from './PlacePage.tsx';
import { Component as SpeedPage } from './SpeedPage.tsx';
import { Component as TakePage } from './TakePage.tsx';

const none: ListenView = { listenings: [], open: null, referencePropModelId: 'm1' };
const good = aListen([aTake('t0', null, 44), aTake('t1', 'm1', 70), aTake('t2', 'm2', 65), aTake('t3', 'm1', 70.3)]);
const answers = (listen: ListenView, more: object = {}) => ({
  'GET /crafts/c1': aCraft,
  'GET /listen/c1': listen,
  'GET /prop-models': { items: models, total: 2 },
  'GET /fly/c1': { cards: [] },
  ...more,
});
const plain = (text: string | null): string => (text ?? '').replace(/[\u202f\u00a0]/g, ' ');
const headline = async (): Promise<string> => plain((await screen.findByRole('heading', { level: 1 })).textContent);

describe('side by side', () => {
  const show = (): void => void renderInApp(<ListenPage />, { address: '/listen?craft=c1' });

  test('the headline says which prop is quieter, each row how it stands, the model beside what was measured', async () => {
    pretendServer(answers(good));
    show();
    expect(await headline()).toBe('Brindlow 7.4×4.2×2 is 5.2 dB quieter at equal thrust');
    const [, quiet, reference] = within(await screen.findByRole('table')).getAllByRole('row');
    expect(plain(quiet!.textContent)).toMatch(
      /7\.4×4\.2×2.*1 take counts.*65\.0 dB\(A\).*model 66.*−5\.\d ± \d\.\d dB/,
    );
    expect(plain(reference!.textContent)).toMatch(/2 takes count.*reference.*430 Hz.*12 dB out.*−22 dB.*80 ms/);
    expect(plain(document.body.textContent)).toContain('The model says 2.1 dB too little for 2 props of this craft');
  });

  test('a take is taken out and comes back; another thrust goes into the address', async () => {
    const server = pretendServer(
      answers(good, { 'DELETE /listen/c1/takes/t0': {}, 'POST /listen/c1/takes/t0/restore': good }),
    );
    show();
    const takes = await screen.findByRole('region', { name: 'Takes' });
    await userEvent.click(within(takes).getAllByRole('button', { name: 'Take out' })[0]!);
    await userEvent.click(await screen.findByRole('button', { name: /Undo/ }));
    await waitFor(() =>
      expect(server.sent.map((s) => `${s.method} ${s.path}`)).toEqual([
        'DELETE /listen/c1/takes/t0',
        'POST /listen/c1/takes/t0/restore',
      ]),
    );
    await userEvent.type(screen.getByLabelText(/Compared at/), '1500{Enter}');
    expect(address()).toContain('thrust=14.7');
  });

  test('nothing yet: what to do first, and where to begin', async () => {
    pretendServer(answers(none));
    show();
    expect(await headline()).toBe('Nothing is listened to yet');
    expect(screen.getByRole('link', { name: /Say where you listen/ })).toBeTruthy();
  });

  test.each<[string, ListenView, RegExp]>([
    ['one prop alone', aListen([aTake('t0', null, 44), aTake('t1', 'm1', 70)]), /no other prop beside it yet/],
    ['a place alone', aListen([aTake('t0', null, 44)]), /No take of a prop counts/],
    ['two alike', aListen([aTake('t1', 'm1', 70), aTake('t2', 'm2', 70)]), /tells no prop from the reference/],
    ['a louder one', aListen([aTake('t1', 'm1', 70), aTake('t2', 'm2', 77)]), /No prop is quieter/],
    ['no reference', aListen([aTake('t2', 'm2', 77), aTake('t3', 'm2', 76)]), /no other prop/],
  ])('%s has its headline', (_name, listen, said) => expect(listenHeadline(listen)).toMatch(said));

  test('each take says why it does not count', () => {
    const listen = aListen([
      aTake('t0', null, 60),
      aTake('t1', 'm1', 62),
      aTake('t2', 'm1', 68),
      aTake('t3', 'm1', 80, { clippedRatio: 0.02 }),
      aTake('t4', 'm1', 80, { thrustN: null }),
    ]).open!;
    expect(listen.takes.map((t) => takeText(t, listen))).toEqual([
      '60.0 dB(A)',
      expect.stringContaining('less than 3 dB above the place, does not count'),
      expect.stringContaining('the place taken out'),
      expect.stringContaining('cut off at full scale'),
      expect.stringContaining('without a thrust'),
    ]);
  });
});

test('a place is typed, kept over a reload, begun once; what cannot be read says so', async () => {
  const server = pretendServer(answers(none, { 'POST /listen/c1/listenings': good }));
  const first = renderInApp(<PlacePage />, { address: '/listen/place?craft=c1' });
  await userEvent.type(await screen.findByLabelText('Place'), 'gravel pit');
  await userEvent.clear(screen.getByLabelText('Distance, m'));
  await userEvent.type(screen.getByLabelText('Distance, m'), '9000');
  expect(screen.getByRole('button', { name: 'Listen here' })).toHaveProperty('disabled', true);
  await userEvent.clear(screen.getByLabelText('Distance, m'));
  await userEvent.type(screen.getByLabelText('Distance, m'), '5,5');
  first.unmount();
  renderInApp(<PlacePage />, { address: '/listen/place?craft=c1' });
  expect(await screen.findByLabelText('Place')).toHaveProperty('value', 'gravel pit');
  await userEvent.selectOptions(screen.getByLabelText('With'), 'a sound level meter');
  await userEvent.click(screen.getByRole('button', { name: 'Listen here' }));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.sent[0]!.body as CreateListeningDto).toMatchObject({
    place: 'gravel pit',
    distanceM: 5.5,
    method: 'meter',
  });
  await waitFor(() => expect(address()).toMatch(/^\/listen\/new\?listening=/));
});

describe('a take', () => {
  const show = (): void => void renderInApp(<TakePage />, { address: '/listen/new?craft=c1' });

  test('without a place leads to it', async () => {
    pretendServer(answers(none));
    show();
    expect(await headline()).toBe('Where do you listen?');
  });

  test('of a meter: the place first, then the reference; read with a comma, refused it stays', async () => {
    const server = pretendServer(
      answers(aListen([]), {
        'POST /listen/c1/listenings/l1/takes': new Refusal(422, 'listen.full', 'No more fit here.'),
      }),
    );
    show();
    expect(await headline()).toBe('Take 1: the place alone');
    expect(screen.getByText('What did the meter read?')).toBeTruthy();
    await userEvent.type(screen.getByLabelText('The meter read, dB(A)'), '44,5');
    await userEvent.click(screen.getByRole('button', { name: 'Keep take' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]!.body as CreateTakeDto).toMatchObject({
      propModelId: null,
      levelDb: 44.5,
      thrustN: null,
      sound: null,
    });
    expect(await screen.findByLabelText('The meter read, dB(A)')).toHaveProperty('value', '44,5');
  });

  test('of a prop has the hover’s thrust where none is typed, and a pattern where the hub has more slots', async () => {
    const server = pretendServer(
      answers(aListen([aTake('t0', null, 44)]), { 'POST /listen/c1/listenings/l1/takes': good }),
    );
    show();
    expect(await headline()).toBe('Take 2: Brindlow 7.2×3.9×3');
    await userEvent.type(screen.getByLabelText('The meter read, dB(A)'), '66');
    await userEvent.selectOptions(screen.getByLabelText('Slots of the hub'), '6');
    expect(
      within(screen.getByLabelText('Pattern'))
        .getAllByRole('option')
        .map((o) => plain(o.textContent)),
    ).toEqual([
      '1 3 5: evenly set',
      expect.stringMatching(/^1 2 3: uneven, shakes/),
      expect.stringMatching(/^1 2 4: uneven, shakes/),
    ]);
    await userEvent.click(screen.getByRole('button', { name: 'Keep take' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]!.body as CreateTakeDto).toMatchObject({
      propModelId: 'm1',
      thrustN: 18.8,
      pattern: { slotCount: 6, slots: [{ slot: 0 }, { slot: 2 }, { slot: 4 }] },
    });
  });
});

test('a take on the stand belongs to a run and borrows its thrust', async () => {
  const listen = aListen([aTake('t0', null, 44)], { heardOn: 'stand' });
  const server = pretendServer(
    answers(listen, {
      'GET /prop-models/m1/runs': listed([
        { runId: 'r1', campaignName: 'Cliff season', craftId: 'c1', keptAt: '2026-11-19T12:00:00Z' },
        { runId: 'r2', campaignName: 'of another craft', craftId: 'c2', keptAt: '2026-11-19T12:00:00Z' },
      ]),
      'GET /runs/r1': { id: 'r1', steps: [{ thrustN: 4.903325, speedRpm: 7800 }, { thrustN: null }] },
      'POST /listen/c1/listenings/l1/takes': listen,
    }),
  );
  renderInApp(<TakePage />, { address: '/listen/new?craft=c1' });
  const run = await screen.findByLabelText('Run of the stand');
  await waitFor(() => expect(within(run).getAllByRole('option')).toHaveLength(2));
  await userEvent.selectOptions(run, 'r1');
  await userEvent.click(await screen.findByRole('button', { name: /^500/ }));
  expect(screen.getByLabelText(/^Thrust/)).toHaveProperty('value', '500');
  await userEvent.type(screen.getByLabelText('The meter read, dB(A)'), '66');
  await userEvent.click(screen.getByRole('button', { name: 'Keep take' }));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const body = server.sent[0]!.body as CreateTakeDto;
  expect([body.runId, body.propModelId, body.thrustN]).toEqual(['r1', 'm1', expect.closeTo(4.903325, 5)]);
});

test('a take by walking away has a distance, a prop and no level', async () => {
  const listen = aListen([], { method: 'walkAway' });
  const server = pretendServer(answers(listen, { 'POST /listen/c1/listenings/l1/takes': listen }));
  renderInApp(<TakePage />, { address: '/listen/new?craft=c1' });
  expect(await headline()).toBe('Take 1: Brindlow 7.2×3.9×3');
  expect(screen.getByText('How far did you walk?')).toBeTruthy();
  await userEvent.type(screen.getByLabelText('Not heard any more from, m'), '118');
  await userEvent.click(screen.getByRole('button', { name: 'Keep take' }));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  expect(server.sent[0]!.body as CreateTakeDto).toMatchObject({ propModelId: 'm1', levelDb: null, distanceM: 118 });
});

test('a take beside a flight with a payload has the thrust that carried both', async () => {
  const server = pretendServer(
    answers(aListen([aTake('t0', null, 44)]), {
      'GET /fly/c1': {
        cards: [{ id: 'k1', propModelId: 'm1', payloadKg: 0.48, flownAt: '2026-11-19T12:00:00Z', nthFlight: 2 }],
      },
      'POST /listen/c1/listenings/l1/takes': good,
    }),
  );
  renderInApp(<TakePage />, { address: '/listen/new?craft=c1' });
  await userEvent.selectOptions(await screen.findByLabelText('Flight card'), 'k1');
  await userEvent.type(screen.getByLabelText('The meter read, dB(A)'), '66');
  await userEvent.click(screen.getByRole('button', { name: 'Keep take' }));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const body = server.sent[0]!.body as CreateTakeDto;
  expect([body.flightCardId, body.thrustN]).toEqual(['k1', expect.closeTo(18.8 * 1.25, 1)]);
});

test('a place at which something was taken keeps what turned and how it was read', async () => {
  pretendServer(answers(good));
  renderInApp(<PlacePage />, { address: '/listen/place?craft=c1&listening=l1' });
  expect(await headline()).toBe('Where it was listened');
  expect(screen.getByLabelText('With')).toHaveProperty('disabled', true);
  expect(screen.getByText('There are takes of it: another way is another listening.')).toBeTruthy();
});

describe('unseen', () => {
  const recorded = { soundSha256: 'a'.repeat(64) };
  const pair = [aTake('t1', 'm1', -20, recorded), aTake('t2', 'm2', -26, recorded)];

  test('takes two recordings of different props; the louder is turned down, the quieter never up', () => {
    expect(playablePairs([aTake('t0', null, -40, recorded), pair[0]!, aTake('t3', 'm1', -21)])).toEqual([]);
    const [found] = playablePairs(pair);
    expect(matchedGain(pair[0]!, found!)).toBeCloseTo(0.501, 3);
    expect(matchedGain(pair[1]!, found!)).toBe(1);
  });

  test('cannot be voted on before both were heard; a sound that cannot be played says so', async () => {
    const server = pretendServer(answers(aListen(pair, { method: 'recording' })));
    renderInApp(<BlindPage />, { address: '/listen/blind?craft=c1' });
    expect(await headline()).toBe('Which would you rather hear overhead?');
    expect(screen.getByRole('button', { name: 'Rather the first' })).toHaveProperty('disabled', true);
    await userEvent.click(screen.getByRole('button', { name: 'Play the first' }));
    expect(await screen.findByText(/It cannot be played here/)).toBeTruthy();
    expect(server.sent.map((s) => s.body as CreateVoteDto)).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Show the votes' }));
    expect(await headline()).toBe('No vote on this pair yet');
  });

  test('with fewer than two recordings says what is needed', async () => {
    pretendServer(answers(good));
    renderInApp(<BlindPage />, { address: '/listen/blind?craft=c1' });
    expect(await headline()).toBe('Two recordings are needed');
  });
});

test('speed by ear: without a microphone it says so and takes a file', async () => {
  pretendServer(answers(none));
  renderInApp(<SpeedPage />, { address: '/listen/speed?craft=c1' });
  expect(await headline()).toBe('How fast does it turn?');
  await userEvent.click(screen.getByRole('button', { name: 'Listen now' }));
  expect(await screen.findByText(/There is no microphone here/)).toBeTruthy();
  expect(screen.getByText('Choose a WAV')).toBeTruthy();
});

test('every file that is none has its sentence, every doubt of a recording too', () => {
  const of = (code: string, what = ''): string => soundProblem({ code, what, allowed: '' });
  const said = ['stopped', 'noSamples', 'soundKind', 'soundRate', 'notSound', 'silence', 'notEnoughReadings'].map((c) =>
    of(c),
  );
  for (const kind of ['mp3', 'ogg', 'flac', 'm4a', 'broken', 'unknown']) said.push(of('notWav', kind));
  said.push(of('outOfRange', 'fileBytes'), of('outOfRange', 'channel'), of('failed', 'x'));
  expect(new Set(said).size).toBe(said.length);
  const file = { clippedRatio: 0.02, channelCount: 2, rateHz: 8000, isTruncated: true } as HeardFile;
  expect(soundSaid(file).map(plain)).toEqual([
    expect.stringContaining('Cut off at full scale in 2'),
    expect.stringContaining('2 channels'),
    expect.stringContaining('8 kHz hears nothing above 4 kHz'),
    expect.stringContaining('breaks off'),
  ]);
  expect(soundSaid({ clippedRatio: 0, channelCount: 1, rateHz: 48_000, isTruncated: false } as HeardFile)).toEqual([]);
});
