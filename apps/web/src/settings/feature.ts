import type { Feature } from '../shared/feature.ts';

export const settings: Feature = {
  station: null,
  routes: [{ path: 'settings', lazy: () => import('./SettingsPage.tsx') }],
  pages: [{ title: 'Settings', path: '/settings' }],
};
