import { describe, expect, test } from '@jest/globals';
import {
  calibrate,
  modelGeometry,
  PICK_COLUMNS,
  pickGrid,
  pickLimitNames,
  type PickFamily,
  type StandCalibration,
} from '@zivvo/core';
import { craftForPick, rackForPick } from './pick.fixtures.ts';
import { pickSettingOf } from './pickCraftOf.ts';
import type { ProxyMarked } from 'comlink';
import type { MapListener, PickTask, PickTasks } from './pickMessages.ts';
import { askedOf, propOfModel } from './pickProps.ts';
import { PickWork } from './pickWork.ts';

const setting = pickSettingOf(craftForPick(), null);
const family: PickFamily = { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' };
const whole = pickGrid(setting.craft, null);
/** Every fifth size and pitch: the same work, quicker. */
const grid = {
  diametersM: whole.diametersM.filter((_, i) => i % 5 === 0),
  pitchesM: whole.pitchesM.filter((_, i) => i % 5 === 0),
};

/** What a job of maps told, in its order. */
function telling() {
  const said: { key: string; values: Float64Array; state: string }[] = [];
  const order: string[] = [];
  const listener = {
    onMap: (key: string, values: Float64Array, state: string) => {
      said.push({ key, values, state });
      order.push(`${key} ${state}`);
    },
    onProgress: (done: number, total: number) => order.push(`${done} of ${total}`),
  } as unknown as MapListener & ProxyMarked;
  return { said, order, listener };
}

const ask = <K extends PickTask>(task: K, question: PickTasks[K]['ask'], own = setting): PickTasks[K]['answer'] =>
  new PickWork().answer(own, task, question);
const weightless = { ...setting, craft: { ...setting.craft, massKg: 0 } };

const props = rackForPick.map((m) => askedOf(propOfModel(m)));

describe('maps', () => {
  test('each family comes coarse and then fine, and is counted; the coarse one is whole already', async () => {
    const { said, order, listener } = telling();
    const two = [
      { key: 'a', family },
      { key: 'b', family: { ...family, bladeCount: 2 } },
    ];
    await new PickWork().maps(setting, grid, two, listener);
    expect(order).toEqual(['a coarse', 'a fine', '1 of 2', 'b coarse', 'b fine', '2 of 2']);
    const known = ({ values }: { values: Float64Array }): number =>
      values.filter((v, i) => i % PICK_COLUMNS === PICK_COLUMNS - 1 && Number.isFinite(v)).length;
    expect(known(said[0]!)).toBe(known(said[1]!));
  });

  test('a newer job ends the older at its next breath, and stop ends all', async () => {
    const work = new PickWork();
    const [old, newer, stopped] = [telling(), telling(), telling()];
    const olds = ['old', 'old2'].map((key) => ({ key, family }));
    await Promise.all([
      work.maps(setting, whole, olds, old.listener),
      work.maps(setting, grid, [{ key: 'new', family }], newer.listener),
    ]);
    expect([old.order, newer.order]).toEqual([['old coarse'], ['new coarse', 'new fine', '1 of 1']]);
    const left = work.maps(setting, whole, [{ key: 'x', family }], stopped.listener);
    work.stop();
    await left;
    expect(stopped.order).toEqual(['x coarse']);
  });

  test('a craft that makes no sense is refused by its field', async () => {
    await expect(
      new PickWork().maps(weightless, grid, [{ key: 'a', family }], telling().listener),
    ).rejects.toMatchObject({ code: 'outOfRange', details: { what: 'massKg' } });
  });

  test('a map begun ahead is the same map, coarse and fine, and so is the one after it', async () => {
    const maps = async (isAhead: boolean) => {
      const work = new PickWork();
      const { said, order, listener } = telling();
      if (isAhead) work.warm(setting, grid, family);
      for (const job of [1, 2]) {
        const done = work.maps(setting, grid, [{ key: 'a', family }], listener);
        if (isAhead && job === 1) expect(order).toEqual(['a coarse']);
        await done;
      }
      return { said, order };
    };
    const ahead = await maps(true);
    expect(ahead.order).toEqual(['a coarse', 'a fine', '1 of 1', 'a coarse', 'a fine', '1 of 1']);
    expect(ahead).toEqual(await maps(false));
  });

  test('a map begun ahead for another craft is no map of this one', async () => {
    const full = async (isAhead: boolean) => {
      const work = new PickWork();
      const { said, listener } = telling();
      const heavier = { ...setting, craft: { ...setting.craft, massKg: 2 * setting.craft.massKg } };
      if (isAhead) work.warm(heavier, grid, family);
      await work.maps(setting, grid, [{ key: 'a', family }], listener);
      return said;
    };
    expect(await full(true)).toEqual(await full(false));
  });

  test('a craft that makes no sense is not refused before its map is asked for', () => {
    expect(() => new PickWork().warm(weightless, grid, family)).not.toThrow();
  });
});

describe('questions', () => {
  test('props come with figures, limits and how sure they are, and nothing that cannot travel', () => {
    const answer = ask('props', { props });
    expect(Object.keys(answer)).toEqual(['m1', 'm2', 'm3']);
    expect(answer.m1).toMatchObject({ mark: 'estimated', figures: { enduranceS: expect.any(Number) } });
    expect(pickLimitNames.filter((limit) => answer.m3!.margins[limit] > 1)).toContain('clearance');
    expect(structuredClone(answer)).toEqual(answer);
  });

  test('curves rise to full throttle, top speeds are told in level flight', () => {
    const { m1: curve } = ask('curves', { props });
    expect(curve!.length).toBeGreaterThan(10);
    expect(curve!.at(-1)!.throttleRatio).toBeCloseTo(1, 2);
    expect(curve!.every((p, i) => i === 0 || p.thrustN > curve![i - 1]!.thrustN)).toBe(true);
    expect(ask('manoeuvres', { props }).m1!.topSpeedMPerS).toBeGreaterThan(5);
  });

  test('the ladder goes up, questions answer forwards and backwards, the present prop that suits needs no remedy', () => {
    const { rungs } = ask('ladder', { props });
    expect(rungs.map((r) => r.torqueNm)).toEqual([...rungs.map((r) => r.torqueNm)].sort((a, b) => a - b));
    const geometry = modelGeometry(rackForPick[0]!);
    const { answers, greatestPayloadKg, packs } = ask('questions', {
      propModelId: 'm1',
      geometry,
      shelf: [{ id: 'p', chemistry: 'lipo', seriesCount: 6, capacityAh: 5, cellResistanceOhm: null, cRating: null }],
    });
    expect(answers.payloadMore!.after.figures.enduranceS).toBeLessThan(answers.payloadMore!.before.figures.enduranceS);
    expect(greatestPayloadKg).toBeGreaterThan(0.1);
    expect(packs).toHaveLength(1);
    expect(ask('remedies', { propModelId: 'm1', geometry })).toEqual([]);
  });

  test('runs of the workshop correct every prop, those of a prop itself come first', () => {
    const by = (logRatio: number) => ({
      thrust: calibrate(Array.from({ length: 9 }, () => ({ pitchRatio: 0.5, logRatio }))),
      power: calibrate([]),
    });
    const calibration: StandCalibration = {
      whole: by(0.08),
      families: {},
      models: { m2: by(-0.08) },
      motor: null,
      standVoltageV: null,
      runCount: 18,
      propCount: 2,
    };
    const [label, own] = [ask('props', { props }), ask('props', { props }, { ...setting, calibration })];
    expect(own.m1!.figures.fullThrustN).toBeGreaterThan(1.04 * label.m1!.figures.fullThrustN);
    expect(own.m2!.figures.fullThrustN).toBeLessThan(0.97 * label.m2!.figures.fullThrustN);
    expect([own.m1!.mark, own.m2!.mark]).toEqual(['calibrated', 'calibrated']);
  });

  test('a question that cannot be answered says which field stands in its way', () => {
    const setting0 = { ...setting, craft: { ...setting.craft, gearRatio: 0 } };
    expect(() => ask('props', { props }, setting0)).toThrow(/gearRatio/);
  });
});
