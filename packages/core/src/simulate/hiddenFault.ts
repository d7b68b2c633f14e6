import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';
import type { CauseName, ChangeName, RecordFact, SymptomName, SymptomTestName } from '../care/symptomTable.ts';

/** A craft with something wrong that nobody knows yet, and somebody who looks at it. */
export interface HiddenFault {
  cause: CauseName;
  symptoms: SymptomName[];
  changes: ChangeName[];
  facts: RecordFact[];
  /** What the technician finds; the same test gives the same answer twice. */
  answer(test: SymptomTestName): 'yes' | 'no' | 'unsure';
}

/**
 * The state of a craft, each quantity in the size that half of all people notice: 1 is seen by every second one.
 * Nothing here is a share of the table that judges: symptoms and findings follow from the state.
 */
interface CraftState {
  /** Shake that goes with the set of props, with a motor's shaft, and with a motor's bearing. */
  propShake: number;
  shaftShake: number;
  bearingShake: number;
  /** Play of the arms, which lets every shake through and answers the controller late. */
  armSlack: number;
  /** How far the camera's mount passes shake on. */
  mountGive: number;
  /** Shake in a narrow band of throttle. */
  bandShake: number;
  /** Moment that nothing holds at take-off; lift that is missing; turn that the controller feeds. */
  tipping: number;
  missingLift: number;
  wrongYaw: number;
  /** Lift that one rotor lacks, so that the others lean against it. */
  lean: number;
  /** Gains against the right ones: above 1 too high, below 1 too low. */
  gain: number;
  /** Current at full throttle, and throttle at hover, against what is right. */
  load: number;
  hoverThrottle: number;
  /** What the pack drops under load, and what one motor runs hotter than the rest. */
  sag: number;
  oneMotorHeat: number;
  /** Drag felt by hand; something that rubs; a prop that slips. */
  drag: number;
  rub: number;
  slip: number;
  /** Dropouts of a motor that come with its controller, or with its winding. */
  escDropouts: number;
  windingDropouts: number;
  /** Blades out of shape, cracked; faults of lettering, of faces, of spins, of the table of spins, of models. */
  bend: number;
  crack: number;
  letters: number;
  faces: number;
  spins: number;
  table: number;
  models: number;
}

type Make = (state: CraftState, draw: (size: number) => number) => void;
type Origin = 'props' | 'strike' | 'wear' | 'motorWork' | 'wiring' | 'tuning' | 'frameWork' | 'payload' | 'oldPack';

/** What people set right at once is not there: a fault is as large as what is brought to the bench. */
const SEEN = 3;

