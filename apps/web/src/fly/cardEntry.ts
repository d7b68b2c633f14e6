import {
  careLimits,
  flyLimits,
  type CraftView,
  type CreateFlightCardDto,
  type motorTouches,
  type opinionTopics,
  type Range,
} from '@zivvo/contract';
import { timedCourse } from '@zivvo/core';
import { numberIn } from '../shared/forms/numberIn.ts';

export interface TypedPass {
  /** In the entry's unit, or the seconds over its course. */
  speed: string;
  track: string;
  current: string;
  /** In percent; nothing typed is full throttle. */
  throttle: string;
}

/** A card as it is typed, text by text, so that nothing is lost on the way. */
export interface CardEntry {
  propId: string;
  packId: string;
  restCell: string;
  view: 'sight' | 'goggles';
  payload: string;
  wind: string;
  minutes: string;
  usedAh: string;
  hoverThrottle: string;
  hoverCurrent: string;
  roll: string;
  speedUnit: 'm/s' | 'km/h' | 's';
  /** Length of the timed course [m]; asked for with seconds only. */
  course: string;
  climbs: { time: string; isHeld: boolean }[];
  passes: TypedPass[];
  heat: Record<string, { number: string; touch: (typeof motorTouches)[number] | '' }>;
  opinions: Partial<Record<(typeof opinionTopics)[number], { stars: number; words: string }>>;
  note: string;
  isCarefulFirst: boolean;
  logSha256: string | null;
}

/** Under which a card that is typed is kept in this browser. */
export const cardKey = (craftId: string): string => `fly/card/${craftId}`;

/** Under which the id of its flight is. */
export const flightKey = (craftId: string): string => `fly/flight/${craftId}`;

const BLANK_PASS: TypedPass = { speed: '', track: '', current: '', throttle: '' };

export function blankEntry(propId: string): CardEntry {
  return {
    propId,
    packId: '',
    restCell: '',
    view: 'sight',
    payload: '',
    wind: '',
    minutes: '',
    usedAh: '',
    hoverThrottle: '',
    hoverCurrent: '',
    roll: '',
    speedUnit: 'm/s',
    course: '',
    climbs: [
      { time: '', isHeld: true },
      { time: '', isHeld: true },
    ],
    passes: [BLANK_PASS, BLANK_PASS],
    heat: {},
    opinions: {},
    note: '',
    isCarefulFirst: false,
    logSha256: null,
  };
}

export const addedPass = (entry: CardEntry): CardEntry => ({ ...entry, passes: [...entry.passes, BLANK_PASS] });

const KM_PER_H = 3.6;
const { groundSpeedMPerS } = flyLimits;

/** Range of a speed as it is typed; over a course, of its seconds. */
export function speedRange(unit: CardEntry['speedUnit']): Range {
  if (unit === 's') return { min: 0.5, max: 600 };
  const perUnit = unit === 'km/h' ? KM_PER_H : 1;
  return { min: groundSpeedMPerS.min * perUnit, max: groundSpeedMPerS.max * perUnit };
}

export const courseRange: Range = { min: 5, max: 5000 };

/** Speed of a pass over ground [m/s]; null where it cannot be read, or nobody flies so. */
export function passSpeed({ speedUnit, course }: CardEntry, { speed }: TypedPass): number | null {
  const typed = numberIn(speed, speedRange(speedUnit)).value;
  if (typed === null) return null;
  if (speedUnit !== 's') return speedUnit === 'km/h' ? typed / KM_PER_H : typed;
  const lengthM = numberIn(course, courseRange).value;
  const found = lengthM === null ? null : timedCourse(lengthM, [typed]);
  return found !== null && found >= groundSpeedMPerS.min && found <= groundSpeedMPerS.max ? found : null;
}

export const minutesRange: Range = { min: 0.1, max: careLimits.flightDurationS.max / 60 };
export const percentRange: Range = { min: 0, max: 100 };

