import type { PropModelDto } from '@zivvo/contract';
import type { PropLabelReading } from '@zivvo/core';

type ModelForm = { [K in keyof PropModelDto]: PropModelDto[K] };

/** A prop model of which nothing was said yet. */
export const blankModel = {
  label: '',
  makerName: null,
  diameterM: null,
  pitchM: null,
  bladeCount: null,
  tipShape: 'standard',
  planform: null,
  chord75M: null,
  angle75Rad: null,
  material: 'unknown',
  labelHand: null,
  measuredDiameterM: null,
  measuredMassKg: null,
  speedLimitRpm: null,
  boreDiameterM: null,
  mountKind: null,
  hubThicknessM: null,
  cwLetters: null,
  ccwLetters: null,
  cutFromModelId: null,
  bagPrice: null,
  bagCount: null,
  colour: null,
  note: null,
} as unknown as ModelForm;

/** What a reading of its label says of a model; nothing of a label that cannot be read. */
export function readingEntries(
  reading: PropLabelReading | null,
): Pick<ModelForm, 'diameterM' | 'pitchM' | 'bladeCount' | 'tipShape' | 'labelHand' | 'planform'> {
  return {
    diameterM: reading?.diameterM as number,
    pitchM: reading?.pitchM as number,
    bladeCount: reading?.bladeCount as number,
    tipShape: reading?.tipShape ?? 'standard',
    labelHand: reading?.hand ?? null,
    planform: reading?.planform ?? null,
  };
}
