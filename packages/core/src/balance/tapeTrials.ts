import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';
import { add, amountOf, degreesBetween, degreesOf, fromPolar, scale, type Complex } from '../numerics/complex.ts';
import { splitCorrection } from './staticUnbalance.ts';

/** Tape by place: a moment for each [kg·m], the blades in their order, then the hub's two sides of a two-blade prop. */
export type TapeByPlace = readonly number[];

/** What one look at the shaft showed, with the tape that was on. */
export interface LevelObservation {
  tape: TapeByPlace;
  /** It stayed wherever it was left, or it turned and came to rest with a direction down. */
  seen: { kind: 'stays' } | { kind: 'falls'; downDegrees: number; fallS: number | null };
}

/** The piece on its shaft. */
export interface TapeJob {
  bladeCount: number;
  /** Direction of the first blade on the dial [degrees]. */
  firstBladeDegrees: number;
  /** Moment that friction holds [kg·m]. */
  frictionKgM: number;
  /** Of prop, cones and arbor [kg·m²]; for reading the time of a fall. */
  inertiaKgM2: number;
  /** What may be left [kg·m]. */
  targetKgM: number;
  /** The most tape that a blade may carry [kg·m]. */
  mostOnBladeKgM: number;
  /** The most that either side of the hub of a two-blade prop may carry [kg·m]: tape or lacquer close to the bore. */
  mostOnHubKgM: number;
}

/** Where something may be put: a blade, or a side of the hub. */
export interface TapePlace {
  kind: 'blade' | 'hub';
  degrees: number;
  mostKgM: number;
}

/** The places of a job: its blades, and across them the hub's sides where two blades cannot reach. */
export function tapePlaces({
  bladeCount,
  firstBladeDegrees,
  mostOnBladeKgM,
  mostOnHubKgM,
}: Pick<TapeJob, 'bladeCount' | 'firstBladeDegrees' | 'mostOnBladeKgM' | 'mostOnHubKgM'>): TapePlace[] {
  const blades = Array.from({ length: bladeCount }, (_, k): TapePlace => ({
    kind: 'blade',
    degrees: firstBladeDegrees + (360 * k) / bladeCount,
    mostKgM: mostOnBladeKgM,
  }));
  const hub = [90, 270].map((turn): TapePlace => ({
    kind: 'hub',
    degrees: firstBladeDegrees + turn,
    mostKgM: mostOnHubKgM,
  }));
  return bladeCount === 2 ? [...blades, ...hub] : blades;
}

export type TapeVerdict = 'trued' | 'goOn' | 'sendBack' | 'contradiction';

export interface TapeState {
  verdict: TapeVerdict;
  /** What the bare prop's unbalance still can be: its middle, and how far it reaches [kg·m]. */
  unbalance: { vector: Complex; amountKgM: number; degrees: number; lowKgM: number; highKgM: number } | null;
  /** Tape that should be on next, in all, per blade. */
  next: number[] | null;
  /** What would be left with the tape that is on now [kg·m]: middle and the most it can be. */
  left: { middleKgM: number; mostKgM: number } | null;
  /** Look that does not fit the others, counted from 0; null where all agree. */
  contradicting: number | null;
  /** Share of what is still possible that no allowed tape can mend. */
  beyondRatio: number;
}

const RADII = 120;
const DIRECTIONS = 120;
/** Directions are read off the dial no better than this [degrees]. */
const DIAL_DEGREES = 17;
/** Friction differs from start to start: it may hold half again as much, or let go at half. */
const FRICTION_SPREAD = 1.5;
/** A fall is timed to this share, its friction and starting angle counted. */
const FALL_RATIO = 0.55;
/** The largest unbalance that is thought of, over what one blade's tape can mend. */
const LARGEST_FACTOR = 6;
/**
 * Share of the possible that must be beyond mending before a piece is sent back; after enough observations, half will
 * do.
 */
const CLEARLY_BEYOND = 0.9;
const ENOUGH_OBSERVATIONS = 7;
/** While it is open whether a piece can be mended, more than may stay is put on to find out, and comes off again. */
const CLEARLY_WITHIN = 0.1;
export const TRIAL_FACTOR = 3;

/** Places that the unbalance may be, evenly in direction and by ratio in size. */
interface Possible {
  x: Float64Array;
  y: Float64Array;
  amount: Float64Array;
}

function allPossible({ frictionKgM, targetKgM, mostOnBladeKgM }: TapeJob): Possible {
  const low = Math.max(1e-12, Math.min(frictionKgM, targetKgM) / 4);
  const high = Math.max(LARGEST_FACTOR * mostOnBladeKgM, 20 * targetKgM);
  const count = RADII * DIRECTIONS;
  const possible: Possible = {
    x: new Float64Array(count),
    y: new Float64Array(count),
    amount: new Float64Array(count),
  };
  for (let i = 0; i < RADII; i++) {
    const amount = low * (high / low) ** (i / (RADII - 1));
    for (let j = 0; j < DIRECTIONS; j++) {
      const angle = (2 * Math.PI * j) / DIRECTIONS;
      const at = i * DIRECTIONS + j;
      possible.x[at] = amount * Math.cos(angle);
      possible.y[at] = amount * Math.sin(angle);
      possible.amount[at] = amount;
    }
  }
  return possible;
}

