import { ActionIcon } from '@mantine/core';
import IconUser from '@tabler/icons-react/dist/esm/icons/IconUser.mjs';
import { useId, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, useSignOutMutation } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { useAppDispatch } from '../data/store.ts';
import styles from './AccountMenu.module.css';

/** Who is signed in, and where they go besides the jobs: the browser's own popover, closed by Escape or a tap beside it. */
export function AccountMenu({ onShortcuts }: { onShortcuts: () => void }) {
  const session = useSession();
  const [signOut] = useSignOutMutation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const id = useId();
  const menu = useRef<HTMLElement>(null);
  const close = () => menu.current?.hidePopover();
  const leave = async () => {
    await signOut();
    dispatch(api.util.resetApiState());
    await navigate('/sign-in');
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
        <Link to="/firm" className={styles.item} onClick={close}>
          How the firm works
        </Link>
        <Link to="/van" className={styles.item} onClick={close}>
          What the van holds
        </Link>
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
        <button type="button" className={styles.item} onClick={() => void leave()}>
          Sign out
        </button>
      </nav>
    </>
  );
}