/** How a fault comes about, the commonest first, and what it does to the craft. */
const faults: Record<CauseName, { common: number; origins: readonly Origin[]; make: Make }> = {
  piecesSwapped: {
    common: 6,
    origins: ['props', 'props', 'props', 'strike'],
    make: (s, draw) => Object.assign(s, { letters: draw(8), tipping: draw(8), missingLift: draw(0.4) }),
  },
  pieceTurnedOver: {
    common: 3,
    origins: ['props', 'props', 'strike'],
    make: (s, draw) =>
      Object.assign(s, { faces: draw(8), lean: draw(2.2), tipping: draw(1.1), oneMotorHeat: draw(0.8) }),
  },
  wrongHand: {
    common: 4,
    origins: ['props', 'props', 'strike'],
    make: (s, draw) => Object.assign(s, { letters: draw(8), tipping: draw(7), missingLift: draw(0.4) }),
  },
  motorReversed: {
    common: 3,
    origins: ['motorWork', 'wiring'],
    make: (s, draw) => Object.assign(s, { spins: draw(10), tipping: draw(7), missingLift: draw(0.3) }),
  },
  spinsAllOpposite: {
    common: 2,
    origins: ['wiring', 'wiring', 'tuning', 'motorWork'],
    make: (s, draw) => Object.assign(s, { table: draw(9), spins: draw(0.8), wrongYaw: draw(9) }),
  },
  piecesAllOpposite: {
    common: 2,
    origins: ['props'],
    make: (s, draw) => Object.assign(s, { letters: draw(9), missingLift: draw(9) }),
  },
  unbalancedProp: {
    common: 10,
    origins: ['props', 'props', 'strike', 'wear'],
    make: (s, draw) => Object.assign(s, { propShake: draw(2.4) }),
  },
  bentBlade: {
    common: 6,
    origins: ['strike', 'strike', 'strike', 'wear'],
    make: (s, draw) =>
      Object.assign(s, { bend: draw(SEEN), propShake: draw(1.6), lean: draw(0.6), oneMotorHeat: draw(0.6) }),
  },
  crackedBlade: {
    common: 4,
    origins: ['strike', 'wear'],
    make: (s, draw) => Object.assign(s, { crack: draw(SEEN), propShake: draw(1.4), bend: draw(0.3), slip: draw(0.3) }),
  },
  looseProp: {
    common: 5,
    origins: ['props', 'props', 'wear'],
    make: (s, draw) => Object.assign(s, { slip: draw(SEEN), propShake: draw(1.1) }),
  },
  bentShaft: {
    common: 6,
    origins: ['strike', 'strike', 'motorWork'],
    make: (s, draw) => Object.assign(s, { shaftShake: draw(2.6), oneMotorHeat: draw(0.6), drag: draw(0.4) }),
  },
  dryBearing: {
    common: 6,
    origins: ['wear', 'wear', 'strike'],
    make: (s, draw) =>
      Object.assign(s, { bearingShake: draw(1.4), drag: draw(2.6), oneMotorHeat: draw(1.4), rub: draw(0.4) }),
  },
  looseArm: {
    common: 5,
    origins: ['frameWork', 'strike', 'wear'],
    make: (s, draw) => Object.assign(s, { armSlack: draw(SEEN) }),
  },
  gainTooHigh: {
    common: 7,
    origins: ['tuning', 'props', 'props', 'payload'],
    make: (s, draw) => Object.assign(s, { gain: 1 + draw(0.9) }),
  },
  gainTooLow: {
    common: 4,
    origins: ['tuning', 'props', 'payload'],
    make: (s, draw) => Object.assign(s, { gain: 1 / (1 + draw(0.9)) }),
  },
  tooMuchProp: {
    common: 5,
    origins: ['props', 'props', 'motorWork'],
    make: (s, draw) => Object.assign(s, { load: draw(2.4), sag: draw(0.5) }),
  },
  tooLittleProp: {
    common: 3,
    origins: ['props', 'payload'],
    make: (s, draw) => Object.assign(s, { hoverThrottle: draw(2.6) }),
  },
  mixedModels: {
    common: 3,
    origins: ['props', 'props', 'strike'],
    make: (s, draw) => Object.assign(s, { models: draw(8), lean: draw(1.8), propShake: draw(0.5) }),
  },
  tiredPack: {
    common: 7,
    origins: ['oldPack', 'oldPack', 'wear'],
    make: (s, draw) => Object.assign(s, { sag: draw(2.8) }),
  },
  weakEsc: {
    common: 3,
    origins: ['wiring', 'wear', 'props'],
    make: (s, draw) => Object.assign(s, { escDropouts: draw(2.8) }),
  },
  burntWinding: {
    common: 3,
    origins: ['wear', 'strike', 'motorWork'],
    make: (s, draw) => Object.assign(s, { windingDropouts: draw(1.6), oneMotorHeat: draw(2.4), lean: draw(0.7) }),
  },
  propRubs: {
    common: 3,
    origins: ['frameWork', 'props', 'strike'],
    make: (s, draw) => Object.assign(s, { rub: draw(SEEN), oneMotorHeat: draw(0.9) }),
  },
  softMount: {
    common: 4,
    origins: ['frameWork', 'payload', 'wear'],
    make: (s, draw) => Object.assign(s, { mountGive: draw(SEEN) }),
  },
  armResonance: {
    common: 3,
    origins: ['frameWork', 'props', 'payload'],
    make: (s, draw) => Object.assign(s, { bandShake: draw(SEEN) }),
  },
};

/** What the person says has changed, where a fault came about that way. */
const changeOf: Record<Origin, ChangeName | null> = {
  props: 'props',
  strike: 'strike',
  wear: null,
  motorWork: 'motor',
  wiring: 'wiring',
  tuning: 'gains',
  frameWork: 'frame',
  payload: 'payload',
  oldPack: 'pack',
};

const idleChanges = ['props', 'gains', 'pack', 'frame', 'payload', 'wiring', 'motor', 'strike'] as const;
const SIZE_SPREAD = 0.35;
const SYMPTOMS_MOST = 3;
/** How sharply people tell a shake of the bench's size from one of half of it. */
const SHARPNESS = 2.2;
const SLIP_SHARE = 0.03;
const UNSURE_SHARE = 0.06;
/** What has nothing to do with the fault and is told all the same. */
const IDLE_CHANGE_SHARE = 0.05;
/** Faults of the workshop's record: what is due on any craft, and what nobody wrote down. */
const IDLE_FACT_SHARE = 0.07;
const WRITTEN_SHARE = 0.75;

