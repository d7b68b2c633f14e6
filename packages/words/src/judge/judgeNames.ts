import type { opinionTopics } from '@zivvo/contract';
import type { EvidenceSource, SayingAnswer, SayingName, TestWayName, WishName } from '@zivvo/core';
import { criterionWords } from '../names.ts';

/** Wishes as columns and sliders name them. */
export const wishWords: Record<WishName, string> = {
  ...criterionWords,
  climb: 'Climb',
  price: 'Price of a usable piece',
  usable: 'Usable of a bag',
  life: 'Hours that a piece serves',
};

/** The same, short, for the head of a column. */
export const wishHeads: Record<WishName, string> = {
  minutes: 'Air time',
  thrust: 'Thrust',
  answer: 'Answer',
  quiet: 'Sound',
  speed: 'Speed',
  cool: 'Motor',
  gentle: 'Start',
  tough: 'Strikes',
  climb: 'Climb',
  price: 'Price',
  usable: 'Yield',
  life: 'Life',
};

/** What more and less of a figure is. */
export const wishTold: Record<WishName, { more: string; less: string }> = {
  minutes: { more: 'more air time', less: 'less air time' },
  thrust: { more: 'more thrust', less: 'less thrust' },
  answer: { more: 'slower to answer', less: 'quicker to answer' },
  quiet: { more: 'louder', less: 'quieter' },
  speed: { more: 'faster', less: 'slower' },
  cool: { more: 'hotter motor', less: 'cooler motor' },
  gentle: { more: 'stronger kick at low throttle', less: 'gentler at low throttle' },
  tough: { more: 'better chance of surviving a strike', less: 'worse chance of surviving a strike' },
  climb: { more: 'faster climb', less: 'slower climb' },
  price: { more: 'dearer', less: 'cheaper' },
  usable: { more: 'more of a bag usable', less: 'less of a bag usable' },
  life: { more: 'serves longer', less: 'serves shorter' },
};

export const sourceNames: Record<EvidenceSource, string> = {
  stand: 'by the stand',
  air: 'by flights',
  ear: 'by ear',
  model: 'predicted',
  rack: 'by the rack',
};

export const testWayWords: Record<TestWayName, string> = {
  standRun: 'a run on the stand',
  bursts: 'bursts on the stand',
  flight: 'a flight card',
  take: 'a take by ear',
};

/** What is felt and heard of a prop. */
export const opinionNames: Record<(typeof opinionTopics)[number], string> = {
  planted: 'planted',
  twitchy: 'twitchy',
  soft: 'soft',
  grip: 'grip',
  snap: 'snap',
  smoothness: 'smoothness',
  sound: 'sound',
  worryingSound: 'worrying sound',
  looks: 'looks',
};

/** Sayings of the trade, in our words. */
export const sayingWords: Record<SayingName, string> = {
  bladesPull: 'Another blade pulls more.',
  bladesCostMinutes: 'Another blade costs minutes.',
  bladesAreQuiet: 'More blades are quieter.',
  largerFliesLonger: 'The larger prop stays up longer.',
  largerAnswersLate: 'The larger prop answers late.',
  pitchIsSpeed: 'Pitch is speed.',
  pitchHeatsMotors: 'Pitch cooks motors.',
  pitchPulls: 'More pitch pulls more, standing still.',
  squareTipsPull: 'Square tips pull more.',
  squareTipsAreLoud: 'Square tips are loud.',
  softSurvives: 'Soft blades survive what breaks stiff ones.',
  lowKvFliesLonger: 'Fewer turns a volt stay up longer.',
};

export const sayingStatusWords: Record<SayingAnswer['status'], string> = {
  holds: 'holds here',
  fails: 'does not hold here',
  same: 'makes no difference here',
  mixed: 'readings here go both ways',
  untold: 'cannot be told here',
};
