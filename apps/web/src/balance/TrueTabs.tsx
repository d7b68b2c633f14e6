import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/true', name: 'Trays' },
  { path: '/true/slots', name: 'Slots' },
  { path: '/true/aids', name: 'To print' },
] as const;

/** What the balancing bench offers. */
export const TrueTabs = () => <StationTabs label="The balancing bench" tabs={TABS} />;
