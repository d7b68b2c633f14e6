import type { CaredPieceView, CreateWalkaroundDto, FindingDto, PropLookDto, WalkaroundView } from '@zivvo/contract';
import { careOutcomes, type CarePlace, type ReadyToFly, type FindingKind, type Rotor } from '@zivvo/core';
import { careOutcomeNames, placeNames, readyVerdictNames } from '@zivvo/words';

/** What of a craft says how it stands. */
export function headlineOf(name: string, { verdict }: Pick<ReadyToFly, 'verdict'>): string {
  return `${name} ${readyVerdictNames[verdict]}`;
}

/** When a piece is due, in words. */
export function dueWords({ usedRatio, dueInDays }: Pick<CaredPieceView['life'], 'usedRatio' | 'dueInDays'>): string {
  if (usedRatio >= 1) return 'due now';
  if (dueInDays === null) return 'not flown lately';
  if (dueInDays >= 730) return 'years away';
  return dueInDays < 1.5
    ? 'due tomorrow'
    : dueInDays > 90
      ? `in ${Math.round(dueInDays / 30)} months`
      : `in ${Math.round(dueInDays)} days`;
}

/** What a look ends in; where it found nothing, what else the craft waits for. */
export function outcomeHeadline(
  craft: string,
  { outcome, looks }: Pick<WalkaroundView, 'outcome' | 'looks'>,
  ready: Pick<ReadyToFly, 'verdict'>,
): string {
  if (outcome === 'fly')
    return ready.verdict === 'fit' ? headlineOf(craft, ready) : `Nothing found, but ${headlineOf(craft, ready)}`;
  // What is said of one that goes is not said of one that is only dressed.
  return [...careOutcomes]
    .reverse()
    .filter((o) => o !== 'fly' && looks.some((l) => l.outcome === o))
    .map(
      (o) =>
        `${looks
          .filter((l) => l.outcome === o)
          .map((l) => l.tag ?? placeNames[l.place].toLowerCase())
          .join(', ')}: ${careOutcomeNames[o]}`,
    )
    .join('; ');
}

export const SIDES = ['top', 'underside', 'edges'] as const;
export type Side = (typeof SIDES)[number];

/** A walkaround that is under way: one prop after another, three sides each. */
export interface Walk {
  looks: PropLookDto[];
  /** Which prop is looked at. */
  at: number;
  /** Time spent looking [ms], and the last tap: a pause is no look. */
  spentMs: number;
  tappedMs: number | null;
}

/** A look over every rotor, none seen yet. */
export function newWalk(rotors: readonly Pick<Rotor, 'place' | 'level'>[]): Walk {
  return {
    looks: rotors.map(({ place, level }) => ({ place, level, seen: [], findings: [], photoSha256: null })),
    at: 0,
    spentMs: 0,
    tappedMs: null,
  };
}

export const nextSide = ({ seen }: Pick<PropLookDto, 'seen'>): Side | null =>
  SIDES.find((side) => !seen.includes(side)) ?? null;
export const isWalked = ({ looks }: Pick<Walk, 'looks'>): boolean => looks.every((l) => nextSide(l) === null);

/** The side in question was seen; after the third the next unseen prop is taken. */
export function withSeen(walk: Walk, nowMs: number): Walk {
  const look = walk.looks[walk.at]!;
  const side = nextSide(look);
  if (side === null) return withNext(walk);
  const changed = withLook(walk, { seen: [...look.seen, side] });
  const started = { ...changed, spentMs: spentUntil(walk, nowMs), tappedMs: nowMs };
  return nextSide(started.looks[walk.at]!) === null ? withNext(started) : started;
}

/** One tap back: the last side of this prop is open again, or of the prop before. */
export function withBack(walk: Walk): Walk {
  const look = walk.looks[walk.at]!;
  if (look.seen.length > 0) return withLook(walk, { seen: look.seen.slice(0, -1) });
  if (walk.at === 0) return walk;
  const before = { ...walk, at: walk.at - 1 };
  return withLook(before, { seen: before.looks[before.at]!.seen.slice(0, -1) });
}

/** Adds a finding, or takes it back; of a blade where one is told. */
export function withFinding(walk: Walk, place: CarePlace, what: FindingKind, blade: number | null = null): Walk {
  const { findings } = walk.looks[walk.at]!;
  const isIt = (f: FindingDto): boolean => f.place === place && f.what === what && (f.blade ?? null) === blade;
  return withLook(walk, {
    findings: findings.some(isIt)
      ? findings.filter((f) => !isIt(f))
      : [...findings, { place, what, ...(blade !== null && { blade }) } satisfies FindingDto],
  });
}

export function withLook(walk: Walk, change: Partial<PropLookDto>): Walk {
  return { ...walk, looks: walk.looks.map((l, i) => (i === walk.at ? { ...l, ...change } : l)) };
}

function withNext(walk: Walk): Walk {
  const next = walk.looks.findIndex((l) => nextSide(l) !== null);
  return next < 0 ? walk : { ...walk, at: next };
}

/** Between two taps no more than this counts as looking: whoever takes a half walkaround up again was away [ms]. */
const LONGEST_LOOK_MS = 120_000;

function spentUntil({ spentMs, tappedMs }: Walk, nowMs: number): number {
  return spentMs + (tappedMs === null ? 0 : Math.min(LONGEST_LOOK_MS, Math.max(0, nowMs - tappedMs)));
}

/** A look is of one day: the local one. */
export function localDay(ms: number): string {
  return new Date(ms).toLocaleDateString('sv-SE');
}

/** The walkaround as it is written down. */
export function toWalkaround(id: string, walk: Walk, nowMs: number): CreateWalkaroundDto {
  return { id, durationS: spentUntil(walk, nowMs) / 1000, looks: walk.looks, note: null };
}

/** Places that belong to a side, those first that are looked at on it. */
export const placesOfSide: Record<Side, readonly CarePlace[]> = {
  top: [
    'topFace',
    'rootTop',
    'hub',
    'mount',
    'tip',
    'leadingEdge',
    'trailingEdge',
    'underside',
    'rootUnderside',
    'bore',
    'pivot',
  ],
  underside: [
    'underside',
    'rootUnderside',
    'bore',
    'tip',
    'leadingEdge',
    'trailingEdge',
    'topFace',
    'rootTop',
    'hub',
    'mount',
    'pivot',
  ],
  edges: [
    'leadingEdge',
    'trailingEdge',
    'tip',
    'rootTop',
    'rootUnderside',
    'pivot',
    'hub',
    'mount',
    'topFace',
    'underside',
    'bore',
  ],
};
