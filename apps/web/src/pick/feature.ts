import { IconCompass } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';
import { startPick } from './startPick.ts';

export const pick: Feature = {
  station: { name: 'Pick', path: '/pick', letter: 'p', icon: IconCompass, stop: 'pick' },
  routes: [
    {
      path: 'pick',
      loader: ({ request }) => {
        void startPick(new URL(request.url));
        return null;
      },
      shouldRevalidate: () => false,
      lazy: () => import('./PickPage.tsx'),
    },
    { path: 'pick/compare', lazy: () => import('./ComparePage.tsx') },
    { path: 'pick/kits', lazy: () => import('./KitsPage.tsx') },
    { path: 'pick/ladder', lazy: () => import('./LadderPage.tsx') },
    { path: 'pick/ask', lazy: () => import('./AskPage.tsx') },
  ],
  pages: [
    { title: 'Pick', path: '/pick' },
    { title: 'Compare', path: '/pick/compare' },
    { title: 'Ask', path: '/pick/ask' },
    { title: 'Kits: one airframe in several ways', path: '/pick/kits' },
    { title: 'Load ladder', path: '/pick/ladder' },
  ],
};
