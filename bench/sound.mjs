// Studies of sound: what another blade does at equal thrust and diameter, whether speeds are heard, and whether the
// quieter of two props is.
import * as core from '../packages/core/dist/index.js';

const COUNT = 200;
const MOST_BLADES = 6;

export function soundStudy(seed) {
  return [...bladeStudy(seed), ...speedStudy(seed), ...rankStudy(seed)];
}

/** 200 random craft: level against the same rotor with one blade more, hovering at 20 m. */
function bladeStudy(seed) {
  const random = core.seededRandom(`${seed}/sound`);
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  const steps = Array.from({ length: MOST_BLADES - 2 }, () => []);
  for (let i = 0; i < COUNT; i++) {
    const diameterM = (3 + 12 * random.next()) * core.INCH_M;
    const pitchM = (0.35 + 0.4 * random.next()) * diameterM;
    const massKg = 26 * diameterM ** 2 * (0.7 + 1.2 * random.next());
    const craft = {
      kind: 'multirotor',
      rotorCount: 4,
      isCoaxial: false,
      armM: diameterM,
      neighbourDistanceM: null,
      clearanceDiameterM: null,
      groundClearanceM: null,
      boomClearanceM: null,
      massKg,
      gearRatio: 1,
      shaftDiameterM: null,
      needed: { cwCount: 2, ccwCount: 2 },
      motor: {
        statorDiameterM: 0.12 * diameterM + 0.006,
        statorHeightM: 0.02 * diameterM + 0.003,
        kvRpmPerV: 110 / diameterM,
        resistanceOhm: null,
        noLoadCurrentA: null,
        massKg: null,
      },
      motorLimitA: null,
      escLimitA: null,
      pack: { chemistry: 'lipo', seriesCount: 6, capacityAh: 3 * massKg, cellResistanceOhm: null, cRating: null },
      standbyPowerW: core.usualStandbyW('multirotor', massKg),
      ductThrustRatio: null,
      style: 'normal',
      airC: 15,
    };
    const prepared = core.prepareCraft(craft, tables);
    const levels = Array.from(
      { length: MOST_BLADES - 1 },
      (_, k) =>
        core.evaluateCandidate(prepared, core.labelGeometry(diameterM, pitchM, k + 2, 'standard', 'glassNylon')).figures
          .levelDb,
    );
    steps.forEach((list, k) => Number.isFinite(levels[k + 1] - levels[k]) && list.push(levels[k + 1] - levels[k]));
  }
  const names = ['twoToThree', 'threeToFour', 'fourToFive', 'fiveToSix'];
  return steps.map((list, k) => ({
    id: `sound.blades.${names[k]}.db`,
    value: core.median(list),
    unit: 'dB',
    baseline: null,
    target: k === 0 ? -1 : null,
  }));
}

const HEARINGS = 350;
const HEARING_RATE_HZ = 24_000;
/** A speed within this of the truth is heard. */
const RIGHT_RATIO = 0.005;
/** Further off than this and near a simple multiple is not an error of reading but another comb. */
const MULTIPLE_RATIO = 0.03;
const MULTIPLES = [1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 4 / 3, 3 / 2, 2, 3, 4];

/**
 * A rotor of two to eight blades before a microphone, its first pass 10 dB above the noise in the ear's band around it:
 * blades not quite alike, a speed that wanders, ground that throws back, wind, now and then a tractor. Blades are
 * known, the speed is not.
 */
