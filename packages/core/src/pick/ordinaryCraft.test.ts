import { expect, test } from '@jest/globals';
import { rotorAir } from '../air/rotorAir.ts';
import { layOut, type Layout } from '../craft/layouts.ts';
import { readPropLabel } from '../label/readPropLabel.ts';
import { estimateMotor } from '../powertrain/estimateMotor.ts';
import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { labelGeometry } from '../propeller/propGeometry.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { evaluateCandidate, type WorkedProp } from './evaluateCandidate.ts';
import { prepareCraft, pickCraftOf, USUAL_DUCT_RATIO, type CraftEntries } from './pickCraft.ts';
import { brokenLimits } from './pickFigures.ts';

type Band = readonly [low: number, high: number];

/** A craft as it stands in a hangar: mass, motor, pack as typed, prop by its label, and what practice expects of it. */
interface OrdinaryCraft {
  layout: Layout;
  diagonalM: number;
  massKg: number;
  stator: string;
  kv: number;
  pack: [chemistry: 'lipo' | 'lipoHighVoltage' | 'liIon', cells: number, capacityAh: number, cRating: number | null];
  escA: number;
  label: string;
  isDucted?: boolean;
  /** One rotor at full throttle, all of them turning [g]. */
  fullG: Band;
  /** From full to a fifth left [min]; a plane in cruise. */
  minutes: Band;
}

/**
 * A dozen craft as clubs have them, bands from general knowledge: what a practitioner would call believable.
 */
const ordinary: Record<string, OrdinaryCraft> = {
  'two-cell ducted quad': {
    layout: 'quadX',
    diagonalM: 0.085,
    massKg: 0.045,
    stator: '1103',
    kv: 8000,
    pack: ['lipoHighVoltage', 2, 0.3, 60],
    escA: 6,
    label: '40mm x 1.2 x 4',
    isDucted: true,
    fullG: [25, 75],
    minutes: [3, 8.4],
  },
  'light three-inch quad': {
    layout: 'quadX',
    diagonalM: 0.135,
    massKg: 0.13,
    stator: '1404',
    kv: 3800,
    pack: ['lipo', 3, 0.45, 75],
    escA: 12,
    label: '3018x2',
    fullG: [110, 280],
    minutes: [4, 12],
  },
  'four-cell five-inch quad': {
    layout: 'quadX',
    diagonalM: 0.22,
    massKg: 0.66,
    stator: '2207',
    kv: 2450,
    pack: ['lipo', 4, 1.5, 95],
    escA: 45,
    label: '5.1x4.1x3',
    fullG: [800, 1500],
    minutes: [4.5, 11],
  },
  'six-cell five-inch quad': {
    layout: 'quadX',
    diagonalM: 0.22,
    massKg: 0.7,
    stator: '2306',
    kv: 1800,
    pack: ['lipo', 6, 1.3, 100],
    escA: 45,
    label: '5x4.5x3',
    fullG: [950, 1750],
    minutes: [4.5, 12],
  },
  'long-flying six-inch quad': {
    layout: 'quadX',
    diagonalM: 0.26,
    massKg: 0.78,
    stator: '2207',
    kv: 1700,
    pack: ['liIon', 6, 4, null],
    escA: 40,
    label: '6x3x2',
    fullG: [600, 1350],
    minutes: [14, 40],
  },
  'seven-inch quad': {
    layout: 'quadX',
    diagonalM: 0.3,
    massKg: 1.05,
    stator: '2807',
    kv: 1300,
    pack: ['lipo', 6, 2.2, 75],
    escA: 50,
    label: '7x3.5x3',
    fullG: [1250, 2500],
    minutes: [6, 16],
  },
  'ten-inch photo quad': {
    layout: 'quadX',
    diagonalM: 0.45,
    massKg: 1.25,
    stator: '2212',
    kv: 920,
    pack: ['lipo', 3, 5.2, 25],
    escA: 30,
    label: '10x4.5x2',
    fullG: [520, 950],
    minutes: [10, 22],
  },
  'nine-inch tricopter': {
    layout: 'tri',
    diagonalM: 0.5,
    massKg: 0.95,
    stator: '2213',
    kv: 980,
    pack: ['lipo', 3, 4, 30],
    escA: 30,
    label: '9x4.7x2',
    fullG: [450, 950],
    minutes: [7, 20],
  },
  'fifteen-inch hexacopter': {
    layout: 'hexX',
    diagonalM: 0.8,
    massKg: 5,
    stator: '4014',
    kv: 360,
    pack: ['lipo', 6, 16, 20],
    escA: 40,
    label: '15x5.2x2',
    fullG: [1300, 2700],
    minutes: [18, 42],
  },
  'slow park plane': {
    layout: 'tractor',
    diagonalM: 0.3,
    massKg: 0.42,
    stator: '2208',
    kv: 1400,
    pack: ['lipo', 2, 1.3, 30],
    escA: 20,
    label: '8x4.3x2',
    fullG: [300, 720],
    minutes: [10, 70],
  },
  'mapping wing': {
    layout: 'pusher',
    diagonalM: 0.3,
    massKg: 2,
    stator: '2814',
    kv: 900,
    pack: ['lipo', 4, 8, 25],
    escA: 50,
    label: '11x6x2',
    fullG: [1100, 2500],
    minutes: [25, 110],
  },
  twin: {
    layout: 'twinTractor',
    diagonalM: 0.8,
    massKg: 1.7,
    stator: '2216',
    kv: 1050,
    pack: ['lipo', 3, 5, 35],
    escA: 40,
    label: '9x5x2',
    fullG: [600, 1350],
    minutes: [12, 80],
  },
};

