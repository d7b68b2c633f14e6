import type { CareOutcome, CarePlace, CarePolicy, Drill, DrillKind, FindingKind, RotorPlace } from '@zivvo/core';
import {
  careOutcomeNames,
  carePlaceNames,
  carePolicyNames,
  findingNames,
  formatQuantity,
  materialNames,
  towardName,
  type UnitChoices,
  upperFirst,
} from '@zivvo/words';

type Values = Drill['values'];

/** The question of a drill. */
export function questionOf({ kind, values }: Pick<Drill, 'kind' | 'values'>): string {
  switch (kind) {
    case 'label':
      return `On the hub stands ${String(values.label)}. What is it?`;
    case 'hand':
      return 'Which hand is this piece?';
    case 'arm':
      return values.faultCount === 1
        ? 'One piece is wrong. Where will it tip?'
        : 'Two pieces are swapped. Where will it tip?';
    case 'finding':
      return (
        `${upperFirst(findingNames[values.what as FindingKind])} at the ` +
        `${carePlaceNames[values.place as CarePlace]}: what becomes of it?`
      );
    case 'tape':
      return `The heavy side settles at ${String(values.heavyDegrees)}°. Where does the tape go?`;
  }
}

/** What else must be known for the answer; nothing where the picture says it all. */
export function givenOf({ kind, values }: Pick<Drill, 'kind' | 'values'>): string | null {
  if (kind === 'finding')
    return (
      `${upperFirst(materialNames[String(values.material)]!)}, policy: ` +
      `${carePolicyNames[values.policy as CarePolicy]}`
    );
  if (kind === 'hand')
    return values.hollow === 'away'
      ? 'The label faces you; the hollow side looks away.'
      : 'The back faces you: the hollow side looks at you.';
  if (kind === 'tape') return `${String(values.bladeCount)} blades, blade 1 at 0°, counted clockwise.`;
  return null;
}

/** An answer in words. */
export function optionWords(kind: DrillKind, option: Values, choices: UnitChoices): string {
  switch (kind) {
    case 'label': {
      const size = [option.diameterM, option.pitchM]
        .map((v) => formatQuantity(Number(v), 'length', choices).text)
        .join(' across, pitch ');
      return option.bladeCount === 0 ? `${size}, blades not told` : `${size}, ${String(option.bladeCount)} blades`;
    }
    case 'hand':
      return option.hand === 'cw' ? 'CW, clockwise' : 'CCW, counter-clockwise';
    case 'arm':
      return `Toward ${towardName(option.toward as RotorPlace)}`;
    case 'finding':
      return upperFirst(careOutcomeNames[option.outcome as CareOutcome]);
    case 'tape': {
      const blades = String(option.blades).split('+');
      return blades.length === 1 ? `On blade ${blades[0]}` : `Shared on blades ${blades.join(' and ')}`;
    }
  }
}
