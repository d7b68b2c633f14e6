import { NoSuchFindingError } from '../errors/coreError.ts';
import type { Reason, Severity, ReasonCode } from '../figure/reason.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';

/** Where on a prop something can be wrong; the order in which it is looked over. */
export const carePlaces = [
  'tip',
  'leadingEdge',
  'trailingEdge',
  'topFace',
  'underside',
  'rootTop',
  'rootUnderside',
  'hub',
  'bore',
  'mount',
  'pivot',
] as const;
export type CarePlace = (typeof carePlaces)[number];

/** What can be found. */
export const findingKinds = [
  'dirt',
  'scrape',
  'nick',
  'whiteMark',
  'crack',
  'missing',
  'bend',
  'worn',
  'loose',
  'stiff',
] as const;
export type FindingKind = (typeof findingKinds)[number];

/**
 * How a workshop judges: every doubt retires, small things are mended, or nothing but makers' own unmended parts fly.
 */
export const carePolicies = ['lenient', 'strict', 'makersParts'] as const;
export type CarePolicy = (typeof carePolicies)[number];

/** What becomes of a piece, from least to most. */
export const careOutcomes = ['fly', 'clean', 'retire', 'retirePair', 'retireSet'] as const;
export type CareOutcome = (typeof careOutcomes)[number];

export interface Finding {
  place: CarePlace;
  what: FindingKind;
  /**
   * Which blade, counted clockwise from the mark at the hub as the label is seen, from 1; null where it is not told, or
   * no blade's.
   */
  blade?: number | null;
}

/** Places of which every blade has its own. */
export const bladePlaces: readonly CarePlace[] = [
  'tip',
  'leadingEdge',
  'trailingEdge',
  'topFace',
  'underside',
  'rootTop',
  'rootUnderside',
  'pivot',
];

/** What a piece went through since it was last looked over. */
export const strikeSinceLook = ['none', 'light', 'hard'] as const;

/** A piece as it is judged. */
export interface LookedPiece {
  material: PropMaterial;
  /** Folding or two-piece: its blades are changed in pairs on one motor. */
  isFolding: boolean;
  strike: (typeof strikeSinceLook)[number];
}

export interface CareVerdict {
  outcome: CareOutcome;
  /** True where mending changes the mass: its balancing is void. */
  isTruingVoid: boolean;
  /** Why, the gravest first. */
  reasons: Reason[];
}

const EDGES: readonly CarePlace[] = ['tip', 'leadingEdge', 'trailingEdge'];
const ROOTS: readonly CarePlace[] = ['rootTop', 'rootUnderside', 'hub'];
const FACES: readonly CarePlace[] = ['topFace', 'underside'];

/** What can be found at a place; anything else there is a slip of the finger. */
export function findingsAt(place: CarePlace): readonly FindingKind[] {
  if (EDGES.includes(place)) return ['dirt', 'scrape', 'nick', 'whiteMark', 'crack', 'missing', 'bend', 'worn'];
  if (FACES.includes(place)) return ['dirt', 'scrape', 'nick', 'whiteMark', 'crack', 'bend'];
  if (ROOTS.includes(place)) return ['dirt', 'scrape', 'nick', 'whiteMark', 'crack', 'loose'];
  if (place === 'pivot') return ['dirt', 'crack', 'worn', 'loose', 'stiff'];
  return place === 'bore' ? ['crack', 'worn'] : ['dirt', 'crack', 'worn', 'loose'];
}

/**
 * What becomes of a piece after it was looked over: findings × material × policy.
 *
 * Wood and printed parts are looked at and balanced again after any strike. White marks mean that plastic has yielded;
 * cracks and lost pieces retire on every policy; a nick that is felt on an edge retires or, on the lenient policy, is
 * dressed and balanced again; carbon hides damage and retires after any strike.
 * On the strict policy nothing flies again after a hard strike; under *maker's parts only* a mended piece is no longer
 * the maker's. One damaged blade of a folding prop takes its partner with it.
 *
 * @throws {NoSuchFindingError} if something is said to be found where it cannot be
 * @example judgePiece({ material: 'carbon', isFolding: false, strike: 'light' }, [], 'lenient').outcome // => 'retire'
 */
