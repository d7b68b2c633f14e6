import type { Working, WorkingInput, WorkingLine } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { LevelAtThrust, RankedSound } from './rankSounds.ts';

/** The working of a level against the reference, by its name. */
export const SOUND_FIGURE = 'differenceDb';

/**
 * Shows how the level of a prop at the wanted thrust, and its difference to the reference, follow from the takes: each
 * is brought to that thrust along the line of its prop, whose slope all takes gave together.
 *
 *   L = mean(Lᵢ − s·log10(Tᵢ/T)), d = L − L_ref
 *
 * @param takes - those that count, of all props
 * @param reference - null where the level itself is asked for
 */
export function explainSound(
  takes: readonly LevelAtThrust[],
  thrustN: number,
  sound: RankedSound,
  reference: RankedSound | null,
): Working {
  const inputs: WorkingInput[] = [workingInput('T', 'comparedThrustN', thrustN, 'force')];
  const levelLine = (letter: string, { soundKey, slopeDb, levelDb }: RankedSound): WorkingLine => {
    inputs.push(workingInput(`s${letter}`, `slope.${letter}`, slopeDb, 'number', 'estimated'));
    const terms = takes
      .filter((take) => take.soundKey === soundKey)
      .map((take, i) => {
        inputs.push(
          workingInput(`${letter}${i + 1}`, `take.${letter}.${i + 1}`, take.levelDb),
          workingInput(`T${letter}${i + 1}`, `takeThrust.${letter}.${i + 1}`, take.thrustN, 'force', 'estimated'),
        );
        return `${letter}${i + 1} - s${letter} * ln(T${letter}${i + 1} / T) / ln(10)`;
      });
    return workingLine(`L${letter}`, `(${terms.join(' + ')}) / ${terms.length}`, levelDb);
  };
  const lines = [levelLine('x', sound)];
  const isDifference = reference !== null && sound.differenceDb !== null;
  if (isDifference) {
    lines.push(levelLine('r', reference));
    lines.push(workingLine('d', 'Lx - Lr', sound.differenceDb!));
  }
  return workingOf({
    key: SOUND_FIGURE,
    title: isDifference ? 'sound.differenceDb' : 'sound.levelDb',
    inputs,
    lines,
    mark: sound.isExtended ? 'extended' : 'measured',
    uncertainty: isDifference ? sound.differenceHalfWidthDb : sound.halfWidthDb,
    source: 'soundLines',
  });
}
