import type {
  SpinTable,
  ArmCheck,
  BladePlanform,
  BoreFit,
  CorrectionAdvice,
  CorrectionKind,
  CraftFigure,
  CraftKind,
  CriterionName,
  EvidenceMark,
  FlyingStyle,
  HandCounts,
  Layout,
  Look,
  Origin,
  PackChemistry,
  PickFigure,
  PickLimit,
  PieceState,
  PointFigure,
  PointName,
  ReadingKind,
  Retirement,
  RotorPlace,
  ShakeTarget,
  SideThrust,
  StandQuantity,
  TipShape,
  UseName,
  UsualCraftName,
} from '@zivvo/core';

/** What quantities are called where they head a column. */
export const quantityNames: Record<StandQuantity, string> = {
  throttleRatio: 'Throttle',
  thrustN: 'Thrust',
  speedRpm: 'Speed',
  currentA: 'Current',
  voltageV: 'Voltage',
  powerW: 'Power',
  torqueNm: 'Torque',
  temperatureC: 'Bell',
  vibrationMPerS2: 'Shake',
  levelDb: 'Noise',
};

export const figureNames: Record<PointFigure, string> = {
  throttleRatio: 'Throttle',
  thrustN: 'Thrust',
  speedRpm: 'Speed',
  currentA: 'Current',
  voltageV: 'Voltage',
  powerW: 'Power',
  thrustPerPowerNPerW: 'Thrust per watt',
  thrustPerCurrentNPerA: 'Thrust per amp',
  riseS: 'Time to thrust',
  halfSpeedS: 'To half the speed',
  inertiaKgM2: 'Inertia',
  dryShareRatio: 'Bearings’ share',
  keptThrustRatio: 'Thrust kept',
};

export const craftFigureNames: Record<CraftFigure, string> = {
  carryThrustN: 'Thrust of each rotor that carries the craft',
  motorResistanceOhm: 'Winding resistance at 25 °C',
  motorNoLoadCurrentA: 'No-load current at 10 V',
  motorMassKg: 'Motor weight',
};
/** How a craft carries itself: a plane on its wing. */
export const carryNames: Record<CraftKind, string> = { multirotor: 'hover', plane: 'cruise' };
export const pointNames: Record<PointName, string> = {
  full: 'full throttle',
  hover: 'hover',
  chosen: 'chosen throttle',
  response: 'response',
};
export const markNames: Record<EvidenceMark, string> = {
  measured: 'measured',
  calibrated: 'calibrated',
  estimated: 'estimated',
  extended: 'extended',
};
export const originNames: Record<Origin, string> = {
  typed: 'typed',
  imported: 'imported',
  stand: 'from the stand',
  simulated: 'simulated',
};
export const readingKindNames: Record<ReadingKind, string> = { settledMean: 'settled mean', peakHold: 'peak hold' };
export const chemistryNames: Record<PackChemistry, string> = {
  lipo: 'Li-po',
  lipoHighVoltage: 'Li-po, high voltage',
  liIon: 'Li-ion',
};
export const planformNames: Record<BladePlanform, string> = { slim: 'slim', usual: 'usual', broad: 'broad' };
export const tipNames: Record<TipShape, string> = { pointed: 'pointed', standard: 'standard', square: 'square' };
export const handNames = { cw: 'CW', ccw: 'CCW', either: 'either way' } as const;
export const materialNames: Record<string, string> = {
  polycarbonate: 'polycarbonate',
  glassNylon: 'glass nylon',
  carbonNylon: 'carbon nylon',
  carbon: 'carbon',
  wood: 'wood',
  softPlastic: 'soft plastic',
  printed: 'printed',
  unknown: 'not sure',
};
export const placeNames: Record<RotorPlace, string> = {
  front: 'Front',
  frontRight: 'Front right',
  frontRightSide: 'Right, ahead',
  right: 'Right',
  rearRightSide: 'Right, behind',
  rearRight: 'Rear right',
  rear: 'Rear',
  rearLeft: 'Rear left',
  rearLeftSide: 'Left, behind',
  left: 'Left',
  frontLeftSide: 'Left, ahead',
  frontLeft: 'Front left',
  nose: 'Nose',
  tail: 'Tail',
  leftWing: 'Left wing',
  rightWing: 'Right wing',
};

