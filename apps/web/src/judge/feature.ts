import { IconGavel } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const judge: Feature = {
  station: { name: 'Judge', path: '/judge', letter: 'j', icon: IconGavel, stop: 'judge' },
  routes: [
    { path: 'judge', lazy: () => import('./JudgePage.tsx') },
    { path: 'judge/sayings', lazy: () => import('./SayingsPage.tsx') },
    { path: 'judge/:verdictId', lazy: () => import('./VerdictPage.tsx') },
  ],
  pages: [
    { title: 'Judge', path: '/judge' },
    { title: 'Sayings of the trade', path: '/judge/sayings' },
  ],
};
