import type { PackChemistry } from '../powertrain/packChemistry.ts';
import type { Layout } from './layouts.ts';

/** A craft as it is often built: figures to start from until one's own are typed. */
export interface UsualCraft {
  layout: Layout;
  massKg: number;
  /** Null where the layout has none. */
  diagonalM: number | null;
  /** The largest disc that clears such a frame [m]. */
  clearanceDiameterM: number;
  /** Planes: height of the shaft over the ground [m]; null for craft that stand on legs, and wings that are thrown. */
  groundClearanceM: number | null;
  /** As it is written on such a motor. */
  motorLabel: string;
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number;
  escLimitA: number;
  packChemistry: PackChemistry;
  packSeriesCount: number;
  packCapacityAh: number;
  /** Thrust over that of a free prop; null without ducts. */
  ductThrustRatio: number | null;
  /** Label of a prop that such a craft often flies. */
  propLabel: string;
}

export const usualCraftNames = [
  'tinyDucted',
  'ductedThree',
  'lightThree',
  'fiveFourCells',
  'fiveSixCells',
  'sevenLongRange',
  'cameraQuad',
  'surveyQuad',
  'hexacopter',
  'slowPlane',
  'parkJet',
  'trainer',
  'largePlane',
  'mappingWing',
] as const;
export type UsualCraftName = (typeof usualCraftNames)[number];

type Motor = readonly [label: string, statorDiameterM: number, statorHeightM: number, kvRpmPerV: number];
type Pack = readonly [chemistry: PackChemistry, cells: number, capacityAh: number];

function usual(
  layout: Layout,
  massKg: number,
  [diagonalM, clearanceDiameterM, groundClearanceM]: readonly [number | null, number, number | null],
  [motorLabel, statorDiameterM, statorHeightM, kvRpmPerV]: Motor,
  escLimitA: number,
  [packChemistry, packSeriesCount, packCapacityAh]: Pack,
  propLabel: string,
  ductThrustRatio: number | null = null,
): UsualCraft {
  return {
    layout,
    massKg,
    diagonalM,
    clearanceDiameterM,
    groundClearanceM,
    motorLabel,
    statorDiameterM,
    statorHeightM,
    kvRpmPerV,
    escLimitA,
    packChemistry,
    packSeriesCount,
    packCapacityAh,
    ductThrustRatio,
    propLabel,
  };
}

/** Figures from general workshop experience; every one is to be typed over by whoever has weighed and measured. */
export const usualCrafts: Record<UsualCraftName, UsualCraft> = {
  tinyDucted: usual(
    'quadX',
    0.03,
    [0.066, 0.032, null],
    ['0802 20000', 0.008, 0.002, 20_000],
    5,
    ['lipoHighVoltage', 1, 0.3],
    '31mm x 0.9 x 4',
    1.1,
  ),
  ductedThree: usual(
    'quadX',
    0.27,
    [0.142, 0.078, null],
    ['1507 3600', 0.015, 0.007, 3600],
    25,
    ['lipo', 4, 0.85],
    '3x2.4x5',
    1.1,
  ),
  lightThree: usual(
    'quadX',
    0.13,
    [0.135, 0.08, null],
    ['1404 3800', 0.014, 0.004, 3800],
    12,
    ['lipo', 3, 0.45],
    '3x1.8x2',
  ),
  fiveFourCells: usual(
    'quadX',
    0.66,
    [0.22, 0.135, null],
    ['2207 2450', 0.022, 0.007, 2450],
    45,
    ['lipo', 4, 1.5],
    '5.1x4.1x3',
  ),
  fiveSixCells: usual(
    'quadX',
    0.7,
    [0.22, 0.135, null],
    ['2306 1800', 0.023, 0.006, 1800],
    45,
    ['lipo', 6, 1.3],
    '5x4.5x3',
  ),
  sevenLongRange: usual(
    'quadX',
    1.05,
    [0.3, 0.185, null],
    ['2807 1300', 0.028, 0.007, 1300],
    50,
    ['lipo', 6, 2.2],
    '7x3.5x3',
  ),
  cameraQuad: usual(
    'quadX',
    1.25,
    [0.45, 0.262, null],
    ['2212 920', 0.022, 0.012, 920],
    30,
    ['lipo', 3, 5.2],
    '10x4.5x2',
  ),
  surveyQuad: usual('quadX', 3.4, [0.65, 0.39, null], ['4014 360', 0.04, 0.014, 360], 40, ['lipo', 6, 12], '15x5.2x2'),
  hexacopter: usual('hexX', 5, [0.8, 0.39, null], ['4014 360', 0.04, 0.014, 360], 40, ['lipo', 6, 16], '15x5.2x2'),
  slowPlane: usual(
    'tractor',
    0.42,
    [null, 0.23, 0.125],
    ['2208 1400', 0.022, 0.008, 1400],
    20,
    ['lipo', 2, 1.3],
    '8x4.3x2',
  ),
  parkJet: usual('pusher', 0.6, [null, 0.17, null], ['2212 2200', 0.022, 0.012, 2200], 40, ['lipo', 3, 2.2], '6x4x2'),
  trainer: usual('tractor', 1.5, [null, 0.31, 0.16], ['2820 920', 0.028, 0.02, 920], 50, ['lipo', 3, 4], '11x5.5x2'),
  largePlane: usual('tractor', 4.2, [null, 0.43, 0.23], ['4130 380', 0.041, 0.03, 380], 80, ['lipo', 6, 6], '15x8x2'),
  mappingWing: usual('pusher', 2, [null, 0.29, null], ['2814 900', 0.028, 0.014, 900], 50, ['lipo', 4, 8], '11x6x2'),
};