/**
 * A seeded craft with one fault of random size. The fault changes the state of the craft; what is told follows from
 * that state through the eyes of one person, and what each test finds through the same eyes: overlooked, mistaken,
 * unsure.
 */
export function hiddenFault(seed: string): HiddenFault {
  const random = seededRandom(seed);
  const cause = drawCause(random);
  const state = soundCraft(random);
  faults[cause].make(state, (size) => size * Math.exp(SIZE_SPREAD * random.normal()));
  const origin = faults[cause].origins[Math.floor(random.next() * faults[cause].origins.length)]!;
  const eye = Math.exp(0.25 * random.normal());
  const answers = new Map<SymptomTestName, 'yes' | 'no' | 'unsure'>();
  const looks = random.fork('looks');
  return {
    cause,
    symptoms: toldSymptoms(state, eye, random),
    changes: toldChanges(origin, random),
    facts: writtenFacts(state, origin, random),
    answer: (test) => {
      const known = answers.get(test);
      if (known) return known;
      const truth = looks.next() < noticed(findings(state)[test] * eye);
      const seen = looks.next() < SLIP_SHARE ? !truth : truth;
      const said = looks.next() < UNSURE_SHARE ? 'unsure' : seen ? 'yes' : 'no';
      answers.set(test, said);
      return said;
    },
  };
}

function drawCause(random: SeededRandom): CauseName {
  const entries = Object.entries(faults) as [CauseName, (typeof faults)[CauseName]][];
  let left = random.next() * entries.reduce((sum, [, { common }]) => sum + common, 0);
  for (const [cause, { common }] of entries) {
    left -= common;
    if (left <= 0) return cause;
  }
  return entries.at(-1)![0];
}

/** No craft is perfect: a little of everything is always there. */
function soundCraft(random: SeededRandom): CraftState {
  const little = (): number => 0.14 * Math.exp(0.5 * random.normal());
  return {
    propShake: little(),
    shaftShake: little(),
    bearingShake: little(),
    armSlack: little(),
    mountGive: little(),
    bandShake: little(),
    tipping: little(),
    missingLift: little() / 2,
    wrongYaw: little() / 2,
    lean: little(),
    gain: Math.exp(0.03 * random.normal()),
    load: 2 * little(),
    hoverThrottle: 2 * little(),
    sag: 2 * little(),
    oneMotorHeat: little(),
    drag: little(),
    rub: little(),
    slip: little(),
    escDropouts: little() / 2,
    windingDropouts: little() / 2,
    bend: little(),
    crack: little(),
    letters: little() / 2,
    faces: little() / 2,
    spins: little() / 2,
    table: little() / 2,
    models: little() / 2,
  };
}

/** Share of people who notice something of that size. */
function noticed(size: number): number {
  const power = Math.max(size, 0) ** SHARPNESS;
  return power / (1 + power);
}

const tooHigh = ({ gain }: CraftState): number => 3 * Math.max(gain - 1, 0);
const tooLow = ({ gain }: CraftState): number => 3 * Math.max(1 / gain - 1, 0);
const shakeOf = (s: CraftState): number =>
  Math.hypot(s.propShake, s.shaftShake, s.bearingShake) * (1 + 0.9 * s.armSlack);

/** How strongly each symptom shows. */
function signs(s: CraftState): Record<SymptomName, number> {
  const shake = shakeOf(s);
  return {
    tipsAtOnce: s.tipping,
    yawsAway: s.wrongYaw,
    staysDown: s.missingLift,
    tremblingPicture: Math.max(0.8 * shake * (1 + 0.6 * s.mountGive), 0.6 * s.bandShake, 0.4 * tooHigh(s)),
    jellyVideo: Math.max(0.6 * shake * (1 + 2 * s.mountGive), 0.6 * s.bandShake),
    flutters: Math.max(tooHigh(s), 0.4 * s.armSlack),
    hotMotors: Math.max(s.load, 0.5 * tooHigh(s)),
    oneHotMotor: s.oneMotorHeat,
    mushy: Math.max(s.hoverThrottle, 0.5 * s.sag, 0.7 * tooLow(s), 0.3 * s.slip),
    howlsAtFull: Math.max(0.45 * s.crack, 0.35 * s.bend, 0.3 * s.rub, 0.2 * s.load, 0.45 * s.bearingShake),
    driftsAfterBump: Math.max(tooLow(s), 0.2 * s.armSlack, 0.2 * s.hoverThrottle),
    lostNut: 0.35 * s.slip,
    armsShake: 0.45 * shake,
    shortFlights: Math.max(s.sag, 0.45 * s.load, 0.35 * s.hoverThrottle),
    clicks: Math.max(0.5 * s.rub, 0.4 * s.drag, 0.35 * s.slip, 0.2 * s.crack),
    stutters: Math.hypot(s.escDropouts, 0.8 * s.windingDropouts),
    leans: s.lean,
    buzzBand: s.bandShake,
  };
}

