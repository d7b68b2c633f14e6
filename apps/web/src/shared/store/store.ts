import { combineSlices, configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from '../api/api.ts';
import { rememberSettings, settingsSlice } from './settingsSlice.ts';

/**
 * What features keep in the browser alone. Each adds its slice beside it:
 *
 *     declare module '../shared/store/store.ts' {
 *       interface FeatureSlices { marks: string[] }
 *     }
 *     rootReducer.inject(markSlice);
 */
export interface FeatureSlices {}

export const rootReducer = combineSlices(api, settingsSlice).withLazyLoadedSlices<FeatureSlices>();

export const store = configureStore({
  reducer: rootReducer,
  middleware: (defaults) => defaults().concat(api.middleware),
});

let lastSettings = store.getState().settings;
store.subscribe(() => {
  const { settings } = store.getState();
  if (settings !== lastSettings) rememberSettings((lastSettings = settings));
});

export type RootState = ReturnType<typeof rootReducer>;
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
