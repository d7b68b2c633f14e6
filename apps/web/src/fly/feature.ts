import { IconPlaneDeparture } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const fly: Feature = {
  station: { name: 'Fly', path: '/fly', letter: 'f', icon: IconPlaneDeparture, stop: 'fly' },
  routes: [
    { path: 'fly', lazy: () => import('./FlyPage.tsx') },
    { path: 'fly/new', lazy: () => import('./CardPage.tsx') },
    { path: 'fly/log', lazy: () => import('./LogPage.tsx') },
    { path: 'fly/protocol', lazy: () => import('./ProtocolPage.tsx') },
  ],
  pages: [
    { title: 'Fly', path: '/fly' },
    { title: 'New flight card', path: '/fly/new' },
    { title: 'Read a flight log', path: '/fly/log' },
    { title: 'How climbs are flown', path: '/fly/protocol' },
  ],
};