/** The tape as one vector. */
export function tapeVector(
  tape: TapeByPlace,
  job: Pick<TapeJob, 'bladeCount' | 'firstBladeDegrees' | 'mostOnBladeKgM' | 'mostOnHubKgM'>,
): Complex {
  return tapePlaces(job).reduce<Complex>((sum, { degrees }, i) => add(sum, fromPolar(tape[i] ?? 0, degrees)), {
    re: 0,
    im: 0,
  });
}

/**
 * Time in which a prop falls from level through a quarter turn, against its friction [s]; null where friction holds it.
 */
export function fallTimeS(unbalanceKgM: number, inertiaKgM2: number, frictionKgM: number): number | null {
  if (unbalanceKgM <= frictionKgM) return null;
  // A pendulum let go level takes 1.854 of √(I/(U·g)) for its quarter turn; friction takes its share of the pull.
  return 1.854 * Math.sqrt(inertiaKgM2 / ((unbalanceKgM - 0.64 * frictionKgM) * 9.80665));
}

/**
 * What a row of observations leaves possible, and what to put on next.
 *
 * Each look is an inequality: a prop that stays has no more left than friction holds; one that falls has more, with
 * its heavy side near where it came to rest, and the faster it fell the more. What contradicts all of them is crossed
 * out; the next tape cancels the middle of what remains, shared by neighbouring blades.
 *
 * @param observations - at least one, at most 60
 * @throws {NotEnoughReadingsError} without a look
 * @throws {OutOfRangeError} if the job makes no sense
 */
export function tapeState(job: TapeJob, observations: readonly LevelObservation[]): TapeState {
  requireJob(job);
  if (observations.length === 0) throw new NotEnoughReadingsError('observations', 0, 1);
  requireWithin('observations', observations.length, 1, 60);
  const possible = allPossible(job);
  const kept = keptBy(job, possible, observations);
  if (kept.length === 0)
    return {
      verdict: 'contradiction',
      unbalance: null,
      next: null,
      left: null,
      contradicting: worstObservation(job, possible, observations),
      beyondRatio: 0,
    };
  const last = observations.at(-1)!;
  const on = tapeVector(last.tape, job);
  const unbalance = middleOf(possible, kept, job.targetKgM / 2);
  const left = leftOf(possible, kept, on);
  const beyond = Array.from({ length: DIRECTIONS }, (_, j) => beyondToward(job, (360 * j) / DIRECTIONS));
  const beyondRatio = kept.filter((i) => beyond[i % DIRECTIONS]!(possible.amount[i]!)).length / kept.length;
  const verdict = verdictOf(job, last, observations.length, left, beyondRatio);
  return {
    verdict,
    unbalance,
    next: verdict === 'goOn' ? nextTape(job, unbalance.vector, beyondRatio > CLEARLY_WITHIN ? TRIAL_FACTOR : 1) : null,
    left,
    contradicting: null,
    beyondRatio,
  };
}

function requireJob(job: TapeJob): void {
  requireWithin('bladeCount', job.bladeCount, 2, 8);
  for (const what of ['frictionKgM', 'inertiaKgM2', 'targetKgM', 'mostOnBladeKgM', 'mostOnHubKgM'] as const)
    requirePositive(what, job[what]);
}

function verdictOf(
  job: TapeJob,
  last: LevelObservation,
  observationCount: number,
  left: { middleKgM: number; mostKgM: number },
  beyondRatio: number,
): TapeVerdict {
  const { targetKgM, frictionKgM } = job;
  const isAllowed = tapePlaces(job).every(({ mostKgM }, i) => (last.tape[i] ?? 0) <= mostKgM * 1.001);
  // Staying is proof where friction holds less than the target; else all that is still possible must be inside it.
  const isShown = last.seen.kind === 'stays' && FRICTION_SPREAD * frictionKgM <= targetKgM * 1.02;
  if (isAllowed && (isShown || left.mostKgM <= targetKgM)) return 'trued';
  return beyondRatio >= CLEARLY_BEYOND || (observationCount >= ENOUGH_OBSERVATIONS && beyondRatio > 0.5)
    ? 'sendBack'
    : 'goOn';
}

function keptBy(job: TapeJob, possible: Possible, observations: readonly LevelObservation[]): number[] {
  let kept = [...possible.amount.keys()];
  for (const look of observations) {
    const on = tapeVector(look.tape, job);
    // The largest stands for all that is larger still, so it may fall faster than its size.
    kept = kept.filter((i) =>
      fits(job, look, possible.x[i]! + on.re, possible.y[i]! + on.im, i >= (RADII - 1) * DIRECTIONS),
    );
  }
  return kept;
}

