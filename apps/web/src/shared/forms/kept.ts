import { v7 } from 'uuid';
import { useCallback, useEffect, useRef, useState, type Dispatch, type SetStateAction } from 'react';

const nameOf = (key: string): string => `zivvo.kept.${key}`;
/** More than a form can hold is not kept. */
const MOST_CHARACTERS = 200_000;

/** What was typed and not yet handed over, as this browser kept it; null where nothing was, or it cannot be read. */
export function readKept<T>(key: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(nameOf(key)) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

/** Keeps what is typed, or lets go of it. A browser without storage forgets; the page itself still holds it. */
export function writeKept(key: string, value: unknown): void {
  try {
    const text = value === null ? null : JSON.stringify(value);
    if (text === null || text.length > MOST_CHARACTERS) localStorage.removeItem(nameOf(key));
    else localStorage.setItem(nameOf(key), text);
  } catch {
    // Private windows may refuse.
  }
}

/** Forms whose fields keep their text, by what they hand to their fields. */
const keptForms = new WeakMap<object, string>();

/** Says under which key the fields of a form keep what cannot be read as a value. */
export function nameKeptForm(control: object, key: string): void {
  keptForms.set(control, key);
}

const textNameOf = (key: string, field: string): string => `${key}#${field}`;

/** Text of a field that is no value yet, as it was typed; null where there is none. */
export function readKeptText(control: object, field: string): string | null {
  const key = keptForms.get(control);
  return key === undefined ? null : readKept<string>(textNameOf(key, field));
}

/** Keeps a text that cannot be read; null once it can. */
export function writeKeptText(control: object, field: string, text: string | null): void {
  const key = keptForms.get(control);
  if (key !== undefined) writeKept(textNameOf(key, field), text);
}

/** What was typed is handed over: no text of the form is kept any more. */
export function forgetKeptTexts(key: string): void {
  try {
    for (const name of Object.keys(localStorage)) if (name.startsWith(`${nameOf(key)}#`)) localStorage.removeItem(name);
  } catch {
    // Nothing was kept there.
  }
}

const idNameOf = (key: string): string => `zivvo.id.${key}`;

/**
 * The id of what a tab is making: the same after a reload, so that a trial whose answer got lost is not made twice, and
 * another one in every tab, so that two entries are never taken for one.
 */
export function madeIdOf(key: string): string {
  try {
    const id = sessionStorage.getItem(idNameOf(key)) ?? v7();
    sessionStorage.setItem(idNameOf(key), id);
    return id;
  } catch {
    return v7();
  }
}

/** The thing is made: the next one gets an id of its own. */
export function forgetMadeId(key: string): void {
  try {
    sessionStorage.removeItem(idNameOf(key));
  } catch {
    // Nothing was kept there either.
  }
}

/**
 * State that is still there after a reload, after leaving, after a kill: until it is handed over.
 *
 * @param key - of the thing that is typed, one for each subject
 * @returns the state, its setter, and what to call once it was handed over
 */
export function useKept<T>(
  key: string,
  initial: () => T,
): [state: T, set: Dispatch<SetStateAction<T>>, handedOver: () => void] {
  const [state, setState] = useState<T>(() => readKept<T>(key) ?? initial());
  const fresh = useRef(initial);
  const isFirst = useRef(true);
  useEffect(() => {
    fresh.current = initial;
  });
  useEffect(() => {
    // What nobody has changed is not worth keeping.
    if (!isFirst.current) writeKept(key, JSON.stringify(state) === JSON.stringify(fresh.current()) ? null : state);
    isFirst.current = false;
  }, [key, state]);
  const handedOver = useCallback(() => {
    writeKept(key, null);
    setState(fresh.current());
  }, [key]);
  return [state, setState, handedOver];
}
