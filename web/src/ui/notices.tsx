import type { NotificationData } from '@mantine/notifications';
import { type ComponentType, type ReactNode, useEffect } from 'react';
import { signal } from '../data/signal.ts';
import styles from './notices.module.css';

/** Short notices at the edge of the page. Their code is loaded with the first one: most visits see none. */

/** How they are drawn once their code is there; where it does not come, the newest is said plainly. */
interface State {
  Shown: ComponentType<{ position: 'bottom-right' }> | undefined;
  plain: ReactNode;
}
const state = signal<State>({ Shown: undefined, plain: undefined });
const change = (part: Partial<State>): void => state.set({ ...state.get(), ...part });

/** A plain notice stands so long, ms. */
const plainForMs = 12_000;

/** Where notices appear; stands once, above every page. */
export function Notices() {
  const { Shown, plain } = state.use();
  useEffect(() => {
    if (plain === undefined) return;
    const timer = setTimeout(() => change({ plain: undefined }), plainForMs);
    return () => clearTimeout(timer);
  }, [plain]);
  return (
    <>
      {Shown && <Shown position="bottom-right" />}
      {plain !== undefined && (
        <div className={styles.plain} role="status">
          {plain}
        </div>
      )}
    </>
  );
}

export function notify(notice: NotificationData): void {
  void import('@mantine/notifications').then(
    ({ Notifications, notifications }) => {
      change({ Shown: Notifications });
      notifications.show(notice);
    },
    // Without a line on a first visit: what happened is said all the same.
    () => change({ plain: notice.message }),
  );
}

export function withdraw(id: string): void {
  void import('@mantine/notifications').then(
    ({ notifications }) => notifications.hide(id),
    () => change({ plain: undefined }),
  );
}
