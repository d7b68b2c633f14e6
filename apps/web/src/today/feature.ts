import { IconSun } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const today: Feature = {
  station: { name: 'Today', path: '/today', letter: 't', icon: IconSun, stop: null },
  routes: [{ path: 'today', lazy: () => import('./TodayPage.tsx') }],
  pages: [{ title: 'Today', path: '/today' }],
};
