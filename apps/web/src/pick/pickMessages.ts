import type {
  Answer,
  FlyingStyle,
  FullAt,
  LoadLadder,
  Manoeuvres,
  MarkedProp,
  PackAnswer,
  PropFacts,
  PropGeometry,
  QuestionName,
  Remedy,
  ShelfPack,
} from '@zivvo/core';

/** A prop to work out: its shape, and what else is known of it. Its own runs are found by its id. */
export interface AskedProp {
  id: string;
  geometry: PropGeometry;
  facts: PropFacts;
  /** Its maker, whose other runs speak for it where none is its own. */
  family: string | null;
}

/** The prop that is flown now, about which one asks. */
export interface AskedPresent {
  propModelId: string;
  geometry: PropGeometry;
}

/** One point of an operating curve. */
export interface CurvePoint {
  throttleRatio: number;
  thrustN: number;
  powerW: number;
  currentA: number;
  speedRpm: number;
}

/** What may be asked of a worker, and what it answers. */
export interface PickTasks {
  props: { ask: { props: AskedProp[] }; answer: Record<string, MarkedProp> };
  curves: { ask: { props: AskedProp[] }; answer: Record<string, CurvePoint[]> };
  walks: { ask: { props: AskedProp[] }; answer: Record<string, FullAt[]> };
  manoeuvres: { ask: { props: AskedProp[] }; answer: Record<string, Manoeuvres> };
  ladder: { ask: { props: AskedProp[] }; answer: LoadLadder };
  remedies: { ask: AskedPresent; answer: Remedy[] };
  questions: { ask: AskedPresent & { shelf: ShelfPack[] }; answer: Answers };
}

export interface Answers {
  answers: Record<QuestionName, Pick<Answer, 'before' | 'after' | 'addedKg'> | null>;
  greatestPayloadKg: number | null;
  weightForInchKg: number | null;
  packs: PackAnswer[];
}

export type PickTask = keyof PickTasks;

/** How a worker tells of the maps that it works out. */
export interface MapListener {
  onMap: (key: string, values: Float64Array, state: 'coarse' | 'fine') => void;
  onProgress: (done: number, total: number) => void;
}

export const styleOrder: readonly FlyingStyle[] = ['gentle', 'normal', 'hard'];
