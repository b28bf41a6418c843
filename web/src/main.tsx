import '@fontsource-variable/archivo';
import '@mantine/core/styles.css';
import '@mantine/notifications/styles.css';
import './app/app.css';
import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { router } from './app/router.tsx';
import { store } from './app/store.ts';
import { cssVariables, theme } from './app/theme.ts';

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
