import { IconScale } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const balance: Feature = {
  station: { name: 'Balance', path: '/balance', letter: 'b', icon: IconScale, stop: 'balance' },
  routes: [
    { path: 'balance', lazy: () => import('./BalancePage.tsx') },
    { path: 'balance/slots', lazy: () => import('./SlotsPage.tsx') },
    { path: 'balance/aids', lazy: () => import('./AidsPage.tsx') },
    { path: 'balance/:pieceId', lazy: () => import('./BalanceJobPage.tsx') },
  ],
  pages: [
    { title: 'Balance', path: '/balance' },
    { title: 'Slots', path: '/balance/slots' },
    { title: 'Aids to print', path: '/balance/aids' },
  ],
};
