import { ActionIcon } from '@mantine/core';
import IconUser from '@tabler/icons-react/dist/esm/icons/IconUser.mjs';
import { lazy, Suspense, useId, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useSignOut } from '../session/useSignOut.ts';
import { useSession } from '../data/session.ts';
import { useMay } from '../data/useMay.ts';
import { useAppSelector } from '../data/store.ts';
import { useAppearance } from './useAppearance.ts';
import styles from './AccountMenu.module.css';

const SignOut = lazy(async () => ({ default: (await import('../session/SignOut.tsx')).SignOut }));

/** Who is signed in, and where they go besides the jobs: the browser's own popover, closed by Escape or a tap beside it. */
export function AccountMenu({ onShortcuts }: { onShortcuts: () => void }) {
  const session = useSession();
  const mayPeople = useMay('people');
  const maySettings = useMay('settings');
  const signOut = useSignOut();
  const waits = useAppSelector(({ line }) => Object.keys(line.waiting).length > 0);
  const [asking, setAsking] = useState(false);
  const id = useId();
  const menu = useRef<HTMLElement>(null);
  const { other, change } = useAppearance();
  const close = () => menu.current?.hidePopover();
  const leave = () => {
    close();
    if (waits) setAsking(true);
    else void signOut();
  };
  return (
    <>
      <ActionIcon variant="subtle" size={44} aria-label="Account" popoverTarget={id}>
        <IconUser size={20} />
      </ActionIcon>
      <nav ref={menu} id={id} popover="auto" aria-label="Account" className={styles.menu}>
        <p className={styles.who}>
          {session?.user.name}, {session?.firm.name}
        </p>
        <Link to="/account" className={styles.item} onClick={close}>
          Your account
        </Link>
        {mayPeople && (
          <Link to="/people" className={styles.item} onClick={close}>
            People
          </Link>
        )}
        <Link to="/firm" className={styles.item} onClick={close}>
          How the firm works
        </Link>
        {maySettings && (
          <Link to="/log" className={styles.item} onClick={close}>
            What was done
          </Link>
        )}
        <Link to="/catalogue" className={styles.item} onClick={close}>
          Catalogue
        </Link>
        <Link to="/instruments" className={styles.item} onClick={close}>
          Instruments
        </Link>
        <Link to="/stock" className={styles.item} onClick={close}>
          Vans and stores
        </Link>
        <button type="button" className={styles.item} onClick={change}>
          {other === 'dark' ? 'Dark appearance' : 'Light appearance'}
        </button>
        <button
          type="button"
          className={styles.item}
          onClick={() => {
            close();
            onShortcuts();
          }}
        >
          Keyboard shortcuts
        </button>
        <button type="button" className={styles.item} onClick={leave}>
          Sign out
        </button>
      </nav>
      {asking && (
        <Suspense fallback={null}>
          <SignOut onClose={() => setAsking(false)} />
        </Suspense>
      )}
    </>
  );
}
