// Figures of the propulsion core: one point, one table, one look-up, one equilibrium, one candidate.
import crypto from 'node:crypto';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import * as core from '../packages/core/dist/index.js';
import { medianMs } from './report.mjs';

const BASELINE = fileURLToPath(new URL('../packages/core/fixtures/baseline-27.mjs', import.meta.url));
const BASELINE_SHA256 = '63a798d70c0e85ded34c732812c9e7ee290c4f4365959a2baafa79f9c0f452f9';
const POINTS = 4000;
const INCH = core.INCH_M;
const NAMES = {
  soft: 'softPlastic',
  polycarbonate: 'polycarbonate',
  glass_nylon: 'glassNylon',
  carbon_nylon: 'carbonNylon',
  carbon: 'carbon',
  wood: 'wood',
};

/** Random propellers over the whole fitted range, at random tip speeds up to Mach 0.7. */
export function randomPoints(seed, count) {
  const random = core.seededRandom(`${seed}/points`);
  const pick = (list) => list[Math.floor(random.next() * list.length)];
  return Array.from({ length: count }, () => {
    const diameter_in = 2 * 9 ** random.next();
    const pitch_in = diameter_in * (0.08 + 1.12 * random.next());
    const blades = 1 + Math.floor(8 * random.next());
    const tipShape = pick(core.tipShapes);
    const material = pick(Object.keys(NAMES));
    const geometry = core.labelGeometry(diameter_in * INCH, pitch_in * INCH, blades, tipShape, NAMES[material]);
    const mass_g = random.next() < 0.5 ? null : 1000 * core.usualMassKg(geometry) * (0.75 + 0.6 * random.next());
    const tipSpeed = 20 + 215 * random.next();
    return {
      plain: { diameter_in, pitch_in, blades, tipShape, material, mass_g },
      geometry: { ...geometry, massKg: mass_g === null ? null : mass_g / 1000 },
      tipSpeed,
      rpm: (60 * tipSpeed) / (Math.PI * diameter_in * INCH),
    };
  });
}

export async function pickFigures(seed) {
  const digest = crypto.createHash('sha256').update(fs.readFileSync(BASELINE)).digest('hex');
  if (digest !== BASELINE_SHA256) throw new Error(`The baseline was changed: its digest is ${digest}.`);
  const { ref } = await import(BASELINE);
  const air = core.STANDARD_ROTOR_AIR;
  const points = randomPoints(seed, POINTS);
  const solve = ({ geometry, rpm }) => core.bladeElement(core.prepareProp(geometry), air, rpm);
  const offs = points.map((p) => off(solve(p), ref(p.plain, p.rpm)));
  const evaluations = points.map((p) => solve(p).polarCount);
  const timed = points.slice(0, 400);
  const baselineMs = medianMs(() => timed.forEach((p) => ref(p.plain, p.rpm)), 7);
  const ownMs = medianMs(() => timed.forEach(solve), 7);
  return [
    figure('pick.point.ratio', baselineMs / ownMs, '×', 4),
    figure('pick.point.us', (1000 * ownMs) / timed.length, 'µs', null, (1000 * baselineMs) / timed.length),
    figure('pick.point.evaluations', Math.max(...evaluations), '1', 350),
    figure('pick.point.worst', Math.max(...offs), '1', 0.005),
    ...tableFigures(seed),
    ...rotorFigures(seed),
    ...(await spaceFigures(seed)),
  ];
}

function tableFigures(seed) {
  const random = core.seededRandom(`${seed}/table`);
  const family = {
    bladeCount: 3,
    tipShape: 'standard',
    section: 'cambered',
    planform: 'usual',
    material: 'polycarbonate',
  };
  const air = core.STANDARD_ROTOR_AIR;
  const table = new core.CoefficientTable(family, air).complete();
  const places = Array.from({ length: POINTS }, () => ({
    diameterM: 2 * 9 ** random.next() * INCH,
    ratio: 0.08 + 1.12 * random.next(),
    tipSpeed: 20 + 215 * random.next(),
  }));
  const offs = places
    .map(({ diameterM, ratio, tipSpeed }) => {
      const geometry = {
        ...core.labelGeometry(diameterM, ratio * diameterM, family.bladeCount, family.tipShape, family.material),
      };
      const direct = core.bladeElement(core.prepareProp(geometry), air, (60 * tipSpeed) / (Math.PI * diameterM));
      const found = table.at(diameterM, ratio, tipSpeed);
      return off(found, { CT: direct.thrustCoefficient, CP: direct.powerCoefficient });
    })
    .sort((a, b) => a - b);
  const lookupMs = medianMs(() =>
    places.forEach(({ diameterM, ratio, tipSpeed }) => table.at(diameterM, ratio, tipSpeed)),
  );
  return [
    figure(
      'pick.table.ms',
      medianMs(() => new core.CoefficientTable(family, air).complete(), 7),
      'ms',
      300,
    ),
    figure('pick.table.p99', offs[Math.floor(0.99 * offs.length)], '1', 0.005),
    figure('pick.table.worst', offs.at(-1), '1', 0.01),
    figure('pick.lookup.us', (1000 * lookupMs) / places.length, 'µs', 3),
  ];
}

