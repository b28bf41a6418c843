import '@fontsource-variable/archivo';
import '@mantine/core/styles.css';
import '@mantine/notifications/styles.css';
import './app.css';
import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { router } from './router.tsx';
import { store } from '../data/store.ts';
import { cssVariables, theme } from './theme.ts';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <MantineProvider theme={theme} cssVariablesResolver={cssVariables} defaultColorScheme="auto">
        <Notifications position="bottom-right" />
        <RouterProvider router={router} />
      </MantineProvider>
    </Provider>
  </StrictMode>,
);
