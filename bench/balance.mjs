// How well props whose unbalance is known are balanced by each method.
import * as core from '../packages/core/dist/index.js';

const PROPS = 500;
const GMM = 1e-6;

/** Props from three to fifteen inches with an unbalance as makers leave it, on a shaft with its own friction. */
export function balanceProps(seed) {
  const random = core.seededRandom(`${seed}/balance`);
  return Array.from({ length: PROPS }, () => {
    const diameterM = 3 * 5 ** random.next() * core.INCH_M;
    const bladeCount = random.next() < 0.5 ? 2 : 3;
    const geometry = core.labelGeometry(diameterM, 0.5 * diameterM, bladeCount, 'standard', 'glassNylon');
    const massKg = core.usualMassKg(geometry);
    const radiusM = diameterM / 2;
    const [mostOnBladeKgM, mostOnHubKgM] = ['blade', 'hub'].map((kind) =>
      core.mostTapeKgM(core.tapeSpot(kind, diameterM, core.USUAL_TAPE), core.USUAL_TAPE),
    );
    const targetKgM = Math.max(0.012 * massKg * radiusM * 0.12, 1.5 * 0.02 * GMM * (diameterM / 0.127) ** 2);
    const frictionKgM = ((0.25 + 0.5 * random.next()) * targetKgM) / 1.5;
    const amount = Math.min(2.5 * mostOnBladeKgM, targetKgM * 0.8 * 30 ** random.next());
    const inertiaKgM2 =
      core.propInertiaKgM2(massKg, diameterM, core.inertiaFactors.standard) * (1 + 0.075 * random.normal());
    return {
      diameterM,
      bladeCount,
      massKg,
      radiusM,
      mostOnBladeKgM,
      mostOnHubKgM,
      targetKgM,
      frictionKgM,
      unbalance: core.fromPolar(amount, 360 * random.next()),
      inertiaKgM2,
      estimateKgM2: core.propInertiaKgM2(massKg, diameterM, core.inertiaFactors.standard),
      random: core.seededRandom(`${seed}/prop/${diameterM}`),
    };
  });
}

const CHANGES_MOST = 12;

/** One tape job from the bare prop to its end. */
function tapeJob(prop, hasWatch) {
  const job = {
    bladeCount: prop.bladeCount,
    firstBladeDegrees: 0,
    frictionKgM: prop.frictionKgM,
    inertiaKgM2: prop.estimateKgM2,
    targetKgM: prop.targetKgM,
    mostOnBladeKgM: prop.mostOnBladeKgM,
    mostOnHubKgM: prop.mostOnHubKgM,
  };
  const observations = [];
  let tape = new Array(core.tapePlaces(job).length).fill(0);
  for (let changes = 0; changes <= CHANGES_MOST; changes++) {
    const seen = core.lookAtShaft(prop, core.tapeVector(tape, job), prop.random);
    observations.push({ tape, seen: seen.kind === 'stays' ? seen : { ...seen, fallS: hasWatch ? seen.fallS : null } });
    const state = core.tapeState(job, observations);
    if (state.verdict === 'contradiction') observations.splice(state.contradicting, 1);
    else if (state.verdict !== 'goOn')
      return {
        verdict: state.verdict,
        changes,
        left: core.amountOf(core.add(prop.unbalance, core.tapeVector(tape, job))),
      };
    if (state.next) tape = state.next;
  }
  return { verdict: 'goOn', changes: CHANGES_MOST, left: Infinity };
}

export function balanceStudy(seed) {
  return [
    ...tapeFigures(seed),
    ...swingFigures(seed),
    ...vibrationFigures(seed),
    ...recordingFigures(seed),
    slotFigure(seed),
  ];
}