/** How strongly each test finds what it looks for; a test by exchange finds whatever goes with the part exchanged. */
function findings(s: CraftState): Record<SymptomTestName, number> {
  const ofTheSet = [s.propShake, s.bend, s.crack, s.models, s.letters / 3, s.faces / 6, s.load, s.hoverThrottle / 3];
  return {
    readLetters: s.letters,
    labelsForward: s.faces,
    seeSpin: s.spins,
    readTable: s.table,
    modelNames: s.models,
    pullNut: s.slip,
    wiggleArms: s.armSlack,
    touchMount: s.mountGive,
    magnifyRoots: Math.max(s.crack, 0.25 * s.bend),
    lookAlong: Math.max(s.bend, 0.2 * s.crack),
    balanceCheck: s.propShake,
    knownGoodSet: Math.max(...ofTheSet, s.slip / 3),
    spinBare: Math.max(s.drag, 0.3 * s.rub, 0.25 * s.shaftShake),
    shaftTip: s.shaftShake,
    rubMarks: s.rub,
    touchMotors: s.oneMotorHeat,
    otherPack: s.sag,
    sagUnderLoad: Math.max(s.sag, 0.35 * s.load),
    currentAtFull: s.load,
    hoverThrottle: s.hoverThrottle,
    onePercentLess: Math.max(tooHigh(s), 0.2 * s.bandShake),
    pushAndWatch: tooLow(s),
    bareSpinUp: Math.hypot(0.6 * s.shaftShake, 0.7 * s.bearingShake, 0.5 * s.escDropouts, 0.7 * s.windingDropouts),
    moveMotor: Math.max(s.shaftShake, s.bearingShake, 0.8 * s.drag, s.windingDropouts, 0.7 * s.oneMotorHeat),
    throttleBand: s.bandShake,
  };
}

/** What one person tells: what they notice, the strongest first; whoever comes has noticed something. */
function toldSymptoms(state: CraftState, eye: number, random: SeededRandom): SymptomName[] {
  const all = (Object.entries(signs(state)) as [SymptomName, number][]).sort(([, a], [, b]) => b - a);
  const told = all.filter(([, size]) => random.next() < noticed(size * eye)).map(([name]) => name);
  return told.length === 0 ? [all[0]![0]] : told.slice(0, SYMPTOMS_MOST);
}

function toldChanges(origin: Origin, random: SeededRandom): ChangeName[] {
  const own = changeOf[origin];
  const told = idleChanges.filter((change) => change === own || random.next() < IDLE_CHANGE_SHARE);
  return told.length === 0 ? ['nothing'] : told;
}

/** What the workshop's record says: what was written down of how it came about, of what it does, and by chance. */
function writtenFacts(s: CraftState, origin: Origin, random: SeededRandom): RecordFact[] {
  const isStrike = origin === 'strike';
  const hurtsMotor = Math.max(s.shaftShake, s.bearingShake, s.windingDropouts) > 1;
  const isSo: Record<RecordFact, boolean> = {
    untrued: origin === 'props' && s.propShake > 1,
    lifeOver: origin === 'wear' && Math.max(s.crack, s.slip, s.bend) > 1,
    layoutUnseen: Math.max(s.letters, s.faces, s.spins, s.table) > 1,
    struckPiece: isStrike,
    motorStruck: isStrike && hurtsMotor,
    motorGritty: s.drag > 1,
    packOverDrawn: s.sag > 1.5,
    mixedModels: s.models > 1,
    overCurrent: s.load > 1.2,
    highHover: s.hoverThrottle > 1.2,
  };
  return (Object.keys(isSo) as RecordFact[]).filter(
    (fact) => random.next() < (isSo[fact] ? WRITTEN_SHARE : IDLE_FACT_SHARE),
  );
}
