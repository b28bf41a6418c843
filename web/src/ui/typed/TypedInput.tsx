import type { EnteredQuantity } from '@katharos/job';
import { type Measure, readEntry, sayEntry, unitFor } from '@katharos/words';
import { Button, TextInput, type TextInputProps } from '@mantine/core';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useReader } from '../useReader.ts';
import { afterPress } from './afterPress.ts';
import { useHalfTyped } from './halfTyped.ts';

export interface TypedInputProps extends Omit<TextInputProps, 'value' | 'onChange'> {
  measure: Measure;
  /** What stands in the box while nobody types. */
  shown: string;
  /** The same in other words, while nobody types. */
  beside?: string | null;
  /** Called with what was entered, or nothing where the box was emptied. */
  onEntry: (quantity: EnteredQuantity | undefined) => void;
  /** A fault that lies not in this value alone, such as a contradiction to another reading. */
  fault?: string | undefined;
  /** The box's name on its page: what is half typed is kept under it. */
  keptAs?: string | undefined;
  /** Why the box may not be left empty; without it an empty box is taken as nothing. */
  wanted?: string | undefined;
}

/** What is being typed, and the unit that a bare number had when that began. */
interface Draft {
  text: string;
  unit: string;
}

/**
 * The one box for figures. What is half typed stays here, over reloads too; it is entered on leaving the box or on Enter, and dropped
 * with Escape. What cannot be taken stays as typed, with a sentence that says what to do; what has two meanings is asked about.
 */
export function TypedInput({
  measure,
  shown,
  beside,
  onEntry,
  fault,
  keptAs,
  wanted,
  ...input
}: TypedInputProps) {
  const reader = useReader();
  const unit = unitFor(measure, reader.units);
  const half = useHalfTyped(keptAs);
  const [draft, setDraft] = useState<Draft | null>(() =>
    half.restored === null ? null : { text: half.restored, unit },
  );
  const [trouble, setTrouble] = useState<ReactNode>(
    half.restored === null ? null : 'Typed before and not entered yet: press Enter to take it.',
  );
  const entry = draft && readEntry(measure, draft.text, reader, draft.unit);

  const settle = () => {
    setDraft(null);
    setTrouble(null);
    half.forget();
  };
  const enter = (quantity: EnteredQuantity | undefined) => {
    settle();
    onEntry(quantity);
  };
  const commit = () => {
    if (!entry) return;
    switch (entry.kind) {
      case 'empty':
        if (wanted) setTrouble(wanted);
        else enter(undefined);
        return;
      case 'taken':
        enter(entry.quantity);
        return;
      case 'refused':
        setTrouble(entry.sentence);
        return;
      case 'two-ways':
        setTrouble(
          <>
            This can be read in two ways. Which is meant?{' '}
            {entry.quantities.map((one) => (
              <Button
                key={one.value}
                variant="default"
                size="compact-md"
                mr={6}
                onClick={() => enter(one)}
              >
                {sayEntry(measure, one, reader)}
              </Button>
            ))}
          </>,
        );
    }
  };
  const latest = useRef(commit);
  useEffect(() => {
    latest.current = commit;
  });
  const said = entry?.kind === 'taken' ? sayEntry(measure, entry.quantity, reader) : null;
  const understood = draft ? (said === draft.text.trim() ? null : said) : beside;
  return (
    <TextInput
      inputMode="text"
      size="md"
      autoComplete="off"
      spellCheck={false}
      rightSection={
        understood ? (
          <span className="quiet" style={{ whiteSpace: 'nowrap', fontSize: '0.9rem' }}>
            = {understood}
          </span>
        ) : undefined
      }
      rightSectionWidth={understood ? 24 + 8 * understood.length : undefined}
      {...input}
      value={draft?.text ?? shown}
      data-typing={draft !== null}
      error={trouble ?? fault}
      onChange={({ currentTarget: { value: text } }) => {
        setDraft({ text, unit: draft?.unit ?? unit });
        setTrouble(null);
        half.keep(text);
      }}
      onFocus={(event) => event.currentTarget.select()}
      onBlur={() => afterPress(() => latest.current())}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') settle();
      }}
    />
  );
}
