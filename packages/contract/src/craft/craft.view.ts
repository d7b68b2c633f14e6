import type { ListView } from '../shared/listView.ts';
import type { CraftKind, LineStop, Rotor } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CraftDto, CraftUseDto, KitDto, WeightsDto } from './craft.dto.ts';

export interface CraftView extends RowView, Required<Omit<CraftDto, 'kits'>> {
  kits: KitDto[];
  kind: CraftKind;
  rotors: Rotor[];
  /** What it is flown for; null until somebody chose. */
  use: CraftUseDto['use'] | null;
  /** Weights where the use's own were changed. */
  weights: WeightsDto | null;
  /** Thrust that one rotor gives in hover. */
  carryThrustN: number;
}

export type CraftListView = ListView<CraftView>;

/** Where the work on every craft of the shelf stands. */
export interface CraftLinesView {
  items: { craftId: string; stops: LineStop[] }[];
}
