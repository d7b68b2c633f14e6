import { layOut, otherSpin, type RotorPlace } from '../craft/layouts.ts';
import type { Reason } from '../figure/reason.ts';
import { INCH_M } from '../label/propLabel.ts';
import { readPropLabel } from '../label/readPropLabel.ts';
import { splitCorrection } from '../balance/staticUnbalance.ts';
import { findHand } from '../layout/handFinder.ts';
import { takeOff, type CheckedRotor } from '../layout/takeOff.ts';
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
 */
export function makeDrill(kind: DrillKind, seed: string): Drill {
  const random = seededRandom(`drill/${kind}/${seed}`);
  const drill = MAKERS[kind](random);
  const { options, right } = shuffled(drill.options, random);
  return { ...drill, kind, seed, options, right };
}

/** A drill whose first option is the right one. */
type Draft = Pick<Drill, 'values' | 'rotors' | 'options' | 'why'>;

const MAKERS: Record<DrillKind, (random: SeededRandom) => Draft> = { label: labelDrill, hand: handDrill, arm: armDrill, finding: findingDrill, tape: tapeDrill };

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
  const label = pick([`${diameter}${pitch}`, `${diameter}${pitch}-${blades}`, `${diameter / 10}x${pitch / 10}x${blades}`, `${diameter / 10}x${pitch / 10}`], random);
  const read = readPropLabel(label);
  if (read.status !== 'read') throw new Error(`A label that was made up cannot be read: ${label}.`);
  const [reading] = read.readings;
  const bladeCount = reading!.bladeCount ?? 0;
  const [d, p] = [reading!.diameterM, reading!.pitchM ?? 0];
  const right = { diameterM: d, pitchM: p, bladeCount };
  const wrong = [{ diameterM: p, pitchM: d, bladeCount }, { diameterM: d + INCH_M, pitchM: p, bladeCount }, { diameterM: d, pitchM: p / 2, bladeCount }];
  return { values: { label }, rotors: null, options: [right, ...wrong], why: { code: 'drill.label', values: { label, ...right } } };
}

function handDrill(random: SeededRandom): Draft {
  const leadingEdge = pick(['left', 'right'] as const, random);
  const hollow = pick(['away', 'toward'] as const, random);
  const found = findHand({ letters: null, arrow: null, matchesArm: null, leadingEdge, hollow }, { cwLetters: null, ccwLetters: null });
  const hand = found.hand!;
  return { values: { leadingEdge, hollow, bladeCount: pick([2, 3], random) }, rotors: null, options: [{ hand }, { hand: otherSpin(hand) }], why: { code: 'drill.hand', values: { leadingEdge, hollow, hand } } };
}

const TIPS: readonly RotorPlace[] = ['front', 'right', 'rear', 'left', 'frontLeft', 'frontRight', 'rearLeft', 'rearRight'];

/** A quad with one wrong piece or two neighbours swapped: where does it go? */
function armDrill(random: SeededRandom): Draft {
  const arms = layOut({ layout: 'quadX', diagonalM: 0.3, arms: null });
  const rotors: CheckedRotor[] = arms.map(({ place, level, xM, yM, spin }) => ({ place, level, xM, yM, spin, expectedSpin: spin, isSpinSeen: true, hand: spin, isLabelForward: true }));
  const first = Math.floor(random.next() * rotors.length);
  const wrong = random.next() < 0.5 ? [first] : [first, (first + 1) % rotors.length];
  for (const i of wrong) rotors[i] = { ...rotors[i]!, hand: otherSpin(rotors[i]!.spin) };
  const toward = takeOff(rotors, 'multirotor', { carry: { thrustN: 1, torqueNm: 0.02 }, most: null, hasTailServo: false }).tip!.toward!;
  const others = TIPS.filter((place) => place !== toward);
  const more = [0, 1, 2].map((k) => ({ toward: others[(Math.floor(random.next() * 2) + 2 * k + first) % others.length]! }));
  const options = [{ toward }, ...more.filter((o, i) => more.findIndex((m) => m.toward === o.toward) === i)];
  return { values: { faultCount: wrong.length }, rotors, options, why: { code: wrong.length === 1 ? 'drill.armOne' : 'drill.armSwapped', values: { place: rotors[wrong[0]!]!.place, other: rotors[wrong.at(-1)!]!.place, toward } } };
}

function findingDrill(random: SeededRandom): Draft {
  const material = pick(propMaterials.filter((m) => m !== 'unknown'), random);
  const policy = pick(carePolicies, random);
  const place = pick(carePlaces.filter((p) => p !== 'pivot'), random);
  const what = pick(findingsAt(place), random);
  const { outcome, reasons } = judgePiece({ material, isFolding: false, strike: 'none' }, [{ place, what }], policy);
  const others = (['fly', 'clean', 'retire'] as const).filter((o) => o !== outcome);
  return { values: { material, policy, place, what }, rotors: null, options: [{ outcome }, ...others.map((o) => ({ outcome: o }))], why: { code: reasons[0]!.code, values: reasons[0]!.values } };
}

/** The heavy side hangs at an angle: which blades get how much tape? */
function tapeDrill(random: SeededRandom): Draft {
  const bladeCount = pick([2, 3], random);
  const heavyDegrees = bladeCount === 2 ? pick([0, 180], random) : 15 * Math.floor(24 * random.next());
  const amountKgM = 1e-6;
  const { parts } = splitCorrection(amountKgM, heavyDegrees + 180, bladeCount);
  const used = parts.filter((p) => p.momentKgM > 0.02 * amountKgM).map((p) => p.blade + 1).sort((a, b) => a - b);
  const all = bladeCount === 2 ? [[1], [2], [1, 2]] : [[1], [2], [3], [1, 2], [2, 3], [1, 3]];
  const right = used.join('+');
  const others = all.map((blades) => blades.join('+')).filter((blades) => blades !== right);
  const start = Math.floor(random.next() * others.length);
  const wrong = [0, 1, 2].slice(0, Math.min(3, others.length)).map((k) => ({ blades: others[(start + k) % others.length]! }));
  return { values: { bladeCount, heavyDegrees }, rotors: null, options: [{ blades: right }, ...wrong], why: { code: used.length === 1 ? 'drill.tapeOne' : 'drill.tapeTwo', values: { heavyDegrees, lightDegrees: (heavyDegrees + 180) % 360, blades: right } } };
}
