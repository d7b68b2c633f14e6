import type { Working } from '@zivvo/core';
import { figureNames, pointNames, quantityNames } from './names.ts';

/** Title of a working: which figure, where on the curve. */
export function workingTitle(working: Pick<Working, 'title'>): string {
  const [point = '', figure = ''] = working.title.split('.');
  const name = figureNames[figure as keyof typeof figureNames] ?? figure;
  return point === 'standard' ? `${name} at full throttle, in standard air` : `${name} at ${pointNames[point as keyof typeof pointNames] ?? point}`;
}

/** What an input of a working is. */
export function inputName(what: string): string {
  if (what === 'massKg') return 'take-off mass';
  if (what === 'rotorCount') return 'rotors that carry';
  if (what === 'throttleRatio') return 'throttle looked at';
  if (what === 'airDensity') return 'air density of that evening';
  const [, ordinal = '', quantity = ''] = /^run\.(\d+)\.(\w+)$/.exec(what) ?? [];
  return ordinal === '' ? what : `${(quantityNames[quantity as keyof typeof quantityNames] ?? quantity).toLowerCase()} read in run ${ordinal}`;
}

/** Where the law behind a working comes from. */
export function sourceSentence(source: string): string {
  const sentences: Record<string, string> = {
    standReading: 'Read off the measured curve: between two throttle points a local power law, then the mean over the runs.',
    hoverBalance: 'Hover: each rotor carries its share of the weight. Read off the measured curve at that thrust by a local power law.',
    similarity: 'Similarity of rotors: at the same speed thrust is proportional to air density; standard air is 1.225 kg/m³.',
  };
  return sentences[source] ?? source;
}
