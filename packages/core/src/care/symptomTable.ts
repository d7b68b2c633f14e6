/** What somebody sees, hears or feels. */
export const symptomNames = [
  'tipsAtOnce',
  'yawsAway',
  'staysDown',
  'tremblingPicture',
  'jellyVideo',
  'flutters',
  'hotMotors',
  'oneHotMotor',
  'mushy',
  'howlsAtFull',
  'driftsAfterBump',
  'lostNut',
  'armsShake',
  'shortFlights',
  'clicks',
  'stutters',
  'leans',
  'buzzBand',
] as const;
export type SymptomName = (typeof symptomNames)[number];

/** What may be behind it. */
export const causeNames = [
  'piecesSwapped',
  'pieceTurnedOver',
  'wrongHand',
  'motorReversed',
  'spinsAllOpposite',
  'piecesAllOpposite',
  'unbalancedProp',
  'bentBlade',
  'crackedBlade',
  'looseProp',
  'bentShaft',
  'dryBearing',
  'looseArm',
  'gainTooHigh',
  'gainTooLow',
  'tooMuchProp',
  'tooLittleProp',
  'mixedModels',
  'tiredPack',
  'weakEsc',
  'burntWinding',
  'propRubs',
  'softMount',
  'armResonance',
] as const;
export type CauseName = (typeof causeNames)[number];

/** What can be looked at or tried. */
export const symptomTestNames = [
  'readLetters',
  'labelsForward',
  'seeSpin',
  'readTable',
  'modelNames',
  'pullNut',
  'wiggleArms',
  'touchMount',
  'magnifyRoots',
  'lookAlong',
  'balanceCheck',
  'knownGoodSet',
  'spinBare',
  'shaftTip',
  'rubMarks',
  'touchMotors',
  'otherPack',
  'sagUnderLoad',
  'currentAtFull',
  'hoverThrottle',
  'onePercentLess',
  'pushAndWatch',
  'bareSpinUp',
  'moveMotor',
  'throttleBand',
] as const;
export type SymptomTestName = (typeof symptomTestNames)[number];

/** What may have changed since it last flew well. */
export const changeNames = [
  'props',
  'motor',
  'wiring',
  'gains',
  'pack',
  'frame',
  'payload',
  'strike',
  'nothing',
] as const;
export type ChangeName = (typeof changeNames)[number];

/** What the workshop's own record says of a craft. */
export const recordFacts = [
  'untrued',
  'lifeOver',
  'layoutUnseen',
  'struckPiece',
  'motorStruck',
  'motorGritty',
  'packOverDrawn',
  'mixedModels',
  'overCurrent',
  'highHover',
] as const;
export type RecordFact = (typeof recordFacts)[number];

/** Shares: how often something goes with a cause; what is not named here goes with it as rarely as with anything. */
type Links<K extends string> = Partial<Record<K, number>>;

export interface CauseLinks {
  /** How common the cause is among craft that come to the bench. */
  prior: number;
  symptoms: Links<SymptomName>;
  changes: Links<ChangeName>;
  facts: Links<RecordFact>;
  tests: Links<SymptomTestName>;
}

/** How often each thing is seen where its cause is not there. */
export const chance = { symptom: 0.02, change: 0.06, fact: 0.08 } as const;

/** How often a test says yes though nothing of its own is wrong, and the minutes that it takes. */
export const symptomTests: Record<SymptomTestName, { falseShare: number; minutes: number }> = {
  readLetters: { falseShare: 0.01, minutes: 2 },
  labelsForward: { falseShare: 0.01, minutes: 1 },
  seeSpin: { falseShare: 0.01, minutes: 6 },
  readTable: { falseShare: 0.02, minutes: 5 },
  modelNames: { falseShare: 0.01, minutes: 2 },
  pullNut: { falseShare: 0.03, minutes: 1 },
  wiggleArms: { falseShare: 0.05, minutes: 2 },
  touchMount: { falseShare: 0.05, minutes: 1 },
  magnifyRoots: { falseShare: 0.04, minutes: 5 },
  lookAlong: { falseShare: 0.05, minutes: 3 },
  balanceCheck: { falseShare: 0.1, minutes: 10 },
  knownGoodSet: { falseShare: 0.05, minutes: 8 },
  spinBare: { falseShare: 0.06, minutes: 3 },
  shaftTip: { falseShare: 0.03, minutes: 3 },
  rubMarks: { falseShare: 0.03, minutes: 2 },
  touchMotors: { falseShare: 0.06, minutes: 3 },
  otherPack: { falseShare: 0.04, minutes: 5 },
  sagUnderLoad: { falseShare: 0.06, minutes: 4 },
  currentAtFull: { falseShare: 0.05, minutes: 12 },
  hoverThrottle: { falseShare: 0.06, minutes: 3 },
  onePercentLess: { falseShare: 0.05, minutes: 10 },
  pushAndWatch: { falseShare: 0.06, minutes: 5 },
  bareSpinUp: { falseShare: 0.05, minutes: 5 },
  moveMotor: { falseShare: 0.03, minutes: 25 },
  throttleBand: { falseShare: 0.05, minutes: 6 },
};

