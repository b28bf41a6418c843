import '@fontsource-variable/archivo';
import './mantine.css';
import '@mantine/notifications/styles.css';
import './app.css';
import { MantineProvider } from '@mantine/core';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { Notices } from '../ui/notices.tsx';
import { keepApplication } from '../offline/register.ts';
import { Pages } from './Pages.tsx';
import { askAhead } from './places.ts';
import { api } from '../data/api.ts';
import { store } from '../data/store.ts';
import { cssVariables, theme } from './theme.ts';

// Who is signed in is asked while the page's own code is still on its way.
if (window.location.pathname !== '/sign-in') {
  void store.dispatch(api.endpoints.session.initiate(undefined, { subscribe: false }));
}

askAhead(window.location.pathname);
keepApplication();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <MantineProvider theme={theme} cssVariablesResolver={cssVariables} defaultColorScheme="auto">
        <Notices />
        <Pages />
      </MantineProvider>
    </Provider>
  </StrictMode>,
);
