import type { CreateInstrumentCheckDto, opinionTopics } from '@zivvo/contract';
import type {
  BoreFit,
  Kit,
  Layout,
  MakerSpread,
  PackChemistry,
  RotorPlace,
  StruckThing,
  TipShape,
  UseName,
} from '@zivvo/core';

/** What the Tarnholm Lift Shed is made of; everything measured is computed from it. */
export interface DemoPropModel {
  key: string;
  label: string;
  maker: string;
  blades: number;
  tip: TipShape;
  material: 'polycarbonate' | 'glassNylon' | 'carbonNylon' | 'carbon';
  massG: number;
  colour: string;
  counts: [cw: number, ccw: number];
  boreMm: number;
  mount?: 'nut' | 'twoScrews' | 'quickLock' | 'rubberRing';
  /** Letters on CW and CCW pieces. */
  letters?: [cw: string, ccw: string];
  /** Price of a bag and pieces in it. */
  bag: [price: number, count: number];
  measuredMm?: number;
  speedLimitRpm?: number;
}

export interface DemoCraft {
  /** Other ways in which it flies. */
  kits?: readonly Kit[];
  name: string;
  owner: string;
  massKg: number;
  layout: Layout;
  diagonalM: number | null;
  clearanceM: number | null;
  groundClearanceM?: number;
  shaftMm: number;
  use: UseName;
  motor: string;
  motorLimitA: number | null;
  escLimitA: number;
  chemistry: PackChemistry;
  series: number;
  parallel: number;
  capacityAh: number;
  referenceKey: string;
  note: string;
}

export const demoPeople = ['Irva Solt', 'Benno Krail'];

export const demoPropModels: DemoPropModel[] = [
  {
    key: 'b72',
    label: '7.2x3.9x3',
    maker: 'Brindlow',
    blades: 3,
    tip: 'standard',
    material: 'polycarbonate',
    massG: 7.9,
    colour: 'smoke',
    boreMm: 5,
    bag: [8.4, 4],
    counts: [7, 6],
    measuredMm: 182.4,
  },
  {
    key: 't77',
    label: '7.7x4x3',
    maker: 'Tamsk',
    blades: 3,
    tip: 'standard',
    material: 'glassNylon',
    massG: 9.1,
    colour: 'black',
    boreMm: 5,
    bag: [9.6, 4],
    counts: [4, 4],
  },
  {
    key: 'b70',
    label: '7x5x3',
    maker: 'Brindlow',
    blades: 3,
    tip: 'standard',
    material: 'polycarbonate',
    massG: 7.8,
    colour: 'orange',
    boreMm: 5,
    bag: [8.4, 4],
    counts: [5, 3],
  },
  {
    key: 'o63',
    label: '6340x3',
    maker: 'Orle',
    blades: 3,
    tip: 'square',
    material: 'polycarbonate',
    massG: 6.6,
    colour: 'clear',
    boreMm: 5,
    bag: [6.8, 4],
    counts: [8, 8],
  },
  {
    key: 'o71',
    label: '7144-2',
    maker: 'Orle',
    blades: 2,
    tip: 'pointed',
    material: 'carbonNylon',
    massG: 5.8,
    colour: 'black',
    boreMm: 5,
    bag: [7.2, 4],
    counts: [4, 5],
    speedLimitRpm: 21_000,
  },
  {
    key: 'v75',
    label: '7.5x3.6x2',
    maker: 'Veddick',
    blades: 2,
    tip: 'standard',
    material: 'carbon',
    massG: 6.9,
    colour: 'carbon',
    boreMm: 5,
    bag: [21, 2],
    counts: [2, 2],
  },
  {
    key: 'k74',
    label: '7.4x4.6x4',
    maker: 'Kessro',
    blades: 4,
    tip: 'standard',
    material: 'glassNylon',
    massG: 10.4,
    colour: 'white',
    boreMm: 5,
    bag: [11.5, 4],
    counts: [4, 4],
  },
  {
    key: 't68',
    label: '6852BN x3',
    maker: 'Tamsk',
    blades: 3,
    tip: 'square',
    material: 'polycarbonate',
    massG: 8.3,
    colour: 'blue',
    boreMm: 5,
    bag: [7.9, 4],
    counts: [6, 6],
  },
  {
    key: 'v79',
    label: '7.9x3.3x2',
    maker: 'Veddick',
    blades: 2,
    tip: 'pointed',
    material: 'carbon',
    massG: 7.4,
    colour: 'carbon',
    boreMm: 5,
    bag: [23, 2],
    counts: [2, 1],
    measuredMm: 198.6,
  },
  {
    key: 'b90',
    label: '9x5',
    maker: 'Brindlow',
    blades: 2,
    tip: 'standard',
    material: 'glassNylon',
    massG: 12.6,
    colour: 'black',
    boreMm: 8,
    bag: [9.2, 2],
    counts: [4, 4],
  },
  {
    key: 'k94',
    label: '9.4x4.5x2',
    maker: 'Kessro',
    blades: 2,
    tip: 'pointed',
    material: 'carbonNylon',
    massG: 11.8,
    colour: 'grey',
    boreMm: 8,
    bag: [12.4, 2],
    counts: [2, 4],
  },
  {
    key: 'b11',
    label: '11x6',
    maker: 'Brindlow',
    blades: 2,
    tip: 'standard',
    material: 'glassNylon',
    massG: 21.5,
    colour: 'grey',
    boreMm: 6,
    bag: [5.4, 1],
    counts: [1, 4],
  },
  {
    key: 'o125',
    label: '12.5x4.8',
    maker: 'Orle',
    blades: 2,
    tip: 'standard',
    material: 'carbon',
    massG: 17.9,
    colour: 'carbon',
    boreMm: 8,
    bag: [38, 2],
    counts: [3, 3],
  },
];

