import {
  listenLimits,
  type CraftView,
  type CreateTakeDto,
  type ListeningView,
  type PropModelView,
  type Range,
} from '@zivvo/contract';
import { bladePatterns, fromSi, orderShare, patternAngles, toSi, type Unit } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { numberIn } from '../shared/forms/numberIn.ts';
import type { HeardBlades, HeardFile } from './listenWork.ts';

/** A take as it is typed, text by text. */
export interface TakeEntry {
  /** Empty: the place alone. */
  propId: string;
  level: string;
  distance: string;
  thrust: string;
  roughRpm: string;
  spinDown: string;
  note: string;
  /** Slots of the hub, blades in it, and which of the patterns; none for a usual prop. */
  slotCount: string;
  bladeCount: string;
  pattern: string;
  runId: string;
  flightCardId: string;
}

/** Under which a take that is typed is kept in this browser. */
export const takeKey = (listeningId: string): string => `listen/take/${listeningId}`;

/** What is taken next: the place, then the reference, then whatever is in hand. */
export function nextPropId(
  listening: Pick<ListeningView, 'takes' | 'method'>,
  referenceId: string | null,
  inHandId: string | null,
): string {
  const heard = listening.takes.map((t) => t.propModelId);
  if (!heard.includes(null) && listening.method !== 'walkAway') return '';
  if (referenceId !== null && !heard.includes(referenceId)) return referenceId;
  return inHandId ?? referenceId ?? '';
}

export function blankTake(propId: string, listening: Pick<ListeningView, 'distanceM' | 'method'>): TakeEntry {
  return {
    propId,
    level: '',
    distance: listening.method === 'walkAway' ? '' : String(listening.distanceM),
    thrust: '',
    roughRpm: '',
    spinDown: '',
    note: '',
    slotCount: '',
    bladeCount: '',
    pattern: '0',
    runId: '',
    flightCardId: '',
  };
}

/** The patterns that blades can take on the hub, in words; empty for a usual prop. */
export function patternChoices(
  entry: TakeEntry,
  model: PropModelView | undefined,
): { slots: number[]; label: string }[] {
  const slotCount = Number(entry.slotCount);
  const bladeCount = bladesOf(entry, model);
  if (entry.slotCount === '' || !(bladeCount >= 1 && bladeCount <= slotCount)) return [];
  return bladePatterns(slotCount, bladeCount).map(({ slots, isEven, isBalanced }) => {
    const share = orderShare(patternAngles(slots, slotCount), bladeCount);
    const pass = share < 0.05 ? 'no pass left' : `pass ${formatNumber(20 * Math.log10(share), 1)} dB`;
    const said = isEven ? 'evenly set' : isBalanced ? `uneven, balanced, ${pass}` : `uneven, shakes, ${pass}`;
    return { slots, label: `${slots.map((s) => s + 1).join(' ')}: ${said}` };
  });
}

export function bladesOf(entry: TakeEntry, model: PropModelView | undefined): number {
  return entry.slotCount !== '' && entry.bladeCount !== '' ? Number(entry.bladeCount) : (model?.bladeCount ?? 0);
}

export interface ReadTake {
  values: { level: number | null; distance: number | null; thrustN: number | null; spinDown: number | null };
  errors: Partial<Record<'level' | 'distance' | 'thrust' | 'roughRpm' | 'spinDown', string>>;
}

/** What was typed, as numbers in SI, and what is wrong with it. */
export function readTake(entry: TakeEntry, unit: Unit): ReadTake {
  const force: Range = { min: fromSi(unit, listenLimits.thrustN.min), max: fromSi(unit, listenLimits.thrustN.max) };
  const level = numberIn(entry.level, listenLimits.levelDb);
  const distance = numberIn(entry.distance, listenLimits.distanceM);
  const thrust = numberIn(entry.thrust, force);
  const spinDown = numberIn(entry.spinDown, listenLimits.spinDownS);
  const rough = numberIn(entry.roughRpm, listenLimits.rpm);
  const errors = {
    level: level.error,
    distance: distance.error,
    thrust: thrust.error,
    spinDown: spinDown.error,
    roughRpm: rough.error,
  };
  return {
    values: {
      level: level.value,
      distance: distance.value,
      thrustN: thrust.value === null ? null : toSi(unit, thrust.value),
      spinDown: spinDown.value,
    },
    errors,
  };
}

/** Why a take cannot be kept yet; null where it can. */
export function missing(
  entry: TakeEntry,
  { values, errors }: ReadTake,
  listening: Pick<ListeningView, 'method'>,
  file: HeardFile | null,
): string | null {
  if (Object.values(errors).some((e) => e !== undefined)) return 'One field cannot be read yet.';
  if (values.distance === null) return listening.method === 'walkAway' ? 'How far did you walk?' : 'From how far?';
  if (listening.method === 'walkAway' && entry.propId === '') return 'Say which prop it was.';
  if (listening.method === 'meter' && values.level === null) return 'What did the meter read?';
  if (listening.method === 'recording' && file === null) return 'Choose a recording, or make one.';
  return null;
}

/** What a craft in hover must push; on the stand nobody knows. */
const usualThrustN = ({ heardOn, hoverThrustN }: ListeningView): number | null =>
  heardOn === 'craft' ? hoverThrustN : null;

/** What is sent of a take that can be kept. */
export function takeBody(
  entry: TakeEntry,
  read: ReadTake,
  told: { id: string; listening: ListeningView; craft: CraftView; model: PropModelView | undefined },
  file: HeardFile | null,
  blades: HeardBlades | null,
  soundSha256: string | null,
): CreateTakeDto {
  const { listening, model } = told;
  const pattern = patternChoices(entry, model)[Number(entry.pattern)];
  const isRecorded = listening.method === 'recording' && file !== null;
  const comb = blades?.combs[0];
  return {
    id: told.id,
    propModelId: entry.propId === '' ? null : entry.propId,
    pattern: pattern ? { slotCount: Number(entry.slotCount), slots: pattern.slots.map((slot) => ({ slot })) } : null,
    levelDb: isRecorded ? file.levels.aDb : listening.method === 'meter' ? read.values.level : null,
    distanceM: read.values.distance!,
    thrustN: entry.propId === '' ? null : (read.values.thrustN ?? usualThrustN(listening)),
    rpm: isRecorded && entry.propId !== '' ? (comb?.rpm ?? null) : null,
    spinDownS: read.values.spinDown,
    clippedRatio: isRecorded ? file.clippedRatio : 0,
    sound: isRecorded ? (entry.propId === '' || blades === null ? file.sound : blades.sound) : null,
    soundSha256,
    runId: entry.runId === '' ? null : entry.runId,
    flightCardId: entry.flightCardId === '' ? null : entry.flightCardId,
    note: entry.note.trim() === '' ? null : entry.note.trim(),
  };
}
