import '@fontsource-variable/archivo';
import './mantine.css';
import '@mantine/notifications/styles.css';
import './app.css';
import { keepApplication } from '../offline/register.ts';
import { askAhead } from './places.ts';
import { api } from '../data/api.ts';
import { store } from '../data/store.ts';

// Who is signed in, and what the page will want, is asked before there is anything to draw it with.
if (window.location.pathname !== '/sign-in') {
  void store.dispatch(api.endpoints.session.initiate(undefined, { subscribe: false }));
}
keepApplication();
const root = document.getElementById('root')!;
import('./draw.tsx').then(
  ({ draw }) => draw(root),
  () => (root.textContent = 'This page did not come whole. Load it again.'),
);
askAhead(window.location.pathname);
