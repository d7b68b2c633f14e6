import { createBrowserRouter, redirect } from 'react-router';
import { askAhead, startPick } from './ahead.ts';
import { watchWays } from './onTheWay.ts';
import { ErrorPage, NotFoundPage } from './shell/ErrorPage.tsx';
import { Shell } from './shell/Shell.tsx';

/** Every page of Zivvo; each is loaded when it is opened. */
export const router = createBrowserRouter([
  {
    path: '/',
    Component: Shell,
    ErrorBoundary: ErrorPage,
    loader: ({ request }) => {
      askAhead(new URL(request.url));
      return null;
    },
    shouldRevalidate: () => false,
    HydrateFallback: () => <p style={{ padding: 40 }}>working…</p>,
    children: [
      { index: true, loader: ({ request }) => redirect(`/crafts${new URL(request.url).search}`) },
      {
        ErrorBoundary: ErrorPage,
        children: [
          { path: 'crafts', lazy: () => import('../craft/CraftsPage.tsx') },
          { path: 'crafts/new', lazy: () => import('../craft/CraftFormPage.tsx') },
          { path: 'crafts/:craftId', lazy: () => import('../craft/CraftPage.tsx') },
          { path: 'crafts/:craftId/edit', lazy: () => import('../craft/CraftFormPage.tsx') },
          { path: 'rack', lazy: () => import('../rack/RackPage.tsx') },
          { path: 'rack/new', lazy: () => import('../rack/PropModelFormPage.tsx') },
          { path: 'rack/pieces', lazy: () => import('../rack/PiecesPage.tsx') },
          { path: 'rack/pieces/:pieceId', lazy: () => import('../rack/PiecePage.tsx') },
          { path: 'rack/deliveries', lazy: () => import('../rack/DeliveriesPage.tsx') },
          { path: 'rack/deliveries/new', lazy: () => import('../rack/NewDeliveryPage.tsx') },
          { path: 'rack/deliveries/:batchId', lazy: () => import('../rack/DeliveryPage.tsx') },
          { path: 'rack/sets', lazy: () => import('../rack/SetsPage.tsx') },
          { path: 'rack/yield', lazy: () => import('../rack/YieldPage.tsx') },
          { path: 'rack/suppliers/:supplierName', lazy: () => import('../rack/SupplierPage.tsx') },
          { path: 'rack/parts', lazy: () => import('../rack/PartsPage.tsx') },
          { path: 'rack/parts/motors/new', lazy: () => import('../rack/MotorPage.tsx') },
          { path: 'rack/parts/motors/:motorId', lazy: () => import('../rack/MotorPage.tsx') },
          { path: 'rack/parts/packs/new', lazy: () => import('../rack/PackPage.tsx') },
          { path: 'rack/parts/packs/:packId', lazy: () => import('../rack/PackPage.tsx') },
          { path: 'rack/:propModelId', lazy: () => import('../rack/PropModelFormPage.tsx') },
          {
            path: 'pick',
            loader: ({ request }) => {
              void startPick(new URL(request.url));
              return null;
            },
            shouldRevalidate: () => false,
            lazy: () => import('../pick/PickPage.tsx'),
          },
          { path: 'pick/compare', lazy: () => import('../pick/ComparePage.tsx') },
          { path: 'pick/kits', lazy: () => import('../pick/KitsPage.tsx') },
          { path: 'pick/ladder', lazy: () => import('../pick/LadderPage.tsx') },
          { path: 'pick/ask', lazy: () => import('../pick/AskPage.tsx') },
          { path: 'true', lazy: () => import('../balance/TruePage.tsx') },
          { path: 'true/slots', lazy: () => import('../balance/SlotsPage.tsx') },
          { path: 'true/aids', lazy: () => import('../balance/AidsPage.tsx') },
          { path: 'true/:pieceId', lazy: () => import('../balance/TrueJobPage.tsx') },
          { path: 'fit', lazy: () => import('../fit/FitPage.tsx') },
          { path: 'fit/sketch', lazy: () => import('../fit/SketchPage.tsx') },
          { path: 'fit/card', lazy: () => import('../fit/FitCardPage.tsx') },
          { path: 'care', lazy: () => import('../care/CarePage.tsx') },
          { path: 'care/walk', lazy: () => import('../care/WalkPage.tsx') },
          { path: 'care/symptoms', lazy: () => import('../care/SymptomsPage.tsx') },
          { path: 'care/gains', lazy: () => import('../care/GainsPage.tsx') },
          { path: 'care/tickets', lazy: () => import('../care/TicketsPage.tsx') },
          { path: 'care/log', lazy: () => import('../care/LogPage.tsx') },
          { path: 'care/practice', lazy: () => import('../care/PracticePage.tsx') },
          { path: 'stand', lazy: () => import('../stand/StandPage.tsx') },
          { path: 'stand/first', lazy: () => import('../stand/FirstRunPage.tsx') },
          { path: 'stand/new', lazy: () => import('../stand/CampaignFormPage.tsx') },
          { path: 'stand/runs/:runId', lazy: () => import('../stand/RunPage.tsx') },
          { path: 'stand/runs/:runId/readings', lazy: () => import('../stand/readings/ReadingsPage.tsx') },
          { path: 'stand/live/:runId', lazy: () => import('../stand/live/LiveRunPage.tsx') },
          { path: 'stand/:campaignId', lazy: () => import('../stand/ResultsPage.tsx') },
          { path: 'stand/:campaignId/edit', lazy: () => import('../stand/CampaignFormPage.tsx') },
          { path: 'stand/:campaignId/type', lazy: () => import('../stand/StartRunPage.tsx') },
          { path: 'stand/:campaignId/import', lazy: () => import('../stand/ImportPage.tsx') },
          { path: 'settings', lazy: () => import('../settings/SettingsPage.tsx') },
          { path: '*', Component: NotFoundPage },
        ],
      },
    ],
  },
]);
watchWays(router);
