import { describe, expect, test } from '@jest/globals';
import { waitFor } from '@testing-library/react';
import type { CraftView, PropModelView } from '@zivvo/contract';
import {
  CoefficientTables,
  emptyPickMap,
  evaluateCandidate,
  INCH_M,
  labelGeometry,
  layOut,
  modelGeometry,
  prepareCraft,
  pickGrid,
  refineMap,
  scaleOf,
  STANDARD_ROTOR_AIR,
  useWeights,
  type MarkedProp,
} from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import type { Ink } from '../shared/charts/useInk.ts';
import type { Format } from '../shared/format/useFormat.ts';
import { compareChart, compareYs, curvePoints, differencePoints } from './compareChart.ts';
import { colourField, filled, mapPicture, placeMarks, placeOf } from './mapView.ts';
import { pickSettingOf } from './pickCraftOf.ts';
import { HeldDesk } from '../test/ownThreadDesk.ts';
import { WorkRefusal } from '../shared/worker/workProblem.ts';
import type { MapListener } from './pickMessages.ts';
import { PickPool } from './pickPool.ts';
import type { PickWork } from './pickWork.ts';
import { findProp, ifOnRack, keyOfSize, propOfKey, propOfModel } from './pickProps.ts';
import { bestSizes, costOf, goodnessOfMaps, plainAnswer, rankProps, usedWeights } from './rankProps.ts';

const rotors = layOut({ layout: 'quadX', diagonalM: 0.294, arms: null });
const craft = {
  id: 'c',
  name: 'Petrel',
  kind: 'multirotor',
  rotors,
  massKg: 1.92,
  clearanceDiameterM: 0.2,
  groundClearanceM: null,
  boomClearanceM: null,
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  motorResistanceOhm: 0.12,
  motorNoLoadCurrentA: 0.7,
  motorMassKg: 0.04,
  estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
  motorLimitA: null,
  escLimitA: 42,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packCapacityAh: 4,
  packPieceId: null,
  packCellResistanceOhm: null,
  packCRating: null,
  standbyPowerW: null,
  ductThrustRatio: null,
  use: null,
  weights: null,
} as unknown as CraftView;
const model = (more: Partial<PropModelView> = {}): PropModelView =>
  ({
    id: 'm',
    label: '7.2x3.9x3',
    makerName: 'Brindlow',
    diameterM: 7.2 * INCH_M,
    pitchM: 3.9 * INCH_M,
    bladeCount: 3,
    tipShape: 'standard',
    material: 'polycarbonate',
    measuredDiameterM: null,
    measuredMassKg: null,
    speedLimitRpm: null,
    labelHand: null,
    planform: null,
    chord75M: null,
    angle75Rad: null,
    bagPrice: null,
    bagCount: null,
    wantedCount: 0,
    stock: { cwCount: 3, ccwCount: 1, countedAt: '' },
    ...more,
  }) as PropModelView;