/** Every field that cannot be read, by its name; a pass that is half typed counts. */
export function entryFaults(entry: CardEntry): Set<string> {
  const faults = new Set<string>();
  const check = (name: string, text: string, range: Range, isNeeded = false): void => {
    const { value, error } = numberIn(text, range);
    if (error !== undefined || (isNeeded && value === null)) faults.add(name);
  };
  check('minutes', entry.minutes, minutesRange, true);
  check('restCell', entry.restCell, flyLimits.restCellV);
  check('payload', entry.payload, { min: 0, max: flyLimits.payloadKg.max * 1000 });
  check('wind', entry.wind, flyLimits.windMPerS);
  check('usedAh', entry.usedAh, flyLimits.usedAh);
  check('hoverThrottle', entry.hoverThrottle, percentRange);
  check('hoverCurrent', entry.hoverCurrent, flyLimits.currentA);
  check('roll', entry.roll, flyLimits.takeOffRollM);
  entry.climbs.forEach((c, i) => check(`climb${i}`, c.time, flyLimits.climbDurationS));
  entry.passes.forEach((p, i) => {
    const isBegun = [p.speed, p.track, p.current, p.throttle].some((text) => text !== '');
    if (passSpeed(entry, p) === null && (isBegun || p.speed !== '')) faults.add(`speed${i}`);
    check(`track${i}`, p.track, flyLimits.trackDegrees, isBegun);
    check(`current${i}`, p.current, flyLimits.currentA);
    check(`throttle${i}`, p.throttle, percentRange);
  });
  for (const [arm, { number }] of Object.entries(entry.heat)) check(`heat/${arm}`, number, flyLimits.motorTemperatureC);
  if (entry.propId === '') faults.add('prop');
  return faults;
}

/** What is sent of an entry without faults; climbs and passes left blank are none. */
export function cardBody(
  entry: CardEntry,
  craft: CraftView,
  { id, flightId }: { id: string; flightId: string },
): CreateFlightCardDto {
  const number = (text: string, range: Range): number | null => numberIn(text, range).value;
  const throttle = number(entry.hoverThrottle, percentRange);
  const grams = number(entry.payload, { min: 0, max: flyLimits.payloadKg.max * 1000 });
  return {
    id,
    flight: {
      id: flightId,
      durationS: number(entry.minutes, minutesRange)! * 60,
      packPieceId: entry.packId === '' ? null : entry.packId,
      strikes: [],
      note: entry.note.trim() || null,
    },
    propModelId: entry.propId,
    view: entry.view,
    payloadKg: (grams ?? 0) / 1000,
    restCellV: number(entry.restCell, flyLimits.restCellV),
    windMPerS: number(entry.wind, flyLimits.windMPerS),
    climbs: entry.climbs.flatMap((c): CreateFlightCardDto['climbs'] => {
      const durationS = number(c.time, flyLimits.climbDurationS);
      return !c.isHeld ? [{ durationS: null }] : durationS === null ? [] : [{ durationS }];
    }),
    passes: entry.passes.flatMap((p) => {
      const speed = passSpeed(entry, p);
      const trackDegrees = number(p.track, flyLimits.trackDegrees);
      return speed === null || trackDegrees === null
        ? []
        : [
            {
              groundSpeedMPerS: speed,
              trackDegrees,
              throttleRatio: (number(p.throttle, percentRange) ?? 100) / 100,
              currentA: number(p.current, flyLimits.currentA),
            },
          ];
    }),
    hoverThrottleRatio: throttle === null ? null : throttle / 100,
    hoverCurrentA: number(entry.hoverCurrent, flyLimits.currentA),
    takeOffRollM: number(entry.roll, flyLimits.takeOffRollM),
    usedAh: number(entry.usedAh, flyLimits.usedAh),
    motors: craft.rotors.flatMap(({ place, level }) => {
      const said = entry.heat[`${place}/${level}`];
      const temperatureC = said ? number(said.number, flyLimits.motorTemperatureC) : null;
      const touch = said && said.touch !== '' ? said.touch : null;
      return temperatureC === null && touch === null ? [] : [{ place, level, temperatureC, touch }];
    }),
    opinions: Object.entries(entry.opinions).map(([topic, { stars, words }]) => ({
      topic: topic as (typeof opinionTopics)[number],
      stars,
      words: words.trim() || null,
    })),
    logSha256: entry.logSha256,
    isCarefulFirst: entry.isCarefulFirst,
  };
}
