import type { UnitSystem } from '@katharos/core';
import { ActionIcon, Anchor, Button, Group, Loader, Text } from '@mantine/core';
import IconKeyboard from '@tabler/icons-react/dist/esm/icons/IconKeyboard.mjs';
import IconMoon from '@tabler/icons-react/dist/esm/icons/IconMoon.mjs';
import IconSun from '@tabler/icons-react/dist/esm/icons/IconSun.mjs';
import { useDisclosure } from '@mantine/hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, NavLink, Outlet, useLocation } from 'react-router';
import { Segments } from '../ui/Segments.tsx';
import { readerChanged } from '../data/readerSlice.ts';
import { useShortcuts } from '../ui/useShortcuts.ts';
import { useProofWanted } from '../data/proof.ts';
import { useReader } from '../ui/useReader.ts';
import { troubleOf, useSessionQuery } from '../data/api.ts';
import { hasSignedOut } from '../data/endSession.ts';
import { takeNewVersion } from '../offline/register.ts';
import { LineMark } from '../ui/LineMark.tsx';
import { Soon } from '../ui/Soon.tsx';
import { AccountMenu } from './AccountMenu.tsx';
import { useLine } from '../data/line/useLine.ts';
import { useAppDispatch, useAppSelector } from '../data/store.ts';
import { Tone } from '../ui/Tone.tsx';
import { useAppearance } from './useAppearance.ts';
import styles from './Shell.module.css';

const ShortcutList = lazy(async () => ({
  default: (await import('./ShortcutList.tsx')).ShortcutList,
}));

const SignInAgain = lazy(async () => ({
  default: (await import('../session/SignInAgain.tsx')).SignInAgain,
}));

const PasswordAgain = lazy(async () => ({
  default: (await import('../session/PasswordAgain.tsx')).PasswordAgain,
}));

/** Rings where a time is over elsewhere; a page whose ringing did not come is a page all the same. */
const TimerWatch = lazy(() =>
  import('../timers/TimerWatch.tsx').then(
    (part) => ({ default: part.TimerWatch }),
    () => ({ default: () => null }),
  ),
);

/** The frame of every signed-in page: mark, units, appearance, account. */
export function Shell() {
  const { data: session, isLoading, error, refetch } = useSessionQuery();
  const location = useLocation();
  const [shortcuts, { open, close }] = useDisclosure(false);
  // Some keyboards need Shift for it and some do not.
  useShortcuts([
    ['shift+?', open],
    ['?', open],
  ]);
  // Whoever goes back with the list open wants the page that was before.
  useEffect(close, [close, location.pathname]);
  const isOver = error !== undefined && troubleOf(error).code === 'not-signed-in';
  const signedOut = useAppSelector((state) => state.line.line.kind === 'signed-out');
  // Whether one may sign in again, or is gone for good, is asked of the server.
  useEffect(() => {
    if (signedOut) void refetch();
  }, [signedOut, refetch]);
  const isGone = error !== undefined && troubleOf(error).code === 'let-go';
  const updated = useAppSelector((state) => state.line.updated);
  const isProofWanted = useProofWanted();
  useLine(session?.user.id);
  if (isLoading) return <Loader aria-label="Opening" m="xl" />;
  if (isGone) return <Navigate to="/sign-in?gone" replace />;
  if (isOver && !session) {
    const back = hasSignedOut() ? '' : `?to=${encodeURIComponent(location.pathname)}`;
    return <Navigate to={`/sign-in${back}`} replace />;
  }
  return (
    <>
      <a className="skip" href="#content">
        Skip to the content
      </a>
      <header className={`${styles.header} no-print`}>
        <Anchor
          component={Link}
          to="/board"
          underline="never"
          className={styles.mark}
          aria-label="Katharos"
        >
          <img src="/mark.svg" alt="" width={30} height={30} />
          <span>Katharos</span>
        </Anchor>
        <Text size="sm" className={styles.firm} visibleFrom="sm">
          {session?.firm.name}
        </Text>
        <nav className={styles.places} aria-label="Places">
          <NavLink to="/board">Board</NavLink>
          <NavLink to="/jobs">Jobs</NavLink>
          <NavLink to="/diary">Diary</NavLink>
        </nav>
        <LineMark />
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
          <AccountMenu onShortcuts={open} />
        </Group>
      </header>
      {updated && (
        <Tone kind="good" head="A newer version is there" role="status">
          <Group gap="xs">
            Go over to it when it suits; what you entered stays.
            <GoOver />
          </Group>
        </Tone>
      )}
      <main id="content" className={styles.main}>
        {error && !session ? (
          <Tone kind="bad" head="The server cannot be reached at the moment" role="alert">
            What you enter is kept in this browser. The page tries again by itself.
          </Tone>
        ) : (
          <Soon fallback={<Loader aria-label="Opening" m="xl" />}>
            <Suspense fallback={<Loader aria-label="Opening" m="xl" />}>
              <Outlet />
            </Suspense>
          </Soon>
        )}
      </main>
      {session && (
        <Suspense fallback={null}>
          <TimerWatch />
        </Suspense>
      )}
      {session && (isOver || signedOut) && (
        <Suspense fallback={null}>
          <SignInAgain session={session} />
        </Suspense>
      )}
      {isProofWanted && (
        <Suspense fallback={null}>
          <PasswordAgain />
        </Suspense>
      )}
      {shortcuts && (
        <Suspense fallback={null}>
          <ShortcutList onClose={close} />
        </Suspense>
      )}
    </>
  );
}

function GoOver() {
  const [going, setGoing] = useState(false);
  const go = () => {
    setGoing(true);
    void takeNewVersion();
  };
  return (
    <Button size="compact-md" loading={going} onClick={go}>
      Go over now
    </Button>
  );
}

function UnitSwitch() {
  const reader = useReader();
  const { units: system } = reader;
  const dispatch = useAppDispatch();
  const choose = (units: UnitSystem) => dispatch(readerChanged({ units }));
  useShortcuts([['u', () => choose(system === 'us' ? 'metric' : 'us')]]);
  return (
    <Segments
      label="Units"
      small
      value={system}
      onChange={choose}
      options={[
        { value: 'metric', label: 'bar' },
        { value: 'us', label: 'psi' },
      ]}
    />
  );
}

function AppearanceSwitch() {
  const { scheme, other, change } = useAppearance();
  return (
    <ActionIcon
      variant="subtle"
      size={44}
      aria-label={`Switch to ${other} appearance`}
      onClick={change}
      visibleFrom="sm"
    >
      {scheme === 'light' ? <IconMoon size={20} /> : <IconSun size={20} />}
    </ActionIcon>
  );
}
