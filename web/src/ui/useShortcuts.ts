import { getHotkeyHandler } from '@mantine/hooks';
import { useEffect } from 'react';
import { useAppSelector } from '../data/store.ts';

export type Shortcut = [keys: string, act: () => unknown];

/** Inputs that hold no text: a key pressed in one of them was not meant for it. */
const textless = new Set(['radio', 'checkbox', 'button', 'submit', 'range', 'file', 'color']);

/** Whether somebody is typing: what they press then is text. */
function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return !textless.has(target.type);
  return (
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    target.isContentEditable
  );
}

const isSingleKey = ([keys]: Shortcut): boolean => !/mod|ctrl|alt|meta/i.test(keys);

/**
 * Shortcuts for as long as the component is there; not while somebody types. Those of a single key can be turned off by the person,
 * whose voice or switch may press keys that were not meant (WCAG 2.1.4).
 */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const singleKeys = useAppSelector((state) => state.reader.singleKeys);
  useEffect(() => {
    const wanted = shortcuts.filter((one) => singleKeys || !isSingleKey(one));
    const handle = getHotkeyHandler(wanted.map(([keys, act]) => [keys, () => void act()]));
    const listen = (event: KeyboardEvent) => {
      if (!isTyping(event.target)) handle(event);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  });
}
