import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { rootReducer } from '../shared/store/store.ts';

declare module '../shared/store/store.ts' {
  interface FeatureSlices {
    marks: string[];
  }
}

/** Most props that are compared side by side. */
const MOST_MARKED = 5;

/** Props marked for comparison, by id. */
export const markSlice = createSlice({
  name: 'marks',
  initialState: [] as string[],
  reducers: {
    propMarkToggled: (state, { payload }: PayloadAction<string>) =>
      state.includes(payload) ? state.filter((id) => id !== payload) : [...state, payload].slice(-MOST_MARKED),
    marksCleared: () => [],
  },
});

export const { propMarkToggled, marksCleared } = markSlice.actions;

const injected = rootReducer.inject(markSlice);

/** Props marked for comparison, by id. */
export const selectMarks = injected.selector(({ marks }) => marks);
