import { TextInput } from '@mantine/core';
import { useRef, useState } from 'react';
import { steady } from './steady.tsx';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly disabled?: boolean;
  readonly onCommit: (value: string) => void;
}

function PlainTextField({ label, value, disabled, onCommit }: TextFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const givenUp = useRef(false);
  const finish = (): void => {
    if (givenUp.current) {
      givenUp.current = false;
      return setDraft(null);
    }
    if (draft !== null && draft.trim() && draft.trim() !== value) onCommit(draft.trim());
    setDraft(null);
  };
  return (
    <TextInput
      size="xs"
      aria-label={label}
      value={draft ?? value}
      disabled={disabled}
      maxLength={200}
      onChange={(event) => setDraft(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') {
          givenUp.current = true;
          event.currentTarget.blur();
        }
      }}
    />
  );
}

/** A text that is taken over on Enter or when the field is left; Escape keeps the old one. */
export const TextField = steady(PlainTextField, 'onCommit');