function tapeFigures(seed) {
  const figures = [];
  for (const hasWatch of [false, true]) {
    const props = balanceProps(seed);
    const results = props.map((prop) => ({
      prop,
      ...tapeJob(prop, hasWatch),
      isBeyond: core.isBeyond({ ...prop, firstBladeDegrees: 0 }, prop.unbalance),
    }));
    const good = results.filter((r) => !r.isBeyond);
    const bad = results.filter((r) => r.isBeyond);
    const name = hasWatch ? 'balance.tape.watch' : 'balance.tape';
    const balanced = good.filter((r) => r.verdict === 'trued');
    figures.push(
      figure(`${name}.trials.median`, median(balanced.map((r) => r.changes)), '1', 4),
      figure(
        hasWatch ? 'balance.sendBack.watch.share' : 'balance.sendBack.share',
        bad.filter((r) => r.verdict === 'sendBack').length / Math.max(1, bad.length),
        '1',
        0.95,
      ),
      figure(
        hasWatch ? 'balance.sendBack.watch.falseShare' : 'balance.sendBack.falseShare',
        good.filter((r) => r.verdict === 'sendBack').length / Math.max(1, good.length),
        '1',
        0.05,
      ),
      figure(
        `${name}.reached.share`,
        balanced.filter((r) => r.left <= 1.25 * r.prop.targetKgM).length / good.length,
        '1',
        null,
      ),
      figure(`${name}.beyond.share`, bad.length / results.length, '1', null),
    );
  }
  return figures;
}

function swingFigures(seed) {
  const one = [];
  const two = [];
  for (const prop of balanceProps(`${seed}/swing`)) {
    const random = prop.random;
    const truth = core.amountOf(prop.unbalance);
    const hidden = { ...prop, inertiaKgM2: prop.estimateKgM2 * (1 + 0.15 * (2 * random.next() - 1)) };
    const startDegrees = 15 + 25 * random.next();
    const period = (tape, added) =>
      core.swingPeriod({
        tapsS: core.tapSwings(hidden, tape, startDegrees, 12, 0.04, added, random),
        isHalf: true,
        startDegrees,
      });
    try {
      const bare = period({ re: 0, im: 0 }, 0);
      one.push(Math.abs(core.oneSwing(bare, prop.estimateKgM2).unbalanceKgM / truth - 1));
      const tapeKgM = 1.2 * core.oneSwing(bare, prop.estimateKgM2).unbalanceKgM;
      const radiusM = core.TAPE_RADIUS_RATIO * prop.radiusM;
      const heavy = core.scale(prop.unbalance, tapeKgM / truth);
      const taped = period(heavy, tapeKgM * radiusM);
      const found = core.bestOfSwings(
        bare,
        core.twoSwings(bare, taped, tapeKgM, radiusM, 'heavy', prop.estimateKgM2),
        prop.estimateKgM2,
      );
      two.push(Math.abs(found.unbalanceKgM / truth - 1));
    } catch (error) {
      if (!(error instanceof core.CoreError)) throw error;
    }
  }
  return [
    figure('balance.swing.error.median', median(one), '1', 0.15),
    figure('balance.twoSwings.error.median', median(two), '1', 0.1),
    figure('balance.swing.count', two.length, '1', null),
  ];
}

const READINGS = 4;
const AMPLITUDE_RATIO = 0.05;
const PHASE_DEGREES = 3;

