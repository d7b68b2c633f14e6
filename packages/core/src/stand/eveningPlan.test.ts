import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { balancedRounds, driftBias, estimateEvening, planEvening, type EveningWish } from './eveningPlan.ts';
import {
  eveningRace,
  eveningReasons,
  eveningState,
  gateAnswer,
  type EveningEntry,
  type EveningRun,
} from './eveningState.ts';
import { usualProtocols } from './protocol.ts';

const wish = (more: Partial<EveningWish> = {}): EveningWish => ({
  propIds: ['a', 'b', 'c', 'd'],
  referenceId: 'r',
  runsPerProp: 2,
  rigs: [{ kitId: null, packIds: ['p1', 'p2', 'p3'] }],
  mostBetween: 6,
  ...more,
});

describe('the order of an evening', () => {
  test('two rounds go there and back; three of an odd number are a magic rectangle', () => {
    expect(balancedRounds(3, 2)).toEqual([
      [0, 1, 2],
      [2, 1, 0],
    ]);
    const rounds = balancedRounds(5, 3);
    const places = [0, 1, 2, 3, 4].map((k) => rounds.reduce((sum, order) => sum + order.indexOf(k), 0));
    expect(places).toEqual([6, 6, 6, 6, 6]);
  });

  test('every round runs each prop once, and drift moves all alike, or by a place at most', () =>
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 24 }), fc.integer({ min: 2, max: 6 }), (count, rounds) => {
        const orders = balancedRounds(count, rounds);
        expect(orders).toHaveLength(rounds);
        for (const order of orders) expect([...order].sort((a, b) => a - b)).toEqual([...Array(count).keys()]);
        const sums = orders[0]!.map((_, k) => orders.reduce((sum, order) => sum + order.indexOf(k), 0));
        expect(Math.max(...sums) - Math.min(...sums)).toBeLessThanOrEqual(rounds % 2 === 0 || count % 2 === 1 ? 0 : 2);
      }),
    ));

  test('the reference runs first, last and between; packs take turns', () => {
    const runs = planEvening(wish());
    expect(runs.map((r) => r.propId).join('')).toBe('rabcdrdcbar');
    expect(runs.map((r) => r.packId).slice(0, 4)).toEqual(['p1', 'p2', 'p3', 'p1']);
    expect(driftBias(runs)).toBe(0);
    expect(
      planEvening(wish({ mostBetween: 2 }))
        .map((r) => r.propId)
        .join(''),
    ).toBe('rabrcdrdcrbar');
  });

  test('whoever is compared unfairly is told how much: one round alone is', () => {
    expect(driftBias(planEvening(wish({ runsPerProp: 1 })))).toBe(3);
    expect(driftBias([])).toBe(0);
  });

  test('without a reference, without packs, with the reference alone', () => {
    expect(
      planEvening(wish({ referenceId: null, rigs: [{ kitId: null, packIds: [] }] })).every(
        (r) => !r.isReference && r.packId === null,
      ),
    ).toBe(true);
    expect(planEvening(wish({ propIds: ['r'], runsPerProp: 3 })).map((r) => r.propId)).toEqual(['r', 'r', 'r']);
    expect(() => planEvening(wish({ propIds: [], referenceId: null }))).toThrow(/propIds/);
    expect(() => planEvening(wish({ runsPerProp: 0 }))).toThrow(/rounds/);
  });

  test('time, charge and charging', () => {
    const runs = planEvening(wish());
    const full = estimateEvening(runs, usualProtocols.full, 2, 36);
    expect(full.durationS).toBe(11 * (1.5 + 5 + 150));
    // The way up to full throttle in a second and a half takes a quarter of what it would at full.
    expect(full.chargeAh).toBeCloseTo((36 * (5 + 1.5 / 4)) / 3600, 12);
    // Eleven runs on three packs of two runs: four, four and three, each charged once on the way.
    expect(full.chargeCount).toBe(3);
    expect(estimateEvening(runs, usualProtocols.ladder, 12, null)).toMatchObject({ chargeAh: null, chargeCount: 0 });
  });
});

