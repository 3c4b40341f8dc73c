import { TextInput } from '@mantine/core';
import { useState, type KeyboardEvent } from 'react';
import { evaluate, type Units } from './arithmetic.ts';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  /** Shown after the value. */
  readonly unit: string;
  readonly units: Units;
  readonly digits?: number;
  readonly step?: number;
  readonly min?: number;
  readonly max?: number;
  readonly disabled?: boolean;
  readonly onCommit: (value: number) => void;
}

/** A number that takes units and sums ("120/2", "+=5", "12 f"), steps with the arrow keys, and says when it does not understand. */
export function NumberField({
  label,
  value,
  unit,
  units,
  digits = 2,
  step = 1,
  min = -Infinity,
  max = Infinity,
  disabled,
  onCommit,
}: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const shown = `${trimmed(value, digits)}${unit === '%' || unit === '°' ? unit : unit ? ` ${unit}` : ''}`;

  const finish = (text: string): void => {
    const typed = evaluate(text, units, value);
    if (typed === undefined) {
      setWrong(text.trim() !== '');
      if (text.trim() === '') setDraft(null);
      return;
    }
    setDraft(null);
    setWrong(false);
    const held = Math.min(Math.max(typed, min), max);
    if (Math.abs(held - value) > 1e-12 && text !== shown) onCommit(held);
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    event.stopPropagation();
    if (event.key === 'Enter') finish(event.currentTarget.value);
    else if (event.key === 'Escape') {
      setDraft(null);
      setWrong(false);
      event.currentTarget.blur();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const way = (event.key === 'ArrowUp' ? 1 : -1) * step * (event.shiftKey ? 10 : 1);
      setDraft(null);
      onCommit(Math.min(Math.max(Math.round((value + way) * 1e6) / 1e6, min), max));
    }
  };

  return (
    <TextInput
      className="number-field"
      size="xs"
      aria-label={label}
      value={draft ?? shown}
      error={wrong ? 'a number or a sum, please' : undefined}
      disabled={disabled}
      onFocus={(event) => event.currentTarget.select()}
      onChange={(event) => setDraft(event.currentTarget.value)}
      onBlur={(event) => {
        if (draft !== null) finish(event.currentTarget.value);
      }}
      onKeyDown={onKeyDown}
      spellCheck={false}
    />
  );
}

function trimmed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return text.includes('.') ? text.replace(/\.?0+$/, '') || '0' : text;
}
