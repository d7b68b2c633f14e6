import type { JudgeInput, Reason, SayingAnswer } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { opinionTopics } from '../fly/limits.ts';

/** What people said of a prop, apart from all that was measured. */
export interface OpinionCount {
  topic: (typeof opinionTopics)[number];
  /** Mean of so many. */
  stars: number;
  count: number;
}

/** A contender beside its evidence. */
export interface JudgedPropView {
  propModelId: string;
  opinions: OpinionCount[];
  /** Votes that it won unseen, of so many. */
  votes: { won: number; of: number };
  /** Runs, flights and takes that count. */
  runCount: number;
  flightCount: number;
  takeCount: number;
  /** It is judged because somebody added it; nothing was measured of it. */
  isAdded: boolean;
}

/** A verdict as it was kept, as lists tell it. */
export interface FrozenVerdictView extends RowView {
  frozenAt: string;
  personId: string | null;
  note: string | null;
  headline: Reason;
  /** Null where none could be named. */
  winnerPropModelId: string | null;
}

/** The same with all that it is made of. */
export interface WholeVerdictView extends FrozenVerdictView {
  input: JudgeInput;
  /** What has changed since; null where there is nothing to judge any more. */
  changes: Reason[] | null;
}

export interface JudgeView {
  /** What a verdict of today is made of; the verdict itself follows from it. */
  input: JudgeInput;
  props: JudgedPropView[];
  /** Whose weights are in force: this person's row, another's, or the usual ones where there is none. */
  wishes: { id: string | null; revision: number; isOwn: boolean; addedPropModelIds: string[] };
  /** The newest first. */
  verdicts: FrozenVerdictView[];
  verdictTotal: number;
  /** Since the newest verdict; null where there is none. */
  changes: Reason[] | null;
  /** Evidence that was left out because more props were measured than a verdict takes. */
  leftOutCount: number;
  isSimulated: boolean;
}

/** Sayings of the trade, answered for one craft. */
export interface SayingsView {
  /** The prop at which the model was asked; null where none is known. */
  referenceName: string | null;
  items: SayingAnswer[];
}