/** Workshop experience, in shares; shown as such, and overruled by what a test finds. */
export const causeTable: Record<CauseName, CauseLinks> = {
  piecesSwapped: {
    prior: 7,
    symptoms: { tipsAtOnce: 0.95, staysDown: 0.15 },
    changes: { props: 0.8, strike: 0.2 },
    facts: { layoutUnseen: 0.6 },
    tests: { readLetters: 0.97, knownGoodSet: 0.4 },
  },
  pieceTurnedOver: {
    prior: 3,
    symptoms: { tipsAtOnce: 0.45, leans: 0.5, mushy: 0.3, oneHotMotor: 0.25 },
    changes: { props: 0.85 },
    facts: { layoutUnseen: 0.5 },
    tests: { labelsForward: 0.97, knownGoodSet: 0.3 },
  },
  wrongHand: {
    prior: 4,
    symptoms: { tipsAtOnce: 0.92, staysDown: 0.2 },
    changes: { props: 0.7, strike: 0.3 },
    facts: { layoutUnseen: 0.6 },
    tests: { readLetters: 0.96, knownGoodSet: 0.6 },
  },
  motorReversed: {
    prior: 3,
    symptoms: { tipsAtOnce: 0.9, staysDown: 0.1 },
    changes: { motor: 0.6, wiring: 0.6 },
    facts: { layoutUnseen: 0.7 },
    tests: { seeSpin: 0.98 },
  },
  spinsAllOpposite: {
    prior: 2,
    symptoms: { yawsAway: 0.95 },
    changes: { wiring: 0.7, gains: 0.3, motor: 0.2 },
    facts: { layoutUnseen: 0.8 },
    tests: { readTable: 0.96, seeSpin: 0.4 },
  },
  piecesAllOpposite: {
    prior: 2,
    symptoms: { staysDown: 0.95 },
    changes: { props: 0.9 },
    facts: { layoutUnseen: 0.7 },
    tests: { readLetters: 0.96, knownGoodSet: 0.7 },
  },
  unbalancedProp: {
    prior: 12,
    symptoms: { tremblingPicture: 0.75, jellyVideo: 0.6, flutters: 0.15, armsShake: 0.2, hotMotors: 0.08 },
    changes: { props: 0.6, strike: 0.25 },
    facts: { untrued: 0.75, struckPiece: 0.2 },
    tests: { balanceCheck: 0.95, knownGoodSet: 0.92 },
  },
  bentBlade: {
    prior: 6,
    symptoms: {
      tremblingPicture: 0.6,
      jellyVideo: 0.45,
      oneHotMotor: 0.3,
      howlsAtFull: 0.3,
      leans: 0.25,
      armsShake: 0.25,
    },
    changes: { strike: 0.8 },
    facts: { struckPiece: 0.7 },
    tests: { lookAlong: 0.9, knownGoodSet: 0.9, balanceCheck: 0.45, magnifyRoots: 0.4 },
  },
  crackedBlade: {
    prior: 4,
    symptoms: { howlsAtFull: 0.45, armsShake: 0.45, tremblingPicture: 0.4, clicks: 0.2 },
    changes: { strike: 0.6, nothing: 0.25 },
    facts: { lifeOver: 0.5, struckPiece: 0.5 },
    tests: { magnifyRoots: 0.9, knownGoodSet: 0.9, lookAlong: 0.2, balanceCheck: 0.25 },
  },
  looseProp: {
    prior: 5,
    symptoms: { lostNut: 0.4, clicks: 0.4, armsShake: 0.35, tremblingPicture: 0.35, mushy: 0.25 },
    changes: { props: 0.65 },
    facts: {},
    tests: { pullNut: 0.95, knownGoodSet: 0.5 },
  },
  bentShaft: {
    prior: 6,
    symptoms: { tremblingPicture: 0.6, jellyVideo: 0.45, armsShake: 0.35, oneHotMotor: 0.25, flutters: 0.15 },
    changes: { strike: 0.8 },
    facts: { motorStruck: 0.7, struckPiece: 0.4 },
    tests: { shaftTip: 0.94, bareSpinUp: 0.7, spinBare: 0.3, moveMotor: 0.85 },
  },
  dryBearing: {
    prior: 6,
    symptoms: { clicks: 0.5, oneHotMotor: 0.5, tremblingPicture: 0.35, howlsAtFull: 0.3, stutters: 0.1 },
    changes: { nothing: 0.6, strike: 0.2 },
    facts: { motorGritty: 0.6, motorStruck: 0.2 },
    tests: { spinBare: 0.8, bareSpinUp: 0.6, touchMotors: 0.6, moveMotor: 0.9 },
  },
  looseArm: {
    prior: 5,
    symptoms: { tremblingPicture: 0.5, jellyVideo: 0.4, armsShake: 0.55, flutters: 0.35, driftsAfterBump: 0.15 },
    changes: { frame: 0.5, strike: 0.5 },
    facts: {},
    tests: { wiggleArms: 0.95 },
  },
  gainTooHigh: {
    prior: 7,
    symptoms: { flutters: 0.85, hotMotors: 0.55, tremblingPicture: 0.3 },
    changes: { props: 0.55, gains: 0.6, payload: 0.2 },
    facts: {},
    tests: { onePercentLess: 0.92 },
  },
  gainTooLow: {
    prior: 4,
    symptoms: { driftsAfterBump: 0.8, mushy: 0.6 },
    changes: { gains: 0.6, props: 0.35, payload: 0.35 },
    facts: {},
    tests: { pushAndWatch: 0.92 },
  },
  tooMuchProp: {
    prior: 5,
    symptoms: { hotMotors: 0.8, shortFlights: 0.45, mushy: 0.25, howlsAtFull: 0.15 },
    changes: { props: 0.8 },
    facts: { overCurrent: 0.7, packOverDrawn: 0.25 },
    tests: { currentAtFull: 0.94, sagUnderLoad: 0.35, knownGoodSet: 0.85 },
  },
  tooLittleProp: {
    prior: 3,
    symptoms: { mushy: 0.8, shortFlights: 0.3, driftsAfterBump: 0.2, howlsAtFull: 0.25 },
    changes: { props: 0.55, payload: 0.6 },
    facts: { highHover: 0.8 },
    tests: { hoverThrottle: 0.92, knownGoodSet: 0.6 },
  },
  mixedModels: {
    prior: 3,
    symptoms: { leans: 0.7, tremblingPicture: 0.25, oneHotMotor: 0.25, yawsAway: 0.15 },
    changes: { props: 0.8 },
    facts: { mixedModels: 0.8 },
    tests: { modelNames: 0.97, knownGoodSet: 0.85 },
  },
  tiredPack: {
    prior: 7,
    symptoms: { shortFlights: 0.85, mushy: 0.45 },
    changes: { pack: 0.4, nothing: 0.5 },
    facts: { packOverDrawn: 0.5 },
    tests: { otherPack: 0.95, sagUnderLoad: 0.9 },
  },
  weakEsc: {
    prior: 3,
    symptoms: { stutters: 0.85, tipsAtOnce: 0.1, oneHotMotor: 0.1 },
    changes: { wiring: 0.5, props: 0.25 },
    facts: {},
    tests: { bareSpinUp: 0.6, moveMotor: 0.1 },
  },
  burntWinding: {
    prior: 3,
    symptoms: { oneHotMotor: 0.75, stutters: 0.5, leans: 0.35, shortFlights: 0.2 },
    changes: { strike: 0.3, nothing: 0.3, motor: 0.2 },
    facts: { overCurrent: 0.4, motorStruck: 0.3 },
    tests: { touchMotors: 0.85, moveMotor: 0.93, bareSpinUp: 0.6 },
  },
  propRubs: {
    prior: 3,
    symptoms: { clicks: 0.55, oneHotMotor: 0.4, howlsAtFull: 0.3 },
    changes: { frame: 0.5, props: 0.4, strike: 0.2 },
    facts: {},
    tests: { rubMarks: 0.95, spinBare: 0.15 },
  },
  softMount: {
    prior: 4,
    symptoms: { jellyVideo: 0.75, tremblingPicture: 0.6 },
    changes: { frame: 0.4, payload: 0.4, nothing: 0.3 },
    facts: {},
    tests: { touchMount: 0.94 },
  },
  armResonance: {
    prior: 3,
    symptoms: { buzzBand: 0.8, jellyVideo: 0.45, tremblingPicture: 0.35, armsShake: 0.15 },
    changes: { frame: 0.4, props: 0.35, payload: 0.2 },
    facts: {},
    tests: { throttleBand: 0.94, onePercentLess: 0.25 },
  },
};
