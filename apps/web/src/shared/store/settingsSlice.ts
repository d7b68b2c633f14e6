import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { defaultUnits, type UnitChoices } from '@zivvo/words';

/** What this browser remembers about the reader. */
export interface Settings {
  units: UnitChoices;
  personId: string | null;
  /** Single letters as keys; some hands and screen readers want them off. */
  areLetterKeysOn: boolean;
}

const STORE_KEY = 'zivvo.settings';

function remembered(): Settings {
  const fresh: Settings = { units: defaultUnits, personId: null, areLetterKeysOn: true };
  try {
    const stored = JSON.parse(localStorage.getItem(STORE_KEY) ?? '{}') as Partial<Settings>;
    return { ...fresh, ...stored, units: { ...fresh.units, ...stored.units } };
  } catch {
    return fresh;
  }
}

/** Writes the settings where the next visit finds them; a browser that forbids it simply forgets. */
export function rememberSettings(settings: Settings): void {
  try {
    localStorage.setItem(STORE_KEY, JSON.stringify(settings));
  } catch {
    // Private windows may refuse; the settings then last as long as the page.
  }
}

export const settingsSlice = createSlice({
  name: 'settings',
  initialState: remembered,
  reducers: {
    unitsChosen: (state, { payload }: PayloadAction<Partial<UnitChoices>>) => {
      Object.assign(state.units, payload);
    },
    personChosen: (state, { payload }: PayloadAction<string | null>) => {
      state.personId = payload;
    },
    letterKeysSwitched: (state, { payload }: PayloadAction<boolean>) => {
      state.areLetterKeysOn = payload;
    },
  },
});

export const { unitsChosen, personChosen, letterKeysSwitched } = settingsSlice.actions;
