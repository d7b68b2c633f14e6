import { usePeopleQuery } from '../api/workshopApi.ts';

/** Names of people by their ids; nothing for nobody, and for whom is not known. */
export function usePersonName(): (personId: string | null) => string | null {
  const { data: people } = usePeopleQuery();
  return (personId) => people?.items.find((p) => p.id === personId)?.name ?? null;
}
