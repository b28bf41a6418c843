import type { NotificationData } from '@mantine/notifications';
import { lazy, Suspense, useSyncExternalStore } from 'react';

/** Short notices at the edge of the page. Their code is loaded with the first one: most visits see none. */

const Shown = lazy(async () => ({
  default: (await import('@mantine/notifications')).Notifications,
}));

let wanted = false;
let whenWanted = (): void => undefined;

function listen(told: () => void): () => void {
  whenWanted = told;
  return () => (whenWanted = () => undefined);
}

/** Where notices appear; stands once, above every page. */
export function Notices() {
  const isWanted = useSyncExternalStore(listen, () => wanted);
  if (!isWanted) return null;
  return (
    <Suspense fallback={null}>
      <Shown position="bottom-right" />
    </Suspense>
  );
}

export function notify(notice: NotificationData): void {
  wanted = true;
  whenWanted();
  void import('@mantine/notifications').then(({ notifications }) => notifications.show(notice));
}

export function withdraw(id: string): void {
  void import('@mantine/notifications').then(({ notifications }) => notifications.hide(id));
}
