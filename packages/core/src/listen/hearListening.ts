import { bySeverity, type Reason, type ReasonCode, type ReasonValues, type Severity } from '../figure/reason.ts';
import { median } from '../statistics/describe.ts';
import { rankSounds, type LevelAtThrust, type SoundRanking } from './rankSounds.ts';
import {
  backgroundDb,
  countingTakes,
  hearTakes,
  leastHeardDb,
  type HeardTake,
  type ListenMethod,
  type SoundTake,
} from './soundTake.ts';

/** How one listening was set up: one place, one distance, one way of reading. */
export interface ListeningSetup {
  method: ListenMethod;
  /** Distance that all takes are brought to [m]. */
  distanceM: number;
  /** Levels are absolute; without it they only tell differences. */
  isCalibrated: boolean;
}

/** What can be heard: a prop, or a hub with its blades in a pattern of slots. */
export interface HeardProp {
  soundKey: string;
  name: string;
  bladeCount: number;
}

/** What a listening says at one thrust. */
export interface ListeningResult {
  backgroundDb: number | null;
  heard: HeardTake[];
  /** At which the props are compared [N]; null where no take has a thrust. */
  thrustN: number | null;
  ranking: SoundRanking | null;
  /** Last take of the reference over its first one, at one thrust [dB]; null with fewer than two. */
  driftDb: number | null;
  reasons: Reason[];
}

/** A reference that moves by more than this between its takes says that something else did [dB]. */
const MOST_DRIFT_DB = 1.5;

/**
 * Takes of one listening, the place taken out, the props side by side at one thrust, and what that means.
 *
 * @param takes - in the order in which they were taken
 * @param referenceKey - the prop that the others are held against; null where nobody has said
 * @param wantedThrustN - null takes the middle one of the takes
 * @throws {OutOfRangeError} if a distance or a thrust is not positive
 */
export function hearListening(
  setup: ListeningSetup,
  takes: readonly SoundTake[],
  props: readonly HeardProp[],
  referenceKey: string | null,
  wantedThrustN: number | null,
): ListeningResult {
  const heard = hearTakes(takes, setup.distanceM);
  const counting = countingTakes(heard);
  const thrustN = wantedThrustN ?? (counting.length > 0 ? median(counting.map((t) => t.thrustN)) : null);
  const ranking = thrustN === null || counting.length === 0 ? null : rankSounds(counting, referenceKey, thrustN);
  const driftDb = driftOf(counting, referenceKey, ranking?.slopeDb ?? 0);
  const background = backgroundDb(takes);
  const result = { backgroundDb: background, heard, thrustN, ranking, driftDb };
  return { ...result, reasons: whatItMeans(setup, takes, props, referenceKey, result) };
}

function driftOf(counting: readonly LevelAtThrust[], referenceKey: string | null, slopeDb: number): number | null {
  const own = counting.filter((t) => t.soundKey === referenceKey);
  const [first, last] = [own[0], own.at(-1)];
  if (!first || !last || first === last) return null;
  return last.levelDb - first.levelDb - slopeDb * Math.log10(last.thrustN / first.thrustN);
}

function whatItMeans(
  setup: ListeningSetup,
  takes: readonly SoundTake[],
  props: readonly HeardProp[],
  referenceKey: string | null,
  { backgroundDb: background, heard, ranking, driftDb, thrustN }: Omit<ListeningResult, 'reasons'>,
): Reason[] {
  const reasons: Reason[] = [];
  const say = <C extends ReasonCode>(severity: Severity, code: C, values: ReasonValues<C>): void => {
    reasons.push({ code, severity, values: values as Reason['values'], figure: null });
  };
  const nameOf = (key: string): string => props.find((p) => p.soundKey === key)?.name ?? key;
  const faulty = (fault: HeardTake['fault']): number => heard.filter((t) => t.fault === fault).length;
  if (heard.length === 0) return reasons;
  if (background === null) {
    if (setup.method !== 'walkAway') say('action', 'listen.noBackground', {});
  } else if (faulty('underBackground') > 0)
    say('action', 'listen.underBackground', { count: faulty('underBackground'), leastDb: leastHeardDb(background) });
  if (faulty('clipped') > 0) say('action', 'listen.clipped', { count: faulty('clipped') });
  if (faulty('noThrust') > 0) say('action', 'listen.noThrust', { count: faulty('noThrust') });
  const corrected = heard.filter((t) => t.status === 'corrected').length;
  if (corrected > 0) say('note', 'listen.corrected', { count: corrected });
  if (setup.method === 'walkAway') say('note', 'listen.walked', {});
  else if (!setup.isCalibrated) say('note', 'listen.relative', {});
  const keys = takes.flatMap((t) => t.soundKey ?? []);
  const others = ranking?.sounds.filter((s) => s.soundKey !== referenceKey) ?? [];
  if (referenceKey === null || !keys.includes(referenceKey)) {
    if (others.length > 0) say('action', 'listen.noReference', {});
  } else if (others.length > 0 && (keys[0] !== referenceKey || keys.at(-1) !== referenceKey))
    say('action', 'listen.bracket', { name: nameOf(referenceKey) });
  if (referenceKey !== null && driftDb !== null && Math.abs(driftDb) > MOST_DRIFT_DB)
    say('caution', 'listen.drift', { name: nameOf(referenceKey), db: Math.abs(driftDb) });
  for (const { soundKey, verdict, differenceDb, differenceHalfWidthDb, isExtended } of others) {
    const [name, halfDb] = [nameOf(soundKey), differenceHalfWidthDb ?? 0];
    if (verdict === 'quieter') say('gain', 'listen.quieter', { name, db: -differenceDb!, halfDb });
    if (verdict === 'louder') say('caution', 'listen.louder', { name, db: differenceDb!, halfDb });
    if (verdict === 'same') say('note', 'listen.same', { name, halfDb });
    if (isExtended) say('note', 'listen.extended', { name });
  }
  if (ranking && thrustN !== null) sayBlades(say, heard, props, ranking, thrustN);
  return bySeverity(reasons);
}

/** Two blades against three: the quietest of each count, held against each other. */
function sayBlades(
  say: <C extends ReasonCode>(severity: Severity, code: C, values: ReasonValues<C>) => void,
  heard: readonly HeardTake[],
  props: readonly HeardProp[],
  ranking: SoundRanking,
  thrustN: number,
): void {
  const bladesOf = (key: string): number => props.find((p) => p.soundKey === key)?.bladeCount ?? 0;
  const counts = [...new Set(ranking.sounds.map((s) => bladesOf(s.soundKey)))].sort((a, b) => a - b);
  const [few, many] = counts;
  if (few === undefined || many === undefined) return;
  const quietest = (blades: number): string => ranking.sounds.find((s) => bladesOf(s.soundKey) === blades)!.soundKey;
  const found = rankSounds(countingTakes(heard), quietest(few), thrustN).sounds.find(
    (s) => s.soundKey === quietest(many),
  )!;
  const [db, halfDb] = [found.differenceDb!, found.differenceHalfWidthDb!];
  if (found.verdict === 'quieter') say('note', 'listen.moreBlades', { few, many, db: -db, halfDb });
  else if (found.verdict === 'louder') say('note', 'listen.fewerBlades', { few, many, db, halfDb });
  else say('note', 'listen.bladesAlike', { few, many, halfDb });
}
