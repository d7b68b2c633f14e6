import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/listen', name: 'Side by side' },
  { path: '/listen/new', name: 'Take' },
  { path: '/listen/blind', name: 'Unseen' },
  { path: '/listen/speed', name: 'Speed' },
] as const;

/** What belongs to listening. */
export const ListenTabs = () => <StationTabs label="Listen" tabs={TABS} />;
