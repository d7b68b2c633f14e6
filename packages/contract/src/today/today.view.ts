import type { BenchJob, DueItem, LineStop, ReadyPoint, ReadyVerdict } from '@zivvo/core';
import type { FoundView } from '../workshop/workshop.view.ts';

/** A craft on the shelf: whether it may fly, what is missing, and how far its work is. */
export interface TodayCraftView {
  id: string;
  name: string;
  ownerName: string | null;
  verdict: ReadyVerdict;
  /** The gravest, and how many there are in all. */
  missing: ReadyPoint[];
  missingCount: number;
  stops: LineStop[];
}

export interface TodayView {
  /** Now, by the workshop’s clock. */
  at: string;
  crafts: TodayCraftView[];
  craftTotal: number;
  /** What waits across the stations, the gravest first, and how much there is in all. */
  due: DueItem[];
  dueTotal: number;
  /** What of all that can be done at the bench. */
  jobs: BenchJob[];
  /** What was worked on last, the newest first. */
  recent: (FoundView & { at: string })[];
}
