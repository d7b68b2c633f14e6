import { IconEar } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const listen: Feature = {
  station: { name: 'Listen', path: '/listen', letter: 'l', icon: IconEar, stop: 'listen' },
  routes: [
    { path: 'listen', lazy: () => import('./ListenPage.tsx') },
    { path: 'listen/new', lazy: () => import('./TakePage.tsx') },
    { path: 'listen/place', lazy: () => import('./PlacePage.tsx') },
    { path: 'listen/blind', lazy: () => import('./BlindPage.tsx') },
    { path: 'listen/speed', lazy: () => import('./SpeedPage.tsx') },
  ],
  pages: [
    { title: 'Listen', path: '/listen' },
    { title: 'Take a sound', path: '/listen/new' },
    { title: 'Listen unseen', path: '/listen/blind' },
    { title: 'Speed by ear', path: '/listen/speed' },
  ],
};
