import { layOut, layoutKind, otherSpin, type LayoutEntries, type RotorPlace } from '../craft/layouts.ts';
import type { Reason } from '../figure/reason.ts';
import { INCH_M } from '../label/propLabel.ts';
import { readPropLabel } from '../label/readPropLabel.ts';
import { splitCorrection } from '../balance/staticUnbalance.ts';
import { findHand } from '../fit/handFinder.ts';
import { takeOff, type CheckedRotor } from '../fit/takeOff.ts';
import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';
import { propMaterials } from '../propeller/propGeometry.ts';
import { carePlaces, carePolicies, findingsAt, judgePiece } from './findings.ts';

/** What is practised. */
export const drillKinds = ['label', 'hand', 'arm', 'finding', 'tape'] as const;
export type DrillKind = (typeof drillKinds)[number];

type Values = Readonly<Record<string, number | string>>;

/** One question with its answers; the words come from elsewhere. */
export interface Drill {
  kind: DrillKind;
  seed: string;
  /** What the question is about, in SI. */
  values: Values;
  /** The craft to look at; null where there is none. */
  rotors: CheckedRotor[] | null;
  options: Values[];
  /** Which of the options is right. */
  right: number;
  /** Said at once after the answer. */
  why: Pick<Reason, 'code' | 'values'>;
}

/**
 * A question from generated cases; the answer comes from the same functions that judge real craft.
 *
 * @param seed - the same seed gives the same question
 * @param craft - whose arms are asked about, as its controller turns them; a usual quad without one
 */
export function makeDrill(kind: DrillKind, seed: string, craft: LayoutEntries | null = null): Drill {
  const random = seededRandom(`drill/${kind}/${seed}`);
  const drill = kind === 'arm' ? armDrill(random, craft) : MAKERS[kind](random);
  const { options, right } = shuffled(drill.options, random);
  return { ...drill, kind, seed, options, right };
}

/** A drill whose first option is the right one. */
type Draft = Pick<Drill, 'values' | 'rotors' | 'options' | 'why'>;

const MAKERS: Record<Exclude<DrillKind, 'arm'>, (random: SeededRandom) => Draft> = {
  label: labelDrill,
  hand: handDrill,
  finding: findingDrill,
  tape: tapeDrill,
};

const pick = <T>(list: readonly T[], random: SeededRandom): T => list[Math.floor(random.next() * list.length)]!;

function shuffled(options: readonly Values[], random: SeededRandom): { options: Values[]; right: number } {
  const order = options.map((_, i) => i);
  for (let i = order.length - 1; i > 0; i--) {
    const j = Math.floor(random.next() * (i + 1));
    [order[i], order[j]] = [order[j]!, order[i]!];
  }
  return { options: order.map((i) => options[i]!), right: order.indexOf(0) };
}

/** Reads as moulded: digits run together, or with signs between them. */
function labelDrill(random: SeededRandom): Draft {
  const tenths = (low: number, high: number): number => Math.round(10 * (low + (high - low) * random.next()));
  const diameter = tenths(4, 9.8);
  const pitch = Math.max(20, Math.min(diameter - 10, tenths(2.4, 6)));
  const blades = pick([2, 3], random);
  const label = pick(
    [
      `${diameter}${pitch}`,
      `${diameter}${pitch}-${blades}`,
      `${diameter / 10}x${pitch / 10}x${blades}`,
      `${diameter / 10}x${pitch / 10}`,
    ],
    random,
  );
  const read = readPropLabel(label);
  if (read.status !== 'read') throw new Error(`A label that was made up cannot be read: ${label}.`);
  const [reading] = read.readings;
  const bladeCount = reading!.bladeCount ?? 0;
  const [d, p] = [reading!.diameterM, reading!.pitchM ?? 0];
  const right = { diameterM: d, pitchM: p, bladeCount };
  const wrong = [
    { diameterM: p, pitchM: d, bladeCount },
    { diameterM: d + INCH_M, pitchM: p, bladeCount },
    { diameterM: d, pitchM: p / 2, bladeCount },
  ];
  return {
    values: { label },
    rotors: null,
    options: [right, ...wrong],
    why: { code: 'drill.label', values: { label, ...right } },
  };
}

function handDrill(random: SeededRandom): Draft {
  const leadingEdge = pick(['left', 'right'] as const, random);
  const hollow = pick(['away', 'toward'] as const, random);
  const found = findHand(
    { letters: null, arrow: null, matchesArm: null, leadingEdge, hollow },
    { cwLetters: null, ccwLetters: null },
  );
  const hand = found.hand!;
  return {
    values: { leadingEdge, hollow, bladeCount: pick([2, 3], random) },
    rotors: null,
    options: [{ hand }, { hand: otherSpin(hand) }],
    why: { code: 'drill.hand', values: { leadingEdge, hollow, hand } },
  };
}

