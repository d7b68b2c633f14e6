import * as core from '../packages/core/dist/index.js';

const INCH = core.INCH_M;
const LADDER = [0.3, 0.45, 0.6, 0.75, 0.9, 1];
const DENSITY = core.STANDARD_ROTOR_AIR.densityKgPerM3;
const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });

const MOTOR_SIZE = {
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  resistanceOhm: null,
  noLoadCurrentA: null,
  massKg: null,
};
const PACK = { cellCount: 6, cellResistanceOhm: 0.003, restingCellV: 4.15 };

/** A motor as its label says it, and as it is. */
function motorOf(kvRpmPerV, seed) {
  const label = core.motorOf({ ...MOTOR_SIZE, kvRpmPerV });
  const estimate = core.estimateMotor(MOTOR_SIZE.statorDiameterM, MOTOR_SIZE.statorHeightM, kvRpmPerV);
  return {
    drive: { motor: label, ...core.usualEsc(PACK.cellCount), motorTemperatureC: 60 },
    truth: core.simulatedMotor(kvRpmPerV, label.resistanceOhm, estimate.noLoadCurrentA, seed),
  };
}

const FAMILIES = 200;

/**
 * A family of four props of one maker on one motor: three are measured twice each, the fourth is predicted at full
 * throttle, with what the three taught and without.
 */
export function calibrationStudy(seed) {
  const random = core.seededRandom(`${seed}/families`);
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const calibrated = [];
  const plain = [];
  let inside = 0;
  for (let f = 0; f < FAMILIES; f++) {
    const { drive, truth: motor } = motorOf(950 + 250 * random.next(), `${seed}/${f}`);
    const bladeCount = 2 + Math.floor(2 * random.next());
    const piece = (k) => {
      const diameterM = (6.4 + 1.2 * random.next()) * INCH;
      const pitchM = (0.42 + 0.24 * random.next()) * diameterM;
      const truth = core.simulatedProp(diameterM, pitchM, {
        bladeCount,
        tip: 'standard',
        material: 'polycarbonate',
        familySeed: `${seed}/${f}`,
        pieceSeed: `${seed}/${f}/${k}`,
      });
      return { truth, geometry: core.labelGeometry(diameterM, pitchM, bladeCount, 'standard', 'polycarbonate') };
    };
    const run = (truth, name) =>
      core
        .simulatedRun(truth, motor, PACK, LADDER, DENSITY, `${seed}/${f}/${name}`)
        .map((s) => ({ ...s, powerW: s.currentA * s.voltageV }));
    const runs = [0, 1, 2].flatMap((k) => {
      const { truth, geometry } = piece(k);
      return [0, 1].map((r) => ({
        propModelId: `p${k}`,
        family: 'maker',
        geometry,
        densityKgPerM3: DENSITY,
        steps: run(truth, `${k}/${r}`),
      }));
    });
    const found = core.calibrateByRuns(runs, { drive, gearRatio: 1, tables });
    const next = piece(3);
    const top = run(next.truth, 'next').at(-1);
    const supply = { openVoltageV: top.voltageV, resistanceOhm: 0, driveCount: 1 };
    const predict = (calibration) => {
      const prop = core.propellerModel(next.geometry, tables, calibration && core.correctionFor(found, null, 'maker'));
      const powertrain = {
        prop,
        drive: calibration ? core.driveWith(drive, found.motor) : drive,
        supply,
        gearRatio: 1,
      };
      return core.fullThrottleOnStand(powertrain, calibration ? found.motor : null);
    };
    const told = predict(found);
    calibrated.push(Math.abs(told.thrustN / top.thrustN - 1));
    plain.push(Math.abs(predict(null).thrustN / top.thrustN - 1));
    if (calibrated.at(-1) <= told.thrustUncertaintyRatio) inside++;
  }
  return [
    figure('calibration.error.median', core.median(calibrated), 0.05),
    figure('calibration.gain', core.median(plain) / core.median(calibrated), 2),
    figure('calibration.inside', inside / FAMILIES),
  ];
}

const CAMPAIGNS = 300;
const PROPS = 9;
const RUNS = 3;
/** Between runs of one piece: nut, place of the cup, draught; thrust and current, relative. */
const BETWEEN = { thrust: 0.006, current: 0.008 };
/** From the first run of an evening to its last, at most. */
const DRIFT = { thrust: 0.02, current: 0.015 };
const GAIN_RATIO = 0.01;

/**
 * Evenings whose truth is known: nine props in the planned order, three runs each, instruments off by a gain of their
 * own the whole evening and drifting steadily, every run with a scatter. Some props are the reference's equal, one is
 * three spreads better.
 */
