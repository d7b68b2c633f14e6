import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';

/** One run as it is planned. */
export interface PlannedRun {
  propId: string;
  /** Null where nobody said which pack. */
  packId: string | null;
  isReference: boolean;
}

export interface EveningWish {
  /** Props against the reference, in the order in which they lie on the table. */
  propIds: readonly string[];
  /** Runs first, last and between; null without one. */
  referenceId: string | null;
  /** Of each prop, 1 to 6. */
  runsPerProp: number;
  packIds: readonly string[];
  /** At most so many runs of others between two of the reference, 1 to 50. */
  mostBetween: number;
}

/**
 * Rounds of an evening in an order in which drift favours nobody: whatever falls or rises steadily from run to run (a
 * pack, a motor's heat, the scale's zero) moves the mean of every prop by the same.
 *
 * Two rounds go there and back (places i and n+1−i). Three are a magic rectangle: the second round's places are chosen
 * so that the third, what is left to an equal sum, is an order as well; with an even number of props one place is left
 * out, and sums differ by two places at most. More rounds are made of twos and threes.
 *
 * @param count - props, 1 to 100
 * @param rounds - 1 to 6
 * @returns for each round the props' indices in the order in which they run
 * @throws {OutOfRangeError} outside those ranges
 * @see R. A. Bailey, Design of Comparative Experiments, on blocks and linear trends
 * @example balancedRounds(3, 2) // => [[0, 1, 2], [2, 1, 0]]
 */
export function balancedRounds(count: number, rounds: number): number[][] {
  requireWithin('count', count, 1, 100);
  requireWithin('rounds', rounds, 1, 6);
  const forward = [...Array(count).keys()];
  if (rounds === 1) return [forward];
  const out: number[][] = [];
  if (rounds % 2 === 1) out.push(...threeRounds(count));
  while (out.length < rounds) out.push(forward, [...forward].reverse());
  return out;
}

/** Three orders whose places add up to the same for every prop. */
function threeRounds(count: number): number[][] {
  const odd = count % 2 === 1 ? count : count + 1;
  const middle = (odd + 1) / 2;
  const places = Array.from({ length: odd }, (_, k) => {
    const second = k % 2 === 0 ? middle - k / 2 : odd - (k - 1) / 2;
    return [k + 1, second, 3 * middle - (k + 1) - second] as const;
  });
  return [0, 1, 2].map((round) =>
    [...Array(odd).keys()]
      .sort((a, b) => places[a]![round]! - places[b]![round]!)
      // With an even number the last one of the odd square is nobody.
      .filter((k) => k < count),
  );
}

/**
 * The runs of an evening in their order: the reference first, last and between, each prop as often, packs in turn so
 * that each rests while the others work.
 *
 * @throws {OutOfRangeError} if there is nothing to run, or a number is outside its range
 */
export function planEvening({ propIds, referenceId, runsPerProp, packIds, mostBetween }: EveningWish): PlannedRun[] {
  requireWithin('mostBetween', mostBetween, 1, 50);
  const contenders = propIds.filter((id) => id !== referenceId);
  if (contenders.length === 0 && referenceId === null) throw new OutOfRangeError('propIds', 0, 'at least one prop');
  const runs: { propId: string; isReference: boolean }[] = [];
  const reference = (): void => {
    if (referenceId !== null) runs.push({ propId: referenceId, isReference: true });
  };
  reference();
  if (contenders.length === 0) for (let i = 1; i < runsPerProp; i++) reference();
  else
    for (const order of balancedRounds(contenders.length, runsPerProp)) {
      const parts = Math.ceil(order.length / mostBetween);
      for (let part = 0; part < parts; part++) {
        const from = Math.round((part * order.length) / parts);
        const to = Math.round(((part + 1) * order.length) / parts);
        for (const k of order.slice(from, to)) runs.push({ propId: contenders[k]!, isReference: false });
        reference();
      }
    }
  return runs.map((run, i) => ({ ...run, packId: packIds.length === 0 ? null : packIds[i % packIds.length]! }));
}

/**
 * How unequal an order treats its props: how far the mean places of any two lie apart, in runs. Zero where a steady
 * drift moves all alike.
 */
