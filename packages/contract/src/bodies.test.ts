import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import {
  BulkPieceActionDto,
  ConfirmFittingDto,
  CountStockDto,
  CraftUseDto,
  CreateBatchDto,
  CreateCampaignDto,
  CreateCraftDto,
  CreateMotorPieceDto,
  CreatePackPieceDto,
  CreatePersonDto,
  CreatePieceSetDto,
  CreatePropModelDto,
  CreateRigDto,
  CreateRunDto,
  CreateSparePartDto,
  CreateBalanceJobDto,
  DescribePieceDto,
  fieldProblems,
  FinishBalanceJobDto,
  FitPieceDto,
  ImportRunsDto,
  KeepRunDto,
  MeasurePieceDto,
  PieceActionDto,
  PieceQueryDto,
  ReadAirDto,
  SaveDraftDto,
  SwapArmsDto,
  UpdateCraftDto,
  UpdateFittingDto,
  UpdateBalanceJobDto,
  WantDto,
} from './index.ts';

const broken = (Dto: new () => object, body: object): string[] =>
  fieldProblems(validateSync(plainToInstance(Dto, body), { whitelist: true, forbidNonWhitelisted: true })).map(
    (f) => `${f.path}:${f.rule}`,
  );

const id = '01922904-1a0d-72b8-80eb-3103f832088a';
const sha256 = 'ab'.repeat(32);
const craft = {
  name: 'Petrel',
  ownerName: null,
  layout: 'quadX',
  massKg: 1.92,
  diagonalM: 0.294,
  arms: null,
  gearRatio: null,
  clearanceDiameterM: 0.2,
  groundClearanceM: null,
  boomClearanceM: null,
  shaftDiameterM: 0.005,
  motorLabel: '2507 1080 kV',
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  motorResistanceOhm: 0.12,
  motorNoLoadCurrentA: 0.7,
  motorMassKg: 0.04,
  estimatedFields: ['motorMassKg'],
  motorLimitA: null,
  escLimitA: 42,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packParallelCount: 1,
  packCapacityAh: 4,
  referencePropModelId: id,
  note: null,
};
const model = {
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  pitchM: 0.09906,
  bladeCount: 3,
  tipShape: 'standard',
  material: 'polycarbonate',
  labelHand: null,
  measuredDiameterM: null,
  measuredMassKg: 0.0079,
  speedLimitRpm: null,
  boreDiameterM: 0.005,
  mountKind: 'nut',
  hubThicknessM: 0.006,
  cwLetters: 'R',
  ccwLetters: null,
  cutFromModelId: null,
  bagPrice: 9,
  bagCount: 4,
  colour: null,
  note: null,
};
const weights = { minutes: 10, thrust: 3, answer: 2, quiet: 3, speed: 1, cool: 3, gentle: 1, tough: 1 };
const measures = { massKg: 0.0079, diameterM: 0.1824, boreFit: 'fits', look: 'good' };
const step = {
  throttleRatio: 0.5,
  thrustN: 6.2,
  speedRpm: 11_000,
  currentA: 9,
  voltageV: 24,
  powerW: null,
  torqueNm: null,
  temperatureC: null,
  vibrationMPerS2: null,
  levelDb: null,
};
const readings = {
  steps: [step, { ...step, throttleRatio: 1 }],
  readingKinds: [{ quantity: 'thrustN', readingKind: 'settledMean' }],
  restingCellV: 4.15,
  zeroBeforeN: 0.01,
  zeroAfterN: null,
  packPieceId: null,
};
const draft = {
  columns: [{ quantity: 'thrustN', unitSymbol: 'g', readingKind: 'settledMean' }],
  cells: [['620'], ['7oo']],
  restingCell: '4.15',
  zeroBefore: '',
  zeroAfter: '',
};
const arm = {
  place: 'frontLeft',
  level: 0,
  seenSpin: 'cw',
  spinBy: 'strip',
  outputName: 'M4',
  hand: null,
  isLabelForward: true,
  thread: null,
  checks: [{ what: 'turnsFree' }],
};
const fitting = { arms: [arm], isHanging: false, sideThrust: null, note: null, revision: 0 };
const observation = { tape: [0, 1e-6, 0], kind: 'falls', downDegrees: 90, fallS: 2.1 };
const swing = { tapsS: [0, 1.1, 2.2], isHalf: true, startDegrees: 15, tapeKgM: 1e-6, side: 'light' };
const vibration = { massKg: 0.001, degrees: 120, readings: [{ amplitude: 3.4, phaseDegrees: 40 }], isCheck: false };
const balanceJob = {
  target: 'good',
  observations: [observation],
  swings: [swing],
  heavyDegrees: 200,
  bladeMomentsKgM: [0.001, 0.0011],
  corrections: [],
  singleBlade: null,
  runs: [vibration],
  runSpeedRpm: 9000,
  note: null,
};

