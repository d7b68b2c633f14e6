/** The direction in which a piece must turn, label facing you, to pull toward its label. */
export type Hand = 'cw' | 'ccw' | 'either';

export const tipShapes = ['pointed', 'standard', 'square'] as const;
export type TipShape = (typeof tipShapes)[number];

/** How wide the blades are for their length, as the eye sees them: slim ones take a fifth less air, broad ones more. */
export const bladePlanforms = ['slim', 'usual', 'broad'] as const;
export type BladePlanform = (typeof bladePlanforms)[number];

/** Why a reading says what it says; sentences are made elsewhere. */
export type LabelReason =
  | { code: 'writtenInFull' }
  | { code: 'hiddenPointDiameter'; digits: string }
  | { code: 'hiddenPointPitch'; digits: string }
  | { code: 'hundredthsPitch'; digits: string }
  | { code: 'bladesLastDigit'; digits: string }
  | { code: 'bladesWritten' }
  | { code: 'bladesMissing' }
  | { code: 'pitchMissing' }
  | { code: 'millimetres' }
  | { code: 'fraction' }
  | { code: 'handWritten'; text: string }
  | { code: 'handFromLetter'; text: string }
  | { code: 'handNotWritten' }
  | { code: 'tipFromLetters'; text: string }
  | { code: 'purposeLetters'; text: string }
  | { code: 'slimFromLetters'; text: string }
  | { code: 'perModelMark'; text: string }
  | { code: 'wordsLeftOut'; text: string };

/** One sensible reading of a hub label. */
export interface PropLabelReading {
  diameterM: number;
  pitchM: number | null;
  bladeCount: number | null;
  hand: 'cw' | 'ccw' | null;
  tipShape: TipShape | null;
  /** Proposed by letters; null where they say nothing. */
  planform: BladePlanform | null;
  reasons: LabelReason[];
  /** Shares of likelihood over all readings; they add up to 1. */
  likelihoodRatio: number;
}

export type LabelProblem = 'empty' | 'tooLong' | 'noDigits' | 'noSensibleSize';

export type PropLabelResult =
  | { status: 'read'; text: string; readings: PropLabelReading[] }
  | { status: 'unreadable'; text: string; problem: LabelProblem };

export const LABEL_MAX_LENGTH = 60;
export const INCH_M = 0.0254;