export const demoCrafts: DemoCraft[] = [
  {
    name: 'Petrel',
    owner: 'Seabird count',
    massKg: 1.92,
    layout: 'quadX',
    diagonalM: 0.294,
    shaftMm: 5,
    use: 'longEndurance',
    clearanceM: 0.2,
    motor: '2507 1080 kV',
    motorLimitA: null,
    escLimitA: 32,
    chemistry: 'lipo',
    series: 6,
    parallel: 1,
    capacityAh: 4,
    referenceKey: 'b72',
    note: 'Long, quiet transects along the bird cliff; gusts come up the face.',
  },
  {
    name: 'Fulmar',
    owner: 'Avalanche slope survey',
    massKg: 3.1,
    layout: 'quadX',
    diagonalM: 0.42,
    shaftMm: 5,
    use: 'windySite',
    clearanceM: 0.25,
    motor: '3110 900 kV',
    motorLimitA: 42,
    escLimitA: 45,
    chemistry: 'lipoHighVoltage',
    series: 6,
    parallel: 1,
    capacityAh: 8,
    referenceKey: 'b90',
    kits: [
      { name: 'camera left off', addedMassKg: -0.42, pack: null, motor: null, escLimitA: null },
      {
        name: 'two packs’ worth',
        addedMassKg: 0.55,
        pack: { chemistry: 'lipo', seriesCount: 6, capacityAh: 14 },
        motor: null,
        escLimitA: null,
      },
    ],
    note: 'Flies at first light, far below zero.',
  },
  {
    name: 'Skua',
    owner: 'Mountain rescue',
    massKg: 5.4,
    layout: 'quadX',
    diagonalM: 0.56,
    shaftMm: 8,
    use: 'heavyLift',
    clearanceM: 0.34,
    motor: '4112 420 kV',
    motorLimitA: null,
    escLimitA: 60,
    chemistry: 'liIon',
    series: 8,
    parallel: 2,
    capacityAh: 9,
    referenceKey: 'o125',
    note: 'Throws a line; must hold still while it does.',
  },
  {
    name: 'Eider',
    owner: 'School mapping plane',
    massKg: 2.1,
    layout: 'tractor',
    diagonalM: null,
    clearanceM: null,
    groundClearanceM: 0.165,
    shaftMm: 6,
    use: 'parkPlaneShort',
    motor: '2814 900 kV',
    motorLimitA: null,
    escLimitA: 45,
    chemistry: 'lipo',
    series: 4,
    parallel: 1,
    capacityAh: 5,
    referenceKey: 'b11',
    note: 'Takes off from short grass behind the school.',
  },
];

