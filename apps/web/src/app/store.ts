import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { rememberSettings, settingsSlice } from '../settings/settingsSlice.ts';
import { api } from '../shared/api/api.ts';
import { markSlice } from '../stand/markSlice.ts';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, settings: settingsSlice.reducer, marks: markSlice.reducer },
  middleware: (defaults) => defaults().concat(api.middleware),
});

let lastSettings = store.getState().settings;
store.subscribe(() => {
  const { settings } = store.getState();
  if (settings !== lastSettings) rememberSettings((lastSettings = settings));
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
