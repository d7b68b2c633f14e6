import type { Dimension, Reason } from '@zivvo/core';
import {
  defaultUnits,
  formatQuantity,
  reasonSentence,
  unitFor,
  type ShownQuantity,
  type UnitChoices,
} from '@zivvo/words';
import { createContext, useContext, useMemo } from 'react';
import { useSelector } from 'react-redux';

export interface Format {
  choices: UnitChoices;
  quantity: (valueSi: number, dimension: Dimension, digits?: number) => ShownQuantity;
  /** The same, or a dash where nothing is known. */
  quantityOrDash: (valueSi: number | null | undefined, dimension: Dimension) => string;
  /** Stators are spoken of in millimetres, whatever the reader's lengths. */
  millimetres: (valueM: number) => string;
  unit: (dimension: Dimension) => string;
  sentence: (reason: Pick<Reason, 'code' | 'values'>) => string;
}

/** Units for what is always measured in millimetres. */
export const MILLIMETRES: UnitChoices = { ...defaultUnits, length: 'mm' };

/** Whether lengths are written in millimetres whatever the reader's choice: around a craft that is spoken of so. */
export const InMillimetres = createContext(false);

/** Everything a page needs to write numbers in the reader's units. */
export function useFormat(): Format {
  const chosen = useSelector((state: { settings: { units: UnitChoices } }) => state.settings.units);
  const isTiny = useContext(InMillimetres);
  const choices = useMemo((): UnitChoices => (isTiny ? { ...chosen, length: 'mm' } : chosen), [chosen, isTiny]);
  return useMemo(
    () => ({
      choices,
      quantity: (valueSi, dimension, digits) => formatQuantity(valueSi, dimension, choices, digits),
      quantityOrDash: (valueSi, dimension) =>
        valueSi === null || valueSi === undefined ? '–' : formatQuantity(valueSi, dimension, choices).text,
      millimetres: (valueM) => formatQuantity(valueM, 'length', MILLIMETRES).text,
      unit: (dimension) => unitFor(dimension, choices).symbol,
      sentence: (reason) => reasonSentence(reason, choices),
    }),
    [choices],
  );
}

// Made when they are first used: their language's data takes 25 ms to load, which the first page should not wait for.
const dateFormat = once(() => new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }));
const timeFormat = once(
  () => new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit' }),
);

function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}

/** A stored moment as a day: 24 Nov 2026. */
export function formatDay(iso: string): string {
  return dateFormat().format(new Date(iso));
}

/** A stored moment as a time of day. */
export function formatTime(iso: string): string {
  return timeFormat().format(new Date(iso));
}
