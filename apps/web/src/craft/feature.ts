import { IconDrone } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const craft: Feature = {
  station: { name: 'Crafts', path: '/crafts', letter: 'c', icon: IconDrone, stop: null },
  routes: [
    { path: 'crafts', lazy: () => import('./CraftsPage.tsx') },
    { path: 'crafts/new', lazy: () => import('./CraftFormPage.tsx') },
    { path: 'crafts/:craftId', lazy: () => import('./CraftPage.tsx') },
    { path: 'crafts/:craftId/edit', lazy: () => import('./CraftFormPage.tsx') },
  ],
  pages: [
    { title: 'Crafts', path: '/crafts' },
    { title: 'New craft', path: '/crafts/new' },
  ],
};