function speedStudy(seed) {
  let [within, unflagged] = [0, 0];
  for (let i = 0; i < HEARINGS; i++) {
    const random = core.seededRandom(`${seed}/hearing/${i}`);
    const between = (low, high) => low + (high - low) * random.next();
    const bladeCount = 2 + (i % 7);
    const passingHz = 70 * (1300 / 70) ** random.next();
    const rpm = (60 * passingHz) / bladeCount;
    const noise = {
      seed: `${seed}/hearing/${i}`,
      rateHz: HEARING_RATE_HZ,
      durationS: 4,
      rotors: [],
      rushDb: 60,
      backgroundDb: between(40, 58),
      tractorDb: random.next() < 0.2 ? between(45, 60) : null,
    };
    const quiet = core.welchSpectrum(core.simulateMicrophone(noise), HEARING_RATE_HZ, 8192);
    const half = core.criticalBandwidthHz(passingHz) / 2;
    const around = core.levelOfMeanSquare(core.meanSquareBetween(quiet, passingHz - half, passingHz + half));
    const sound = core.simulateMicrophone({
      ...noise,
      rotors: [
        {
          rpm,
          bladeCount,
          toneDb: around + 10,
          fallDb: between(1, 7),
          unevenRatio: between(0.005, 0.15),
        },
      ],
      reflection: { ratio: between(0.2, 0.7), delayS: between(0.001, 0.02) },
      wanderRatio: between(0, 0.0015),
    });
    const [comb] = core.bladeCombs(core.analyseSound(sound, HEARING_RATE_HZ).spectrum, { bladeCount });
    const ratio = comb ? comb.rpm / rpm : 0;
    if (Math.abs(ratio - 1) <= RIGHT_RATIO) within++;
    else if (MULTIPLES.some((m) => Math.abs(ratio / m - 1) < MULTIPLE_RATIO) && comb.otherRpm.length === 0) unflagged++;
  }
  const figure = (id, value, target) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('sound.rpm.within', within / HEARINGS, 0.95),
    figure('sound.multiple.unflagged', unflagged / HEARINGS, 0.01),
  ];
}

const PAIRS = 100;
const APART_DB = 4;

/** Two props 4 dB apart at equal thrust, three thrusts each and twice, with a place that is never quite the same. */
function rankStudy(seed) {
  let [right, told] = [0, 0];
  for (let i = 0; i < PAIRS; i++) {
    const random = core.seededRandom(`${seed}/pair/${i}`);
    const between = (low, high) => low + (high - low) * random.next();
    const hoverN = between(3, 40);
    const slopeDb = between(24, 36);
    const loudDb = between(62, 75);
    const backgroundDb = loudDb - between(8, 25);
    const quieter = random.next() < 0.5 ? 'one' : 'other';
    const listened = (name, thrustN, levelDb) => {
      const sound = core.simulateMicrophone({
        seed: `${seed}/pair/${i}/${name}/${thrustN}/${random.next()}`,
        rateHz: 16_000,
        durationS: 1.5,
        rotors:
          levelDb === null
            ? []
            : [
                {
                  rpm: 7000 * Math.sqrt(thrustN / hoverN),
                  bladeCount: 2,
                  toneDb: levelDb - 6,
                  fallDb: 4,
                  unevenRatio: 0.02,
                },
              ],
        rushDb: levelDb,
        backgroundDb,
      });
      return core.analyseSound(sound, 16_000).levels.aDb;
    };
    const take = (name, thrustN, levelDb) => ({
      id: '',
      soundKey: name,
      levelDb: listened(name, thrustN, levelDb),
      distanceM: 5,
      thrustN,
      clippedRatio: 0,
    });
    const takes = [take(null, null, null)];
    for (let round = 0; round < 2; round++)
      for (const name of ['one', 'other'])
        for (const part of [0.7, 1, 1.4]) {
          const levelDb =
            loudDb - (name === quieter ? APART_DB : 0) + slopeDb * Math.log10(part) + 0.9 * random.normal();
          takes.push(take(name, hoverN * part * between(0.95, 1.05), levelDb));
        }
    const heard = core.hearTakes(takes, 5).filter((t) => t.fault === null);
    const other = core.rankSounds(heard, 'one', hoverN).sounds.find((s) => s.soundKey === 'other');
    const says = other?.verdict;
    const isTold = says === 'quieter' || says === 'louder';
    if (isTold) told++;
    if (!isTold || (says === 'quieter') === (quieter === 'other')) right++;
  }
  const figure = (id, value, target) => ({ id, value, unit: '1', baseline: null, target });
  return [figure('sound.rank.right', right / PAIRS, 0.98), figure('sound.rank.told', told / PAIRS, 0.8)];
}
