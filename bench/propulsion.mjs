// Studies of the propulsion core: does anything break, and how far off is it on props it does not know?
import * as core from '../packages/core/dist/index.js';

const INCH = core.INCH_M;

/** Random valid propellers, motors and packs: every answer finite, no failure. */
export function randomInputs(seed) {
  const COUNT = 100_000;
  const FAMILIES = 60;
  const random = core.seededRandom(`${seed}/random`);
  const pick = (list) => list[Math.floor(random.next() * list.length)];
  const between = (low, high) => low * (high / low) ** random.next();
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  let failures = 0;
  const statuses = {};
  const families = Array.from({ length: FAMILIES }, () => ({
    bladeCount: 1 + Math.floor(8 * random.next()),
    tipShape: pick(core.tipShapes),
    section: pick(core.bladeSections),
    planform: pick(core.bladePlanforms),
    material: pick(core.propMaterials),
  }));
  for (let i = 0; i < COUNT; i++) {
    const isPiece = random.next() < 0.1;
    const diameterM = isPiece ? between(0.02, 0.8) : between(2.01 * INCH, 18 * INCH);
    const ratio = isPiece ? between(0.02, 1.9) : 0.08 + 1.12 * random.next();
    const geometry = {
      diameterM,
      pitchM: ratio * diameterM,
      ...pick(families),
      chord75M: null,
      angle75Rad: null,
      massKg: null,
      droopM: isPiece ? between(0.0001, 0.1) : null,
      rootCutOutRatio: null,
    };
    const motor = core.motorOf({
      statorDiameterM: between(0.008, 0.08),
      statorHeightM: between(0.003, 0.03),
      kvRpmPerV: between(60, 12_000),
      resistanceOhm: null,
      noLoadCurrentA: random.next() < 0.5 ? null : between(0.1, 3),
      massKg: null,
    });
    const powertrain = {
      prop: core.propellerModel(geometry, tables),
      drive: { motor, ...core.USUAL_ESC, motorTemperatureC: -20 + 120 * random.next() },
      supply: {
        openVoltageV: between(3, 60),
        resistanceOhm: between(0.001, 1),
        driveCount: 1 + Math.floor(8 * random.next()),
      },
      gearRatio: 1,
    };
    const results = [
      core.rotorAtThrottle(powertrain, random.next()),
      core.rotorAtThrust(powertrain, between(0.05, 100)),
    ];
    for (const result of results) {
      statuses[result.status] = (statuses[result.status] ?? 0) + 1;
      if (!isFinite(result)) failures++;
      else if ('prop' in result && !isFinite(core.rotorFigures(powertrain, result, 0.1))) failures++;
    }
  }
  console.log(
    `  ${Object.entries(statuses)
      .map(([status, count]) => `${status} ${count}`)
      .join(', ')}`,
  );
  return [{ id: 'core.random.failures', value: failures, unit: '1', baseline: null, target: 0 }];
}

function isFinite(value) {
  return typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value === 'object' && value !== null
      ? Object.values(value).every(isFinite)
      : true;
}

/**
 * The predictor against made-up props of another structure, over sizes people fly: how often is the truth inside its
 * interval?
 */
