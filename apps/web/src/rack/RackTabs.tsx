import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/rack', name: 'Models' },
  { path: '/rack/pieces', name: 'Pieces' },
  { path: '/rack/deliveries', name: 'Deliveries' },
  { path: '/rack/sets', name: 'Sets' },
  { path: '/rack/yield', name: 'Yield' },
  { path: '/rack/parts', name: 'Parts' },
] as const;

/** What hangs on the rack, by kind. */
export const RackTabs = () => <StationTabs label="The rack" tabs={TABS} />;