export function coverageStudy(seed) {
  const held = { thrust: [0, 0], efficiency: [0, 0] };
  const widths = [];
  const equal = [0, 0];
  const apart = [0, 0];
  for (let c = 0; c < CAMPAIGNS; c++) {
    const { input, truths, kinds } = evening(`${seed}/${c}`);
    const [runs] = [core.campaignRuns(input)];
    const spreads = core.campaignSpreads([runs]);
    const results = core.reduceCampaign(input);
    for (const [name, point, what] of [
      ['thrust', 'full', 'thrustN'],
      ['efficiency', 'hover', 'thrustPerPowerNPerW'],
    ]) {
      const spread = spreads.get(`${point}:${what}`);
      const reference = core.valuesAt(runs.of.get('p0'), point, what);
      for (const prop of results.props.slice(1)) {
        const shown = prop.points[point][what];
        const own = core.valuesAt(runs.of.get(prop.propModelId), point, what);
        const { ratio, halfWidth: half } = core.differenceOf(spread, own, reference, 0.9);
        const truth = truths.get(prop.propModelId)[name] / truths.get('p0')[name] - 1;
        held[name][0] += Math.abs(ratio - truth) <= half ? 1 : 0;
        held[name][1]++;
        if (name !== 'thrust') continue;
        widths.push(half / ((1 + ratio) * 1.6449 * BETWEEN.thrust * Math.sqrt(1 / own.length + 1 / reference.length)));
        const kind = kinds.get(prop.propModelId);
        if (kind === 'equal') {
          equal[0] += shown.comparison === 'same' ? 0 : 1;
          equal[1]++;
        }
        if (kind === 'apart') {
          apart[0] += shown.comparison === 'same' ? 1 : 0;
          apart[1]++;
        }
      }
    }
  }
  const share = ([hit, all]) => hit / all;
  return [
    figure('coverage.thrust', share(held.thrust), 0.9),
    figure('coverage.efficiency', share(held.efficiency), 0.9),
    figure('coverage.width.ratio', core.median(widths), 1.5),
    figure('coverage.falseDifferent', share(equal), 0.1),
    figure('coverage.missedDifferent', share(apart), 0.1),
  ];
}

/** One evening: what was read, and what is so. */
function evening(seed) {
  const random = core.seededRandom(seed);
  const { drive, truth: motor } = motorOf(1080, seed);
  const gain = { thrust: 1 + GAIN_RATIO * random.normal(), current: 1 + GAIN_RATIO * random.normal() };
  const drift = {
    thrust: DRIFT.thrust * (2 * random.next() - 1),
    current: DRIFT.current * (2 * random.next() - 1),
  };
  const kinds = new Map();
  const pieces = Array.from({ length: PROPS }, (_, i) => {
    const kind = i === 0 ? 'reference' : i <= 2 ? 'equal' : i === 3 ? 'apart' : 'other';
    kinds.set(`p${i}`, kind);
    const size = kind === 'other' ? i : 0;
    const truth = core.simulatedProp((6.8 + 0.12 * size) * INCH, (3.5 + 0.1 * size) * INCH, {
      bladeCount: 3,
      tip: 'standard',
      material: 'polycarbonate',
      familySeed: `${seed}/${size}`,
      pieceSeed: `${seed}/${size}`,
    });
    // Three between-run spreads more pull at the same speed and power.
    return { id: `p${i}`, truth, pull: kind === 'apart' ? 1 + 3 * BETWEEN.thrust : 1 };
  });
  const still = (truth) =>
    core.simulatedRun(truth, motor, PACK, LADDER, DENSITY, seed, { thrust: 1, current: 1, speed: 1, noiseRatio: 0 });
  const order = core.planEvening({
    propIds: pieces.slice(1).map((p) => p.id),
    referenceId: 'p0',
    runsPerProp: RUNS,
    rigs: [{ kitId: null, packIds: ['a', 'b', 'c'] }],
    mostBetween: 6,
  });
  const ordinals = new Map();
  const runs = order.map(({ propId }, place) => {
    const { truth, pull } = pieces.find((p) => p.id === propId);
    const ordinal = (ordinals.get(propId) ?? 0) + 1;
    ordinals.set(propId, ordinal);
    const along = place / (order.length - 1);
    const bench = {
      thrust: gain.thrust * (1 + drift.thrust * along) * (1 + BETWEEN.thrust * random.normal()) * pull,
      current: gain.current * (1 + drift.current * along) * (1 + BETWEEN.current * random.normal()),
      speed: 1,
      noiseRatio: 0.5,
    };
    const pack = { ...PACK, restingCellV: PACK.restingCellV + 0.01 * random.normal() };
    return {
      ...runRecord(propId, ordinal, place),
      steps: core.simulatedRun(truth, motor, pack, LADDER, DENSITY, `${seed}/${place}`, bench),
    };
  });
  const input = inputOf(drive, pieces, runs);
  // The truth is read as any run is, with instruments that are right.
  const exact = inputOf(
    drive,
    pieces,
    pieces.map(({ id, truth, pull }) => ({
      ...runRecord(id, 1, 0),
      steps: still(truth).map((s) => ({ ...s, thrustN: s.thrustN * pull })),
    })),
  );
  const truths = new Map(
    core.reduceCampaign(exact).props.map(({ propModelId, points }) => [
      propModelId,
      {
        thrust: points.full.thrustN.figure.value,
        efficiency: points.hover.thrustPerPowerNPerW.figure.value,
      },
    ]),
  );
  return { input, truths, kinds };
}

const runRecord = (propModelId, ordinal, place) => ({
  id: `${propModelId}-${ordinal}`,
  propModelId,
  origin: 'simulated',
  ordinal,
  protocolVersion: 1,
  place,
  findings: null,
  corrections: [],
  staleChecks: [],
  densityKgPerM3: DENSITY,
  zeroBeforeN: null,
  zeroAfterN: null,
  restingCellV: 4.15,
  readingKinds: {},
});

const inputOf = (drive, pieces, runs) => ({
  craft: {
    name: 'Study',
    kind: 'multirotor',
    massKg: 1.9,
    rotorCount: 4,
    escLimitA: null,
    motorLimitA: null,
    clearanceDiameterM: null,
    drive,
    gearRatio: 1,
  },
  props: pieces.map(({ id, truth }) => ({ id, name: id, diameterM: truth.diameterM, speedLimitRpm: null })),
  referencePropId: 'p0',
  gateCellV: null,
  protocolVersion: 1,
  protocol: null,
  runs,
  chosenThrottleRatio: 0.6,
});
