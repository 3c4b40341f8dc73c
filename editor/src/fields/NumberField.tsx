import { TextInput } from '@mantine/core';
import { useEffect, useLayoutEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { evaluate, type Units } from './arithmetic.ts';
import { isForDesk } from './for-desk.ts';
import { MIXED, useMixed } from './mixed.ts';
import { steady } from './steady.tsx';

/** What a field follows beside its value: it is told each figure, and whether that is to be shown; gives what ends that. */
export type Live<T> = (follow: (now: T, isShown: boolean) => void) => () => void;

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
  /** What is typed is taken over though it is what is shown already: it says more than the value. */
  readonly takesSame?: () => boolean;
  /** What the value is meanwhile, until it is rendered anew. */
  readonly live?: Live<number>;
  /** What is shown instead of the value, where that says more. */
  readonly shown?: string | undefined;
  /** What is written in words, not as a sum: true where it was taken. Must be the same function while it does the same. */
  readonly words?: (text: string, value: number) => boolean;
  /** What is said of what is not understood. */
  readonly hint?: string;
  readonly onCommit: (value: number) => void;
}

/** What is said of what is no number. */
const HINT = 'Enter a number, a sum such as 3*40, or a share such as 20%';
const HINT_PLAIN = 'Enter a number, or a sum such as 3*40';

/** The value as it is now: as it was rendered, or as it has become since, which is shown. */
function useCurrent(given: number, live: Live<number> | undefined, show: (now: number) => void): RefObject<number> {
  const current = useRef(given);
  const latest = useRef(show);
  useLayoutEffect(() => {
    current.current = given;
  }, [given]);
  useLayoutEffect(() => {
    latest.current = show;
  });
  useEffect(
    () =>
      live?.((now, isShown) => {
        current.current = now;
        if (isShown) latest.current(now);
      }),
    [live],
  );
  return current;
}

/** What is being typed: as it is rendered, and the same at once, as leaving the field right after Enter must not take the text over again. */
function useDraft() {
  const [draft, show] = useState<string | null>(null);
  const typed = useRef<string | null>(null);
  const setDraft = (text: string | null): void => {
    typed.current = text;
    show(text);
  };
  return { draft, typed, setDraft };
}

/** What is entered in a field: as it is typed, whether it is understood, and how it is taken over. `shown`: what stands there instead of the value. */
function useEntry(
  {
    value: given,
    unit,
    units,
    digits = 2,
    min = -Infinity,
    max = Infinity,
    takesSame,
    live,
    words,
    onCommit,
  }: NumberFieldProps,
  shown: string | undefined,
  isMixed: boolean,
) {
  const input = useRef<HTMLInputElement>(null);
  const { draft, typed, setDraft } = useDraft();
  const [wrong, setWrong] = useState(false);
  /** What was typed lies beyond what can be: the nearest was taken, and that is said. */
  const [bound, setBound] = useState<number | null>(null);
  const textOf = (value: number): string => trimmed(value, digits) + signOf(unit);
  const current = useCurrent(given, live, (now) => {
    if (shown !== undefined) return;
    const text = textOf(now);
    if (typed.current !== null || !input.current || input.current.value === text) return;
    input.current.value = text;
    input.current.style.setProperty('--signs', signsOf(text));
  });

  /** Takes a text over; false where it is not understood. */
  const finish = (text: string): boolean => {
    const isTyped = typed.current !== null;
    if (isMixed && !isTyped) return true;
    const value = current.current;
    const said = shown ?? textOf(value);
    if (isTyped && text.trim() !== said && words?.(text, value)) {
      setWrong(false);
      setDraft(null);
      return true;
    }
    const next = text.trim() === '' ? value : evaluate(text, units, value);
    setWrong(next === undefined);
    if (next === undefined) return false;
    setDraft(null);
    const held = Math.min(Math.max(next, min), max);
    setBound(isTyped && Math.abs(held - next) > 1e-9 ? held : null);
    const isOther = Math.abs(held - value) > 1e-12 && text !== said;
    // Of several that differ, what the first has already is entered for all.
    const isMeant = isTyped && text.trim() !== '';
    if (isOther || (isMeant && (isMixed || takesSame?.()))) onCommit(text === said ? value : held);
    return true;
  };
  const giveUp = (): void => {
    setDraft(null);
    setWrong(false);
  };
  const text = draft ?? shown ?? textOf(given);
  const note = bound === null ? undefined : `${bound <= min ? 'At least' : 'At most'} ${textOf(bound)}`;
  return {
    input,
    text,
    draft,
    typed,
    setDraft,
    wrong,
    note,
    forget: () => setBound(null),
    current,
    textOf,
    finish,
    giveUp,
  };
}

function PlainNumberField(props: NumberFieldProps) {
  const { label, units, step = 1, min = -Infinity, max = Infinity, disabled, shown: instead } = props;
  const { hint = '%' in units ? HINT : HINT_PLAIN } = props;
  const isMixed = useMixed();
  const entry = useEntry(props, isMixed ? MIXED : instead, isMixed);
  const { input, text, draft, typed, setDraft, current, textOf, finish } = entry;

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    // While nothing is being typed, the space bar plays and Ctrl Z undoes from here too.
    if (typed.current !== null || !isForDesk(event)) event.stopPropagation();
    if (event.key === 'Enter') {
      // What asks by a form is not answered by it yet.
      event.preventDefault();
      // The keyboard stays here: what is typed next replaces the value.
      const field = event.currentTarget;
      if (finish(field.value)) requestAnimationFrame(() => field === document.activeElement && field.select());
    } else if (event.key === 'Escape') {
      entry.giveUp();
      event.currentTarget.blur();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const way = (event.key === 'ArrowUp' ? 1 : -1) * step * (event.shiftKey ? 10 : 1);
      const value = current.current;
      const now = evaluate(draft ?? textOf(value), units, value) ?? value;
      setDraft(trimmed(Math.min(Math.max(Math.round((now + way) * 1e6) / 1e6, min), max), 6));
    }
  };

  return (
    <TextInput
      ref={input}
      className="number-field"
      size="xs"
      aria-label={label}
      value={text}
      // As wide as what it holds: nothing is cut off.
      styles={{ input: { '--signs': signsOf(text) } }}
      error={entry.wrong ? hint : undefined}
      description={entry.note}
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      disabled={disabled}
      onFocus={(event) => {
        event.currentTarget.select();
        entry.forget();
      }}
      onChange={(event) => setDraft(event.currentTarget.value)}
      onBlur={(event) => {
        if (typed.current !== null) finish(event.currentTarget.value);
      }}
      onKeyDown={onKeyDown}
      data-idle={draft === null || undefined}
      onKeyUp={(event) => {
        if (event.key !== ' ' || typed.current !== null) event.stopPropagation();
        // A held arrow counts on in the field and is one change when it is let go.
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') finish(event.currentTarget.value);
      }}
      spellCheck={false}
    />
  );
}

/** A number that takes units and sums ("120/2", "+=5", "12 f"), steps with the arrow keys, and says when it does not understand. */
export const NumberField = steady(PlainNumberField, 'onCommit');

/** A unit as it stands behind a number. */
const signOf = (unit: string): string => (unit === '%' || unit === '°' || unit === '' ? unit : ` ${unit}`);

/** Signs that a text needs room for. */
const signsOf = (text: string): string => String(Math.max(4, text.length));

function trimmed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return text.includes('.') ? text.replace(/\.?0+$/, '') || '0' : text;
}