function rotorFigures(seed) {
  const random = core.seededRandom(`${seed}/rotor`);
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const motor = core.motorOf({
    statorDiameterM: 0.023,
    statorHeightM: 0.006,
    kvRpmPerV: 1750,
    resistanceOhm: null,
    noLoadCurrentA: null,
    massKg: null,
  });
  const drive = { motor, ...core.USUAL_ESC, motorTemperatureC: 60 };
  const supply = { openVoltageV: 23.2, resistanceOhm: 0.02, driveCount: 4 };
  const geometries = Array.from({ length: 400 }, () =>
    core.labelGeometry((4.6 + random.next()) * INCH, (3 + 2 * random.next()) * INCH, 3, 'standard', 'polycarbonate'),
  );
  const powertrains = geometries.map((geometry) => ({
    prop: core.propellerModel(geometry, tables),
    drive,
    supply,
    gearRatio: 1,
  }));
  const equilibriumMs = medianMs(() =>
    powertrains.forEach((p, i) => core.rotorAtThrottle(p, 0.2 + (0.8 * i) / powertrains.length)),
  );
  const candidateMs = medianMs(() =>
    geometries.forEach((geometry) =>
      candidate({ prop: core.propellerModel(geometry, tables), drive, supply, gearRatio: 1 }),
    ),
  );
  return [
    figure('pick.equilibrium.us', (1000 * equilibriumMs) / powertrains.length, 'µs', 15),
    figure('pick.candidate.us', (1000 * candidateMs) / geometries.length, 'µs', 200),
  ];
}

/** Hover, full throttle, a curve of twenty points and every static figure. */
function candidate(powertrain) {
  const full = core.rotorAtThrottle(powertrain, 1);
  const hover = core.rotorAtThrust(powertrain, core.carryThrustN(0.65, 4));
  if (full.status !== 'turning' || hover.status !== 'held') throw new Error('A bench candidate does not fly.');
  core.rotorCurve(powertrain, full.speedRpm, 20);
  core.rotorFigures(powertrain, full, 0.11);
  core.rotorFigures(powertrain, hover, 0.11);
  core.lowThrottleRise(powertrain, full.prop.thrustN);
  core.rotorSound(powertrain.prop, hover, { distanceM: 10, angleDegrees: 120 }, 4);
}

function off({ thrustCoefficient, powerCoefficient }, { CT, CP }) {
  return Math.max(Math.abs(thrustCoefficient / CT - 1), Math.abs(powerCoefficient / CP - 1));
}

function figure(id, value, unit, target, baseline = null) {
  return { id, value, unit, baseline, target };
}

/** A craft of the bench: a survey quad whose weight and motor vary a little with the seed. */
function benchCraft(seed) {
  const random = core.seededRandom(`${seed}/craft`);
  return {
    kind: 'multirotor',
    rotorCount: 4,
    gearRatio: 1,
    shaftDiameterM: null,
    needed: { cwCount: 2, ccwCount: 2 },
    isCoaxial: false,
    armM: 0.147,
    neighbourDistanceM: 0.208,
    clearanceDiameterM: 0.2,
    groundClearanceM: null,
    boomClearanceM: null,
    massKg: 1.7 + 0.5 * random.next(),
    motor: {
      statorDiameterM: 0.025,
      statorHeightM: 0.007,
      kvRpmPerV: 1000 + 200 * random.next(),
      resistanceOhm: null,
      noLoadCurrentA: null,
      massKg: null,
    },
    motorLimitA: null,
    escLimitA: 42,
    pack: { chemistry: 'lipo', seriesCount: 6, capacityAh: 4, cellResistanceOhm: null, cRating: null },
    standbyPowerW: 5,
    ductThrustRatio: null,
    style: 'normal',
    airC: 12,
  };
}

/** One tab from ready tables, the whole space on two workers with their tables still to make, and scoring it anew. */
async function spaceFigures(seed) {
  const craft = benchCraft(seed);
  const prepared = core.prepareCraft(craft, new core.CoefficientTables(core.STANDARD_ROTOR_AIR));
  const grid = core.pickGrid(craft, 7.2 * INCH);
  const family = { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' };
  const work = (f) => {
    const map = core.emptyPickMap(f, grid);
    for (const _ of core.refineMap(prepared, map));
    return map;
  };
  work(family);
  const mapMs = medianMs(() => work(family), 5);
  const families = core.pickFamilies();
  const startMs = performance.now();
  const parts = await Promise.all(
    [0, 1].map((half) => inWorker({ craft, grid, families: families.filter((_, i) => i % 2 === half) })),
  );
  const spaceS = (performance.now() - startMs) / 1000;
  const tables = parts.flat();
  const scale = core.scaleOf(tables);
  const goodness = tables.map((values) => core.goodnessTable(scale, values));
  const rerankMs = medianMs(() => goodness.forEach((table) => core.scoreTable(table, core.useWeights.windySite)), 5);
  return [
    figure('pick.map.ms', mapMs, 'ms', 300),
    figure('pick.space.s', spaceS, 's', 8),
    figure('pick.rerank.ms', rerankMs, 'ms', 50),
  ];
}

function inWorker(workerData) {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./pickSpace.worker.mjs', import.meta.url), { workerData });
    worker.once('message', resolve);
    worker.once('error', reject);
  });
}
