import { createContext, useContext } from 'react';
import { forgetLocal, readLocal, writeLocal } from '../../data/localStore.ts';

/** Where a page's half-typed texts belong: a stage of a job, the firm's page. Outside of one nothing is kept. */
export const TypedScope = createContext<string | null>(null);

/** What was typed into a box and not yet entered, kept in this browser so that a reload does not lose it. */
export interface HalfTyped {
  /** As it was when the page came. */
  restored: string | null;
  keep: (text: string) => void;
  forget: () => void;
}

/** The half-typed text of one box, by its name within the scope of its page. */
export function useHalfTyped(name: string | undefined): HalfTyped {
  const scope = useContext(TypedScope);
  if (scope === null || name === undefined) return unkept;
  const key = `typed:${scope}:${name}`;
  const held = readLocal(key);
  return {
    restored: typeof held === 'string' ? held : null,
    keep: (text) => writeLocal(key, text),
    forget: () => forgetLocal(key),
  };
}

const unkept: HalfTyped = { restored: null, keep: () => undefined, forget: () => undefined };