export function driftBias(runs: readonly PlannedRun[]): number {
  const places = new Map<string, number[]>();
  runs.forEach(({ propId, isReference }, i) => {
    if (!isReference) places.set(propId, [...(places.get(propId) ?? []), i]);
  });
  const means = [...places.values()].map((own) => own.reduce((a, b) => a + b, 0) / own.length);
  return means.length < 2 ? 0 : Math.max(...means) - Math.min(...means);
}

/** How each run goes: the shortest useful one is a reading at full throttle, a ladder goes down in even steps. */
export interface StandProtocol {
  kind: 'full' | 'ladder';
  /** Readings in a run, 1 to 40. */
  stepCount: number;
  /** How long each is held [s]. */
  holdS: number;
  /** Between two runs: pack out, prop over, tare [s]. */
  changeS: number;
}

/** What makes runs comparable: the time between two runs is no part of a run. */
export type RunProtocol = Pick<StandProtocol, 'kind' | 'stepCount' | 'holdS'>;

/** The versions of an evening's protocol, the first first, and the number of the one in force, from 1. */
export interface ProtocolVersions {
  protocols: readonly RunProtocol[];
  version: number;
}

/**
 * The versions once runs are planned another way. A way that was planned before is that version again, so its runs count
 * again; a new one is the next version, or takes the place of the one in force while that has no run.
 *
 * @param hasRuns - whether a run of the version in force was begun
 */
export function withProtocol(
  { protocols, version }: ProtocolVersions,
  { kind, stepCount, holdS }: RunProtocol,
  hasRuns: boolean,
): ProtocolVersions {
  const asked = { kind, stepCount, holdS };
  const known = protocols.findIndex((p) => p.kind === kind && p.stepCount === stepCount && p.holdS === holdS);
  if (known >= 0) return { protocols, version: known + 1 };
  // What was run before anything was planned counts with the first plan.
  if (protocols.length === 0) return { protocols: [asked], version: 1 };
  return hasRuns
    ? { protocols: [...protocols, asked], version: protocols.length + 1 }
    : { protocols: protocols.map((p, i) => (i === version - 1 ? asked : p)), version };
}

/** With a scale and a radio screen: one reading at full throttle; each prop gets it twice. */
export const FULL_READING: StandProtocol = { kind: 'full', stepCount: 1, holdS: 5, changeS: 150 };
export const LADDER: StandProtocol = { kind: 'ladder', stepCount: 7, holdS: 6, changeS: 180 };

/** Throttle of each reading of a run, the first first. */
export function throttleSteps({ kind, stepCount }: StandProtocol): number[] {
  return Array.from({ length: stepCount }, (_, i) => (kind === 'full' ? 1 : 1 - i / stepCount));
}

/** What an evening takes. */
export interface EveningEstimate {
  durationS: number;
  /** Of each run [Ah]; null where the current is not known. */
  chargeAh: number | null;
  /** How often each pack is charged anew on the way, by the runs that it serves. */
  chargeCount: number;
}

/**
 * Time, charge and charging of an evening. Current falls with the cube of the throttle, as power does at a voltage that
 * stays.
 *
 *   Q = Σ I_full·u³·t
 *
 * @param runsPerPack - runs that a pack serves before it is charged, >= 1
 * @param fullCurrentA - of one motor at full throttle; null where it is not known
 */
export function estimateEvening(
  runs: readonly PlannedRun[],
  protocol: StandProtocol,
  runsPerPack: number,
  fullCurrentA: number | null,
): EveningEstimate {
  requireWithin('runsPerPack', runsPerPack, 1, 50);
  const { stepCount, holdS, changeS } = protocol;
  const uses = new Map<string, number>();
  for (const { packId } of runs) if (packId !== null) uses.set(packId, (uses.get(packId) ?? 0) + 1);
  const cubes = throttleSteps(protocol).reduce((sum, u) => sum + u ** 3, 0);
  return {
    durationS: runs.length * (stepCount * holdS + changeS),
    chargeAh: fullCurrentA === null ? null : (fullCurrentA * cubes * holdS) / 3600,
    chargeCount: [...uses.values()].reduce((sum, n) => sum + Math.max(0, Math.ceil(n / runsPerPack) - 1), 0),
  };
}
