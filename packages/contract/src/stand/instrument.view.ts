import type { CheckedQuantity, InstrumentState } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { CreateInstrumentCheckDto } from './instrument.dto.ts';

export interface InstrumentCheckView extends RowView, Omit<CreateInstrumentCheckDto, 'id'> {
  /** What readings are multiplied by. */
  factor: number;
  /** How far the pairs' own factors lie apart, relative. */
  apartRatio: number;
}

/** The instruments of the stand, each with its last check, and every check that was made. */
export interface InstrumentsView {
  standings: {
    quantity: CheckedQuantity;
    state: InstrumentState;
    /** Whole days since the last check; null without one. */
    ageDays: number | null;
    /** How long a check of it is trusted. */
    staleAfterDays: number;
    checkId: string | null;
  }[];
  /** The latest first. */
  checks: InstrumentCheckView[];
}
