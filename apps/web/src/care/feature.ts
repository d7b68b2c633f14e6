import { IconHeartbeat } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const care: Feature = {
  station: { name: 'Care', path: '/care', letter: 'a', icon: IconHeartbeat, stop: null },
  routes: [
    { path: 'care', lazy: () => import('./CarePage.tsx') },
    { path: 'care/walk', lazy: () => import('./WalkPage.tsx') },
    { path: 'care/symptoms', lazy: () => import('./SymptomsPage.tsx') },
    { path: 'care/gains', lazy: () => import('./GainsPage.tsx') },
    { path: 'care/tickets', lazy: () => import('./TicketsPage.tsx') },
    { path: 'care/log', lazy: () => import('./LogPage.tsx') },
    { path: 'care/practice', lazy: () => import('./PracticePage.tsx') },
  ],
  pages: [
    { title: 'Care', path: '/care' },
    { title: 'Walk round', path: '/care/walk' },
    { title: 'Something shakes: symptoms', path: '/care/symptoms' },
    { title: 'Gains after a swap', path: '/care/gains' },
    { title: 'Tickets', path: '/care/tickets' },
    { title: 'Log', path: '/care/log' },
    { title: 'Practice', path: '/care/practice' },
  ],
};
