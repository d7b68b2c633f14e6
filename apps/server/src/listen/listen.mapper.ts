import type { HeardPropView, ListeningDto, ListeningView, TakeView, VoteCountView } from '@zivvo/contract';
import {
  areLevelsAbsolute,
  signTest,
  type HeardProp,
  type HeardTake,
  type ListeningResult,
  type SoundTake,
} from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import { writtenModelName } from '../rack/propModel.mapper.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import type { ListeningRow, SoundTakeRow, SoundVoteRow } from './listen.repository.ts';

/** What a take is held against others as: a prop, or a hub with blades in some of its slots. */
export function soundKeyOf({ propModelId, pattern }: Pick<SoundTakeRow, 'propModelId' | 'pattern'>): string | null {
  if (propModelId === null || pattern === null) return propModelId;
  return `${propModelId} ${pattern.slots.map((s) => s.slot).join('.')}/${pattern.slotCount}`;
}

function nameOf(model: PropModelRow, pattern: SoundTakeRow['pattern']): string {
  const name = writtenModelName(model);
  if (pattern === null) return name;
  return `${name}, slots ${pattern.slots.map((s) => s.slot + 1).join(' ')} of ${pattern.slotCount}`;
}

/** Props of a listening, each once, in the order in which they were heard. */
export function heardProps(
  takes: readonly SoundTakeRow[],
  models: ReadonlyMap<string, PropModelRow>,
): (HeardProp & { model: PropModelRow; pattern: SoundTakeRow['pattern'] })[] {
  const found = new Map<string, HeardProp & { model: PropModelRow; pattern: SoundTakeRow['pattern'] }>();
  for (const take of takes) {
    const soundKey = soundKeyOf(take);
    const model = take.propModelId === null ? undefined : models.get(take.propModelId);
    if (soundKey === null || !model || found.has(soundKey)) continue;
    const { pattern } = take;
    const bladeCount = pattern?.slots.length ?? model.bladeCount;
    found.set(soundKey, { soundKey, name: nameOf(model, pattern), bladeCount, model, pattern });
  }
  return [...found.values()];
}

/** A take as the core hears it: the chain's offset is added where the chain is calibrated. */
export function toSoundTake(take: SoundTakeRow, { chainOffsetDb }: Pick<ListeningRow, 'chainOffsetDb'>): SoundTake {
  return {
    id: take.id,
    soundKey: soundKeyOf(take),
    levelDb: take.levelDb === null ? null : take.levelDb + (take.sound === null ? 0 : (chainOffsetDb ?? 0)),
    distanceM: take.distanceM,
    thrustN: take.thrustN,
    clippedRatio: take.clippedRatio,
  };
}

export function toTakeView(
  take: SoundTakeRow,
  shownDb: number | null,
  models: ReadonlyMap<string, PropModelRow>,
  heard: HeardTake | undefined,
): TakeView {
  const model = take.propModelId === null ? undefined : models.get(take.propModelId);
  return {
    ...toRowView(take),
    takenAt: take.createdAt.toISOString(),
    propModelId: take.propModelId,
    pattern: take.pattern,
    levelDb: take.levelDb,
    distanceM: take.distanceM,
    thrustN: take.thrustN,
    rpm: take.rpm,
    spinDownS: take.spinDownS,
    clippedRatio: take.clippedRatio,
    sound: take.sound,
    soundSha256: take.soundSha256,
    runId: take.runId,
    flightCardId: take.flightCardId,
    note: take.note,
    soundKey: soundKeyOf(take),
    shownDb,
    name: model ? nameOf(model, take.pattern) : 'The place alone',
    bladeCount: take.pattern?.slots.length ?? model?.bladeCount ?? null,
    heard: heard ? { levelDb: heard.levelDb, thrustN: heard.thrustN, status: heard.status, fault: heard.fault } : null,
  };
}

export function toSetup(row: ListeningRow): ListeningDto {
  const { heardOn, method, place, surface, distanceM, heightM, windMPerS, note, chainOffsetDb } = row;
  return { heardOn, method, place, surface, distanceM, heightM, windMPerS, note, chainOffsetDb };
}

export function toListeningView(
  row: ListeningRow,
  takes: TakeView[],
  result: ListeningResult,
  more: Pick<ListeningView, 'hoverThrustN' | 'correction' | 'votes'> & { props: HeardPropView[] },
): ListeningView {
  const { backgroundDb, thrustN, ranking, driftDb, reasons } = result;
  return {
    ...toRowView(row),
    ...toSetup(row),
    listenedAt: row.createdAt.toISOString(),
    takes,
    isAbsolute: areLevelsAbsolute(row.method, row.chainOffsetDb),
    backgroundDb,
    thrustN,
    ranking,
    driftDb,
    reasons,
    ...more,
  };
}

/** Votes counted by pairs of props, the one that is liked more first. */
export function countVotes(votes: readonly SoundVoteRow[], takes: readonly TakeView[]): VoteCountView[] {
  const takeOf = (id: string): TakeView | undefined => takes.find((t) => t.id === id);
  const pairs = new Map<string, { first: TakeView; second: TakeView; liked: number; votes: number }>();
  for (const { likedTakeId, otherTakeId } of votes) {
    const [liked, other] = [takeOf(likedTakeId), takeOf(otherTakeId)];
    if (!liked?.soundKey || !other?.soundKey || liked.soundKey === other.soundKey) continue;
    const [first, second] = liked.soundKey < other.soundKey ? [liked, other] : [other, liked];
    const key = `${first.soundKey}\n${second.soundKey}`;
    const pair = pairs.get(key) ?? { first, second, liked: 0, votes: 0 };
    pairs.set(key, { ...pair, liked: pair.liked + (first === liked ? 1 : 0), votes: pair.votes + 1 });
  }
  return [...pairs.values()].map(({ first, second, liked, votes: count }) => {
    const isFirst = 2 * liked >= count;
    const [winner, loser] = isFirst ? [first, second] : [second, first];
    return {
      likedKey: winner.soundKey!,
      likedName: winner.name,
      otherKey: loser.soundKey!,
      otherName: loser.name,
      liked: isFirst ? liked : count - liked,
      votes: count,
      chance: signTest(liked, count),
    };
  });
}