/** Packs of the shelf: each craft has its own. */
export const demoPacks: {
  tags: readonly string[];
  craft: string;
  chemistry: PackChemistry;
  series: number;
  parallel: number;
  capacityAh: number;
  cellMilliohm: number | null;
  cRating: number | null;
}[] = [
  {
    tags: ['P1', 'P2', 'P3', 'P4', 'P5'],
    craft: 'Petrel',
    chemistry: 'lipo',
    series: 6,
    parallel: 1,
    capacityAh: 4,
    cellMilliohm: 3.4,
    cRating: 45,
  },
  {
    tags: ['P6', 'P7'],
    craft: 'Fulmar',
    chemistry: 'lipoHighVoltage',
    series: 6,
    parallel: 1,
    capacityAh: 8,
    cellMilliohm: 2.1,
    cRating: 30,
  },
  {
    tags: ['P8', 'P9'],
    craft: 'Skua',
    chemistry: 'liIon',
    series: 8,
    parallel: 2,
    capacityAh: 9,
    cellMilliohm: null,
    cRating: null,
  },
  {
    tags: ['P10', 'P11', 'P12'],
    craft: 'Eider',
    chemistry: 'lipo',
    series: 4,
    parallel: 1,
    capacityAh: 5,
    cellMilliohm: null,
    cRating: 35,
  },
];

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

/** A moment of the shed: whole local days before the first start, and the hour of that day. */
export function at(daysAgo: number, hour: number): number {
  return -Math.round(daysAgo) * DAY_MS + hour * HOUR_MS;
}

export const demoAir = {
  evening: { temperatureC: 4, pressurePa: 100_900, humidityRatio: 0.72 },
  today: { temperatureC: 6, pressurePa: 100_400, humidityRatio: 0.8 },
};

/** Throttle ladder of the evening. */
export const ladder = [0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1];

export const standEvening = {
  craft: 'Petrel',
  daysAgo: 12,
  hour: 18.5,
  name: 'Cliff season, nine props',
  referenceKey: 'b72',
  propKeys: ['b72', 't77', 'b70', 'o63', 'o71', 'v75', 'k74', 't68', 'v79'],
  gateCellV: 4.05,
  /** One run was started on a tired pack. */
  tiredRun: 20,
  note: 'Rig bolted to the bench, cage on, wall two metres behind.',
};

/** What the stand's instruments were held against, long before the evening and just before it. */
export const demoChecks: (Omit<CreateInstrumentCheckDto, 'id' | 'reachesBack' | 'armM'> & { daysAgo: number })[] = [
  {
    daysAgo: 131,
    quantity: 'currentA',
    method: 'secondMeter',
    pairs: [
      { shown: 9.86, actual: 10 },
      { shown: 29.6, actual: 30 },
    ],
    note: 'Clamp meter of the ferry workshop.',
  },
  { daysAgo: 131, quantity: 'voltageV', method: 'secondMeter', pairs: [{ shown: 24.05, actual: 24.11 }], note: null },
  { daysAgo: 60, quantity: 'speedRpm', method: 'sound', pairs: [{ shown: 8420, actual: 8410 }], note: null },
  {
    daysAgo: 12,
    quantity: 'thrustN',
    method: 'knownMass',
    pairs: [
      { shown: 1.952, actual: 1.961 },
      { shown: 19.52, actual: 19.61 },
    ],
    note: 'Brass weights, after the rig was bolted down.',
  },
];

/** How evenly the makers mould. */
export const makerSpreads: Record<string, MakerSpread> = {
  Brindlow: { massRatio: 0.008, diameterRatio: 0.0006, unbalanceRatio: 0.0025, flawRatio: 0.05 },
  Tamsk: { massRatio: 0.022, diameterRatio: 0.0015, unbalanceRatio: 0.006, flawRatio: 0.12 },
  Orle: { massRatio: 0.05, diameterRatio: 0.003, unbalanceRatio: 0.004, flawRatio: 0.3 },
  Kessro: { massRatio: 0.015, diameterRatio: 0.001, unbalanceRatio: 0.004, flawRatio: 0.1 },
};

export interface DemoDelivery {
  modelKey: string;
  counts: [cw: number, ccw: number];
  daysAgo: number;
  location: string;
  boreFit: BoreFit;
  /** Pieces checked in; the rest of the bag waits. */
  checkedIn: number;
  /** The craft that the first pieces of each hand fly on, and the set they make. */
  fittedOn?: string;
  setName?: string;
}

