import { MantineProvider } from '@mantine/core';
import { startTransition, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { Notices } from '../ui/notices.tsx';
import { Pages } from './Pages.tsx';
import { store } from '../data/store.ts';
import { cssVariables, theme } from './theme.ts';

/** Draws the application into its place. */
export function draw(place: HTMLElement): void {
  // A browser takes a tenth of a second before it can write its first number or date: it does so while it waits for the server.
  setTimeout(() => new Intl.NumberFormat().format(0));
  const root = createRoot(place);
  // In pieces, between which the page hears what comes.
  startTransition(() =>
    root.render(
      <StrictMode>
        <Provider store={store}>
          <MantineProvider
            theme={theme}
            cssVariablesResolver={cssVariables}
            defaultColorScheme="auto"
          >
            <Notices />
            <Pages />
          </MantineProvider>
        </Provider>
      </StrictMode>,
    ),
  );
}