export function predictor(seed) {
  const random = core.seededRandom(`${seed}/predictor`);
  const pick = (list) => list[Math.floor(random.next() * list.length)];
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const COUNT = 4000;
  const byLabel = { thrust: [], power: [], insideThrust: 0, insidePower: 0 };
  const measured = { thrust: [], power: [], insideThrust: 0, insidePower: 0 };
  for (let i = 0; i < COUNT; i++) {
    const diameterM = (4 + 9 * random.next()) * INCH;
    const pitchM = (0.35 + 0.4 * random.next()) * diameterM;
    const bladeCount = 2 + Math.floor(3 * random.next());
    const tip = pick(core.tipShapes);
    const material = pick(['polycarbonate', 'glassNylon', 'carbonNylon', 'carbon']);
    const tipSpeed = 70 + 100 * random.next();
    const piece = core.simulatedProp(diameterM, pitchM, {
      bladeCount,
      tip,
      material,
      familySeed: `${seed}/${i}`,
      pieceSeed: `${seed}/${i}`,
    });
    const truth = core.simulatedCoefficients(piece, tipSpeed);
    const label = core.labelGeometry(diameterM, pitchM, bladeCount, tip, material);
    for (const [geometry, tally] of [
      [label, byLabel],
      [
        { ...label, chord75M: piece.widthRatio * core.usualChord75M(label), angle75Rad: core.gaugedAngleRad(piece) },
        measured,
      ],
    ]) {
      const model = core.propellerModel(geometry, tables);
      const point = core.propellerAt(model, (60 * tipSpeed) / (Math.PI * diameterM));
      const offThrust = truth.thrustCoefficient / point.thrustCoefficient - 1;
      const offPower = truth.powerCoefficient / point.powerCoefficient - 1;
      tally.thrust.push(offThrust);
      tally.power.push(offPower);
      if (Math.abs(offThrust) <= model.thrustUncertaintyRatio) tally.insideThrust++;
      if (Math.abs(offPower) <= model.powerUncertaintyRatio) tally.insidePower++;
    }
  }
  const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('predictor.thrust.bias', core.mean(byLabel.thrust)),
    figure('predictor.thrust.deviation', core.standardDeviation(byLabel.thrust)),
    figure('predictor.thrust.coverage', byLabel.insideThrust / COUNT, 0.9),
    figure('predictor.power.bias', core.mean(byLabel.power)),
    figure('predictor.power.deviation', core.standardDeviation(byLabel.power)),
    figure('predictor.power.coverage', byLabel.insidePower / COUNT, 0.9),
    figure('predictor.measured.thrust.deviation', core.standardDeviation(measured.thrust)),
    figure('predictor.measured.thrust.coverage', measured.insideThrust / COUNT),
    figure('predictor.measured.power.deviation', core.standardDeviation(measured.power)),
    figure('predictor.measured.power.coverage', measured.insidePower / COUNT),
  ];
}

/** How a few measured props of a maker's family pull the predictor onto the rest of it. */
export function calibrated(seed) {
  const random = core.seededRandom(`${seed}/calibrated`);
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const FAMILIES = 300;
  const before = [];
  const after = [];
  let inside = 0;
  for (let f = 0; f < FAMILIES; f++) {
    const piece = (k) => {
      const diameterM = (5 + 4 * random.next()) * INCH;
      const pitchM = (0.4 + 0.3 * random.next()) * diameterM;
      const tipSpeed = 120;
      const truth = core.simulatedCoefficients(
        core.simulatedProp(diameterM, pitchM, {
          bladeCount: 3,
          tip: 'standard',
          material: 'polycarbonate',
          familySeed: `${seed}/${f}`,
          pieceSeed: `${seed}/${f}/${k}`,
        }),
        tipSpeed,
      );
      const geometry = core.labelGeometry(diameterM, pitchM, 3, 'standard', 'polycarbonate');
      const model = core.propellerAt(core.propellerModel(geometry, tables), (60 * tipSpeed) / (Math.PI * diameterM));
      return {
        geometry,
        tipSpeed,
        truth: truth.thrustCoefficient,
        model: model.thrustCoefficient,
        pitchRatio: pitchM / diameterM,
      };
    };
    const measured = [1, 2, 3].map(piece);
    const thrust = core.calibrate(
      measured.map((p) => ({ pitchRatio: p.pitchRatio, logRatio: Math.log(p.truth / p.model) })),
    );
    const next = piece(4);
    const own = core.propellerModel(next.geometry, tables, { thrust, power: core.calibrate([]) });
    const off =
      next.truth / core.propellerAt(own, (60 * next.tipSpeed) / (Math.PI * next.geometry.diameterM)).thrustCoefficient -
      1;
    before.push(next.truth / next.model - 1);
    after.push(off);
    if (Math.abs(off) <= own.thrustUncertaintyRatio) inside++;
  }
  const rms = (values) => Math.sqrt(core.mean(values.map((v) => v * v)));
  const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('calibrated.thrust.before', rms(before)),
    figure('calibrated.thrust.after', rms(after), 0.05),
    figure('calibrated.thrust.inside', inside / FAMILIES, 0.9),
  ];
}