function vibrationFigures(seed) {
  const random = core.seededRandom(`${seed}/vibration`);
  const vector = [];
  const threePosition = [];
  for (let i = 0; i < PROPS; i++) {
    const truth = {
      before: core.fromPolar(1 + 4 * random.next(), 360 * random.next()),
      influence: core.fromPolar(2000 * (0.5 + random.next()), 360 * random.next()),
    };
    const mean = (mass) =>
      core.meanReading(
        Array.from({ length: READINGS }, () => core.readVibration(truth, mass, AMPLITUDE_RATIO, PHASE_DEGREES, random)),
      ).mean;
    const amplitude = (mass) =>
      Array.from({ length: READINGS }, () =>
        core.amountOf(core.readVibration(truth, mass, AMPLITUDE_RATIO, PHASE_DEGREES, random)),
      ).reduce((a, b) => a + b, 0) / READINGS;
    // A trial that changes the reading by about its own size.
    const trialKg = core.amountOf(truth.before) / core.amountOf(truth.influence);
    const gain = (correction) =>
      core.amountOf(truth.before) / Math.max(1e-9, core.residualAfter(truth.before, truth.influence, correction));
    const trial = core.fromPolar(trialKg, 0);
    vector.push(gain(core.onePlaneCorrection(mean({ re: 0, im: 0 }), trial, mean(trial)).correction));
    const places = [0, 120, 240];
    const refined = core.refineWithoutPhase({
      originalAmplitude: amplitude({ re: 0, im: 0 }),
      trialKg,
      trialDegrees: places,
      trialAmplitudes: places.map((degrees) => amplitude(core.fromPolar(trialKg, degrees))),
    });
    threePosition.push(gain(core.fromPolar(refined.correctionKg, refined.correctionDegrees)));
  }
  return [
    figure('balance.threePosition.gain.median', median(threePosition), '×', 12),
    figure('balance.threePosition.gain.p10', quantile(threePosition, 0.1), '×', 5),
    figure('balance.vector.gain.median', median(vector), '×', 12),
    figure('balance.vector.gain.p10', quantile(vector, 0.1), '×', 5),
  ];
}

const RECORDED = 120;
const RADIUS_M = 0.068;

/** Balance from a logger's file, both hands: a trial set by hand, one recording each, the proposed mass put on. */
function recordingFigures(seed) {
  const random = core.seededRandom(`${seed}/recording`);
  const gains = [];
  for (let i = 0; i < RECORDED; i++) {
    const turn = i % 2 === 0 ? 'cw' : 'ccw';
    const stand = {
      turn,
      speedRpm: 4000 + 4000 * random.next(),
      sensorDegrees: 360 * random.next(),
      gainPerKg: 2 + 3 * random.next(),
      lagDegrees: 360 * random.next(),
      rateHz: 3200,
      durationS: 1.2,
      noiseMPerS2: 0.05,
    };
    const heavy = { momentKgM: 1e-6 * (0.8 + 2 * random.next()), clockDegrees: 360 * random.next() };
    // Hands set a mass to a degree and a hundredth.
    const on = (massKg, degrees) => ({
      momentKgM: massKg * RADIUS_M * (1 + 0.01 * random.normal()),
      clockDegrees: core.clockwiseOf(degrees, turn) + random.normal(),
    });
    const recorded = (weights) => {
      const rows = core.recordShake(
        { ...stand, speedRpm: stand.speedRpm * (1 + 0.002 * random.normal()) },
        weights,
        random,
      );
      const found = core.onceAround(
        core.shakeRecording(
          rows.map((r) => r[0]),
          rows.map((r) => r[1]),
          rows.map((r) => r[2]),
          null,
        ),
      );
      return { amplitude: found.amplitudeMPerS2, phaseDegrees: found.phaseDegrees };
    };
    const trial = { massKg: heavy.momentKgM / RADIUS_M, degrees: 90 };
    const bare = recorded([heavy]);
    const runs = [
      { massKg: 0, degrees: 0, isCheck: false, readings: [bare] },
      { ...trial, isCheck: false, readings: [recorded([heavy, on(trial.massKg, trial.degrees)])] },
    ];
    const { correction } = core.vibrationState(runs, 1e3, RADIUS_M, stand.speedRpm);
    gains.push(bare.amplitude / recorded([heavy, on(correction.massKg, correction.degrees)]).amplitude);
  }
  return [
    figure('recording.vector.gain.median', median(gains), '×', 12),
    figure('recording.vector.gain.p10', quantile(gains, 0.1), '×', null),
  ];
}

function slotFigure(seed) {
  const random = core.seededRandom(`${seed}/slots`);
  const moments = Array.from({ length: 10 }, () => 50e-6 * (1 + 0.02 * random.normal()));
  const start = performance.now();
  core.placeBlades(moments, 10);
  return figure('balance.slots.ten.ms', performance.now() - start, 'ms', 200);
}

const median = (values) => quantile(values, 0.5);

function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(share * (sorted.length - 1))];
}

function figure(id, value, unit, target) {
  return { id, value, unit, baseline: null, target };
}
