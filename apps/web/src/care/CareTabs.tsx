import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/care', name: 'Due' },
  { path: '/care/walk', name: 'Walk round' },
  { path: '/care/symptoms', name: 'Symptoms' },
  { path: '/care/gains', name: 'Gains' },
  { path: '/care/tickets', name: 'Tickets' },
  { path: '/care/log', name: 'Log' },
  { path: '/care/practice', name: 'Practice' },
] as const;

/** What belongs to keeping a craft fit to fly. */
export const CareTabs = () => <StationTabs label="Care" tabs={TABS} />;
