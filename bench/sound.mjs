// Studies of predicted sound: what another blade does at equal thrust and diameter.
import * as core from '../packages/core/dist/index.js';

const COUNT = 200;
const MOST_BLADES = 6;

/** 200 random craft: level against the same rotor with one blade more, hovering at 20 m. */
export function soundStudy(seed) {
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
