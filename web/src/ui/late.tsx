import { Button } from '@mantine/core';
import { type ComponentType, lazy, memo, type ReactNode, Suspense } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { isMissingPart } from '../data/missingPart.ts';
import { useLoadedAgain } from './FailurePages.tsx';
import { Tone } from './Tone.tsx';

/** What was left for later and is not loaded yet. */
const left = new Set<() => Promise<unknown>>();

/**
 * A part of a page whose code is loaded when it is first drawn, and which is drawn again only for other properties. Where it does not
 * come, the page around it stands and says so.
 * @param placeholder what stands there meanwhile
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P>>,
  placeholder: ReactNode = null,
): ComponentType<P> {
  left.add(load);
  const Part = lazy(async () => ({ default: await load() })) as unknown as ComponentType<P>;
  return memo(function Late(props: P) {
    return (
      <ErrorBoundary FallbackComponent={PartMissing}>
        <Suspense fallback={placeholder}>
          <Part {...props} />
        </Suspense>
      </ErrorBoundary>
    );
  });
}

/** Loads whatever the pages that are there left for later, and what that leaves in turn: none of it is missing then where there is no line. */
export async function loadLateParts(): Promise<void> {
  for (const load of left) {
    left.delete(load);
    await load().catch(() => undefined);
  }
}

function PartMissing({ error }: FallbackProps) {
  useLoadedAgain(error);
  // What broke while it was drawn is for the page to tell.
  if (!isMissingPart(error)) throw error;
  return (
    <Tone kind="warn" head="This part of the page did not come" role="alert">
      There is no line to the server, or it does not answer. What you entered is kept.{' '}
      <Button variant="default" size="md" onClick={() => window.location.reload()}>
        Load the page again
      </Button>
    </Tone>
  );
}
