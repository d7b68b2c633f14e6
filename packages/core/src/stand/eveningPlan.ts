import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import { throttleProgram, type StandProtocol } from './protocol.ts';

/** One run as it is planned. */
export interface PlannedRun {
  propId: string;
  /** Another motor or pack of the craft, by its kit; null as the craft is described. */
  kitId: string | null;
  /** Null where nobody said which pack. */
  packId: string | null;
  isReference: boolean;
}

/** What the props are run on: a motor with its cells, and the packs that fit it. */
export interface PlannedRig {
  kitId: string | null;
  packIds: readonly string[];
}

export interface EveningWish {
  /** Props against the reference, in the order in which they lie on the table. */
  propIds: readonly string[];
  /** Runs first, last and between; null without one. */
  referenceId: string | null;
  /** Of each prop, 1 to 6. */
  runsPerProp: number;
  /** One after another: a motor is changed less often than a prop. */
  rigs: readonly PlannedRig[];
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
 * The runs of an evening in their order, rig by rig: the reference first, last and between, each prop as often, packs
 * in turn so that each rests while the others work.
 *
 * @throws {OutOfRangeError} if there is nothing to run, or a number is outside its range
 */
export function planEvening({ rigs, ...wish }: EveningWish): PlannedRun[] {
  requireWithin('mostBetween', wish.mostBetween, 1, 50);
  if (rigs.length === 0) throw new OutOfRangeError('rigs', 0, 'at least one rig');
  return rigs.flatMap((rig) => planRig(wish, rig));
}

function planRig(
  { propIds, referenceId, runsPerProp, mostBetween }: Omit<EveningWish, 'rigs'>,
  { kitId, packIds }: PlannedRig,
): PlannedRun[] {
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
  return runs.map((run, i) => ({ ...run, kitId, packId: packIds.length === 0 ? null : packIds[i % packIds.length]! }));
}

/**
 * How unequal an order treats its props: how far the mean places of any two on one rig lie apart, in runs. Zero where a
 * steady drift moves all alike.
 */
export function driftBias(runs: readonly PlannedRun[]): number {
  const kitIds = [...new Set(runs.map((r) => r.kitId))];
  return Math.max(0, ...kitIds.map((kitId) => biasWithin(runs.filter((r) => r.kitId === kitId))));
}

function biasWithin(runs: readonly PlannedRun[]): number {
  const places = new Map<string, number[]>();
  runs.forEach(({ propId, isReference }, i) => {
    if (!isReference) places.set(propId, [...(places.get(propId) ?? []), i]);
  });
  const means = [...places.values()].map((own) => own.reduce((a, b) => a + b, 0) / own.length);
  return means.length < 2 ? 0 : Math.max(...means) - Math.min(...means);
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
 *   Q = ∫ I_full·u³ dt, over the throttle of the protocol
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
  const { corners } = throttleProgram(protocol);
  const runS = corners.at(-1)!.atS;
  const uses = new Map<string, number>();
  for (const { packId } of runs) if (packId !== null) uses.set(packId, (uses.get(packId) ?? 0) + 1);
  const cubeS = corners.slice(1).reduce((sum, { atS, throttleRatio: to }, i) => {
    const { atS: fromS, throttleRatio: from } = corners[i]!;
    // Exact for a line: the mean of u³ between a and b.
    return sum + ((atS - fromS) * (from ** 3 + from ** 2 * to + from * to ** 2 + to ** 3)) / 4;
  }, 0);
  return {
    durationS: runs.length * (runS + protocol.changeS),
    chargeAh: fullCurrentA === null ? null : (fullCurrentA * cubeS) / 3600,
    chargeCount: [...uses.values()].reduce((sum, n) => sum + Math.max(0, Math.ceil(n / runsPerPack) - 1), 0),
  };
}
