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
import type { FromWorker, PickTask, PickTasks } from './pickMessages.ts';
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

/** A worker's work whose words are kept; `heard` waits until one of them is said. */
function working() {
  const said: FromWorker[] = [];
  const waiting: { is: (m: FromWorker) => boolean; done: (m: FromWorker) => void }[] = [];
  const work = new PickWork((message) => {
    said.push(message);
    for (const w of waiting) if (w.is(message)) w.done(message);
  });
  const heard = (is: (m: FromWorker) => boolean): Promise<FromWorker> =>
    new Promise((done) => (said.some(is) ? done(said.find(is)!) : waiting.push({ is, done })));
  return { work, said, heard };
}

function ask<K extends PickTask>(task: K, question: PickTasks[K]['ask'], own = setting): PickTasks[K]['answer'] {
  const { work, said } = working();
  work.hear({ kind: 'task', id: 7, setting: own, task, ask: question } as never);
  const [message] = said;
  if (message?.kind !== 'answer' || !message.result.ok) throw new Error(JSON.stringify(message));
  return message.result.value as PickTasks[K]['answer'];
}

const props = rackForPick.map((m) => askedOf(propOfModel(m)));

describe('maps', () => {
  test('each family comes coarse and then fine, and is counted; the coarse one is whole already', async () => {
    const { work, said, heard } = working();
    work.hear({
      kind: 'map',
      job: 1,
      setting,
      grid,
      families: [
        { key: 'a', family },
        { key: 'b', family: { ...family, bladeCount: 2 } },
      ],
    });
    await heard((m) => m.kind === 'progress' && m.done === 2);
    expect(said.map((m) => (m.kind === 'map' ? `${m.key} ${m.state}` : m.kind))).toEqual([
      'a coarse',
      'a fine',
      'progress',
      'b coarse',
      'b fine',
      'progress',
    ]);
    const known = (m: FromWorker | undefined): number =>
      m?.kind === 'map'
        ? m.values.filter((v, i) => i % PICK_COLUMNS === PICK_COLUMNS - 1 && Number.isFinite(v)).length
        : 0;
    expect(known(said[0])).toBe(known(said[1]));
  });

  test('a newer job ends the older at its next breath, and stop ends all', async () => {
    const { work, said, heard } = working();
    work.hear({
      kind: 'map',
      job: 1,
      setting,
      grid: whole,
      families: [
        { key: 'old', family },
        { key: 'old2', family },
      ],
    });
    work.hear({ kind: 'map', job: 2, setting, grid, families: [{ key: 'new', family }] });
    await heard((m) => m.kind === 'progress' && m.job === 2);
    expect(said.filter((m) => m.kind === 'progress' && m.job === 1)).toEqual([]);
    const { work: other, said: told } = working();
    other.hear({ kind: 'map', job: 3, setting, grid: whole, families: [{ key: 'x', family }] });
    other.hear({ kind: 'stop' });
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(told.filter((m) => m.kind === 'progress')).toEqual([]);
  });

  test('a craft that makes no sense is refused by its field', async () => {
    const { work, heard } = working();
    work.hear({
      kind: 'map',
      job: 1,
      setting: { ...setting, craft: { ...setting.craft, massKg: 0 } },
      grid,
      families: [{ key: 'a', family }],
    });
    expect(await heard((m) => m.kind === 'mapFailed')).toMatchObject({
      problem: { code: 'outOfRange', what: 'massKg' },
    });
  });

  test('a map begun ahead is the same map, coarse and fine, and so is the one after it', async () => {
    const maps = async (isAhead: boolean): Promise<FromWorker[]> => {
      const { work, said, heard } = working();
      if (isAhead) work.hear({ kind: 'warm', setting, grid, family });
      for (const job of [1, 2]) {
        work.hear({ kind: 'map', job, setting, grid, families: [{ key: 'a', family }] });
        if (isAhead && job === 1) expect(said).toMatchObject([{ kind: 'map', state: 'coarse' }]);
        await heard((m) => m.kind === 'progress' && m.job === job);
      }
      return said;
    };
    const ahead = await maps(true);
    expect(ahead.map((m) => (m.kind === 'map' ? m.state : m.kind))).toEqual([
      'coarse',
      'fine',
      'progress',
      'coarse',
      'fine',
      'progress',
    ]);
    expect(ahead).toEqual(await maps(false));
  });

  test('a map begun ahead for another craft is no map of this one', async () => {
    const full = async (isAhead: boolean): Promise<FromWorker> => {
      const { work, heard } = working();
      if (isAhead)
        work.hear({
          kind: 'warm',
          setting: { ...setting, craft: { ...setting.craft, massKg: 2 * setting.craft.massKg } },
          grid,
          family,
        });
      work.hear({ kind: 'map', job: 1, setting, grid, families: [{ key: 'a', family }] });
      return heard((m) => m.kind === 'map' && m.state === 'fine');
    };
    expect(await full(true)).toEqual(await full(false));
  });

  test('a craft that makes no sense is not refused before its map is asked for', () => {
    const { work, said } = working();
    work.hear({ kind: 'warm', setting: { ...setting, craft: { ...setting.craft, massKg: 0 } }, grid, family });
    expect(said).toEqual([]);
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
    const { work, said } = working();
    work.hear({
      kind: 'task',
      id: 1,
      setting: { ...setting, craft: { ...setting.craft, gearRatio: 0 } },
      task: 'props',
      ask: { props },
    });
    expect(said).toEqual([
      { kind: 'answer', id: 1, result: { ok: false, problem: expect.objectContaining({ what: 'gearRatio' }) } },
    ]);
  });
});
