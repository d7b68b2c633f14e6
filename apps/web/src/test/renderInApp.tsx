import { MantineProvider } from '@mantine/core';
import { configureStore } from '@reduxjs/toolkit';
import { render, type RenderResult } from '@testing-library/react';
import { defaultUnits, type UnitChoices } from '@zivvo/words';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';

/** Shows a part of a page as the app would: theme, store with the reader's units, an address. */
export function renderInApp(part: ReactElement, { units = defaultUnits, address = '/' }: { units?: UnitChoices; address?: string } = {}): RenderResult {
  const store = configureStore({ reducer: { settings: () => ({ units, personId: null, areLetterKeysOn: true }) } });
  return render(
    <Provider store={store}>
      <MantineProvider env="test">
        <MemoryRouter initialEntries={[address]}>{part}</MemoryRouter>
      </MantineProvider>
    </Provider>,
  );
}
