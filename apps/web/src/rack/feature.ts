import { IconPropeller } from '@tabler/icons-react';
import type { Feature } from '../shared/feature.ts';

export const rack: Feature = {
  station: { name: 'Rack', path: '/rack', letter: 'r', icon: IconPropeller, stop: null },
  routes: [
    { path: 'rack', lazy: () => import('./RackPage.tsx') },
    { path: 'rack/new', lazy: () => import('./PropModelFormPage.tsx') },
    { path: 'rack/pieces', lazy: () => import('./PiecesPage.tsx') },
    { path: 'rack/pieces/:pieceId', lazy: () => import('./PiecePage.tsx') },
    { path: 'rack/deliveries', lazy: () => import('./DeliveriesPage.tsx') },
    { path: 'rack/deliveries/new', lazy: () => import('./NewDeliveryPage.tsx') },
    { path: 'rack/deliveries/:batchId', lazy: () => import('./DeliveryPage.tsx') },
    { path: 'rack/sets', lazy: () => import('./SetsPage.tsx') },
    { path: 'rack/yield', lazy: () => import('./YieldPage.tsx') },
    { path: 'rack/suppliers/:supplierName', lazy: () => import('./SupplierPage.tsx') },
    { path: 'rack/parts', lazy: () => import('./PartsPage.tsx') },
    { path: 'rack/parts/motors/new', lazy: () => import('./MotorPage.tsx') },
    { path: 'rack/parts/motors/:motorId', lazy: () => import('./MotorPage.tsx') },
    { path: 'rack/parts/packs/new', lazy: () => import('./PackPage.tsx') },
    { path: 'rack/parts/packs/:packId', lazy: () => import('./PackPage.tsx') },
    { path: 'rack/:propModelId', lazy: () => import('./PropModelFormPage.tsx') },
  ],
  pages: [
    { title: 'Rack', path: '/rack' },
    { title: 'New prop model', path: '/rack/new' },
    { title: 'Pieces', path: '/rack/pieces' },
    { title: 'New delivery', path: '/rack/deliveries/new' },
    { title: 'Sets', path: '/rack/sets' },
    { title: 'Deliveries', path: '/rack/deliveries' },
    { title: 'Yield', path: '/rack/yield' },
    { title: 'Parts: packs, motors, screws', path: '/rack/parts' },
    { title: 'New pack', path: '/rack/parts/packs/new' },
    { title: 'New motor', path: '/rack/parts/motors/new' },
  ],
};