describe('an evening under way', () => {
  const entries = (text: string, skipped = ''): EveningEntry[] =>
    [...text].map((propId, i) => ({
      id: `e${i}`,
      propId,
      kitId: null,
      packId: 'p1',
      isReference: propId === 'r',
      isSkipped: skipped.includes(String(i)),
    }));
  const run = (propId: string, more: Partial<EveningRun> = {}): EveningRun => ({
    id: `${propId}${JSON.stringify(more).length}`,
    propId,
    kitId: null,
    packId: 'p1',
    isKept: true,
    restingCellV: 4.15,
    isPast: false,
    ...more,
  });

  test('runs fill their prop’s places in turn, from wherever they came', () => {
    const state = eveningState(entries('rabr'), [run('b'), run('r')], 4.05);
    expect(state.entries.map((e) => e.state)).toEqual(['done', 'open', 'done', 'open']);
    expect([state.next, state.doneCount, state.openCount]).toEqual([1, 2, 2]);
  });

  test('a run below the gate is kept, counts on its pack, and is to be repeated', () => {
    const state = eveningState(entries('ra'), [run('r', { id: 'low', restingCellV: 3.9 })], 4.05);
    expect(state).toMatchObject({ next: 0, doneCount: 0, belowGateIds: ['low'] });
    expect(state.packRuns.get('p1')).toBe(1);
    expect(eveningState(entries('ra'), [run('r', { restingCellV: 3.9 })], null).doneCount).toBe(1);
  });

  test('what is skipped is passed over, what is being typed is next, what is replaced fills nothing', () => {
    expect(eveningState(entries('rab', '0'), [], 4.05).next).toBe(1);
    const typing = eveningState(entries('rab'), [run('r', { isKept: false })], 4.05);
    expect([typing.next, typing.entries[0]!.state]).toEqual([0, 'typing']);
    expect(eveningState(entries('ra'), [run('r', { isPast: true })], 4.05).doneCount).toBe(0);
    expect(eveningState(entries('r'), [run('r'), run('z', { id: 'guest' })], 4.05)).toMatchObject({
      next: null,
      extraIds: ['guest'],
    });
  });

  test('however runs come and go, no place is counted twice and every run is somewhere', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('r', 'a', 'b'), { maxLength: 12 }),
        fc.array(
          fc.record({
            propId: fc.constantFrom('r', 'a', 'b', 'z'),
            isKept: fc.boolean(),
            isPast: fc.boolean(),
            restingCellV: fc.constantFrom(null, 3.9, 4.1),
          }),
          { maxLength: 20 },
        ),
        (plan, made) => {
          const runs = made.map((m, i) => ({ ...run(m.propId, m), id: `run${i}` }));
          const state = eveningState(entries(plan.join('')), runs, 4.05);
          const used = state.entries.flatMap((e) => e.runId ?? []);
          expect(new Set(used).size).toBe(used.length);
          const counting = runs.filter((r) => r.isKept && !r.isPast && r.restingCellV !== 3.9);
          expect(state.doneCount + state.extraIds.length).toBe(counting.length);
          expect(state.next === null).toBe(state.openCount === 0);
        },
      ),
    ));

  test.each<[number | null, number | null, string]>([
    [4.12, 4.05, 'passes'],
    [4.05, 4.05, 'passes'],
    [3.98, 4.05, 'below'],
    [3.98, null, 'passes'],
    [41.2, 4.05, 'impossible'],
    [1.2, 4.05, 'impossible'],
    [null, 4.05, 'unknown'],
  ])('%p V against a gate of %p: %s', (rest, gate, answer) => expect(gateAnswer(rest, gate)).toBe(answer));

  test('more than a full cell of its chemistry holds is told apart from a slip', () => {
    expect(gateAnswer(4.3, 4.05, 4.2)).toBe('overfull');
    expect(gateAnswer(4.22, 4.05, 4.2)).toBe('passes');
    expect(gateAnswer(4.3, 4.2, 4.35)).toBe('passes');
  });

  test('the leader so far, and who can no longer catch it', () => {
    const prop = (propModelId: string, value: number, half: number | null) =>
      ({
        propModelId,
        points: {
          full: { thrustN: { figure: { value }, repeatHalfWidthRatio: half === null ? null : half / value } },
          hover: {},
          chosen: {},
        },
      }) as never;
    expect(eveningRace({ props: [prop('a', 10, 0.3), prop('b', 10.4, 0.3), prop('c', 9, 0.3)] })).toEqual({
      leaderId: 'b',
      beatenIds: ['c'],
    });
    expect(eveningRace({ props: [prop('a', 10, null), prop('b', 8, 0.1)] }).beatenIds).toEqual([]);
    expect(eveningRace({ props: [prop('a', 10, 0.3)] }).leaderId).toBeNull();
    expect(eveningRace({ props: [] })).toEqual({ leaderId: null, beatenIds: [] });
  });

  test('what it says: danger to the figures first, then what to do, who leads, what was served', () => {
    const low = run('a', { id: 'low', restingCellV: 3.9 });
    const state = eveningState(entries('rab'), [run('r'), low], 4.05);
    const race = { leaderId: 'r', beatenIds: ['b'] };
    expect(eveningReasons(state, race, 2, (id) => id.toUpperCase()).map((r) => [r.code, r.values])).toEqual([
      ['evening.belowGate', { count: 1 }],
      ['evening.charge', { packs: 'P1' }],
      ['evening.leads', { name: 'R' }],
      ['evening.beaten', { name: 'B' }],
      ['evening.packs', { packs: 'P1 2' }],
    ]);
    expect(eveningReasons(eveningState([], [], null), { leaderId: null, beatenIds: [] }, 3, String)).toEqual([]);
  });
});