const bodies: [string, new () => object, Record<string, unknown>][] = [
  ['a craft', CreateCraftDto, { ...craft, id }],
  ['a changed craft', UpdateCraftDto, { ...craft, revision: 3 }],
  ['what a craft is flown for', CraftUseDto, { use: 'windySite', weights }],
  ['a prop model', CreatePropModelDto, { ...model, id }],
  ['a count', CountStockDto, { cwCount: 4, ccwCount: 3 }],
  ['a wish', WantDto, { count: 4, craftId: id }],
  [
    'a delivery',
    CreateBatchDto,
    {
      id,
      propModelId: id,
      cwCount: 4,
      ccwCount: 4,
      eitherCount: 0,
      resolutionKg: 1e-5,
      location: 'drawer 1',
      note: null,
    },
  ],
  ['measures', MeasurePieceDto, measures],
  [
    'a described piece',
    DescribePieceDto,
    { ...measures, hand: 'cw', hubThicknessM: 0.006, droopM: 0.01, colour: 'grey', note: null, photoSha256: sha256 },
  ],
  [
    'an action',
    PieceActionDto,
    {
      action: 'fit',
      isDynamic: null,
      craftId: id,
      place: 'rearLeft',
      level: 0,
      as: null,
      location: null,
      setId: null,
      reason: null,
    },
  ],
  [
    'an action on many',
    BulkPieceActionDto,
    {
      ids: [id],
      action: 'move',
      isDynamic: null,
      craftId: null,
      place: null,
      level: null,
      as: null,
      location: 'drawer 2',
      setId: null,
      reason: null,
    },
  ],
  ['a set', CreatePieceSetDto, { id, name: 'K12', craftId: id }],
  [
    'a motor',
    CreateMotorPieceDto,
    {
      id,
      tag: 'M7',
      craftId: id,
      place: 'rearLeft',
      hours: 12.5,
      overLimitCount: 0,
      strikeCount: 1,
      bearing: 'dry',
      shaftPlayM: 0.0001,
      shaftRunOutM: null,
      note: null,
    },
  ],
  ['small parts', CreateSparePartDto, { id, name: 'screw', count: 40, perPieceCount: 2 }],
  [
    'a pack',
    CreatePackPieceDto,
    {
      id,
      tag: 'L4',
      chemistry: 'lipo',
      seriesCount: 6,
      parallelCount: 1,
      capacityAh: 4,
      cellResistanceOhm: 0.004,
      cycleCount: 12,
      note: null,
    },
  ],
  ['a person', CreatePersonDto, { id, name: 'Irva Solt' }],
  ['the air', ReadAirDto, { id, temperatureC: 6, pressurePa: 100_400, humidityRatio: 0.7 }],
  [
    'an evening',
    CreateCampaignDto,
    {
      id,
      craftId: id,
      name: 'Evening',
      referencePropModelId: id,
      temperatureC: 6,
      pressurePa: 100_400,
      humidityRatio: 0.7,
      gateCellV: 4.05,
      note: null,
    },
  ],
  ['a run', CreateRunDto, { id, propModelId: id, packPieceId: null, replacesRunId: null, draft }],
  ['a draft', SaveDraftDto, { ...draft, revision: 2 }],
  ['readings to keep', KeepRunDto, { ...readings, revision: 2 }],
  [
    'a rig',
    CreateRigDto,
    { id, name: 'shaft', frictionKgM: 1e-7, borePlayM: 0.00005, largestM: 0.4, inertiaKgM2: 1e-6, note: null },
  ],
  ['a job of balancing', CreateBalanceJobDto, { id, pieceId: id, rigId: id, craftId: id, isLookedAt: true }],
  ['what was seen on the shaft', UpdateBalanceJobDto, { ...balanceJob, revision: 2 }],
  ['the end of balancing', FinishBalanceJobDto, { as: 'trued', note: null }],
  ['what was seen on a craft', UpdateFittingDto, fitting],
  [
    'a piece onto an arm',
    FitPieceDto,
    { tag: 'AB12', place: 'rearLeft', level: 0, oldTag: null, oldMarkSha256: sha256, overrideReason: null },
  ],
  ['a swap', SwapArmsDto, { first: { place: 'rearLeft', level: 0 }, second: { place: 'rearRight', level: 0 } }],
  ['a signature', ConfirmFittingDto, { note: null }],
];

