import type { RunSummaryView } from '@zivvo/contract';
import type { QueuedPhoto } from './usePhotoQueue.ts';

/** The hand that typed the last figure may photograph the screen right after. */
const AFTER_MS = 60_000;
/** A picture older than this before a run was kept belongs to no run of it. */
const BEFORE_MS = 30 * 60_000;

/**
 * Which pictures belong to which kept runs, by the time they were taken: to the first run that was kept after it, or up
 * to a minute before.
 */
export function photoPlaces(
  photos: readonly QueuedPhoto[],
  runs: readonly Pick<RunSummaryView, 'id' | 'keptAt'>[],
): { photo: QueuedPhoto; runId: string }[] {
  const kept = runs
    .flatMap(({ id, keptAt }) => (keptAt === null ? [] : [{ id, keptMs: Date.parse(keptAt) }]))
    .sort((a, b) => a.keptMs - b.keptMs);
  return photos.flatMap((photo) => {
    const run = kept.find(({ keptMs }) => photo.takenMs <= keptMs + AFTER_MS);
    return run && photo.takenMs >= run.keptMs - BEFORE_MS ? [{ photo, runId: run.id }] : [];
  });
}