const setting = pickSettingOf(craft, null);
const prepared = prepareCraft(setting.craft, new CoefficientTables(STANDARD_ROTOR_AIR));
const map = emptyPickMap(
  { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' },
  pickGrid(setting.craft, 7.2 * INCH_M),
);
for (const _ of refineMap(prepared, map));
const scale = scaleOf([map.values])!;
const weights = useWeights.longEndurance;
const worked = (d: number, p: number, b: number): MarkedProp =>
  evaluateCandidate(prepared, labelGeometry(d * INCH_M, p * INCH_M, b, 'standard', 'polycarbonate'));

describe('a craft as picking sees it', () => {
  test('estimated motor figures are left to the core, typed ones go along', () => {
    expect(setting.craft.motor).toMatchObject({ resistanceOhm: null, noLoadCurrentA: null, massKg: null });
    expect(pickSettingOf({ ...craft, estimatedFields: ['motorMassKg'] }, null).craft.motor).toMatchObject({
      resistanceOhm: 0.12,
      noLoadCurrentA: 0.7,
      massKg: null,
    });
    expect(setting.craft).toMatchObject({
      rotorCount: 4,
      isCoaxial: false,
      neighbourDistanceM: expect.closeTo(0.2079, 4),
      armM: expect.closeTo(0.147, 6),
    });
  });
  test('today’s air thins out what yesterday’s carried', () =>
    expect(
      pickSettingOf(craft, { temperatureC: 30, pressurePa: 90_000, humidityRatio: 0.5 } as never).air.densityKgPerM3,
    ).toBeLessThan(1.05));
  test('measured sizes win over printed ones', () =>
    expect(modelGeometry(model({ measuredDiameterM: 0.1824, measuredMassKg: 0.0079 }))).toMatchObject({
      diameterM: 0.1824,
      massKg: 0.0079,
    }));
});

describe('the chart', () => {
  test('has seven depths, deeper inside shallower, and names what bars it', () => {
    const picture = mapPicture(map, 'score', scale, weights, 560, 330);
    expect(picture.depths).toHaveLength(7);
    expect(picture.depths.slice(1).every((d, i) => i === 0 || d.value > picture.depths[i]!.value)).toBe(true);
    expect(picture.barred.map((b) => b.limit)).toEqual(expect.arrayContaining(['clearance', 'neighbours']));
  });
  test('of a figure of which less is better is deepest where it is least', () => {
    const { depths } = mapPicture(map, 'levelDb', scale, weights, 560, 330);
    expect(depths.at(-1)!.value).toBeLessThan(depths[1]!.value);
  });
  test('other weights give another field, and none a flat one', () => {
    const field = (w: typeof weights) => Array.from(colourField(map, 'score', scale, w).values).filter(Number.isFinite);
    expect(field(useWeights.openCourse)).not.toEqual(field(weights));
    expect(
      new Set(field({ minutes: 0, thrust: 0, answer: 0, quiet: 0, speed: 0, cool: 0, gentle: 0, tough: 0 })),
    ).toEqual(new Set([0]));
  });
  test('holes take the nearest value, nothing but holes takes none', () => {
    expect([...filled({ columns: 3, rows: 1, values: [NaN, 5, NaN] })]).toEqual([5, 5, 5]);
    expect([...filled({ columns: 2, rows: 1, values: [NaN, NaN] })]).toEqual([0, 0]);
  });
  test('a size outside has no place; one inside lies where its numbers say', () => {
    const { diametersM, pitchesM } = map.grid;
    expect(placeOf(map.grid, diametersM[0]!, pitchesM[0]!, 100, 50)).toEqual({ x: 0, y: 50 });
    expect(placeOf(map.grid, 0.5, 0.1, 100, 50)).toBeNull();
  });
  test('names of neighbours do not lie upon each other', () => {
    const ranked = [7.2, 7.25].map((d) => ({
      prop: { ...propOfKey(`${d}x3.9x3-standard-polycarbonate`)!, name: 'Brindlow 7.2×3.9×3' },
      worked: worked(d, 3.9, 3),
      score: 1,
      isAllowed: true,
    }));
    const [a, b] = placeMarks(ranked, map, 560, 330);
    expect(a!.label).not.toEqual(b!.label);
  });
});

describe('props by name and by size', () => {
  test('a size survives the way through the address', () => {
    const prop = propOfKey('7.4x3.6x2-pointed-polycarbonate')!;
    expect(prop).toMatchObject({ name: '7.4×3.6×2', detail: 'pointed tips, polycarbonate', model: null });
    expect(keyOfSize(prop.geometry)).toBe(prop.id);
  });
  test.each([
    '',
    '7x',
    '7.4x3.6x9-pointed-polycarbonate',
    '7.4x3.6x2-round-polycarbonate',
    '900x3x2-pointed-wood',
    '7x20x2-pointed-wood',
  ])('%p is no size', (key) => expect(propOfKey(key)).toBeNull());
  test('an id of the rack is the model', () =>
    expect(findProp('m', [model()])).toMatchObject({ name: 'Brindlow 7.2×3.9×3', detail: '4 on the rack' }));
  test('what is wanted says so', () => expect(propOfModel(model({ wantedCount: 4 })).detail).toBe('wanted, 4'));
});

describe('ranking', () => {
  const props = [
    propOfModel(model()),
    propOfKey('7.6x3.4x2-standard-polycarbonate')!,
    propOfKey('9.5x4x3-standard-polycarbonate')!,
  ];
  const found = { m: worked(7.2, 3.9, 3), [props[1]!.id]: worked(7.6, 3.4, 2), [props[2]!.id]: worked(9.5, 4, 3) };
  const ranked = rankProps(props, found, scale, weights);
  test('the barred stand last, whatever they score', () => {
    expect(ranked.map((r) => r.isAllowed)).toEqual([true, true, false]);
    expect(ranked[0]!.prop.id).toBe(props[1]!.id);
  });
  test('what is not worked out yet is not ranked', () =>
    expect(rankProps(props, { m: found.m }, scale, weights)).toHaveLength(1));
  test('the plain answer counts what is missing of each hand', () => {
    expect(
      plainAnswer(
        ranked.filter((r) => r.prop.id === 'm'),
        craft,
      ),
    ).toMatchObject({ cwCount: 4, ccwCount: 4, toBuy: { cwCount: 1, ccwCount: 3 } });
    expect(plainAnswer(ranked, craft)!.prop.model).toBeNull();
    expect(plainAnswer([], craft)).toBeNull();
  });
  test('a plane with an ordinary motor needs CCW pieces, and half a bag is the other hand', () => {
    const plane = { kind: 'plane' as const, rotors: layOut({ layout: 'tractor', diagonalM: null, arms: null }) };
    expect(
      plainAnswer(
        ranked.filter((r) => r.prop.id === 'm'),
        plane,
      ),
    ).toMatchObject({ cwCount: 0, ccwCount: 2, toBuy: { cwCount: 0 } });
  });
  test('where only the rack counts, every prop brings what lies there', () => {
    expect(ifOnRack(propOfModel(model())).facts.stock).toEqual({
      cwCount: expect.any(Number),
      ccwCount: expect.any(Number),
    });
    expect(ifOnRack(propOfModel(model({ stock: null }))).facts.stock).toEqual({ cwCount: 0, ccwCount: 0 });
    expect(propOfModel(model()).facts.stock).toBeUndefined();
  });
  test('the best sizes come from the maps', () => {
    const [best] = bestSizes(goodnessOfMaps([map], scale), weights, 3);
    expect(best!.key).toMatch(/^\d.*x3-standard-polycarbonate$/);
  });
  test('weights of the craft win over those of its use', () => {
    expect(usedWeights(craft)).toEqual({ use: 'longEndurance', weights });
    expect(usedWeights({ use: 'heavyLift', weights: { ...weights, quiet: 1 } }).weights.quiet).toBe(1);
  });
  test('a mixed bag on a plane costs double', () => {
    const plane = { rotors: layOut({ layout: 'tractor', diagonalM: null, arms: null }) };
    const bought = model({ bagPrice: 8, bagCount: 4 });
    expect(costOf(bought, craft)!.pieceCost).toBe(2);
    expect(costOf(bought, plane)!.pieceCost).toBe(4);
    expect(costOf(model(), craft)).toBeNull();
  });
});

test('curves come in the reader’s units, and never one quantity over itself', () => {
  const points = [{ throttleRatio: 0.5, thrustN: 9.80665, powerW: 100, currentA: 5, speedRpm: 9000 }];
  expect(curvePoints(points, 'thrustN', 'powerW', defaultUnits)).toEqual([[expect.closeTo(1000, 6), 100]]);
  expect(curvePoints(points, 'throttleRatio', 'thrustPerPowerNPerW', defaultUnits)).toEqual([
    [expect.closeTo(50, 6), expect.closeTo(10, 6)],
  ]);
  expect(compareYs('thrustN')).not.toContain('thrustN');
});

test('on the comparison each prop has its line and its name, the present one is drawn in ink, new sizes take free colours', () => {
  const ink = {
    isDark: false,
    ink: '#111',
    muted: '#777',
    hairline: '#ddd',
    sheet: '#fff',
    fontText: 'sans',
  } as unknown as Ink;
  const format = { choices: { ...defaultUnits, force: 'N' } } as unknown as Format;
  const props = [
    propOfModel(model({ id: 'm1', seriesIndex: 0 })),
    propOfModel(model({ id: 'm2', makerName: 'Orle', seriesIndex: 3 })),
    ...[7.4, 7.6].map((d) =>
      propOfKey(keyOfSize(labelGeometry(d * INCH_M, 4 * INCH_M, 3, 'standard', 'polycarbonate')))!,
    ),
  ];
  const point = { throttleRatio: 0.5, thrustN: 8, powerW: 100, currentA: 5, speedRpm: 9000 };
  const chart = compareChart({
    props,
    curves: { m1: [point], m2: [{ ...point, thrustN: 9 }] },
    referenceId: 'm1',
    over: 'throttleRatio',
    y: 'thrustN',
    isDifference: false,
    ink,
    format,
  });
  const series = chart.series as { name: string; data: number[][]; lineStyle: { color: string } }[];
  expect(series.map((s) => s.name)).toEqual(props.map((p) => p.name));
  expect(series.map((s) => s.data)).toEqual([[[50, 8]], [[50, 9]], [], []]);
  expect(series[0]!.lineStyle.color).toBe('#111');
  expect(new Set(series.map((s) => s.lineStyle.color)).size).toBe(4);
  expect([chart.xAxis, chart.yAxis]).toMatchObject([{ name: 'throttle, %' }, { name: 'thrust of a rotor, N' }]);
});

test('as a difference curves are told in percent of the present one, only where both reach', () => {
  const reference = [
    [10, 100],
    [20, 200],
  ] as const;
  expect(
    differencePoints(
      [
        [5, 50],
        [10, 110],
        [15, 120],
        [20, 200],
        [25, 1],
      ],
      reference,
    ),
  ).toEqual([
    [10, expect.closeTo(10, 9)],
    [15, expect.closeTo(-20, 9)],
    [20, 0],
  ]);
  expect(differencePoints(reference, reference)).toEqual([
    [10, 0],
    [20, 0],
  ]);
  expect(differencePoints(reference, [])).toEqual([]);
});

describe('the pool of workers', () => {
  const poolOf = () => {
    const desks: HeldDesk<PickWork>[] = [];
    const pool = new PickPool(() => {
      desks.push(new HeldDesk());
      return desks.at(-1)!;
    });
    return { pool, desks };
  };
  const setting = { craft: { id: 'c1' } } as never;
  const families = ['a', 'b', 'c'].map((key) => ({ key, family: map.family }));
  const heard = () => {
    const maps: string[] = [];
    const progress: number[] = [];
    const failures: string[] = [];
    return {
      maps,
      progress,
      failures,
      listener: {
        onMap: (key: string) => maps.push(key),
        onProgress: (done: number) => progress.push(done),
        onFailure: ({ code }: { code: string }) => failures.push(code),
      },
    };
  };
  /** What a worker was given to do, by name, and how it tells of the maps of its last job. */
  const names = (desk: HeldDesk<PickWork>): string[] => desk.asked.map((q) => q.name);
  const jobs = (desk: HeldDesk<PickWork>) =>
    desk.asked.filter((q) => q.name === 'maps').map((q) => ({ ...q, tell: q.args[3] as MapListener }));
  const dealt = (desks: HeldDesk<PickWork>[]): string[][] =>
    desks.map((d) => jobs(d).flatMap((job) => (job.args[2] as typeof families).map((f) => f.key)));

  test('deals maps out to both, and drops what an older job still says', () => {
    const { pool, desks } = poolOf();
    const first = heard();
    pool.startMaps(setting, map.grid, families, first.listener);
    expect(dealt(desks)).toEqual([['a', 'c']]);
    const [old] = jobs(desks[0]!);
    old!.tell.onMap('a', map.values, 'coarse');
    old!.tell.onMap('a', map.values, 'fine');
    expect(dealt(desks)).toEqual([['a', 'c'], ['b']]);
    const second = heard();
    pool.startMaps(setting, map.grid, families, second.listener);
    old!.tell.onMap('a', map.values, 'fine');
    jobs(desks[0]!).at(-1)!.tell.onMap('a', map.values, 'fine');
    jobs(desks[0]!).at(-1)!.tell.onProgress(1, 2);
    jobs(desks[1]!).at(-1)!.tell.onProgress(1, 1);
    expect([first.maps, second.maps, second.progress]).toEqual([['a', 'a'], ['a'], [1, 2]]);
    pool.stop();
    jobs(desks[0]!).at(-1)!.tell.onMap('c', map.values, 'fine');
    expect(second.maps).toEqual(['a']);
    expect(names(desks[0]!).at(-1)).toBe('stop');
  });

  test('maps that fail are told once, those of an older job not at all', async () => {
    const { pool, desks } = poolOf();
    const [first, second] = [heard(), heard()];
    pool.startMaps(setting, map.grid, families, first.listener);
    pool.startMaps(setting, map.grid, families, second.listener);
    for (const job of jobs(desks[0]!))
      job.refuse(new WorkRefusal({ code: 'workerDied', what: 'out of memory', allowed: '' }));
    await waitFor(() => expect(second.failures).toEqual(['workerDied']));
    expect(first.failures).toEqual([]);
  });

  test('until the first map is there, questions queue behind it and nothing else takes its time', () => {
    const { pool, desks } = poolOf();
    pool.warm(setting, map.grid, map.family);
    pool.startMaps(setting, map.grid, families, heard().listener);
    void pool.ask(setting, 'ladder', { props: [] });
    void pool.ask(setting, 'props', { props: [] });
    const { tell } = jobs(desks[0]!)[0]!;
    tell.onMap('a', map.values, 'coarse');
    expect(desks.map(names)).toEqual([['warm', 'maps', 'answer', 'answer']]);
    tell.onMap('a', map.values, 'fine');
    void pool.ask(setting, 'curves', { props: [] });
    expect(names(desks[1]!)).toEqual(['maps', 'answer']);
  });

  test('gives each question its own answer, and a refusal its reason', async () => {
    const { pool, desks } = poolOf();
    const ladder = pool.ask(setting, 'ladder', { props: [] });
    const refused = pool.ask(setting, 'remedies', { propModelId: 'm', geometry: map.family as never });
    expect(desks.map(names)).toEqual([['answer'], ['answer']]);
    desks[1]!.asked[0]!.refuse(new WorkRefusal({ code: 'outOfRange', what: 'massKg', allowed: '> 0' }));
    desks[0]!.asked[0]!.answer('rungs');
    await expect(ladder).resolves.toBe('rungs');
    await expect(refused).rejects.toMatchObject({ problem: { what: 'massKg', allowed: '> 0' } });
    pool.end();
    expect(desks.every((d) => d.isEnded)).toBe(true);
  });
});