/** Where a craft tips: an arm by its name, the nose, tail and sides as the craft's own. */
export function towardName(place: RotorPlace): string {
  const name = placeNames[place].toLowerCase();
  return name.includes(' ') ? name : `its ${name}`;
}

export const layoutNames: Record<Layout, string> = {
  quadX: 'Quad X',
  quadPlus: 'Quad plus',
  quadH: 'Quad H',
  quadVTail: 'Quad, tail in a V',
  tri: 'Three arms',
  hexX: 'Hex, two arms ahead',
  hexPlus: 'Hex, one arm ahead',
  octoX: 'Octo, two arms ahead',
  octoPlus: 'Octo, one arm ahead',
  y6: 'Three arms, six rotors',
  x8: 'Four arms, eight rotors',
  custom: 'Measured arms',
  tractor: 'Plane, prop in front',
  pusher: 'Plane, prop behind',
  twinTractor: 'Plane, two in front',
  twinPusher: 'Plane, two behind',
};
export const usualCraftWords: Record<UsualCraftName, string> = {
  tinyDucted: 'Tiny, one cell, ducts',
  ductedThree: 'Three-inch, ducts',
  lightThree: 'Three-inch, light',
  fiveFourCells: 'Five-inch, four cells',
  fiveSixCells: 'Five-inch, six cells',
  sevenLongRange: 'Seven-inch, long range',
  cameraQuad: 'Camera quad, ten-inch',
  surveyQuad: 'Survey quad, fifteen-inch',
  hexacopter: 'Hexacopter, fifteen-inch',
  slowPlane: 'Slow park plane',
  parkJet: 'Park jet, prop behind',
  trainer: 'Trainer',
  largePlane: 'Large plane',
  mappingWing: 'Mapping wing',
};
export const useWords: Record<UseName, string> = {
  indoorCourse: 'tight indoor course',
  openCourse: 'open fast course',
  freestyle: 'freestyle with a camera',
  smoothFilming: 'smooth filming',
  longEndurance: 'long endurance',
  heavyLift: 'heavy lift',
  quietNeighbourhood: 'quiet neighbourhood',
  windySite: 'windy site',
  parkPlaneShort: 'park plane, short take-off',
  parkPlaneSpeed: 'park plane, speed',
};
export const criterionWords: Record<CriterionName, string> = {
  minutes: 'Minutes in the air',
  thrust: 'Thrust in hand',
  answer: 'Answers quickly',
  quiet: 'Quiet at 20 m',
  speed: 'Speed',
  cool: 'Cool motor',
  gentle: 'Gentle start',
  tough: 'Survives a strike',
};
export const pickFigureWords: Record<PickFigure, string> = {
  carryThrottleRatio: 'Throttle to carry',
  carryPowerW: 'Power to carry',
  enduranceS: 'Air time',
  fullThrustN: 'Full thrust a rotor',
  thrustToWeightRatio: 'Thrust over weight',
  fullCurrentA: 'Current at full',
  sagCellV: 'Cell at full throttle',
  sagLossRatio: 'Thrust lost to sag',
  motorTemperatureC: 'Motor in normal flying',
  tipSpeedMPerS: 'Tip speed',
  levelDb: 'Sound at 20 m',
  riseTimeS: 'Time to thrust',
  pitchSpeedMPerS: 'Pitch speed',
  inertiaKgM2: 'Rotor inertia',
  thrustPerPowerNPerW: 'Thrust per watt',
  lowRiseRatio: 'Thrust at a third of throttle',
  bladeLossForceN: 'Pull of a lost blade',
  propMassKg: 'Weight of the prop',
  toughnessRatio: 'Toughness',
};
/** How a controller has its motors turn, seen at the front discs. */
export const spinTableNames: Record<SpinTable, string> = {
  in: 'props in: front blades move inward at their front',
  out: 'props out: front blades move outward at their front',
  own: 'an own table, motor by motor',
};