export function judgePiece(piece: LookedPiece, findings: readonly Finding[], policy: CarePolicy): CareVerdict {
  for (const { place, what } of findings)
    if (!findingsAt(place).includes(what)) throw new NoSuchFindingError(place, what, findingsAt(place).join(', '));
  const judged = [
    ...findings.map((f) => ({ ...judgeFinding(piece, f, policy), blade: f.blade })),
    ...judgeStrike(piece, policy),
  ].map((j) => (piece.isFolding && j.outcome === 'retire' ? { ...j, outcome: 'retirePair' as const } : j));
  const outcome = worstOutcome(judged.map((j) => j.outcome));
  const reasons = [...judged].sort((a, b) => rank(b.outcome) - rank(a.outcome)).map((j) => reasonOf(j, piece));
  if (piece.isFolding && outcome === 'retirePair')
    reasons.unshift({ code: 'care.pair', severity: 'danger', values: {}, figure: null });
  return { outcome, isTruingVoid: outcome === 'clean' && judged.some((j) => j.isTruingVoid), reasons };
}

interface Judged {
  outcome: CareOutcome;
  code: ReasonCode;
  place: CarePlace | null;
  isTruingVoid: boolean;
  blade?: number | null;
}

const rank = (outcome: CareOutcome): number => careOutcomes.indexOf(outcome);

/** The gravest of several outcomes; *fly* where there is none. */
export function worstOutcome(outcomes: readonly CareOutcome[]): CareOutcome {
  return outcomes.reduce<CareOutcome>((worst, o) => (rank(o) > rank(worst) ? o : worst), 'fly');
}
const SEVERITY: Record<CareOutcome, Severity> = {
  fly: 'note',
  clean: 'action',
  retire: 'danger',
  retirePair: 'danger',
  retireSet: 'danger',
};

function reasonOf({ outcome, code, place, blade }: Judged, { material }: LookedPiece): Reason {
  return {
    code,
    severity: SEVERITY[outcome],
    values: { material, ...(place ? { place } : {}), ...(blade ? { blade } : {}) },
    figure: null,
  };
}

function judgeFinding(piece: LookedPiece, { place, what }: Finding, policy: CarePolicy): Judged {
  const say = (outcome: CareOutcome, code: ReasonCode, isTruingVoid = false): Judged => ({
    outcome,
    code,
    place,
    isTruingVoid,
  });
  /** Mended on the lenient policy alone. */
  const mend = (code: ReasonCode): Judged =>
    policy === 'lenient'
      ? say('clean', code, true)
      : say('retire', policy === 'strict' ? 'care.doubt' : 'care.notMakers');
  const { material } = piece;
  switch (what) {
    case 'crack':
      return say('retire', 'care.crack');
    case 'missing':
      return say('retire', 'care.missing');
    case 'whiteMark':
      if (material === 'wood') return ROOTS.includes(place) ? say('retire', 'care.woodRoot') : mend('care.lacquer');
      return say('retire', material === 'carbon' ? 'care.milky' : 'care.white');
    case 'nick':
      if (material === 'carbon') return say('retire', 'care.nickCarbon');
      if (material === 'printed') return say('retire', 'care.nickPrinted');
      return ROOTS.includes(place) ? say('retire', 'care.nickRoot') : mend('care.nickDress');
    case 'bend':
      return material === 'polycarbonate' ? mend('care.bendBack') : say('retire', 'care.bend');
    case 'worn':
      if (place === 'bore') return say('retire', 'care.wornBore');
      if (place === 'mount') return say('clean', 'care.wornMount');
      return place === 'pivot' ? say('retire', 'care.wornPivot') : mend('care.wornEdge');
    case 'loose':
      return place === 'mount' || place === 'pivot' ? say('clean', 'care.loose') : say('retire', 'care.looseHub');
    case 'stiff':
      return policy === 'lenient' ? say('clean', 'care.stiff') : say('retire', 'care.stiffStrict');
    case 'dirt':
      return say('clean', 'care.dirt');
    case 'scrape':
      return say('fly', 'care.scrape');
  }
}

function judgeStrike({ material, strike }: LookedPiece, policy: CarePolicy): Judged[] {
  const say = (outcome: CareOutcome, code: ReasonCode, isTruingVoid = false): Judged[] => [
    { outcome, code, place: null, isTruingVoid },
  ];
  if (strike === 'none') return [];
  if (strike === 'hard' && policy === 'strict') return say('retireSet', 'care.crashStrict');
  if (material === 'carbon') return say('retire', 'care.struckCarbon');
  const isBrittle = material === 'wood' || material === 'printed';
  if (strike === 'light') return isBrittle ? say('clean', 'care.struckLookTrue', true) : say('fly', 'care.struckLight');
  if (isBrittle) return say('retire', 'care.struckBrittle');
  return policy === 'makersParts' ? say('retire', 'care.notMakers') : say('clean', 'care.struckTrue', true);
}

/** Seconds a prop under which a walkaround was hurried. */
export const LEAST_LOOK_S = 5;

/** Whether a look over so many props was too quick to have seen anything. */
export function isHurried(durationS: number, propCount: number): boolean {
  return propCount > 0 && durationS < LEAST_LOOK_S * propCount;
}