export const demoDeliveries: DemoDelivery[] = [
  {
    modelKey: 'b72',
    counts: [7, 6],
    daysAgo: 96,
    location: 'drawer 1',
    boreFit: 'fits',
    checkedIn: 13,
    fittedOn: 'Petrel',
    setName: 'K12',
  },
  { modelKey: 't77', counts: [4, 4], daysAgo: 64, location: 'drawer 1', boreFit: 'fits', checkedIn: 8 },
  {
    modelKey: 'b90',
    counts: [4, 4],
    daysAgo: 90,
    location: 'drawer 2',
    boreFit: 'ringFitted',
    checkedIn: 8,
    fittedOn: 'Fulmar',
    setName: 'F3',
  },
  {
    modelKey: 'o125',
    counts: [5, 5],
    daysAgo: 80,
    location: 'long box',
    boreFit: 'fits',
    checkedIn: 10,
    fittedOn: 'Skua',
    setName: 'S1',
  },
  { modelKey: 'o63', counts: [6, 6], daysAgo: 210, location: 'drawer 4', boreFit: 'fits', checkedIn: 12 },
  {
    modelKey: 'b11',
    counts: [1, 4],
    daysAgo: 70,
    location: 'long box',
    boreFit: 'fits',
    checkedIn: 5,
    fittedOn: 'Eider',
    setName: 'E1',
  },
  { modelKey: 'k74', counts: [2, 2], daysAgo: 1, location: 'bench', boreFit: 'fits', checkedIn: 1 },
];

/** A set that lacks a piece: it flew a trial, and one of it was thrown away. */
export const shortSet = { name: 'T2', craft: 'Petrel', modelKey: 't77', cwCount: 2, ccwCount: 1 };

/** A fortnight's trial: these flew in place of the usual set, and one of them came home chipped. */
export const trial = {
  craft: 'Petrel',
  modelKey: 't77',
  fromDaysAgo: 20,
  toDaysAgo: 15,
  lost: 'a chip out of the leading edge, found after the last flight',
};

/** Craft whose every spin was seen and signed for when they were fitted; on the others somebody still has to. */
export const signedCrafts: readonly string[] = ['Petrel', 'Fulmar', 'Eider'];

/** Motors of the shed; their hours are those of the craft's flights since they were put on. */
export const demoMotors = [
  {
    tag: 'M1',
    craft: 'Petrel',
    place: 'frontLeft',
    fromDaysAgo: 95,
    overLimitCount: 2,
    bearing: 'smooth',
    runOutMm: 0.02,
  },
  {
    tag: 'M2',
    craft: 'Petrel',
    place: 'frontRight',
    fromDaysAgo: 95,
    overLimitCount: 2,
    bearing: 'smooth',
    runOutMm: 0.03,
  },
  {
    tag: 'M3',
    craft: 'Petrel',
    place: 'rearRight',
    fromDaysAgo: 95,
    overLimitCount: 1,
    bearing: 'smooth',
    runOutMm: 0.02,
  },
  {
    tag: 'M4',
    craft: 'Petrel',
    place: 'rearLeft',
    fromDaysAgo: 33,
    overLimitCount: 0,
    bearing: 'smooth',
    runOutMm: 0.01,
  },
] as const;

/** What a hand felt of the motor that took the twigs, the same evening. */
export const struckMotor = { tag: 'M2', daysAgo: 21, bearing: 'dry', runOutMm: 0.04 } as const;

export const demoSpares = [{ name: 'M5 lock nut', count: 19, perPieceCount: 1 }];

/** Rigs of the shed: friction in gram-millimetres, play in millimetres. */
export const demoRigs = [
  {
    name: 'Glass knife edges',
    frictionGmm: 0.06,
    borePlayMm: 0,
    largestMm: 420,
    inertiaGmm2: 160,
    note: 'Cones to 9 mm; large props hang over the bench edge.',
  },
  {
    name: 'Magnet cage',
    frictionGmm: 0.025,
    borePlayMm: 0.02,
    largestMm: 230,
    inertiaGmm2: 90,
    note: 'For the small ones.',
  },
];

