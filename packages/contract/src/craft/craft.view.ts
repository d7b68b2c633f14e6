import type { LineStop, Rotor } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CraftDto } from './craft.dto.ts';

export interface CraftView extends RowView, Omit<CraftDto, never> {
  rotors: Rotor[];
  /** Thrust that one rotor gives in hover. */
  hoverThrustN: number;
}

export interface CraftListView {
  items: (CraftView & { line: LineStop[] })[];
  total: number;
}
