import { describe, expect, test } from '@jest/globals';
import { preparedOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import { INCH_M } from '../label/propLabel.ts';
import { costPerHour, usablePieceCost } from './cost.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { loadLadder } from './loadLadder.ts';
import { emptyMapReason, roomReason } from './mapReasons.ts';
import { lessIsBetter, PICK_COLUMNS } from './pickFigures.ts';
import type { PickCraft } from './pickCraft.ts';
import {
  emptyPickMap,
  fillCoarse,
  geometryAt,
  largestDiscM,
  pickFamilies,
  pickGrid,
  refineMap,
  type PickMap,
} from './pickSpace.ts';
import { propLoad, remediesFor, remedyReasons } from './remedies.ts';
import { goodnessTable, isAllowed, scaleOf, scoreOf, scoreTable, type Scale } from './scores.ts';
import { candidateReasons, tradesOf } from './tradeReasons.ts';
import { tryOutKit, type KitProp } from './tryOutKit.ts';
import { criteria, criterionNames, useNames, useWeights, type CriterionName, type Weights } from './uses.ts';

const prepared = preparedOf(surveyQuad);
const family = { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' } as const;

function worked(craft: PickCraft, referenceIn: number | null = 7.2): PickMap {
  const map = emptyPickMap(family, pickGrid(craft, referenceIn === null ? null : referenceIn * INCH_M));
  for (const _ of refineMap(preparedOf(craft), map));
  return map;
}
const map = worked(surveyQuad);
const scale = scaleOf([map.values])!;

describe('the space', () => {
  test('thirty families of a thousand places, clipped to the craft', () => {
    expect(pickFamilies()).toHaveLength(30);
    const { diametersM, pitchesM } = map.grid;
    expect([diametersM.length, pitchesM.length]).toEqual([40, 25]);
    expect(diametersM.at(-1)! / largestDiscM(surveyQuad)!).toBeCloseTo(1.1, 6);
    expect(largestDiscM({ ...surveyQuad, clearanceDiameterM: null, neighbourDistanceM: null })).toBeNull();
    expect(
      pickGrid({ ...surveyQuad, clearanceDiameterM: null, neighbourDistanceM: null }, null).diametersM.at(-1),
    ).toBeCloseTo(18 * INCH_M, 6);
  });

  test('comes coarse first, and the coarse map is already whole', () => {
    const coarse = emptyPickMap(family, map.grid);
    let total = 0;
    for (const progress of refineMap(prepared, coarse)) {
      total = progress.total;
      if (progress.isCoarse) break;
    }
    const filled = fillCoarse(coarse);
    const known = (m: PickMap): number =>
      Array.from({ length: m.values.length / PICK_COLUMNS }, (_, i) => m.values[(i + 1) * PICK_COLUMNS - 1]!).filter(
        (v) => !Number.isNaN(v),
      ).length;
    expect(known(coarse)).toBeLessThan(total / 8);
    expect(known(filled)).toBe(total);
    expect(known(map)).toBe(total);
  });

  test('a place of the map is the same candidate worked out by itself', () => {
    const index = 12 * 40 + 20;
    const { figures } = evaluateCandidate(prepared, geometryAt(map, index));
    expect(map.values[index * PICK_COLUMNS]).toBe(figures.carryThrottleRatio);
  });
});

describe('scores', () => {
  test('the weighed table and the single score say the same', () => {
    const table = goodnessTable(scale, map.values);
    const index = 8 * 40 + 22;
    const scores = scoreTable(table, useWeights.longEndurance);
    expect(scores[index]).toBeCloseTo(
      scoreOf(scale, evaluateCandidate(prepared, geometryAt(map, index)).figures, useWeights.longEndurance),
      3,
    );
    scores.forEach((score, i) => expect(Number.isNaN(score)).toBe(!isAllowed(map.values, i)));
  });

  test('one wish alone ranks by its figure; no wish at all ranks nothing', () => {
    const only = (name: CriterionName): Weights =>
      Object.fromEntries(criterionNames.map((n) => [n, n === name ? 1 : 0])) as Weights;
    const table = goodnessTable(scale, map.values);
    const scores = scoreTable(table, only('minutes'));
    const of = (i: number): number => map.values[i * PICK_COLUMNS + 2]!;
    const allowed = [...scores.keys()].filter((i) => !Number.isNaN(scores[i]!));
    const best = allowed.reduce((a, b) => (scores[b]! > scores[a]! ? b : a));
    expect(of(best)).toBeGreaterThan(0.97 * Math.max(...allowed.map(of)));
    expect(scoreTable(table, Object.fromEntries(criterionNames.map((n) => [n, 0])) as unknown as Weights)[best]).toBe(
      0,
    );
  });

  test('the scale is the same in whatever order the maps come', () => {
    // Maps of unlike lengths, as many rows as make it look at some of them only.
    const maps = Array.from({ length: 12 }, (_, i) => map.values.slice(0, (600 + 31 * i) * PICK_COLUMNS));
    expect(scaleOf([...maps].reverse())).toEqual(scaleOf(maps));
    expect(scaleOf([...maps.slice(5), ...maps.slice(0, 5)])).toEqual(scaleOf(maps));
  });

  test('nothing allowed has no scale', () =>
    expect(scaleOf([worked({ ...surveyQuad, clearanceDiameterM: 0.02 }).values])).toBeNull());
});

describe('reasons follow the numbers', () => {
  const reference = { name: 'Brindlow 7.2x3.9x3', candidate: evaluateCandidate(prepared, inches(7.2, 3.9, 3)) };
  const reasonsOf = (craft: PickCraft, d: number, p: number, b = 3) => {
    const own = preparedOf(craft);
    return candidateReasons(
      own,
      { name: 'New', candidate: evaluateCandidate(own, inches(d, p, b)) },
      { name: reference.name, candidate: evaluateCandidate(own, inches(7.2, 3.9, 3)) },
      scale,
      useWeights.longEndurance,
    );
  };

  test('half an inch more gains minutes with their number, and pays; the sign turns when it is smaller', () => {
    const gain = reasonsOf(surveyQuad, 7.8, 3.9).find((r) => r.code === 'pick.gains.minutes')!;
    expect(gain.values).toMatchObject({ difference: expect.any(Number), reference: reference.name });
    expect(gain.values.difference as number).toBeGreaterThan(20);
    const pays = reasonsOf(surveyQuad, 6.6, 3.9).find((r) => r.code === 'pick.pays.minutes')!;
    expect(pays.values.difference as number).toBeLessThan(-20);
    const heavier = reasonsOf({ ...surveyQuad, massKg: 1.7 }, 7.8, 3.9).find((r) => r.code === 'pick.gains.minutes')!;
    expect(heavier.values.difference).not.toBe(gain.values.difference);
  });

  test('a limit is told while it bars and goes with its cause', () => {
    expect(reasonsOf({ ...surveyQuad, clearanceDiameterM: 0.19 }, 7.8, 3.9).map((r) => r.code)).toContain(
      'pick.barred.clearance',
    );
    expect(
      reasonsOf({ ...surveyQuad, clearanceDiameterM: 0.22, neighbourDistanceM: 0.24 }, 7.8, 3.9).some((r) =>
        r.code.startsWith('pick.barred'),
      ),
    ).toBe(false);
  });

  test('the same prop differs but does not matter', () => {
    expect(reasonsOf(surveyQuad, 7.21, 3.9).map((r) => r.code)[0]).toBe('pick.same');
    expect(
      tradesOf(reference.candidate.figures, reference.candidate.figures, scale, useWeights.freestyle).every(
        (t) => t.isSame,
      ),
    ).toBe(true);
  });

  test('each limit names its value and what is allowed', () => {
    const [reason] = reasonsOf({ ...surveyQuad, escLimitA: 18 }, 7.8, 5);
    expect(reason).toMatchObject({
      code: 'pick.barred.escCurrent',
      severity: 'danger',
      values: { allowed: expect.closeTo(18, 6) },
    });
  });
});

describe('the map says why', () => {
  test('where nothing fits, the nearest candidate and its limit', () => {
    const tight = { ...surveyQuad, clearanceDiameterM: 0.06 };
    const found = emptyMapReason(preparedOf(tight), worked(tight))!;
    expect(found.reason.code).toMatch(/^pick\.(barred|cannot)\./);
    expect(found.reason.values.allowed).toBeDefined();
  });
  test('the tightest room decides', () => {
    expect(roomReason(prepared)).toMatchObject({ code: 'pick.room.clearance', values: { largestM: 0.2 } });
    expect(roomReason(preparedOf({ ...surveyQuad, clearanceDiameterM: 0.3 }))).toMatchObject({
      code: 'pick.room.neighbours',
    });
    expect(roomReason(preparedOf(mappingPlane))).toMatchObject({
      code: 'pick.room.ground',
      values: { largestM: expect.closeTo(0.32, 9) },
    });
    expect(roomReason(preparedOf({ ...mappingPlane, groundClearanceM: null }))).toBeNull();
  });
});

describe('too much and too little', () => {
  test('too much: pitch before diameter before blades; each cure suits', () => {
    const hot = inches(7.6, 5.3, 3);
    expect(propLoad(prepared, evaluateCandidate(prepared, hot))).toBe('tooMuch');
    const remedies = remediesFor(prepared, hot);
    expect(remedies.map((r) => r.name)).toEqual(['pitch', 'diameter', 'blades', 'cells', 'motor', 'kv']);
    const pitch = remedies[0]!;
    expect(pitch.isCure).toBe(true);
    expect(pitch.to).toBeLessThan(pitch.from);
    expect(remedyReasons('Hot', remedies).filter((r) => r.severity === 'action')).toHaveLength(1);
  });
  test('too little: the other way', () => {
    const small = { ...surveyQuad, massKg: 3.4 };
    const remedies = remediesFor(preparedOf(small), inches(6.2, 2.8, 2));
    expect(remedies.find((r) => r.name === 'pitch')!.to).toBeGreaterThan(2.8 * INCH_M);
    expect(remedies.every((r) => r.to > r.from)).toBe(true);
  });
  test('what suits needs none', () => expect(remediesFor(prepared, inches(7.2, 3.9, 3))).toEqual([]));
});

describe('the load ladder', () => {
  const props = [inches(7.8, 5, 4), inches(6, 3, 2), inches(7.2, 3.9, 3), inches(7.7, 4, 3)].map((geometry, i) => ({
    id: String(i),
    geometry,
  }));
  const ladder = loadLadder(prepared, props);
  test('goes from the easiest to the hardest', () => {
    expect(ladder.rungs.map((r) => r.id)).toEqual(['1', '2', '3', '0']);
    expect(ladder.rungs.at(-1)!.loadRatio).toBe(1);
  });
  test('gentle flying allows at least what hard flying does', () => {
    const order = ladder.rungs.map((r) => r.id);
    const place = (id: string | null): number => (id === null ? -1 : order.indexOf(id));
    expect(place(ladder.heaviest.gentle)).toBeGreaterThanOrEqual(place(ladder.heaviest.normal));
    expect(place(ladder.heaviest.normal)).toBeGreaterThanOrEqual(place(ladder.heaviest.hard));
  });
  test('no prop, no rung', () =>
    expect(loadLadder(prepared, [])).toMatchObject({ rungs: [], heaviest: { gentle: null } }));
});

describe('a kit to try out', () => {
  const prop = (id: string, d: number, p: number, b: number, score: number, cost: number | null = 4): KitProp => ({
    id,
    geometry: inches(d, p, b),
    score,
    cost,
  });
  const offered = [
    prop('near', 7.25, 3.9, 3, 80),
    prop('large', 7.8, 3.6, 2, 78),
    prop('steep', 7, 5.2, 3, 70),
    prop('four', 7.1, 4.4, 4, 66),
    prop('hopeless', 4, 4, 2, 10),
  ];
  const present = prop('present', 7.2, 3.9, 3, 76);
  test('spreads size, pitch and blades, leaves out twins of the present and what is hopeless', () => {
    const kit = tryOutKit(present, offered, 4)!;
    expect(kit.ids[0]).toBe('present');
    expect(new Set(kit.ids)).toEqual(new Set(['present', 'large', 'steep', 'four']));
    expect(kit).toMatchObject({ cost: 16, bladeCounts: [2, 3, 4] });
  });
  test('an unknown price leaves the cost unknown; one prop is no kit', () => {
    expect(tryOutKit(present, [prop('a', 7.8, 3.6, 2, 70, null)], 3)!.cost).toBeNull();
    expect(tryOutKit(present, [], 3)).toBeNull();
  });
});

test('half a bag of the other hand doubles the price of a piece', () => {
  expect(usablePieceCost({ bagPrice: 9, bagCount: 6, usableRatio: 1 })).toBe(1.5);
  expect(usablePieceCost({ bagPrice: 9, bagCount: 6, usableRatio: 0.5 })).toBe(3);
  expect(costPerHour(3, 4, 'polycarbonate', 6)).toBe(2);
  expect(costPerHour(3, 4, 'carbon')).toBeLessThan(costPerHour(3, 4, 'polycarbonate'));
  expect(() => usablePieceCost({ bagPrice: 0, bagCount: 6, usableRatio: 1 })).toThrow(/bagPrice/);
});

test('a wish and its figure mean the same by better; what heats, sags, shakes or is heard is better with less of it', () => {
  for (const { figure, direction } of Object.values(criteria))
    expect([figure, lessIsBetter.has(figure)]).toEqual([figure, direction === -1]);
  for (const figure of ['sagLossRatio', 'fullCurrentA', 'carryPowerW', 'bladeLossForceN', 'tipSpeedMPerS'] as const)
    expect(lessIsBetter.has(figure)).toBe(true);
  for (const figure of ['enduranceS', 'fullThrustN', 'sagCellV', 'thrustPerPowerNPerW', 'toughnessRatio'] as const)
    expect(lessIsBetter.has(figure)).toBe(false);
});

test('each use has weights of its own between 0 and 10', () => {
  const rows = useNames.map((use) => JSON.stringify(useWeights[use]));
  expect(new Set(rows).size).toBe(10);
  for (const use of useNames)
    for (const weight of Object.values(useWeights[use])) expect(weight >= 0 && weight <= 10).toBe(true);
  const _: Scale = scale;
});
