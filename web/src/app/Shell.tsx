import {
  ActionIcon,
  Anchor,
  Group,
  Loader,
  Menu,
  SegmentedControl,
  Text,
  useComputedColorScheme,
  useMantineColorScheme,
} from '@mantine/core';
import IconKeyboard from '@tabler/icons-react/dist/esm/icons/IconKeyboard.mjs';
import IconMoon from '@tabler/icons-react/dist/esm/icons/IconMoon.mjs';
import IconSun from '@tabler/icons-react/dist/esm/icons/IconSun.mjs';
import IconUser from '@tabler/icons-react/dist/esm/icons/IconUser.mjs';
import { useDisclosure } from '@mantine/hooks';
import { Link, Navigate, Outlet, useLocation, useNavigate } from 'react-router';
import { readerChanged } from '../data/readerSlice.ts';
import { useShortcuts } from '../ui/useShortcuts.ts';
import { useUnits } from '../ui/useUnits.ts';
import { api, troubleOf, useSessionQuery, useSignOutMutation } from '../data/api.ts';
import { ShortcutList } from './ShortcutList.tsx';
import { useAppDispatch } from '../data/store.ts';
import { Tone } from '../ui/Tone.tsx';
import styles from './Shell.module.css';

/** The frame of every signed-in page: mark, units, appearance, account. */
export function Shell() {
  const { data: session, isLoading, error } = useSessionQuery();
  const location = useLocation();
  const [shortcuts, { open, close }] = useDisclosure(false);
  // Some keyboards need Shift for it and some do not.
  useShortcuts([
    ['shift+?', open],
    ['?', open],
  ]);
  if (isLoading) return <Loader aria-label="Opening" m="xl" />;
  if (error && troubleOf(error).code === 'not-signed-in') {
    return <Navigate to={`/sign-in?to=${encodeURIComponent(location.pathname)}`} replace />;
  }
  return (
    <>
      <a className="skip" href="#content">
        Skip to the content
      </a>
      <header className={`${styles.header} no-print`}>
        <Anchor component={Link} to="/jobs" underline="never" className={styles.mark}>
          <img src="/mark.svg" alt="" width={30} height={30} />
          <span>Katharos</span>
        </Anchor>
        <Text size="sm" className={styles.firm} visibleFrom="sm">
          {session?.firm.name}
        </Text>
        <Group gap={6} ml="auto" wrap="nowrap">
          <UnitSwitch />
          <ActionIcon
            variant="subtle"
            size={44}
            aria-label="Keyboard shortcuts"
            onClick={open}
            visibleFrom="sm"
          >
            <IconKeyboard size={20} />
          </ActionIcon>
          <AppearanceSwitch />
          <AccountMenu />
        </Group>
      </header>
      <main id="content" className={styles.main}>
        {error ? (
          <Tone kind="bad" head="The server cannot be reached at the moment" role="alert">
            What you enter is kept in this browser. The page tries again by itself.
          </Tone>
        ) : (
          <Outlet />
        )}
      </main>
      <ShortcutList opened={shortcuts} onClose={close} />
    </>
  );
}

function UnitSwitch() {
  const { system } = useUnits();
  const dispatch = useAppDispatch();
  const choose = (value: string) =>
    dispatch(readerChanged({ units: value === 'us' ? 'us' : 'metric' }));
  useShortcuts([['u', () => choose(system === 'us' ? 'metric' : 'us')]]);
  return (
    <SegmentedControl
      aria-label="Units"
      size="sm"
      value={system}
      onChange={choose}
      data={[
        { value: 'metric', label: 'bar' },
        { value: 'us', label: 'psi' },
      ]}
    />
  );
}

function AppearanceSwitch() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const other = scheme === 'light' ? 'dark' : 'light';
  return (
    <ActionIcon
      variant="subtle"
      size={44}
      aria-label={`Switch to ${other} appearance`}
      onClick={() => setColorScheme(other)}
    >
      {scheme === 'light' ? <IconMoon size={20} /> : <IconSun size={20} />}
    </ActionIcon>
  );
}

function AccountMenu() {
  const { data: session } = useSessionQuery();
  const [signOut] = useSignOutMutation();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const leave = async () => {
    await signOut();
    dispatch(api.util.resetApiState());
    await navigate('/sign-in');
  };
  return (
    <Menu
      position="bottom-end"
      width={260}
      withinPortal={false}
      withInitialFocusPlaceholder={false}
    >
      <Menu.Target>
        <ActionIcon variant="subtle" size={44} aria-label="Account">
          <IconUser size={20} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item disabled className={styles.account}>
          {session?.user.name}, {session?.firm.name}
        </Menu.Item>
        <Menu.Item component={Link} to="/firm">
          How the firm works
        </Menu.Item>
        <Menu.Item component={Link} to="/van">
          What the van holds
        </Menu.Item>
        <Menu.Item onClick={() => void leave()}>Sign out</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
