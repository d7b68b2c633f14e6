import { IconRotate360 } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const fit: Feature = {
  station: { name: 'Fit', path: '/fit', letter: 'i', icon: IconRotate360, stop: 'fit' },
  routes: [
    { path: 'fit', lazy: () => import('./FitPage.tsx') },
    { path: 'fit/sketch', lazy: () => import('./SketchPage.tsx') },
    { path: 'fit/card', lazy: () => import('./FitCardPage.tsx') },
  ],
  pages: [
    { title: 'Fit', path: '/fit' },
    { title: 'It tips over: sketch its arms', path: '/fit/sketch' },
    { title: 'Card of the arrangement', path: '/fit/card' },
  ],
};
