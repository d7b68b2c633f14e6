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
  const families = Array.from({ length: FAMILIES }, () => ({ bladeCount: 1 + Math.floor(8 * random.next()), tipShape: pick(core.tipShapes), section: pick(core.bladeSections), material: pick(core.propMaterials) }));
  for (let i = 0; i < COUNT; i++) {
    const isPiece = random.next() < 0.1;
    const diameterM = isPiece ? between(0.02, 0.8) : between(2.01 * INCH, 18 * INCH);
    const ratio = isPiece ? between(0.02, 1.9) : 0.08 + 1.12 * random.next();
    const geometry = { diameterM, pitchM: ratio * diameterM, ...pick(families), massKg: null, droopM: isPiece ? between(0.0001, 0.1) : null, rootCutOutRatio: null };
    const motor = core.motorOf({ statorDiameterM: between(0.008, 0.08), statorHeightM: between(0.003, 0.03), kvRpmPerV: between(60, 12_000), resistanceOhm: null, noLoadCurrentA: random.next() < 0.5 ? null : between(0.1, 3), massKg: null });
    const powertrain = { prop: core.propellerModel(geometry, tables), drive: { motor, ...core.USUAL_ESC, motorTemperatureC: -20 + 120 * random.next() }, supply: { openVoltageV: between(3, 60), resistanceOhm: between(0.001, 1), driveCount: 1 + Math.floor(8 * random.next()) }, gearRatio: 1 };
    const results = [core.rotorAtThrottle(powertrain, random.next()), core.rotorAtThrust(powertrain, between(0.05, 100))];
    for (const result of results) {
      statuses[result.status] = (statuses[result.status] ?? 0) + 1;
      if (!isFinite(result)) failures++;
      else if ('prop' in result && !isFinite(core.rotorFigures(powertrain, result, 0.1))) failures++;
    }
  }
  console.log(`  ${Object.entries(statuses).map(([status, count]) => `${status} ${count}`).join(', ')}`);
  return [{ id: 'core.random.failures', value: failures, unit: '1', baseline: null, target: 0 }];
}

function isFinite(value) {
  return typeof value === 'number' ? Number.isFinite(value) : typeof value === 'object' && value !== null ? Object.values(value).every(isFinite) : true;
}

/** The predictor against made-up props of another structure, over sizes people fly: how often is the truth inside its interval? */
export function predictor(seed) {
  const random = core.seededRandom(`${seed}/predictor`);
  const pick = (list) => list[Math.floor(random.next() * list.length)];
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const COUNT = 4000;
  const thrust = [];
  const power = [];
  let insideThrust = 0;
  let insidePower = 0;
  for (let i = 0; i < COUNT; i++) {
    const diameterM = (4 + 9 * random.next()) * INCH;
    const pitchM = (0.35 + 0.4 * random.next()) * diameterM;
    const bladeCount = 2 + Math.floor(3 * random.next());
    const tip = pick(core.tipShapes);
    const material = pick(['polycarbonate', 'glassNylon', 'carbonNylon', 'carbon']);
    const tipSpeed = 70 + 100 * random.next();
    const truth = core.simulatedCoefficients(core.simulatedProp(diameterM, pitchM, { bladeCount, tip, material, familySeed: `${seed}/${i}`, pieceSeed: `${seed}/${i}` }), tipSpeed);
    const model = core.propellerModel(core.labelGeometry(diameterM, pitchM, bladeCount, tip, material), tables);
    const point = core.propellerAt(model, (60 * tipSpeed) / (Math.PI * diameterM));
    const offThrust = truth.thrustCoefficient / point.thrustCoefficient - 1;
    const offPower = truth.powerCoefficient / point.powerCoefficient - 1;
    thrust.push(offThrust);
    power.push(offPower);
    if (Math.abs(offThrust) <= model.thrustUncertaintyRatio) insideThrust++;
    if (Math.abs(offPower) <= model.powerUncertaintyRatio) insidePower++;
  }
  const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('predictor.thrust.bias', core.mean(thrust)),
    figure('predictor.thrust.deviation', core.standardDeviation(thrust)),
    figure('predictor.thrust.inside', insideThrust / COUNT, 0.9),
    figure('predictor.power.bias', core.mean(power)),
    figure('predictor.power.deviation', core.standardDeviation(power)),
    figure('predictor.power.inside', insidePower / COUNT, 0.9),
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
      const truth = core.simulatedCoefficients(core.simulatedProp(diameterM, pitchM, { bladeCount: 3, tip: 'standard', material: 'polycarbonate', familySeed: `${seed}/${f}`, pieceSeed: `${seed}/${f}/${k}` }), tipSpeed);
      const geometry = core.labelGeometry(diameterM, pitchM, 3, 'standard', 'polycarbonate');
      const model = core.propellerAt(core.propellerModel(geometry, tables), (60 * tipSpeed) / (Math.PI * diameterM));
      return { geometry, tipSpeed, truth: truth.thrustCoefficient, model: model.thrustCoefficient, pitchRatio: pitchM / diameterM };
    };
    const measured = [1, 2, 3].map(piece);
    const thrust = core.calibrate(measured.map((p) => ({ pitchRatio: p.pitchRatio, logRatio: Math.log(p.truth / p.model) })));
    const next = piece(4);
    const own = core.propellerModel(next.geometry, tables, { thrust, power: core.calibrate([]) });
    const off = next.truth / core.propellerAt(own, (60 * next.tipSpeed) / (Math.PI * next.geometry.diameterM)).thrustCoefficient - 1;
    before.push(next.truth / next.model - 1);
    after.push(off);
    if (Math.abs(off) <= own.thrustUncertaintyRatio) inside++;
  }
  const rms = (values) => Math.sqrt(core.mean(values.map((v) => v * v)));
  const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });
  return [figure('calibrated.thrust.before', rms(before)), figure('calibrated.thrust.after', rms(after), 0.05), figure('calibrated.thrust.inside', inside / FAMILIES, 0.9)];
}