/** How a craft was flown in the last months: a session is what one drive to the site brings, a pack for each flight. */
export interface DemoFlying {
  craft: string;
  sessionCount: number;
  fromDaysAgo: number;
  toDaysAgo: number;
  /** Flights of one session. */
  flightCount: number;
  /** A session whose look was too quick; none where null. */
  hurriedSession: number | null;
  /** A session before which a scrape was found. */
  scrapedSession: number | null;
  /** Whether somebody walked round it this morning. */
  isLookedThisMorning: boolean;
  /** Single flights after work on the bench. */
  tests: readonly { daysAgo: number; minutes: number; note: string }[];
  /** On the last flight of a session, counted from the first. */
  strikes: readonly { session: number; thing: StruckThing; throttleRatio: number; place: RotorPlace; note: string }[];
}

export const demoFlying: DemoFlying[] = [
  {
    craft: 'Petrel',
    sessionCount: 45,
    fromDaysAgo: 90,
    toDaysAgo: 1,
    flightCount: 8,
    hurriedSession: 32,
    scrapedSession: 36,
    isLookedThisMorning: false,
    tests: [],
    strikes: [
      {
        session: 34,
        thing: 'twigs',
        throttleRatio: 0.4,
        place: 'frontRight',
        note: 'Juniper beside the landing stone.',
      },
    ],
  },
  {
    craft: 'Fulmar',
    sessionCount: 9,
    fromDaysAgo: 85,
    toDaysAgo: 6,
    flightCount: 2,
    hurriedSession: null,
    scrapedSession: null,
    isLookedThisMorning: true,
    tests: [{ daysAgo: 30, minutes: 10, note: 'New mount rubbers: the picture stands still.' }],
    strikes: [],
  },
  {
    craft: 'Skua',
    sessionCount: 6,
    fromDaysAgo: 74,
    toDaysAgo: 9,
    flightCount: 2,
    hurriedSession: 2,
    scrapedSession: null,
    isLookedThisMorning: false,
    tests: [],
    strikes: [],
  },
  {
    craft: 'Eider',
    sessionCount: 8,
    fromDaysAgo: 66,
    toDaysAgo: 2,
    flightCount: 3,
    hurriedSession: null,
    scrapedSession: null,
    isLookedThisMorning: false,
    tests: [],
    strikes: [{ session: 7, thing: 'grass', throttleRatio: 0.1, place: 'nose', note: 'Nosed over on landing.' }],
  },
];

/** An undamaged piece failed elsewhere: its kind stays down. */
export const rootAlert = {
  modelKey: 'o125',
  daysAgo: 4,
  reason: 'a blade of the same bag cracked at the root without a strike',
};

export const gainStory = {
  craft: 'Petrel',
  oldKey: 'b72',
  newKey: 't77',
  fromPercent: 100,
  toPercent: 95,
  daysAgo: 19,
};

export const demoTickets = [
  {
    craft: 'Eider',
    owner: 'Upper school',
    daysAgo: 2,
    complaint: 'Nosed over on landing and hums since.',
    found: null,
    done: null,
    parts: null,
    minutes: null,
  },
  {
    craft: 'Fulmar',
    owner: 'Slope survey',
    daysAgo: 31,
    complaint: 'Pictures of the slope wobble like jelly.',
    found: 'Camera mount had set: two rubbers were hard.',
    done: 'Rubbers changed, flown for ten minutes.',
    parts: '4 mount rubbers',
    minutes: 55,
  },
];

export const demoSymptom = {
  craft: 'Fulmar',
  daysAgo: 31,
  cause: 'softMount',
  symptoms: ['jellyVideo'],
  changes: ['nothing'],
  answers: [{ test: 'touchMount', answer: 'yes' }],
} as const;

/** Flights by protocol with one craft. */
export interface DemoFlights {
  craft: string;
  /** Drag over dynamic pressure [m²]. */
  dragAreaM2: number;
  flights: readonly {
    daysAgo: number;
    hour: number;
    modelKey: string;
    restCellV: number;
    wind: { fromDegrees: number; speedMPerS: number };
    opinions: readonly { topic: (typeof opinionTopics)[number]; stars: number; words: string | null }[];
    isCarefulFirst: boolean;
  }[];
}