const TIPS: readonly RotorPlace[] = [
  'front',
  'right',
  'rear',
  'left',
  'frontLeft',
  'frontRight',
  'rearLeft',
  'rearRight',
];

const USUAL_QUAD: LayoutEntries = { layout: 'quadX', diagonalM: 0.3, arms: null };

/**
 * One wrong piece, or two neighbours swapped: where does it go? A craft that such a fault does not tip gives way to a
 * quad.
 */
function armDrill(random: SeededRandom, craft: LayoutEntries | null): Draft {
  const isMultirotor = craft !== null && layoutKind(craft.layout) === 'multirotor';
  const [first, isOne, more] = [random.next(), random.next() < 0.5, random.next()];
  const fault = (isMultirotor && tippingFault(craft, first, isOne)) || tippingFault(USUAL_QUAD, first, isOne)!;
  const { rotors, wrong, toward } = fault;
  const others = TIPS.filter((place) => place !== toward);
  const options = [
    toward,
    ...[0, 2, 4].map((k) => others[(Math.floor(more * others.length) + k) % others.length]!),
  ].map((place) => ({ toward: place }));
  return {
    values: { faultCount: wrong.length },
    rotors,
    options,
    why: {
      code: wrong.length === 1 ? 'drill.armOne' : 'drill.armSwapped',
      values: { place: rotors[wrong[0]!]!.place, other: rotors[wrong.at(-1)!]!.place, toward },
    },
  };
}

/** A craft with a fault, and where it tips; null where it does not, or where two rotors share an arm. */
function tippingFault(
  craft: LayoutEntries,
  first: number,
  isOne: boolean,
): { rotors: CheckedRotor[]; wrong: number[]; toward: RotorPlace } | null {
  const right = layOut(craft).map(({ place, level, xM, yM, spin }): CheckedRotor => ({
    place,
    level,
    xM,
    yM,
    spin,
    expectedSpin: spin,
    isSpinSeen: true,
    hand: spin,
    isLabelForward: true,
  }));
  if (right.some((r) => r.level > 0)) return null;
  const at = Math.floor(first * right.length);
  const neighbour = (at + 1) % right.length;
  const wrong = isOne || right[at]!.spin === right[neighbour]!.spin ? [at] : [at, neighbour];
  const rotors = right.map((r, i) => (wrong.includes(i) ? { ...r, hand: otherSpin(r.spin) } : r));
  const toward = takeOff(rotors, 'multirotor', {
    carry: { thrustN: 1, torqueNm: 0.02 },
    most: null,
    hasTailServo: false,
  }).tip?.toward;
  return toward === undefined || toward === null || !TIPS.includes(toward) ? null : { rotors, wrong, toward };
}

function findingDrill(random: SeededRandom): Draft {
  const material = pick(
    propMaterials.filter((m) => m !== 'unknown'),
    random,
  );
  const policy = pick(carePolicies, random);
  const place = pick(
    carePlaces.filter((p) => p !== 'pivot'),
    random,
  );
  const what = pick(findingsAt(place), random);
  const { outcome, reasons } = judgePiece({ material, isFolding: false, strike: 'none' }, [{ place, what }], policy);
  const others = (['fly', 'clean', 'retire'] as const).filter((o) => o !== outcome);
  return {
    values: { material, policy, place, what },
    rotors: null,
    options: [{ outcome }, ...others.map((o) => ({ outcome: o }))],
    why: { code: reasons[0]!.code, values: reasons[0]!.values },
  };
}

/** The heavy side hangs at an angle: which blades get how much tape? */
function tapeDrill(random: SeededRandom): Draft {
  const bladeCount = pick([2, 3], random);
  const heavyDegrees = bladeCount === 2 ? pick([0, 180], random) : 15 * Math.floor(24 * random.next());
  const amountKgM = 1e-6;
  const { parts } = splitCorrection(amountKgM, heavyDegrees + 180, bladeCount);
  const used = parts
    .filter((p) => p.momentKgM > 0.02 * amountKgM)
    .map((p) => p.blade + 1)
    .sort((a, b) => a - b);
  const all = bladeCount === 2 ? [[1], [2], [1, 2]] : [[1], [2], [3], [1, 2], [2, 3], [1, 3]];
  const right = used.join('+');
  const others = all.map((blades) => blades.join('+')).filter((blades) => blades !== right);
  const start = Math.floor(random.next() * others.length);
  const wrong = [0, 1, 2]
    .slice(0, Math.min(3, others.length))
    .map((k) => ({ blades: others[(start + k) % others.length]! }));
  return {
    values: { bladeCount, heavyDegrees },
    rotors: null,
    options: [{ blades: right }, ...wrong],
    why: {
      code: used.length === 1 ? 'drill.tapeOne' : 'drill.tapeTwo',
      values: { heavyDegrees, lightDegrees: (heavyDegrees + 180) % 360, blades: right },
    },
  };
}
