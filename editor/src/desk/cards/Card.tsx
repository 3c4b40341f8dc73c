import { useEffect, useRef, type ReactNode } from 'react';
import { useDeskView, usePreferences, type CardName } from '../view.ts';
import './cards.css';

interface CardProps {
  readonly name: CardName;
  readonly number: number;
  readonly title: string;
  /** The state in a few words, at the right of the head. */
  readonly summary: ReactNode;
  readonly children: ReactNode;
}

/** Where a press leaves an open card as it is: on the sheet, whose lines it shapes, and in what its own fields open. */
const LEAVES_OPEN = '.sheet-pane, [role="listbox"], [role="menu"], .mantine-Popover-dropdown';

/** One card of "how": a head that sums it up, rows under it. Opened, it widens and grows upward over the canvas; a press there closes it. */
export function Card({ name, number, title, summary, children }: CardProps) {
  const openCard = useDeskView((state) => state.openCard);
  const set = useDeskView((state) => state.set);
  const folded = usePreferences((state) => state.cardsFolded);
  const isOpen = openCard === name;
  const ref = useRef<HTMLElement>(null);
  useEffect(() => {
    if (!isOpen) return;
    const onDown = (event: PointerEvent): void => {
      const target = event.target as Element;
      if (!ref.current?.contains(target) && !target.closest(LEAVES_OPEN)) set({ openCard: null });
    };
    window.addEventListener('pointerdown', onDown);
    return () => window.removeEventListener('pointerdown', onDown);
  }, [isOpen, set]);
  return (
    <section
      ref={ref}
      className={`card ${isOpen ? 'open' : ''} ${folded ? 'folded' : ''}`}
      aria-label={`Card ${number}, ${title}`}
      data-card={name}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && isOpen) set({ openCard: null });
      }}
    >
      <button
        type="button"
        className="card-head"
        aria-expanded={isOpen}
        onClick={() => set({ openCard: isOpen ? null : name })}
      >
        <span className="card-number">{number}</span>
        <span className="card-title">{title}</span>
        <span className="card-summary">{summary}</span>
      </button>
      <div className="card-body">{children}</div>
    </section>
  );
}

/** A labelled row of a card. */
export function Row({ label, title, children }: { label: string; title?: string; children: ReactNode }) {
  return (
    <div className="row">
      <span className="row-label" title={title}>
        {label}
      </span>
      <div className="row-value">{children}</div>
    </div>
  );
}

interface SegmentsProps<T extends string> {
  readonly label: string;
  readonly value: T | null;
  readonly options: readonly (readonly [T, string])[];
  readonly disabled?: boolean | undefined;
  readonly title?: string | undefined;
  readonly onChange: (value: T) => void;
}

/** A choice of few, all in sight. */
export function Segments<T extends string>({ label, value, options, disabled, title, onChange }: SegmentsProps<T>) {
  return (
    <div className="segments" role="group" aria-label={label} title={title}>
      {options.map(([one, text]) => (
        <button key={one} type="button" aria-pressed={one === value} disabled={disabled} onClick={() => onChange(one)}>
          {text}
        </button>
      ))}
    </div>
  );
}