/** Nothing of this may stand in any field, whatever the field is for. */
const HOSTILE: [string, unknown][] = [
  ['an object', { toString: 'x' }],
  ['no number', NaN],
  ['endless', Infinity],
  ['far below', -1e12],
  ['far above', 1e13],
  ['a list in a list', [[[]]]],
];

describe.each(bodies)('%s', (_name, Dto, body) => {
  test('in order is taken', () => expect(broken(Dto, body)).toEqual([]));

  test('with something extra is refused', () =>
    expect(broken(Dto, { ...body, admin: true })).toContain('admin:whitelistValidation'));

  test.each(Object.keys(body))('%s takes no nonsense', (field) => {
    for (const [what, value] of HOSTILE)
      expect([what, broken(Dto, { ...body, [field]: value }).some((p) => p.startsWith(field))]).toEqual([what, true]);
  });

  test('texts are bounded', () => {
    const texts = Object.entries(body)
      .filter(([, value]) => typeof value === 'string')
      .map(([field]) => field);
    for (const field of texts)
      expect([field, broken(Dto, { ...body, [field]: 'x'.repeat(5000) }).some((p) => p.startsWith(field))]).toEqual([
        field,
        true,
      ]);
  });
});

describe('rules between fields and inside lists', () => {
  test.each<[string, new () => object, object, string]>([
    [
      'a pitch beyond two and a half times the diameter',
      CreatePropModelDto,
      { ...model, id, pitchM: 0.5 },
      'pitchM:atMostTimes',
    ],
    ['a prop of nine blades', CreatePropModelDto, { ...model, id, bladeCount: 9 }, 'bladeCount:max'],
    ['a prop of no size', CreatePropModelDto, { ...model, id, diameterM: 0 }, 'diameterM:min'],
    ['half a blade', CreatePropModelDto, { ...model, id, bladeCount: 2.5 }, 'bladeCount:isInt'],
    ['a craft of nothing', CreateCraftDto, { ...craft, id, massKg: 0 }, 'massKg:min'],
    ['a motor without resistance', CreateCraftDto, { ...craft, id, motorResistanceOhm: 0 }, 'motorResistanceOhm:min'],
    ['an empty pack', CreateCraftDto, { ...craft, id, packCapacityAh: 0 }, 'packCapacityAh:min'],
    [
      'one arm',
      CreateCraftDto,
      { ...craft, id, layout: 'custom', arms: [{ xM: 0, yM: 0.1, spin: 'cw' }] },
      'arms:arrayMinSize',
    ],
    [
      'an arm nowhere',
      CreateCraftDto,
      {
        ...craft,
        id,
        layout: 'custom',
        arms: [
          { xM: 9, yM: 0.1, spin: 'cw' },
          { xM: 0, yM: 0.1, spin: 'cw' },
        ],
      },
      'arms.0.xM:max',
    ],
    [
      'a figure estimated twice',
      CreateCraftDto,
      { ...craft, id, estimatedFields: ['motorMassKg', 'motorMassKg'] },
      'estimatedFields:arrayUnique',
    ],
    ['a weight of eleven', CraftUseDto, { use: 'windySite', weights: { ...weights, quiet: 11 } }, 'weights.quiet:max'],
    [
      'two hundred and one pieces',
      BulkPieceActionDto,
      {
        ids: Array.from({ length: 201 }, (_, i) => `01922904-1a0d-72b8-80eb-${String(i).padStart(12, '0')}`),
        action: 'checkIn',
      },
      'ids:arrayMaxSize',
    ],
    ['one piece twice', BulkPieceActionDto, { ids: [id, id], action: 'checkIn' }, 'ids:arrayUnique'],
    [
      'a step beyond full throttle',
      KeepRunDto,
      { ...readings, steps: [{ ...step, throttleRatio: 1.2 }], revision: 1 },
      'steps.0.throttleRatio:max',
    ],
    [
      'a hundred and twenty-one steps',
      KeepRunDto,
      { ...readings, steps: Array.from({ length: 121 }, () => step), revision: 1 },
      'steps:arrayMaxSize',
    ],
    [
      'a channel that nobody knows',
      KeepRunDto,
      { ...readings, readingKinds: [{ quantity: 'luck', readingKind: 'settledMean' }], revision: 1 },
      'readingKinds.0.quantity:isIn',
    ],
    [
      'twenty-one runs in a file',
      ImportRunsDto,
      { runs: Array.from({ length: 21 }, () => ({ ...readings, id, propModelId: id })) },
      'runs:arrayMaxSize',
    ],
    [
      'tape of a pound',
      UpdateBalanceJobDto,
      { ...balanceJob, observations: [{ ...observation, tape: [0.5] }], revision: 1 },
      'observations.0.tape:max',
    ],
    [
      'a swing from beyond level',
      UpdateBalanceJobDto,
      { ...balanceJob, swings: [{ ...swing, startDegrees: 120 }], revision: 1 },
      'swings.0.startDegrees:max',
    ],
    [
      'a correction of no school',
      UpdateBalanceJobDto,
      {
        ...balanceJob,
        corrections: [{ school: 'fire', place: 0, lookCount: 0, swingCount: 0, isWeighed: false }],
        revision: 1,
      },
      'corrections.0.school:isIn',
    ],
    [
      'a washer of nothing',
      UpdateBalanceJobDto,
      {
        ...balanceJob,
        singleBlade: { bladeMassKg: 0.004, centreOfMassM: 0.05, washerMassKg: 0, washerRadiusM: 0.02, washerCount: 1 },
        revision: 1,
      },
      'singleBlade.washerMassKg:min',
    ],
    [
      'a run without a reading',
      UpdateBalanceJobDto,
      { ...balanceJob, runs: [{ ...vibration, readings: [] }], revision: 1 },
      'runs.0.readings:arrayMinSize',
    ],
    [
      'a spin that is none',
      UpdateFittingDto,
      { ...fitting, arms: [{ ...arm, seenSpin: 'either' }] },
      'arms.0.seenSpin:isIn',
    ],
    [
      'a check that there is not',
      UpdateFittingDto,
      { ...fitting, arms: [{ ...arm, checks: [{ what: 'luck' }] }] },
      'arms.0.checks.0.what:isIn',
    ],
    [
      'a controller’s name as long as a story',
      UpdateFittingDto,
      { ...fitting, arms: [{ ...arm, outputName: 'the motor at the front left' }] },
      'arms.0.outputName:maxLength',
    ],
    ['a swap with half of it missing', SwapArmsDto, { first: { place: 'rearLeft', level: 0 } }, 'second:isObject'],
    [
      'half a digest',
      FitPieceDto,
      { tag: 'AB12', place: 'rearLeft', level: 0, oldTag: null, oldMarkSha256: 'abc', overrideReason: null },
      'oldMarkSha256:matches',
    ],
    ['a page of a thousand', PieceQueryDto, { limit: '1000' }, 'limit:max'],
    ['an offset in words', PieceQueryDto, { offset: 'many' }, 'offset:isInt'],
  ])('%s is refused where it stands', (_name, Dto, body, problem) => expect(broken(Dto, body)).toContain(problem));

  test('a pitch is not held against a diameter that is none', () =>
    expect(broken(CreatePropModelDto, { ...model, id, diameterM: 'wide' })).toEqual(
      expect.not.arrayContaining(['pitchM:atMostTimes']),
    ));
});
