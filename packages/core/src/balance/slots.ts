import { requireFinite, requireWithin } from '../errors/guards.ts';
import { seededRandom } from '../numerics/seededRandom.ts';

export interface SlotPlacing {
  /** Slot of each blade, in the order of the blades. */
  slots: number[];
  residualKgM: number;
  /** False where the best was searched for but not proved. */
  isExact: boolean;
}

export interface PlacingRange extends SlotPlacing {
  worstKgM: number;
  /** Blade i in slot i, as they came. */
  identityKgM: number;
}

const EXACT_MOST = 10;
const SLOTS_MOST = 24;
const RESTARTS = 60;

/**
 * Which individually weighed blade goes into which slot, so that their moments cancel best.
 *
 *   minimise |Σ M_i·e^{j·360°·slot(i)/n}|
 *
 * Exact up to ten slots; above that by exchanging pairs from many starts, up to twenty-four.
 *
 * @param momentsKgM - static moment of each blade; at most as many as slots
 * @param slotCount - of the hub, 2 to 24
 * @param allowed - slots that may be used; null for all
 * @throws {OutOfRangeError} outside those ranges
 */
export function placeBlades(
  momentsKgM: readonly number[],
  slotCount: number,
  allowed: readonly number[] | null = null,
): PlacingRange {
  requireWithin('slotCount', slotCount, 2, SLOTS_MOST);
  momentsKgM.forEach((moment) => requireFinite('momentsKgM', moment));
  const open = allowed ?? Array.from({ length: slotCount }, (_, i) => i);
  open.forEach((slot) => requireWithin('allowed', slot, 0, slotCount - 1));
  requireWithin('momentsKgM', momentsKgM.length, 1, open.length);
  const cos = open.map((slot) => Math.cos((2 * Math.PI * slot) / slotCount));
  const sin = open.map((slot) => Math.sin((2 * Math.PI * slot) / slotCount));
  const residual = (order: readonly number[]): number =>
    Math.hypot(
      order.reduce((s, at, i) => s + momentsKgM[i]! * cos[at]!, 0),
      order.reduce((s, at, i) => s + momentsKgM[i]! * sin[at]!, 0),
    );
  const identity = residual(momentsKgM.map((_, i) => i));
  // A whole ring of slots looks the same from each of them, so the first blade may stay where it is.
  const isRing = allowed === null;
  const found =
    open.length <= EXACT_MOST
      ? exactPlacing(momentsKgM, cos, sin, isRing)
      : searchedPlacing(momentsKgM, open.length, residual);
  return {
    slots: found.order.map((at) => open[at]!),
    residualKgM: found.least,
    worstKgM: found.most,
    identityKgM: identity,
    isExact: open.length <= EXACT_MOST,
  };
}

function exactPlacing(
  moments: readonly number[],
  cos: readonly number[],
  sin: readonly number[],
  isRing: boolean,
): { order: number[]; least: number; most: number } {
  const order = new Array<number>(moments.length).fill(0);
  let best: number[] = [];
  let least = Infinity;
  let most = 0;
  const descend = (blade: number, used: number, x: number, y: number): void => {
    if (blade === moments.length) {
      const square = x * x + y * y;
      if (square < least) {
        least = square;
        best = [...order];
      }
      if (square > most) most = square;
      return;
    }
    const moment = moments[blade]!;
    const last = isRing && blade === 0 ? 1 : cos.length;
    for (let at = 0; at < last; at++) {
      if (used & (1 << at)) continue;
      order[blade] = at;
      descend(blade + 1, used | (1 << at), x + moment * cos[at]!, y + moment * sin[at]!);
    }
  };
  descend(0, 0, 0, 0);
  return { order: best, least: Math.sqrt(least), most: Math.sqrt(most) };
}

