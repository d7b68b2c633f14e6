import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';

/**
 * Ways to run a prop. Full: readings at full throttle. Ladder: down in even steps. Own: steps of one's own. Ramp:
 * slowly up and down. Burst: steps from part to full throttle, for the time to thrust. Coast: runs down without
 * throttle, for inertia and drag. Hold: one throttle for long, for heat and fading.
 */
export const protocolKinds = ['full', 'ladder', 'own', 'ramp', 'burst', 'coast', 'hold'] as const;
export type ProtocolKind = (typeof protocolKinds)[number];

/** Kinds that only a stand that reads by itself can run: what they tell happens between two readings by eye. */
export const liveKinds: readonly ProtocolKind[] = ['ramp', 'burst', 'coast'];

/** Kinds whose points lie at several throttles: they make a curve. */
export const curveKinds: readonly ProtocolKind[] = ['ladder', 'own', 'ramp'];

/** How each run goes. */
export interface StandProtocol {
  kind: ProtocolKind;
  /** Readings, steps, points of the way up, bursts or run-downs of a run, 1 to 40. */
  stepCount: number;
  /** How long each is held [s]; of a ramp, the way up; of a hold, the whole. */
  holdS: number;
  /** Of own steps, in their order, and of a hold, one; null for all others. */
  throttles: readonly number[] | null;
  /** Between two runs: pack out, prop over, tare [s]. */
  changeS: number;
}

/** What makes runs comparable: the time between two runs is no part of a run. */
export type RunProtocol = Omit<StandProtocol, 'changeS'>;

/** With a scale and a radio screen: one reading at full throttle; each prop gets it twice. */
const FULL: StandProtocol = { kind: 'full', stepCount: 1, holdS: 5, throttles: null, changeS: 150 };

/** Every kind as it is usually run. */
export const usualProtocols: Record<ProtocolKind, StandProtocol> = {
  full: FULL,
  ladder: { kind: 'ladder', stepCount: 7, holdS: 6, throttles: null, changeS: 180 },
  own: { kind: 'own', stepCount: 5, holdS: 6, throttles: [0.3, 0.45, 0.6, 0.8, 1], changeS: 180 },
  ramp: { kind: 'ramp', stepCount: 8, holdS: 30, throttles: null, changeS: 180 },
  burst: { kind: 'burst', stepCount: 4, holdS: 2, throttles: null, changeS: 180 },
  coast: { kind: 'coast', stepCount: 3, holdS: 3, throttles: null, changeS: 180 },
  hold: { kind: 'hold', stepCount: 6, holdS: 90, throttles: [0.6], changeS: 300 },
};

/** The throttle of a run over time. */
export interface ThrottleProgram {
  /** Straight between them; two at one time are a step. The first is at 0 s, the last ends the run. */
  corners: readonly { atS: number; throttleRatio: number }[];
  /** When the mean of the second before is kept as a point [s], rising. */
  keepAtS: readonly number[];
}

/** A burst begins here, and lasts this long before it [s]. */
const BURST_FROM = 0.3;
/** A run-down begins here. */
const COAST_FROM = 0.7;
/** A light rotor stands within this time after the throttle is gone [s]. */
const COAST_S = 6;
/** From standing still to the first throttle: nothing jumps from rest to full [s]. */
const LEAD_S = 1.5;
/** The least throttle of a ramp. */
const RAMP_LEAST = 0.15;
/** What a point is the mean of [s]. */
export const READ_S = 1;

/** Throttle of each kept point of a run, the first first. */
export function throttleSteps({ kind, stepCount, throttles }: RunProtocol): number[] {
  const steps = (of: (i: number) => number): number[] => Array.from({ length: stepCount }, (_, i) => of(i));
  switch (kind) {
    case 'full':
    case 'burst':
      return steps(() => 1);
    case 'ladder':
      return steps((i) => 1 - i / stepCount);
    case 'own':
      return [...throttles!];
    case 'ramp':
      return [...rampStops(stepCount), ...rampStops(stepCount).reverse()];
    case 'coast':
      return steps(() => COAST_FROM);
    case 'hold':
      return steps(() => throttles![0]!);
  }
}

/** Stops of the way up: even, so that points up and down lie at the same throttles. */
const rampStops = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => RAMP_LEAST + ((1 - RAMP_LEAST) * (i + 0.5)) / count);

/**
 * The throttle of a protocol over time, and when points are kept.
 *
 * @throws {OutOfRangeError} for own steps or a hold without throttles, or throttles outside 0 to 1
 * @example throttleProgram(usualProtocols.full).keepAtS // => [6.5]
 */
export function throttleProgram(protocol: RunProtocol): ThrottleProgram {
  const { corners, keepAtS } = fromFirstThrottle(protocol);
  return {
    corners: [{ atS: 0, throttleRatio: 0 }, ...corners.map((c) => ({ ...c, atS: c.atS + LEAD_S }))],
    keepAtS: keepAtS.map((atS) => atS + LEAD_S),
  };
}

