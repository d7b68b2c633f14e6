import { IconGauge } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const stand: Feature = {
  station: { name: 'Stand', path: '/stand', letter: 's', icon: IconGauge, stop: 'stand' },
  routes: [
    { path: 'stand', lazy: () => import('./StandPage.tsx') },
    { path: 'stand/first', lazy: () => import('./FirstRunPage.tsx') },
    { path: 'stand/instruments', lazy: () => import('./instruments/InstrumentsPage.tsx') },
    { path: 'stand/new', lazy: () => import('./CampaignFormPage.tsx') },
    { path: 'stand/runs/:runId', lazy: () => import('./RunPage.tsx') },
    { path: 'stand/runs/:runId/readings', lazy: () => import('./readings/ReadingsPage.tsx') },
    { path: 'stand/live/:runId', lazy: () => import('./live/LiveRunPage.tsx') },
    { path: 'stand/:campaignId', lazy: () => import('./ResultsPage.tsx') },
    { path: 'stand/:campaignId/edit', lazy: () => import('./CampaignFormPage.tsx') },
    { path: 'stand/:campaignId/plan', lazy: () => import('./evening/PlanPage.tsx') },
    { path: 'stand/:campaignId/evening', lazy: () => import('./evening/EveningPage.tsx') },
    { path: 'stand/:campaignId/type', lazy: () => import('./StartRunPage.tsx') },
    { path: 'stand/:campaignId/import', lazy: () => import('./ImportPage.tsx') },
  ],
  pages: [
    { title: 'Stand', path: '/stand' },
    { title: 'New stand evening', path: '/stand/new' },
    { title: 'Instruments of the stand', path: '/stand/instruments' },
    { title: 'I measured something', path: '/stand/first' },
  ],
};
