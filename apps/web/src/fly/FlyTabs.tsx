import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/fly', name: 'Side by side' },
  { path: '/fly/new', name: 'Card' },
  { path: '/fly/log', name: 'Log' },
  { path: '/fly/protocol', name: 'Protocol' },
] as const;

/** What belongs to flying by protocol. */
export const FlyTabs = () => <StationTabs label="Fly" tabs={TABS} />;
