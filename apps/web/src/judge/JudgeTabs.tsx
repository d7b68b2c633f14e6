import { StationTabs } from '../shared/ui/StationTabs.tsx';

const TABS = [
  { path: '/judge', name: 'Verdict' },
  { path: '/judge/sayings', name: 'Sayings' },
] as const;

/** What belongs to judging. */
export const JudgeTabs = () => <StationTabs label="Judge" tabs={TABS} />;
