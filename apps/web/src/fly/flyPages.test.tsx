import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CreateFlightCardDto } from '@zivvo/contract';
import { OpenedLog, simulateFlight, USUAL_PROTOCOL, usualFlightPlan } from '@zivvo/core';
import { address } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { blankEntry, cardBody, entryFaults } from './cardEntry.ts';
import { Component as CardPage } from './CardPage.tsx';
import { aCraft, aFly, flown, models } from './fly.fixtures.ts';
import { Component as FlyPage } from './FlyPage.tsx';
import { cardFromLog, logHeadline, logSaid } from './logView.ts';
import { Component as ProtocolPage } from './ProtocolPage.tsx';

const twice = aFly([
  { propId: 'm1', card: flown() },
  { propId: 'm1', card: flown({ climbs: [{ durationS: 6.1 }] }) },
  { propId: 'm2', card: flown({ climbs: [{ durationS: 5 }] }) },
  { propId: 'm2', card: flown({ climbs: [{ durationS: 5.1 }] }) },
  { propId: 'm2', card: flown({ restCellV: 3.9 }) },
]);
const answers = (fly = twice, more: object = {}) => ({
  'GET /crafts/c1': aCraft,
  'GET /fly/c1': fly,
  'GET /prop-models': { items: models, total: 2 },
  'GET /pack-pieces': listed([{ id: 'p1', tag: 'P1', chemistry: 'lipo' }]),
  ...more,
});
const plain = (text: string | null): string => (text ?? '').replace(/\u202f/g, ' ');
const headline = async (): Promise<string> => plain((await screen.findByRole('heading', { level: 1 })).textContent);

describe('side by side', () => {
  const show = (): void => void renderInApp(<FlyPage />, { address: '/fly?craft=c1' });

  test('the headline says which prop climbs faster, each figure how it stands to the reference', async () => {
    pretendServer(answers());
    show();
    expect(await headline()).toBe('Brindlow 7.4×4.2×2 climbs 20 % faster than the reference');
    const [, first, second] = within(await screen.findByRole('table')).getAllByRole('row');
    expect(plain(first!.textContent)).toMatch(/7\.4×4\.2×2.*2 flights count.*7\.9 m\/s\+20 %.*18\.0 m\/sthe same/);
    expect(plain(second!.textContent)).toMatch(
      /reference · 2 flights count.*6\.6 m\/s2 flights.*71 % of pitch speed.*61\.0 A.*76 % of staticmodel 88 %.*model 34 %/,
    );
  });

  test('the table is sorted by any column', async () => {
    pretendServer(answers());
    show();
    const names = () =>
      within(screen.getByRole('table'))
        .getAllByRole('row')
        .slice(1)
        .map((row) => row.textContent.slice(9, 19));
    await userEvent.click(await screen.findByRole('button', { name: 'Prop' }));
    expect(names()).toEqual(['7.2×3.9×3r', '7.4×4.2×22']);
    await userEvent.click(screen.getByRole('button', { name: 'Climb' }));
    expect(names()).toEqual(['7.4×4.2×22', '7.2×3.9×3r']);
  });

  test('a card says why it must be flown again; opinion stands beside it; taken out it can come back', async () => {
    const server = pretendServer(
      answers(twice, { 'DELETE /fly/c1/cards/k0': {}, 'POST /fly/c1/cards/k0/restore': twice }),
    );
    show();
    const cards = await screen.findByRole('region', { name: 'Flight cards' });
    expect(plain(cards.textContent)).toContain('Taken off at 3.90 V a cell, under the gate of 4.05 V');
    expect(plain(cards.textContent)).toContain('grip 4 of 5, “holds”');
    await userEvent.click(within(cards).getAllByRole('button', { name: 'Take out' })[0]!);
    await userEvent.click(await screen.findByRole('button', { name: /Undo/ }));
    await waitFor(() =>
      expect(server.sent.map((s) => `${s.method} ${s.path}`)).toEqual([
        'DELETE /fly/c1/cards/k0',
        'POST /fly/c1/cards/k0/restore',
      ]),
    );
  });

  test('nothing flown yet: what to fly, and where to begin', async () => {
    pretendServer(answers(aFly([])));
    show();
    expect(await headline()).toBe('Nothing is flown by protocol yet');
    expect(screen.getByRole('link', { name: /Flight card/ }).getAttribute('href')).toBe('/fly/new?craft=c1');
  });

  test.each([
    [aFly([{ propId: 'm1', card: flown({ hasPack: false }) }]), '1 to fly again before anything counts'],
    [aFly([{ propId: 'm1', card: flown() }]), 'Brindlow 7.2×3.9×3 is flown; no other prop beside it yet'],
    [
      aFly([
        { propId: 'm1', card: flown() },
        { propId: 'm2', card: flown() },
      ]),
      'Flown once each, nothing is told of the climb',
    ],
    [
      aFly([
        { propId: 'm1', card: flown({ climbs: [] }) },
        { propId: 'm2', card: flown({ climbs: [] }) },
      ]),
      'No climb stands beside the reference',
    ],
    [
      aFly([
        { propId: 'm1', card: flown() },
        { propId: 'm1', card: flown({ climbs: [{ durationS: 6.1 }] }) },
        { propId: 'm2', card: flown({ climbs: [{ durationS: 6.05 }] }) },
      ]),
      'The climb tells none apart',
    ],
    [
      {
        ...aFly([
          { propId: 'm1', card: flown() },
          { propId: 'm2', card: flown() },
        ]),
        referencePropModelId: null,
      },
      'Say which prop it flies now: nothing is held against it yet',
    ],
  ])('%#: the headline says what may be said', async (fly, said) => {
    pretendServer(answers(fly));
    show();
    expect(await headline()).toBe(said);
  });
});

