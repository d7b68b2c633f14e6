import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/balance', name: 'Trays' },
  { path: '/balance/slots', name: 'Slots' },
  { path: '/balance/aids', name: 'To print' },
] as const;

/** What the balancing bench offers. */
export const BalanceTabs = () => <StationTabs label="The balancing bench" tabs={TABS} />;