/** What a limit is called where it is written along barred water. */
export const limitWords: Record<PickLimit, string> = {
  clearance: 'frame',
  neighbours: 'discs meet',
  ground: 'ground',
  boom: 'boom or tail',
  carry: 'too little to carry',
  escCurrent: 'ESC limit',
  motorCurrent: 'motor limit',
  motorHeat: 'motor too hot',
  packSag: 'pack cannot give it',
  tipSpeed: 'tip too fast',
  makerSpeed: 'maker’s speed',
  bore: 'bore too narrow',
  stock: 'not on the rack',
};
export const styleNames: Record<FlyingStyle, string> = { gentle: 'gentle', normal: 'normal', hard: 'hard' };

/** Names of fields in sentences about them. */
export const fieldNames: Record<string, string> = {
  spinTable: 'The controller’s table',
  kits: 'Flies also as',
  addedMassKg: 'Heavier by',
  bladeTags: 'Blade tags',
  supplierName: 'Bought from',
  ownSpins: 'Spins of the motors',
  name: 'Name',
  ownerName: 'Owner',
  layout: 'Layout',
  arms: 'Measured arms',
  xM: 'Forward of the centre',
  yM: 'Right of the centre',
  spin: 'Spin',
  groundClearanceM: 'Free height under the shaft',
  boomClearanceM: 'Free width beside the shaft',
  shaftDiameterM: 'Shaft',
  boreDiameterM: 'Bore',
  bagPrice: 'Price of a bag',
  bagCount: 'Pieces in a bag',
  count: 'Count',
  massKg: 'Take-off weight',
  diagonalM: 'Motor diagonal',
  clearanceDiameterM: 'Largest disc',
  gearRatio: 'Gear',
  outputName: 'Controller’s name',
  motorLabel: 'Motor',
  statorDiameterM: 'Stator diameter',
  statorHeightM: 'Stator height',
  kvRpmPerV: 'Speed constant',
  motorResistanceOhm: 'Winding resistance',
  motorNoLoadCurrentA: 'No-load current',
  motorMassKg: 'Motor weight',
  motorLimitA: 'Motor limit',
  escLimitA: 'ESC limit',
  packChemistry: 'Pack chemistry',
  packSeriesCount: 'Cells in series',
  packParallelCount: 'Cells in parallel',
  packCapacityAh: 'Capacity',
  packPieceId: 'Pack of the shelf',
  packCellResistanceOhm: 'Resistance a cell',
  packCRating: 'C rating',
  cRating: 'C rating',
  standbyPowerW: 'Draw beside the motors',
  ductThrustRatio: 'Gain of the ducts',
  cycleCount: 'Charges so far',
  cellResistanceOhm: 'Resistance a cell',
  referencePropModelId: 'Reference prop',
  note: 'Note',
  label: 'Label',
  makerName: 'Maker',
  diameterM: 'Diameter',
  pitchM: 'Pitch',
  bladeCount: 'Blades',
  tipShape: 'Tip',
  planform: 'Blade width',
  chord75M: 'Blade width at three quarters',
  angle75Rad: 'Blade angle at three quarters',
  material: 'Material',
  labelHand: 'Hand on the label',
  measuredDiameterM: 'Measured diameter',
  measuredMassKg: 'Measured weight',
  speedLimitRpm: 'Maker’s speed limit',
  colour: 'Colour',
  cwCount: 'CW pieces',
  ccwCount: 'CCW pieces',
  temperatureC: 'Temperature',
  pressurePa: 'Pressure',
  humidityRatio: 'Humidity',
  gateCellV: 'Pack gate',
  restingCellV: 'Resting volts per cell',
  zeroBeforeN: 'Zero before',
  zeroAfterN: 'Zero after',
  tag: 'Tag',
  chemistry: 'Chemistry',
  seriesCount: 'Cells in series',
  parallelCount: 'Cells in parallel',
  capacityAh: 'Capacity',
  strikeCount: 'Strikes',
  overLimitCount: 'Times over its limit',
  hours: 'Hours',
  bearing: 'Bearing',
  shaftPlayM: 'Play of the shaft',
  shaftRunOutM: 'Run-out',
  place: 'Place',
  craftId: 'Craft',
  boreFit: 'Bore',
  look: 'Look',
  hand: 'Hand',
  hubThicknessM: 'Hub thickness',
  droopM: 'Droop',
  location: 'Place it is kept',
  resolutionKg: 'Step of the scale',
  eitherCount: 'Pieces of either hand',
  propModelId: 'Model',
  mountKind: 'Mount',
  cutFromModelId: 'Cut from',
  perPieceCount: 'Pieces a prop',
  frictionKgM: 'Friction of the rig',
  borePlayM: 'Play of the bore',
  largestM: 'Largest prop',
  inertiaKgM2: 'Inertia of arbor and cones',
  tapsS: 'Taps',
  periodS: 'Time of a swing',
  startDegrees: 'Widest swing',
  looks: 'Looks',
  runs: 'Runs',
  amplitude: 'Amplitude',
  phaseDegrees: 'Phase',
};