function fromFirstThrottle(protocol: RunProtocol): ThrottleProgram {
  const { kind, stepCount, holdS, throttles } = requireProtocol(protocol);
  switch (kind) {
    case 'full':
    case 'ladder':
    case 'own':
      return stairs(throttleSteps(protocol).map((throttleRatio) => ({ throttleRatio, holdS, isKept: true })));
    case 'burst':
      return stairs(
        throttleSteps(protocol).flatMap((throttleRatio) => [
          { throttleRatio: BURST_FROM, holdS, isKept: false },
          { throttleRatio, holdS, isKept: true },
        ]),
      );
    case 'coast':
      return stairs(
        throttleSteps(protocol).flatMap((throttleRatio) => [
          { throttleRatio, holdS, isKept: true },
          { throttleRatio: 0, holdS: COAST_S, isKept: false },
        ]),
      );
    case 'hold': {
      const throttleRatio = throttles![0]!;
      return {
        corners: [
          { atS: 0, throttleRatio },
          { atS: holdS, throttleRatio },
        ],
        keepAtS: Array.from({ length: stepCount }, (_, i) => ((i + 1) * holdS) / stepCount),
      };
    }
    case 'ramp':
      return {
        corners: [
          { atS: 0, throttleRatio: RAMP_LEAST },
          { atS: holdS, throttleRatio: 1 },
          { atS: 2 * holdS, throttleRatio: RAMP_LEAST },
        ],
        // Half a second late, so that the mean of the second before lies about the stop.
        keepAtS: [
          ...rampStops(stepCount).map((_, i) => ((i + 0.5) * holdS) / stepCount + READ_S / 2),
          ...rampStops(stepCount).map((_, i) => holdS + ((i + 0.5) * holdS) / stepCount + READ_S / 2),
        ],
      };
  }
}

function stairs(steps: readonly { throttleRatio: number; holdS: number; isKept: boolean }[]): ThrottleProgram {
  const corners: { atS: number; throttleRatio: number }[] = [];
  const keepAtS: number[] = [];
  let atS = 0;
  for (const { throttleRatio, holdS, isKept } of steps) {
    corners.push({ atS, throttleRatio });
    atS += holdS;
    corners.push({ atS, throttleRatio });
    if (isKept) keepAtS.push(atS);
  }
  return { corners, keepAtS };
}

/** Throttle of a program at a time; after its end that of its last corner. */
export function throttleAt({ corners }: ThrottleProgram, atS: number): number {
  const next = corners.findIndex((c) => c.atS > atS);
  if (next < 0) return corners.at(-1)!.throttleRatio;
  if (next === 0) return corners[0]!.throttleRatio;
  const [from, to] = [corners[next - 1]!, corners[next]!];
  return from.throttleRatio + ((to.throttleRatio - from.throttleRatio) * (atS - from.atS)) / (to.atS - from.atS);
}

/**
 * Refuses a protocol that cannot be run.
 *
 * @throws {OutOfRangeError} naming the field
 */
export function requireProtocol<P extends RunProtocol>(protocol: P): P {
  const { kind, stepCount, holdS, throttles } = protocol;
  requireWithin('stepCount', stepCount, 1, 40);
  requireWithin('holdS', holdS, kind === 'ramp' ? stepCount * READ_S : READ_S, 600);
  const wanted = kind === 'own' ? stepCount : kind === 'hold' ? 1 : 0;
  if ((throttles?.length ?? 0) !== wanted)
    throw new OutOfRangeError('throttles', throttles?.length ?? 0, `${wanted} throttles`);
  throttles?.forEach((u, i) => requireWithin(`throttles.${i}`, u, 0.01, 1));
  return protocol;
}

/** The versions of an evening's protocol, the first first, and the number of the one in force, from 1. */
export interface ProtocolVersions {
  protocols: readonly RunProtocol[];
  version: number;
}

/** Whether two runs were made the same way. */
export function isSameProtocol(a: RunProtocol, b: RunProtocol): boolean {
  return (
    a.kind === b.kind &&
    a.stepCount === b.stepCount &&
    a.holdS === b.holdS &&
    (a.throttles ?? []).join() === (b.throttles ?? []).join()
  );
}

/**
 * The versions once runs are planned another way. A way that was planned before is that version again, so its runs
 * count again; a new one is the next version, or takes the place of the one in force while that has no run.
 *
 * @param hasRuns - whether a run of the version in force was begun
 */
export function withProtocol(
  { protocols, version }: ProtocolVersions,
  { kind, stepCount, holdS, throttles }: RunProtocol,
  hasRuns: boolean,
): ProtocolVersions {
  const asked = { kind, stepCount, holdS, throttles };
  const known = protocols.findIndex((p) => isSameProtocol(p, asked));
  if (known >= 0) return { protocols, version: known + 1 };
  // What was run before anything was planned counts with the first plan.
  if (protocols.length === 0) return { protocols: [asked], version: 1 };
  return hasRuns
    ? { protocols: [...protocols, asked], version: protocols.length + 1 }
    : { protocols: protocols.map((p, i) => (i === version - 1 ? asked : p)), version };
}
