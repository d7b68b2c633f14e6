import { useListenQuery } from '../shared/api/listenApi.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';

/** The listening that the address names, or the newest. */
export function useOpenListening(craftId: string, thrustN: number | null = null) {
  const [listeningId, open] = useAddressParam('listening');
  return { query: useListenQuery({ craftId, listeningId, thrustN }), listeningId, open };
}
