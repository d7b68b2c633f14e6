import { MantineProvider } from '@mantine/core';
import { useNotifications } from '@mantine/notifications';
import { configureStore } from '@reduxjs/toolkit';
import { render, type RenderResult } from '@testing-library/react';
import { defaultUnits, type UnitChoices } from '@zivvo/words';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter, useLocation } from 'react-router';
import { rootReducer } from '../shared/store/store.ts';
import { api } from '../shared/api/api.ts';

/**
 * Shows a part of a page as the app would: theme, store with the reader's units, the way to the server, an address,
 * notices.
 */
export function renderInApp(
  part: ReactElement,
  { units = defaultUnits, address = '/' }: { units?: UnitChoices; address?: string } = {},
): RenderResult {
  const store = configureStore({
    reducer: rootReducer,
    preloadedState: { settings: { units, personId: null, areLetterKeysOn: true } },
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  return render(
    <Provider store={store}>
      {/* No style sheets: jsdom would match every rule of them for every element whose name is asked for. */}
      <MantineProvider env="test" withCssVariables={false} withGlobalClasses={false}>
        <MemoryRouter initialEntries={[address]}>
          {part}
          <Where />
          <Notices />
        </MemoryRouter>
      </MantineProvider>
    </Provider>,
  );
}

/** The address that a browser would show. */
function Where() {
  const { pathname, search } = useLocation();
  return <code data-testid="address">{pathname + search}</code>;
}

/** What the toasts say, without their motion. */
function Notices() {
  const { notifications } = useNotifications();
  return notifications.map(({ id, message }) => <div key={id}>{message}</div>);
}
