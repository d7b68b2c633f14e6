import type { CraftDto } from '@zivvo/contract';
import { FieldError } from '../common/featureError.ts';

/** Refuses a craft that cannot be laid out yet, or whose discs cannot clear each other at the clearance it states. */
export function requireBuildable(dto: CraftDto): void {
  if (dto.kind === 'plane') throw new FieldError('kind', 'isIn', 'kind must be multirotor: planes are not laid out yet', dto.kind, { allowed: 'multirotor' });
  const most = dto.diagonalM / Math.SQRT2;
  if (dto.clearanceDiameterM !== null && dto.clearanceDiameterM !== undefined && dto.clearanceDiameterM > most) {
    throw new FieldError('clearanceDiameterM', 'discsMeet', 'clearanceDiameterM must not exceed the distance between neighbouring motors', String(dto.clearanceDiameterM), { min: 0.02, max: Math.round(most * 1e4) / 1e4 });
  }
}
