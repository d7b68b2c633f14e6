import { createBrowserRouter, redirect } from 'react-router';
import { askAhead } from '../shared/api/ahead.ts';
import { features } from './features.ts';
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
      { index: true, loader: ({ request }) => redirect(`/today${new URL(request.url).search}`) },
      // Where a station stood before, for links that people keep.
      { path: 'true/*', loader: ({ request }) => redirect(request.url.replace(/^[^/]*\/\/[^/]*\/true/, '/balance')) },
      {
        ErrorBoundary: ErrorPage,
        children: [...features.flatMap((f) => f.routes), { path: '*', Component: NotFoundPage }],
      },
    ],
  },
]);
watchWays(router);