export const pieceStateNames: Record<PieceState, string> = {
  new: 'new',
  checkedIn: 'checked in',
  trued: 'balanced',
  fitted: 'fitted',
  resting: 'resting',
  retired: 'retired',
};
export const retirementNames: Record<Retirement, string> = {
  display: 'for display',
  benchOnly: 'bench only',
  scrapped: 'scrapped, made unflyable',
};
export const boreFitNames: Record<BoreFit, string> = {
  fits: 'fits',
  needsRing: 'needs ring',
  needsReaming: 'to be reamed',
  ringFitted: 'ring fitted',
  reamed: 'reamed',
};
export const lookNames: Record<Look, string> = {
  good: 'good',
  flash: 'flash',
  warped: 'warped',
  nick: 'nick',
  crack: 'crack',
  void: 'void',
};
export const mountNames: Record<string, string> = {
  nut: 'nut',
  twoScrews: 'two screws',
  axialScrew: 'axial screw, D shaft',
  sideScrew: 'side screw',
  pushOn: 'push-on',
  collet: 'collet',
  rubberRing: 'rubber ring',
  quickLock: 'keyed quick lock',
};
export const bearingNames: Record<string, string> = { smooth: 'smooth', dry: 'dry', gritty: 'gritty' };
/** What happened to a piece, as its history tells it. */
export const pieceActionNamesPast: Record<string, string> = {
  added: 'came in',
  measured: 'measured',
  described: 'described',
  checkIn: 'checked in',
  true: 'balanced',
  fit: 'fitted',
  remove: 'taken off',
  dress: 'mended, its balancing void',
  looked: 'looked over',
  struck: 'hit something',
  sendBack: 'sent back: no tape mends it',
  retire: 'retired',
  unretire: 'brought back',
  move: 'moved',
  joinSet: 'joined a set',
  leaveSet: 'left its set',
};

export const shakeTargetWords: Record<ShakeTarget, string> = {
  coarse: 'coarse, 0.2 g',
  good: 'good, 0.1 g',
  fine: 'fine, 0.05 g',
};

