import { personChosen } from './settingsSlice.ts';
import { useAppDispatch, useAppSelector } from './store.ts';

/** Who works on this browser, and saying so. */
export function usePerson(): { personId: string | null; choose: (personId: string) => void } {
  const dispatch = useAppDispatch();
  const personId = useAppSelector((s) => s.settings.personId);
  return { personId, choose: (id) => void dispatch(personChosen(id)) };
}