/**
 * Nine props of three makers on a motor that is not quite its label: an unmeasured one at full throttle, as the stand
 * would show it.
 */
export function calibratedMotor(seed) {
  const random = core.seededRandom(`${seed}/motor`);
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const CRAFT = 120;
  const LADDER = [0.3, 0.45, 0.6, 0.75, 0.9, 1];
  const DENSITY = core.STANDARD_ROTOR_AIR.densityKgPerM3;
  const thrust = [];
  const current = [];
  let insideThrust = 0;
  let insideCurrent = 0;
  for (let f = 0; f < CRAFT; f++) {
    const entries = {
      statorDiameterM: 0.025,
      statorHeightM: 0.007,
      kvRpmPerV: 950 + 250 * random.next(),
      resistanceOhm: null,
      noLoadCurrentA: null,
      massKg: null,
    };
    const label = core.motorOf(entries);
    const drive = { motor: label, ...core.usualEsc(6), motorTemperatureC: 60 };
    const motor = core.simulatedMotor(
      entries.kvRpmPerV,
      label.resistanceOhm * 1.1,
      core.estimateMotor(entries.statorDiameterM, entries.statorHeightM, entries.kvRpmPerV).noLoadCurrentA,
      `${seed}/${f}`,
    );
    const pack = { cellCount: 6, cellResistanceOhm: 0.0028, restingCellV: 4.12 };
    const piece = (k) => {
      const maker = `maker ${k % 3}`;
      const diameterM = (6.6 + 0.9 * random.next()) * INCH;
      const pitchM = (0.45 + 0.2 * random.next()) * diameterM;
      const truth = core.simulatedProp(diameterM, pitchM, {
        bladeCount: 3,
        tip: 'standard',
        material: 'polycarbonate',
        familySeed: `${seed}/${f}/${maker}`,
        pieceSeed: `${seed}/${f}/${k}`,
      });
      return { maker, truth, geometry: core.labelGeometry(diameterM, pitchM, 3, 'standard', 'polycarbonate') };
    };
    const settled = (truth, name) =>
      core
        .simulatedRun(truth, motor, pack, LADDER, DENSITY, `${seed}/${f}/${name}`)
        .map((s) => ({ ...s, powerW: s.currentA * s.voltageV }));
    const runs = Array.from({ length: 9 }, (_, k) => piece(k)).flatMap(({ maker, truth, geometry }, k) =>
      [0, 1].map((r) => ({
        propModelId: `p${k}`,
        family: maker,
        geometry,
        densityKgPerM3: DENSITY,
        steps: settled(truth, `${k}/${r}`),
      })),
    );
    const found = core.calibrateByRuns(runs, { drive, gearRatio: 1, tables });
    const next = piece(9 + (f % 3));
    const top = settled(next.truth, 'next').at(-1);
    const model = core.propellerModel(next.geometry, tables, core.correctionFor(found, null, next.maker));
    // The last step of the ladder, with the pack as it then was: one motor, what the checker showed.
    const supply = { openVoltageV: top.voltageV, resistanceOhm: 0, driveCount: 1 };
    const powertrain = { prop: model, drive: core.driveWith(drive, found.motor), supply, gearRatio: 1 };
    const predicted = core.fullThrottleOnStand(powertrain, found.motor);
    thrust.push(Math.abs(predicted.thrustN / top.thrustN - 1));
    current.push(Math.abs(predicted.currentA / top.currentA - 1));
    if (thrust.at(-1) <= predicted.thrustUncertaintyRatio) insideThrust++;
    if (current.at(-1) <= predicted.currentUncertaintyRatio) insideCurrent++;
  }
  const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('calibrated.fullThrust.error.median', core.median(thrust), 0.04),
    figure('calibrated.fullCurrent.error.median', core.median(current), 0.06),
    figure('calibrated.fullThrust.inside', insideThrust / CRAFT),
    figure('calibrated.fullCurrent.inside', insideCurrent / CRAFT),
  ];
}