export const armCheckNames: Record<ArmCheck, string> = {
  turnsFree: 'turns freely, no scrape',
  seated: 'sits flat, ring and adapter in',
  locked: 'locked: nut, screw or clip',
  noDamage: 'looked at: no crack, no white mark',
  driverFits: 'right driver, nipped tight before undoing',
  oldLockOut: 'old lock out of the thread',
  newScrews: 'new screws with dry lock, if supplied',
  bellClean: 'bell blown out, motor held by hand',
  flatOnFlat: 'flat of the D on the flat of the shaft',
  flicks: 'flicked: spins on, no scrape, does not bind on the bell',
  pulled: 'pulled: it does not come',
  coneClean: 'cone and bore clean, tightened twice',
  ringsWhole: 'two rings, none cracked',
  keyTurned: 'pushed, turned to the stop',
};
export const sideThrustNames: Record<SideThrust, string> = { none: 'straight', left: 'left', right: 'right' };

/** What each mount needs: tools, minutes a rotor, what gets lost, what to mind. */
export const mountSheets: Record<string, { tools: string; minutes: number; lost: string; mind: string }> = {
  nut: {
    tools: 'nut wrench, soft jaw for the bell',
    minutes: 2,
    lost: 'nut, washer',
    mind: 'Lock nut always: braking controllers undo any nut. Hold the bell by hand, never the blade.',
  },
  twoScrews: {
    tools: 'hex driver that fits',
    minutes: 4,
    lost: 'screws, dry lock',
    mind: 'Nip tight before undoing, clear old lock from the thread, new screws with dry lock where supplied.',
  },
  axialScrew: {
    tools: 'hex driver',
    minutes: 2,
    lost: 'screw',
    mind: 'Flat of the D on the flat of the shaft; the screw ends in the shaft, not in the winding.',
  },
  sideScrew: {
    tools: 'small hex driver',
    minutes: 3,
    lost: 'grub screw',
    mind: 'Screw onto the flat, then pull: it must not slide.',
  },
  pushOn: {
    tools: 'two small levers',
    minutes: 1,
    lost: 'nothing',
    mind: 'Flick it: no scrape. If it binds on the bell the motor burns.',
  },
  collet: {
    tools: 'wrench, tommy bar',
    minutes: 3,
    lost: 'cone, nut',
    mind: 'Clean cone and bore; tighten once, pull, tighten again.',
  },
  rubberRing: {
    tools: 'none',
    minutes: 1,
    lost: 'rings',
    mind: 'Two rings, none of them cracked; it must come off in a strike.',
  },
  quickLock: {
    tools: 'none',
    minutes: 1,
    lost: 'springs',
    mind: 'Push, turn to the stop, pull: it must not come. The key fits one hand only.',
  },
};

export const correctionNames: Record<CorrectionKind, string> = {
  tape: 'Tape',
  sand: 'Sanding',
  lacquer: 'Lacquer or glue',
  drill: 'Drilling',
};

const FORBIDDEN = {
  crazes: (material: string) => `never: it crazes ${material}, and so does wet thread lock.`,
  unsound: () => 'never: it was found or struck so that it is to be retired.',
  notMadeForIt: () => 'only into a hub that its maker made for it.',
  softSurface: () => 'no: it does not hold on soft plastic.',
};
const CAUTIONS = {
  dust: 'back face only, mask on, dust off before the next check.',
  mask: 'back face only, and with a mask: glass dust.',
  wet: 'wet only and with a mask, outside: carbon dust.',
};

/** Whether a way of correcting suits, in words that follow its name. */
export function correctionSentence(advice: CorrectionAdvice, material: string): string {
  if (!advice.isAllowed) return FORBIDDEN[advice.reason](materialNames[material] ?? 'the material');
  return advice.caution === null ? 'suits: clean, rubbed down, clear of the leading edge.' : CAUTIONS[advice.caution];
}

/** So many of each hand, in words; a hand of which there is none is left out. */
export function handsText({ cwCount, ccwCount }: HandCounts): string {
  return [cwCount > 0 ? `${cwCount} CW` : null, ccwCount > 0 ? `${ccwCount} CCW` : null]
    .filter((text) => text !== null)
    .join(' and ');
}
