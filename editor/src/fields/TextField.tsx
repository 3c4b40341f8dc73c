import { TextInput } from '@mantine/core';
import { useRef, useState } from 'react';
import { steady } from './steady.tsx';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly disabled?: boolean;
  /** The keyboard is brought to it as it appears, its text selected. */
  readonly autoFocus?: boolean;
  readonly onCommit: (value: string) => void;
  /** It is left, by Enter or Escape or else by going elsewhere. */
  readonly onDone?: (byKey: boolean) => void;
}

function PlainTextField({ label, value, disabled, autoFocus, onCommit, onDone }: TextFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const leftBy = useRef<'Enter' | 'Escape' | null>(null);
  const finish = (): void => {
    const by = leftBy.current;
    leftBy.current = null;
    if (by !== 'Escape' && draft !== null && draft.trim() && draft.trim() !== value) onCommit(draft.trim());
    setDraft(null);
    onDone?.(by !== null);
  };
  return (
    <TextInput
      size="xs"
      aria-label={label}
      value={draft ?? value}
      disabled={disabled}
      maxLength={200}
      autoFocus={autoFocus}
      onFocus={autoFocus ? (event) => event.currentTarget.select() : undefined}
      onChange={(event) => setDraft(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key !== 'Enter' && event.key !== 'Escape') return;
        // What gets the keyboard next is not pressed by the same key.
        event.preventDefault();
        leftBy.current = event.key;
        event.currentTarget.blur();
      }}
    />
  );
}

/** A text that is taken over on Enter or when the field is left; Escape keeps the old one. */
export const TextField = steady(PlainTextField, 'onCommit');