const AIR_C = 18;
const tables = new CoefficientTables(rotorAir(AIR_C, 100_500, 0.6));

function workOut(craft: OrdinaryCraft): WorkedProp {
  const read = readPropLabel(craft.label);
  if (read.status !== 'read') throw new Error(craft.label);
  const { diameterM, pitchM, bladeCount } = read.readings[0]!;
  return evaluateCandidate(
    prepareCraft(pickCraftOf(entriesOf(craft), AIR_C), tables),
    labelGeometry(diameterM, pitchM!, bladeCount!, 'standard', 'glassNylon'),
  );
}

function entriesOf({ layout, diagonalM, massKg, stator, kv, pack, escA, isDucted }: OrdinaryCraft): CraftEntries {
  const [statorDiameterM, statorHeightM] = [Number(stator.slice(0, 2)) / 1000, Number(stator.slice(2)) / 1000];
  const motor = estimateMotor(statorDiameterM, statorHeightM, kv);
  const [packChemistry, packSeriesCount, packCapacityAh, packCRating] = pack;
  return {
    layout,
    rotors: layOut({ layout, diagonalM, arms: null }),
    massKg,
    clearanceDiameterM: null,
    groundClearanceM: null,
    boomClearanceM: null,
    shaftDiameterM: null,
    statorDiameterM,
    statorHeightM,
    kvRpmPerV: kv,
    motorResistanceOhm: motor.resistanceOhm,
    motorNoLoadCurrentA: motor.noLoadCurrentA,
    motorMassKg: motor.massKg,
    estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
    motorLimitA: null,
    escLimitA: escA,
    packChemistry,
    packSeriesCount,
    packCapacityAh,
    packCellResistanceOhm: null,
    packCRating,
    standbyPowerW: null,
    ductThrustRatio: isDucted ? USUAL_DUCT_RATIO : null,
    use: null,
  };
}

test.each(Object.entries(ordinary))('%s: nothing bars it, its pull and its minutes are believable', (_name, craft) => {
  const { figures, margins } = workOut(craft);
  expect(brokenLimits(margins)).toEqual([]);
  const within = (value: number, [low, high]: Band) => (value >= low && value <= high ? 'believable' : value);
  expect([
    within((1000 * figures.fullThrustN) / GRAVITY_M_PER_S2, craft.fullG),
    within(figures.enduranceS / 60, craft.minutes),
  ]).toEqual(['believable', 'believable']);
});

test.each([
  ['loaded to twice its weight', 'ten-inch photo quad', { massKg: 3.2 }, 'carry'],
  ['on controllers half as large', 'six-cell five-inch quad', { escA: 14 }, 'escCurrent'],
  ['with props that meet', 'four-cell five-inch quad', { diagonalM: 0.17 }, 'neighbours'],
] as const)('%s it is barred', (_name, of, change, limit) =>
  expect(brokenLimits(workOut({ ...ordinary[of]!, ...change }).margins)).toContain(limit),
);