function searchedPlacing(
  moments: readonly number[],
  slotCount: number,
  residual: (order: readonly number[]) => number,
): { order: number[]; least: number; most: number } {
  const random = seededRandom(`slots/${moments.length}/${slotCount}`);
  let best: number[] = [];
  let least = Infinity;
  let most = 0;
  for (let start = 0; start < RESTARTS; start++) {
    const places = Array.from({ length: slotCount }, (_, i) => i);
    for (let i = places.length - 1; i > 0; i--) {
      const j = Math.floor(random.next() * (i + 1));
      [places[i], places[j]] = [places[j]!, places[i]!];
    }
    most = Math.max(most, residual(places.slice(0, moments.length)));
    const value = improve(places, moments.length, residual);
    if (value < least) [least, best] = [value, places.slice(0, moments.length)];
  }
  return { order: best, least, most };
}

/** Exchanges pairs of slots while it helps. */
function improve(places: number[], bladeCount: number, residual: (order: readonly number[]) => number): number {
  let value = residual(places.slice(0, bladeCount));
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (let i = 0; i < bladeCount; i++) {
      for (let j = i + 1; j < places.length; j++) {
        [places[i], places[j]] = [places[j]!, places[i]!];
        const next = residual(places.slice(0, bladeCount));
        if (next < value - 1e-15) {
          value = next;
          isBetter = true;
        } else [places[i], places[j]] = [places[j]!, places[i]!];
      }
    }
  }
  return value;
}

export interface BalancedSubsets {
  /** Sets of slots whose directions cancel, for blades that are alike. */
  count: number;
  /** The same when a turn of the hub makes no difference, by their lowest form. */
  classes: number[][];
  /** Those among them that are evenly spaced. */
  evenlySpacedCount: number;
}

const BALANCED = 1e-9;

/**
 * Which slots give a zero vector. Balanced is more than evenly spaced: six slots and four blades leave {0, 1, 3, 4}.
 *
 * @param slotCount - 2 to 24
 * @param bladeCount - 1 to slots
 */
export function balancedSubsets(slotCount: number, bladeCount: number): BalancedSubsets {
  requireWithin('slotCount', slotCount, 2, SLOTS_MOST);
  requireWithin('bladeCount', bladeCount, 1, slotCount);
  const cos = Array.from({ length: slotCount }, (_, i) => Math.cos((2 * Math.PI * i) / slotCount));
  const sin = Array.from({ length: slotCount }, (_, i) => Math.sin((2 * Math.PI * i) / slotCount));
  const lowest = new Set<string>();
  let count = 0;
  let evenlySpacedCount = 0;
  const chosen: number[] = [];
  const descend = (from: number, x: number, y: number): void => {
    if (chosen.length === bladeCount) {
      if (Math.hypot(x, y) > BALANCED) return;
      count++;
      if (isEvenlySpaced(chosen, slotCount)) evenlySpacedCount++;
      lowest.add(lowestTurn(chosen, slotCount));
      return;
    }
    for (let at = from; at <= slotCount - (bladeCount - chosen.length); at++) {
      chosen.push(at);
      descend(at + 1, x + cos[at]!, y + sin[at]!);
      chosen.pop();
    }
  };
  descend(0, 0, 0);
  const classes = [...lowest].map((key) => key.split(',').map(Number));
  classes.sort((a, b) => compareLists(a, b));
  return { count, classes, evenlySpacedCount };
}

function isEvenlySpaced(slots: readonly number[], slotCount: number): boolean {
  const step = slotCount / slots.length;
  return Number.isInteger(step) && slots.every((slot, i) => slot === slots[0]! + i * step);
}

/** The turn of a set of slots that comes first in the order of numbers. */
function lowestTurn(slots: readonly number[], slotCount: number): string {
  let best: number[] | null = null;
  for (const start of slots) {
    const turned = slots.map((slot) => (slot - start + slotCount) % slotCount).sort((a, b) => a - b);
    if (best === null || compareLists(turned, best) < 0) best = turned;
  }
  return best!.join(',');
}

function compareLists(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!;
  return 0;
}
