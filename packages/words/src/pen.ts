import type { CarePlace, Dimension, Reason, RotorPlace } from '@zivvo/core';
import { carePlaceNames } from './careNames.ts';
import {
  formatDegrees,
  formatDifference,
  formatMilliseconds,
  formatMinutes,
  formatNumber,
  formatQuantity,
  formatShare,
  formatSpeed,
  formatUnbalance,
} from './formatQuantity.ts';
import { carryNames, materialNames, placeNames, towardName } from './names.ts';
import type { UnitChoices } from './unitChoices.ts';
import { upperFirst } from './upperFirst.ts';
import { writeLabel } from './writeLabel.ts';

type Values = Reason['values'];

/** Writes the values of one reason in the reader's units. */
export interface Pen<K extends string = string> {
  text(key: K): string;
  quantity(key: K, dimension: Dimension): string;
  share(key: K): string;
  difference(key: K): string;
  /** How far temperatures lie apart, without a sign. */
  degrees(key: K): string;
  /** A share without its sign: the sentence says which way. */
  size(key: K): string;
  number(key: K, digits?: number): string;
  /** Sizes of durations and differences, without a sign: the sentence says which way. */
  minutes(key: K): string;
  milliseconds(key: K): string;
  speed(key: K): string;
  /** A name before what is said of it; nothing where no name is given. */
  named(key: K): string;
  gramMillimetres(key: K): string;
  grams(key: K): string;
  /** An arm by its place. */
  place(key: K): string;
  /** The arm or side that goes down. */
  toward(key: K): string;
  /** An arm at the start of a sentence. */
  placeFirst(key: K): string;
  /** Where on a prop. */
  carePlace(key: K): string;
  material(key: K): string;
  materialFirst(key: K): string;
  /** A local day. */
  day(key: K): string;
  /** Verbs and pronouns for one or several. */
  are(key: K): string;
  have(key: K): string;
  its(key: K): string;
  /** How the craft of the sentence carries itself: a plane cruises. */
  hover(): string;
  hovers(): string;
}

/** A sentence for every code of a feature; each may use the values of its own code alone. */
export type Sentences<R> = { [C in keyof R]: (pen: Pen<Extract<R[C], string>>) => string };

export function penFor(values: Values, choices: UnitChoices): Pen {
  const numberOf = (key: string): number => Number(values[key] ?? NaN);
  return {
    text: (key) => writeLabel(String(values[key] ?? '')),
    quantity: (key, dimension) =>
      formatQuantity(key === 'difference' ? Math.abs(numberOf(key)) : numberOf(key), dimension, choices).text,
    share: (key) => formatShare(numberOf(key)),
    degrees: (key) => formatDegrees(numberOf(key), choices),
    difference: (key) => formatDifference(numberOf(key)),
    size: (key) => formatShare(Math.abs(numberOf(key))),
    number: (key, digits = 0) => formatNumber(numberOf(key), digits),
    minutes: (key) => formatMinutes(Math.abs(numberOf(key))),
    milliseconds: (key) => formatMilliseconds(Math.abs(numberOf(key))),
    speed: (key) => formatSpeed(numberOf(key)),
    gramMillimetres: (key) => formatUnbalance(numberOf(key)),
    place: (key) => placeNames[String(values[key] ?? '') as RotorPlace]?.toLowerCase() ?? 'that arm',
    toward: (key) => (values[key] === '' ? 'one side' : towardName(values[key] as RotorPlace)),
    carePlace: (key) =>
      `${carePlaceNames[String(values[key] ?? '') as CarePlace] ?? 'prop'}${values.blade === undefined ? '' : ` of blade ${values.blade}`}`,
    material: (key) => materialNames[String(values[key] ?? '')] ?? 'material',
    materialFirst: (key) => upperFirst(materialNames[String(values[key] ?? '')] ?? 'material'),
    are: (key) => (values[key] === 1 ? 'is' : 'are'),
    have: (key) => (values[key] === 1 ? 'has' : 'have'),
    its: (key) => (values[key] === 1 ? 'its' : 'their'),
    hover: () => carryName(values),
    hovers: () => `${carryName(values)}s`,
    placeFirst: (key) => placeNames[values[key] as RotorPlace] ?? 'That arm',
    day: (key) =>
      new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
        new Date(`${String(values[key])}T00:00:00Z`),
      ),
    grams: (key) => `${formatNumber(numberOf(key) * 1000, 2)}\u202fg`,
    named: (key) => (String(values[key] ?? '') === '' ? '' : `${writeLabel(String(values[key]))}: `),
  };
}

function carryName({ kind }: Values): string {
  return carryNames[kind === 'plane' ? 'plane' : 'multirotor'];
}
