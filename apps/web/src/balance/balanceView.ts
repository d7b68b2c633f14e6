import type { BalanceJobDto, BalanceJobView } from '@zivvo/contract';
import type { TapePiece, TapeStep, BalanceJobState } from '@zivvo/core';
import { formatNumber, formatUnbalance, placeWords } from '@zivvo/words';

/** A change of a job, worked out from the job as the change before it left it. */
export type JobChange = (job: BalanceJobView) => Partial<BalanceJobDto>;

/** Strips as they are cut: `53 mm`, or `18 mm × 3` for three on each other. */
export function stripWords(piece: TapePiece | null): string {
  if (piece === null) return '0 mm';
  return `${formatNumber(piece.lengthM * 1000, 0)} mm${piece.layerCount > 1 ? ` × ${piece.layerCount}` : ''}`;
}

/** What to do about one place: put, replace, leave or take off. */
function stepWords({ place, on, want }: TapeStep, { places, job }: BalanceJobState): string {
  const where = placeWords(places[place]!.kind, place, job.bladeCount);
  if (want === null) return `the tape off ${where}`;
  const trial = want.isTrial ? ', on trial' : '';
  if (on === null) return `${stripWords(want)} on ${where}${trial}`;
  return stripWords(on) === stripWords(want)
    ? `leave ${where}`
    : `${stripWords(want)} on ${where}${trial}, instead of ${stripWords(on)}`;
}

/** The next step of a job, in words that say exactly what is booked when it was done. */
export function jobHeadline(
  { result, single, singleBlade, observations, corrections, problem }: BalanceJobView,
  bladeCount: number,
): string {
  if (problem) return 'That cannot be worked out';
  if (bladeCount === 1) {
    if (!single || !singleBlade) return 'Weigh the blade and a washer';
    const washers =
      `${singleBlade.washerCount} ${singleBlade.washerCount === 1 ? 'washer leaves' : 'washers leave'} ` +
      `${formatUnbalance(single.residual.unbalanceKgM)}`;
    return single.verdict === 'open'
      ? `${single.washerCount} washers instead of ${singleBlade.washerCount}`
      : single.verdict === 'trued'
        ? `Balanced: ${washers}`
        : `${washers}: no better with these washers`;
  }
  if (!result) return 'Let it go with one blade up, and look';
  switch (result.verdict) {
    case 'trued':
      return result.residual?.isBelowRig
        ? 'Balanced: below what this rig can show'
        : `Balanced: ${formatUnbalance(result.residual!.unbalanceKgM)} left`;
    case 'sendBack':
      return 'More than tape may mend: another school, or send it back';
    case 'contradiction':
      return 'The looks contradict each other';
    case 'open':
      if (result.plan.length > 0) return result.plan.map((step) => stepWords(step, result)).join('; ');
      return observations.length === 0 && corrections.length === 0
        ? 'Let it go with one blade up, and look'
        : 'Let it go and look';
  }
}