describe('a card', () => {
  const ids = { id: 'k9', flightId: 'f9' };
  const show = (): void => void renderInApp(<CardPage />, { address: '/fly/new?craft=c1' });
  const type = (label: string, text: string): Promise<void> => userEvent.type(screen.getByLabelText(label), text);

  test('is typed, kept over a reload, and handed over once with its flight', async () => {
    const server = pretendServer(answers(twice, { 'POST /fly/c1/cards': twice }));
    show();
    expect(await headline()).toBe('Flight 3 of Brindlow 7.2×3.9×3');
    await type('Minutes in the air', '4,5');
    await userEvent.selectOptions(screen.getByLabelText('Pack'), 'p1');
    await type('Climb 1, s', '5.8');
    await userEvent.click(screen.getAllByRole('checkbox', { name: 'could not hold it' })[1]!);
    await userEvent.selectOptions(screen.getByLabelText('Speeds in'), 'km/h');
    await type('Pass 1, km/h', '72');
    await userEvent.type(screen.getAllByLabelText('Track, °')[0]!, '90');
    await userEvent.selectOptions(screen.getByLabelText('Front left'), 'hot');
    await userEvent.click(screen.getByRole('button', { name: 'grip: 4 of 5' }));
    await userEvent.click(screen.getByRole('button', { name: 'Keep card' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    const body = server.sent[0]!.body as CreateFlightCardDto;
    expect(body).toMatchObject({
      propModelId: 'm1',
      flight: { durationS: 270, packPieceId: 'p1', strikes: [] },
      climbs: [{ durationS: 5.8 }, { durationS: null }],
      passes: [{ groundSpeedMPerS: 20, trackDegrees: 90, throttleRatio: 1, currentA: null }],
      motors: [{ place: 'frontLeft', level: 0, temperatureC: null, touch: 'hot' }],
      opinions: [{ topic: 'grip', stars: 4, words: null }],
    });
    await waitFor(() => expect(address()).toBe('/fly?craft=c1'));
  });

  test('a refusal is told and loses nothing', async () => {
    pretendServer(answers(twice, { 'POST /fly/c1/cards': new Refusal(422, 'x', 'The pack is gone.') }));
    show();
    await screen.findByRole('heading', { level: 1 });
    await type('Minutes in the air', '4');
    await userEvent.click(screen.getByRole('button', { name: 'Keep card' }));
    expect(await screen.findByText(/The pack is gone/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Minutes in the air').value).toBe('4');
  });

  test('what cannot be read says what is allowed, and nothing is sent', async () => {
    pretendServer(answers());
    show();
    await screen.findByRole('heading', { level: 1 });
    await type('Minutes in the air', '4');
    await type('Hover throttle, %', '140');
    expect(await screen.findByText('0 to 100')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep card' }).disabled).toBe(true);
  });

  test('the first flight with a prop goes step by step', async () => {
    pretendServer(answers(aFly([])));
    show();
    expect(await screen.findByText('First flight with these props: half a minute, gently')).toBeTruthy();
    expect(screen.getByRole('timer').textContent).toBe('0:30');
    await userEvent.click(screen.getByRole('button', { name: 'Start the clock' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Motors are fine' }).disabled).toBe(true);
  });

  test.each<[string, object, string[]]>([
    ['a pass without its track', { passes: [{ speed: '20', track: '', current: '', throttle: '' }] }, ['track0']],
    ['a track beyond the compass', { passes: [{ speed: '20', track: '400', current: '', throttle: '' }] }, ['track0']],
    ['a throttle beyond full', { passes: [{ speed: '20', track: '90', current: '', throttle: '130' }] }, ['throttle0']],
    ['a word for a number', { climbs: [{ time: 'fast', isHeld: true }] }, ['climb0']],
    ['no minutes', { minutes: '' }, ['minutes']],
    ['a motor of a thousand degrees', { heat: { 'frontLeft/0': { number: '1000', touch: '' } } }, ['heat/frontLeft/0']],
  ])('%s is a fault at its field', (_name, more, faults) =>
    expect([...entryFaults({ ...blankEntry('m1'), minutes: '4', ...more })]).toEqual(faults),
  );

  test('a timed course: seconds over its length, each way a speed of its own', async () => {
    pretendServer(answers());
    show();
    await screen.findByRole('heading', { level: 1 });
    await userEvent.selectOptions(screen.getByLabelText('Speeds in'), 's');
    await type('Pass 1, s', '4');
    expect(screen.getByText('type the length of the course')).toBeTruthy();
    await type('Course, m', '100');
    expect(screen.getByText('25.0 m/s')).toBeTruthy();
    const passes = [
      { speed: '4', track: '90', current: '', throttle: '' },
      { speed: '5', track: '270', current: '', throttle: '' },
    ];
    const entry = { ...blankEntry('m1'), minutes: '4', speedUnit: 's' as const, course: '100', passes };
    expect(cardBody(entry, aCraft, ids).passes.map((p) => p.groundSpeedMPerS)).toEqual([25, 20]);
    expect([...entryFaults({ ...entry, course: '' })]).toEqual(['speed0', 'speed1']);
    expect([...entryFaults({ ...entry, course: '5000' })]).toEqual(['speed0', 'speed1']);
  });

  test('a pass at part throttle is kept as one, and is no top speed', () => {
    const passes = [{ speed: '11', track: '90', current: '20', throttle: '60' }];
    const body = cardBody({ ...blankEntry('m1'), minutes: '4', passes }, aCraft, ids);
    expect(body.passes).toEqual([{ groundSpeedMPerS: 11, trackDegrees: 90, throttleRatio: 0.6, currentA: 20 }]);
    expect(
      aFly([{ propId: 'm1', card: flown({ passes: body.passes }) }]).cards[0]!.worked.figures.airspeedMPerS,
    ).toBeNull();
  });

  test('blank climbs and passes are none', () => {
    const body = cardBody({ ...blankEntry('m1'), minutes: '4' }, aCraft, ids);
    expect([body.climbs, body.passes, body.motors, body.opinions]).toEqual([[], [], [], []]);
  });
});

test('another way of flying says what becomes of the cards before it is kept', async () => {
  const server = pretendServer(answers(twice, { 'PUT /fly/c1/protocol': twice }));
  renderInApp(<ProtocolPage />, { address: '/fly/protocol?craft=c1' });
  expect(await headline()).toBe('Protocol 1 is in force');
  await userEvent.clear(screen.getByLabelText('Angle, °'));
  await userEvent.type(screen.getByLabelText('Angle, °'), '45');
  expect(await headline()).toBe('This makes protocol 2');
  expect(document.body.textContent).toContain('5 cards of protocol 1 stay on record');
  await userEvent.clear(screen.getByLabelText('To, m'));
  await userEvent.type(screen.getByLabelText('To, m'), '5');
  expect(screen.getByText('above where the climb begins')).toBeTruthy();
  await userEvent.clear(screen.getByLabelText('To, m'));
  await userEvent.type(screen.getByLabelText('To, m'), '60');
  await userEvent.click(screen.getByRole('button', { name: 'Keep protocol' }));
  await waitFor(() => expect(server.sent[0]?.body).toEqual({ angleDegrees: 45, lowerM: 10, upperM: 60 }));
});

describe('what a log says', () => {
  const log = simulateFlight(usualFlightPlan('view', { shaker: { rotor: 1, shakeMPerS2: 2.4 } }));
  const whole = new OpenedLog({
    track: log.track,
    battery: log.battery,
    speeds: log.speeds,
    shake: { ...log.acceleration!, startS: 0 },
  }).report();

  test('is typed into a card: climbs as times of the protocol, passes, hover, minutes, charge, wind', () => {
    const entry = cardFromLog(blankEntry('m1'), whole, whole.segments, USUAL_PROTOCOL);
    expect(entry.climbs).toHaveLength(1);
    expect(Number(entry.climbs[0]!.time)).toBeCloseTo(40 / log.truth.climbRateMPerS, 0);
    expect(entry.passes).toHaveLength(3);
    expect(Number(entry.hoverCurrent)).toBeGreaterThan(10);
    expect(entryFaults(entry)).toEqual(new Set());
  });

  test('the motor that shakes comes first, then what was found', () => {
    expect(logHeadline(whole, whole.segments)).toBe('Motor 2 shakes the craft');
    expect(logHeadline({ ...whole, shake: null }, whole.segments)).toBe('Found: 1 climb, 3 passes, 2 hovers');
    expect(logHeadline({ ...whole, shake: null }, [])).toBe('No climb, pass or hover is found in it');
    expect(logSaid(whole).join(' ')).toMatch(/Look at the prop and the shaft of motor 2 first/);
    expect(logSaid({ ...whole, shake: { why: 'aliased' } })[0]).toMatch(/too slowly/);
  });
});
