import { craftLimits, type CraftDto } from '@zivvo/contract';
import { CoreError, GEAR_TURNS, layOut, LEAST_KITTED_KG, neighbourDistanceM, needsDiagonal } from '@zivvo/core';
import { FieldError } from '../common/featureError.ts';

/**
 * Refuses a craft whose rotors cannot be laid out, of which a kit leaves nothing, or whose discs cannot clear each
 * other at the clearance it states.
 */
export function requireBuildable(dto: CraftDto): void {
  const { layout, diagonalM, arms, clearanceDiameterM, gearRatio, spinTable, ownSpins } = dto;
  if (needsDiagonal(layout) && (diagonalM ?? null) === null)
    throw new FieldError('diagonalM', 'isDefined', `diagonalM is needed for ${layout}`, null, { min: 0.04, max: 3 });
  if (gearRatio !== null && gearRatio !== undefined && Math.abs(gearRatio) < GEAR_TURNS.min)
    throw new FieldError(
      'gearRatio',
      'gear',
      `gearRatio must be ${GEAR_TURNS.min} to ${GEAR_TURNS.max}, or as much below zero`,
      String(gearRatio),
      GEAR_TURNS,
    );
  (dto.kits ?? []).forEach(({ addedMassKg }, i) => {
    const least = LEAST_KITTED_KG - dto.massKg;
    if (addedMassKg < least)
      throw new FieldError(
        `kits.${i}.addedMassKg`,
        'leavesNothing',
        `addedMassKg must leave something of the craft: ${least} at least`,
        String(addedMassKg),
        { min: least, max: craftLimits.addedMassKg.max },
      );
  });
  const rotors = rotorsOf(dto, arms ?? null);
  if (spinTable === 'own' && ownSpins?.length !== rotors.length)
    throw new FieldError(
      'ownSpins',
      'layout',
      `ownSpins must name one spin for each of the ${rotors.length} rotors`,
      null,
      { min: rotors.length, max: rotors.length },
    );
  const most = neighbourDistanceM(rotors);
  if (most !== null && clearanceDiameterM !== null && clearanceDiameterM !== undefined && clearanceDiameterM > most) {
    throw new FieldError(
      'clearanceDiameterM',
      'discsMeet',
      'clearanceDiameterM must not exceed the distance between neighbouring motors',
      String(clearanceDiameterM),
      { min: 0.02, max: Math.round(most * 1e4) / 1e4 },
    );
  }
}

function rotorsOf({ layout, diagonalM }: CraftDto, arms: CraftDto['arms']) {
  try {
    return layOut({ layout, diagonalM, arms });
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    throw new FieldError(
      'arms',
      'layout',
      'arms must be 2 to 12 that can be told apart, at most two at one place',
      null,
      { min: 2, max: 12 },
    );
  }
}
