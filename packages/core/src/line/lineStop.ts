import type { ReasonCode } from '../figure/reason.ts';

/** Stations that the line runs through, in the order of the work. */
export const lineStations = ['pick', 'balance', 'fit', 'stand', 'fly', 'listen', 'judge'] as const;
export type LineStation = (typeof lineStations)[number];

/** Empty: nothing yet. Half: partial or stale. Full: measured and in date. Notched: something is wrong. */
export type StopState = 'empty' | 'half' | 'full' | 'notched';

/** Where the work on a craft stands at one station, from dated facts alone. */
export interface LineStop {
  station: LineStation;
  state: StopState;
  /** Code of the sentence that says why. */
  code: ReasonCode;
  values: Readonly<Record<string, number>>;
}

/** A stop of one station. */
export function stopAt(station: LineStation) {
  return (state: StopState, code: ReasonCode, values: LineStop['values'] = {}): LineStop => ({
    station,
    state,
    code,
    values,
  });
}
