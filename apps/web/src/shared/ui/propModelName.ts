import type { PropModelView } from '@zivvo/contract';
import { writeLabel } from '@zivvo/words';

/** Maker and label, with the multiplication sign of a drawing. */
export function propModelName(model: Pick<PropModelView, 'label' | 'makerName'>): string {
  const label = writeLabel(model.label);
  return model.makerName === null ? label : `${model.makerName} ${label}`;
}
