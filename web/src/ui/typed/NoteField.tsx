import { Textarea, type TextareaProps } from '@mantine/core';
import { isPlainText } from '@katharos/job';
import { useDebouncedCallback } from '@mantine/hooks';
import { useState } from 'react';
import { useHalfTyped } from './halfTyped.ts';

interface Props extends Omit<TextareaProps, 'value' | 'onChange'> {
  value: string;
  /** Called while it is typed, with a name under which it is one deed. */
  onSave: (text: string, of: string) => void;
  /** Its name on its page. */
  keptAs: string;
  /** Characters that are kept. */
  most?: number;
  /** Said where nothing was written and something should be. */
  wanted?: string;
}

/** Characters left at which it is said how many. */
const nearEnd = 60;

/** What is wrong with a text, in a sentence; nothing is ever cut. */
export function textFault(text: string, most: number): string | null {
  const over = text.trim().length - most;
  if (over > 0) return `${over} characters too many: ${most} are kept. Shorten it.`;
  if (!isPlainText(text)) return 'This holds characters that are no text. Type it anew.';
  return null;
}

/** Free text that is saved while it is typed; what is too long stays here, marked, until it is shortened. */
export function NoteField({ value, onSave, keptAs, most = 1000, wanted, ...textarea }: Props) {
  const half = useHalfTyped(keptAs);
  const [draft, setDraft] = useState<string | null>(half.restored);
  const hand = (text: string) => {
    if (textFault(text, most)) return;
    half.forget();
    if (text !== value) onSave(text, `note:${keptAs}`);
  };
  // What closes with it is saved first.
  const save = useDebouncedCallback(hand, { delay: 500, flushOnUnmount: true });
  const text = draft ?? value;
  const left = most - text.trim().length;
  return (
    <Textarea
      resize="vertical"
      rows={2}
      size="md"
      {...textarea}
      value={text}
      error={textFault(text, most) ?? (text.trim() === '' ? wanted : undefined)}
      description={left >= 0 && left < nearEnd ? `Room for ${left} more characters.` : undefined}
      onChange={({ currentTarget: { value: typed } }) => {
        setDraft(typed);
        half.keep(typed);
        save(typed);
      }}
      onBlur={() => {
        save.cancel();
        if (draft === null) return;
        hand(draft);
        if (!textFault(draft, most)) setDraft(null);
      }}
    />
  );
}