/** Whether an unbalance could look like that on the shaft. */
function fits(
  { frictionKgM, inertiaKgM2 }: TapeJob,
  { seen }: LevelObservation,
  x: number,
  y: number,
  isLargest: boolean,
): boolean {
  const amount = Math.hypot(x, y);
  if (seen.kind === 'stays') return amount <= FRICTION_SPREAD * frictionKgM;
  if (amount < frictionKgM / FRICTION_SPREAD) return false;
  const held = Math.min(1, (FRICTION_SPREAD * frictionKgM) / amount);
  const slack = DIAL_DEGREES + (Math.asin(held) * 180) / Math.PI;
  if (degreesBetween((Math.atan2(y, x) * 180) / Math.PI, seen.downDegrees) > slack) return false;
  if (seen.fallS === null) return true;
  // Near what friction holds, a fall may take any time longer than one a little above it.
  const isNearFriction = amount < 1.3 * frictionKgM;
  const log = Math.log(seen.fallS / fallTimeS(Math.max(amount, 1.3 * frictionKgM), inertiaKgM2, frictionKgM)!);
  if (isLargest && log < 0) return true;
  return isNearFriction ? log >= -FALL_RATIO : Math.abs(log) <= FALL_RATIO / 2 + (amount < 3 * frictionKgM ? 0.4 : 0);
}

/** The look without which most stays possible. */
function worstObservation(job: TapeJob, possible: Possible, observations: readonly LevelObservation[]): number {
  let worst = observations.length - 1;
  let most = 0;
  observations.forEach((_, k) => {
    const count = keptBy(
      job,
      possible,
      observations.filter((__, i) => i !== k),
    ).length;
    if (count > most) [worst, most] = [k, count];
  });
  return worst;
}

function middleOf(
  { x, y, amount }: Possible,
  kept: readonly number[],
  leastKgM: number,
): NonNullable<TapeState['unbalance']> {
  // Direction by the mean of unit vectors, size by the mean of logarithms: neither lets the largest speak loudest.
  // What is under half the target needs no tape, so it does not pull the middle down.
  let dx = 0;
  let dy = 0;
  let log = 0;
  for (const i of kept) {
    dx += x[i]! / amount[i]!;
    dy += y[i]! / amount[i]!;
    log += Math.log(Math.max(leastKgM, amount[i]!));
  }
  const amountKgM = Math.exp(log / kept.length);
  const degrees = degreesOf({ re: dx, im: dy });
  const sizes = kept.map((i) => amount[i]!).sort((a, b) => a - b);
  return { vector: fromPolar(amountKgM, degrees), amountKgM, degrees, lowKgM: sizes[0]!, highKgM: sizes.at(-1)! };
}

function leftOf({ x, y }: Possible, kept: readonly number[], on: Complex): { middleKgM: number; mostKgM: number } {
  const sizes = kept.map((i) => Math.hypot(x[i]! + on.re, y[i]! + on.im)).sort((a, b) => a - b);
  return { middleKgM: sizes[Math.floor(sizes.length / 2)]!, mostKgM: sizes[Math.floor(0.99 * (sizes.length - 1))]! };
}

/** Moments that cancel an unbalance, by place, as far as a factor of what each may carry allows. */
export function nextTape(
  job: Pick<TapeJob, 'bladeCount' | 'firstBladeDegrees' | 'mostOnBladeKgM' | 'mostOnHubKgM'>,
  unbalance: Complex,
  mostFactor = 1,
): number[] {
  const places = tapePlaces(job);
  const tape = new Array<number>(places.length).fill(0);
  const { parts, hubKgM } = splitCorrection(
    amountOf(unbalance),
    degreesOf(scale(unbalance, -1)),
    job.bladeCount,
    job.firstBladeDegrees,
  );
  const put = (at: number, moment: number): void =>
    void (tape[at] = Math.min(mostFactor * places[at]!.mostKgM, Math.max(0, moment)));
  for (const { blade, momentKgM } of parts) put(blade, momentKgM);
  if (job.bladeCount === 2) put(hubKgM >= 0 ? 2 : 3, Math.abs(hubKgM));
  return tape;
}

/** Whether an unbalance would still shake more than the target with all the tape that may be put on. */
export function isBeyond(job: TapeJob, unbalance: Complex): boolean {
  return beyondToward(job, degreesOf(unbalance))(amountOf(unbalance));
}

/** The same of every size in one direction, where the tape's shares grow with the size until their places are full. */
function beyondToward(job: TapeJob, degrees: number): (amountKgM: number) => boolean {
  const places = tapePlaces(job);
  const heavy = fromPolar(1, degrees);
  const shares = nextTape(job, heavy, Infinity);
  const ways = places.map((place) => fromPolar(1, place.degrees));
  return (amountKgM) => {
    let x = amountKgM * heavy.re;
    let y = amountKgM * heavy.im;
    for (let k = 0; k < places.length; k++) {
      const put = Math.min(places[k]!.mostKgM, amountKgM * shares[k]!);
      x += put * ways[k]!.re;
      y += put * ways[k]!.im;
    }
    return x * x + y * y > job.targetKgM ** 2;
  };
}
