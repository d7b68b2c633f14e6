import * as core from '../packages/core/dist/index.js';

const motor = core.simulatedMotor(1080, 0.136, 0.67, 'bench');
const drive = {
  motor: core.motorOf({
    statorDiameterM: 0.025,
    statorHeightM: 0.007,
    kvRpmPerV: 1080,
    resistanceOhm: null,
    noLoadCurrentA: null,
    massKg: null,
  }),
  ...core.usualEsc(6),
  motorTemperatureC: 60,
};
const LADDER = [0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1];

/** A simulated stand evening as the reduction takes it; props that are `alike` share one truth. */
export function simulatedCampaign({ seed, propCount, runCount, alike = false, stepCount = 7 }) {
  const ladder =
    stepCount === LADDER.length ? LADDER : Array.from({ length: stepCount }, (_, i) => (i + 1) / stepCount);
  const props = Array.from({ length: propCount }, (_, i) => {
    const size = alike ? 0 : i;
    const diameterM = (6.6 + 0.15 * size) * core.INCH_M;
    return {
      id: `prop-${i}`,
      name: `Prop ${i}`,
      diameterM,
      speedLimitRpm: null,
      truth: core.simulatedProp(diameterM, (3.5 + 0.1 * size) * core.INCH_M, {
        bladeCount: 3,
        tip: 'standard',
        material: 'polycarbonate',
        familySeed: alike ? `${seed}/alike` : `${seed}/${i}`,
        pieceSeed: alike ? `${seed}/alike` : `${seed}/${i}`,
      }),
    };
  });
  const random = core.seededRandom(`${seed}/packs`);
  const runs = props.flatMap(({ id, truth }) =>
    Array.from({ length: runCount }, (_, k) => ({
      id: `${id}-${k}`,
      propModelId: id,
      origin: 'simulated',
      ordinal: k + 1,
      protocolVersion: 1,
      place: 0,
      findings: null,
      corrections: [],
      staleChecks: [],
      densityKgPerM3: 1.25,
      zeroBeforeN: 0,
      zeroAfterN: 0,
      restingCellV: 4.15,
      readingKinds: {},
      steps: core.simulatedRun(
        truth,
        motor,
        { cellCount: 6, cellResistanceOhm: 0.0034, restingCellV: 4.15 + 0.004 * random.normal() },
        ladder,
        1.25,
        `${seed}/${id}/${k}`,
      ),
    })),
  );
  return {
    craft: {
      name: 'Bench',
      kind: 'multirotor',
      massKg: 1.92,
      rotorCount: 4,
      escLimitA: 40,
      motorLimitA: null,
      clearanceDiameterM: null,
      drive,
      gearRatio: 1,
    },
    props: props.map(({ truth: _truth, ...p }) => p),
    referencePropId: 'prop-0',
    gateCellV: 4.05,
    protocolVersion: 1,
    protocol: null,
    runs,
    chosenThrottleRatio: 0.6,
  };
}