const [sea, ridge] = [
  { fromDegrees: 280, speedMPerS: 3 },
  { fromDegrees: 310, speedMPerS: 4.2 },
];
const said = (topic: (typeof opinionTopics)[number], stars: number, words: string | null = null) => ({
  topic,
  stars,
  words,
});

export const demoFlights: DemoFlights[] = [
  {
    craft: 'Petrel',
    dragAreaM2: 0.021,
    flights: [
      {
        daysAgo: 20,
        hour: 13,
        modelKey: 'b72',
        restCellV: 4.17,
        wind: sea,
        opinions: [said('planted', 4)],
        isCarefulFirst: false,
      },
      {
        daysAgo: 20,
        hour: 14,
        modelKey: 't77',
        restCellV: 4.16,
        wind: sea,
        opinions: [said('grip', 4, 'holds on the way down')],
        isCarefulFirst: true,
      },
      {
        daysAgo: 20,
        hour: 15,
        modelKey: 'v75',
        restCellV: 4.17,
        wind: sea,
        opinions: [said('sound', 2, 'sings over the water')],
        isCarefulFirst: true,
      },
      { daysAgo: 18, hour: 12, modelKey: 'b72', restCellV: 4.16, wind: ridge, opinions: [], isCarefulFirst: false },
      {
        daysAgo: 18,
        hour: 13,
        modelKey: 't77',
        restCellV: 4.15,
        wind: ridge,
        opinions: [said('planted', 5)],
        isCarefulFirst: false,
      },
      { daysAgo: 18, hour: 14, modelKey: 'v75', restCellV: 4.17, wind: ridge, opinions: [], isCarefulFirst: false },
      {
        daysAgo: 18,
        hour: 15,
        modelKey: 'b70',
        restCellV: 3.97,
        wind: ridge,
        opinions: [said('soft', 3)],
        isCarefulFirst: true,
      },
    ],
  },
  {
    craft: 'Eider',
    dragAreaM2: 0.018,
    flights: [
      {
        daysAgo: 12,
        hour: 14,
        modelKey: 'b11',
        restCellV: 4.18,
        wind: sea,
        opinions: [said('smoothness', 4)],
        isCarefulFirst: false,
      },
      { daysAgo: 12, hour: 15, modelKey: 'b11', restCellV: 4.17, wind: sea, opinions: [], isCarefulFirst: false },
      {
        daysAgo: 11,
        hour: 14,
        modelKey: 'k94',
        restCellV: 4.17,
        wind: ridge,
        opinions: [said('snap', 4)],
        isCarefulFirst: true,
      },
    ],
  },
];

/** Props that were listened to at one place. */
export interface DemoListening {
  craft: string;
  heardOn: 'craft' | 'stand';
  daysAgo: number;
  hour: number;
  place: string;
  method: 'meter' | 'recording';
  distanceM: number;
  /** What the place itself sounds like [dB(A)]. */
  placeDb: number;
  /** Keys of props in the order of the takes, null for the place alone, and the thrust over the hover's. */
  takes: readonly (readonly [modelKey: string | null, thrustRatio: number])[];
}

const hovering = (...keys: (string | null)[]): DemoListening['takes'] => keys.map((key) => [key, 1]);
const rising = (key: string): DemoListening['takes'] => [0.6, 1, 1.6].map((ratio) => [key, ratio]);

export const demoListenings: DemoListening[] = [
  {
    craft: 'Petrel',
    heardOn: 'stand',
    daysAgo: 10,
    hour: 15,
    place: 'yard before the shed, stand on the sledge',
    method: 'recording',
    distanceM: 3,
    placeDb: 37,
    takes: [...hovering(null), ...rising('b72'), ...rising('v75'), ['b72', 1]],
  },
  {
    craft: 'Petrel',
    heardOn: 'craft',
    daysAgo: 9,
    hour: 14,
    place: 'meadow behind the shed',
    method: 'recording',
    distanceM: 4,
    placeDb: 38,
    takes: hovering(null, 'b72', 't77', 'v75', 'b70', 't77', 'v75', 'b72'),
  },
  {
    craft: 'Eider',
    heardOn: 'craft',
    daysAgo: 8,
    hour: 13,
    place: 'school yard, after classes',
    method: 'meter',
    distanceM: 6,
    placeDb: 44,
    takes: hovering(null, 'b11', 'k94', 'k94', 'b11'),
  },
];
