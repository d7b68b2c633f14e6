import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/listen', name: 'Side by side' },
  { path: '/listen/new', name: 'Take' },
  { path: '/listen/blind', name: 'Unseen' },
  { path: '/listen/speed', name: 'Speed' },
] as const;

/** What belongs to listening; the listening that is open goes along. */
export function ListenTabs() {
  const [listeningId] = useAddressParam('listening');
  const toPage = (address: string): string =>
    listeningId === null ? address : `${address}${address.includes('?') ? '&' : '?'}listening=${listeningId}`;
  return <StationTabs label="Listen" tabs={TABS} toPage={toPage} />;
}
