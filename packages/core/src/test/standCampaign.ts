import type { CampaignInput } from '../stand/campaign.ts';
import { emptyStep, type StandStep } from '../stand/quantities.ts';
import type { RunRecord } from '../stand/settleRun.ts';

const LADDER = [0.2, 0.4, 0.6, 0.8, 1];

/** A rotor of exact power laws: thrust = top·u^1.8, power = watts·u^2.7, speed = 20,000 rpm·u^0.9, at 24 V. */
export const lawSteps = (topN: number, topW: number, ladder: readonly number[] = LADDER): StandStep[] =>
  ladder.map((u) => ({
    ...emptyStep(),
    throttleRatio: u,
    thrustN: topN * u ** 1.8,
    powerW: topW * u ** 2.7,
    speedRpm: 20_000 * u ** 0.9,
    voltageV: 24,
    currentA: (topW * u ** 2.7) / 24,
  }));

let counter = 0;
/** A typed run on a full pack in standard air. */
export const runOf = (
  propModelId: string,
  ordinal: number,
  steps: StandStep[],
  more: Partial<RunRecord> = {},
): RunRecord => ({
  id: `run-${counter++}`,
  propModelId,
  ordinal,
  protocolVersion: 1,
  place: 0,
  origin: 'typed',
  densityKgPerM3: 1.225,
  zeroBeforeN: null,
  zeroAfterN: null,
  restingCellV: 4.15,
  readingKinds: {},
  steps,
  corrections: [],
  findings: null,
  staleChecks: [],
  ...more,
});

/** Two runs of a prop that lie apart by twice the spread. */
export const twiceRun = (id: string, topN: number, topW: number, spread = 0.004): RunRecord[] => [
  runOf(id, 1, lawSteps(topN * (1 + spread), topW)),
  runOf(id, 2, lawSteps(topN * (1 - spread), topW)),
];

/** An evening with a quad of 2 kg and the props `ref`, `big` and `small`. */
export const campaignOf = (runs: RunRecord[], more: Partial<CampaignInput> = {}): CampaignInput => ({
  craft: {
    name: 'Petrel',
    massKg: 2,
    kind: 'multirotor' as const,
    rotorCount: 4,
    escLimitA: 40,
    motorLimitA: null,
    clearanceDiameterM: 0.2,
    drive: null,
    gearRatio: 1,
  },
  props: ['ref', 'big', 'small'].map((id) => ({ id, name: id, diameterM: 0.18, speedLimitRpm: null })),
  referencePropId: 'ref',
  gateCellV: 4.05,
  protocolVersion: 1,
  protocol: null,
  runs,
  chosenThrottleRatio: 0.5,
  ...more,
});
