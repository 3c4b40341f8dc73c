import { useEffect, useLayoutEffect, useRef, type ReactNode, type RefObject } from 'react';
import { rowWords, type RowName } from '../../words/rows.ts';
import { MixedContext, useMixed } from '../../fields/index.ts';
import { useIsMixed } from './several.ts';
import { useDeskView, type CardName } from '../view.ts';
import './cards.css';

interface CardProps {
  readonly name: CardName;
  /** Its place in the order of the work; absent: it is there whatever is selected. */
  readonly number?: number;
  readonly title: string;
  /** The state in a few words, at the right of the head. */
  readonly summary: ReactNode;
  /** It has nothing to show but a hint. */
  readonly isEmpty?: boolean;
  /** Work goes on in it, as long as no other card was asked for. */
  readonly isBusy?: boolean;
  /** What it shows is being worked out anew, and may be of before. */
  readonly isPending?: boolean;
  /** What it can have beyond its rows: in a column of its own where the card is wide. */
  readonly groups?: ReactNode;
  readonly children: ReactNode;
}

/** One card of "how": a head that sums it up, its rows, and what it has beside them. The one in which work goes on has two columns. */
export function Card({
  name,
  number,
  title,
  summary,
  isEmpty = false,
  isBusy = false,
  isPending = false,
  groups,
  children,
}: CardProps) {
  const openCard = useDeskView((state) => state.openCard);
  const set = useDeskView((state) => state.set);
  const isOpen = openCard === name || (openCard === null && isBusy);
  const body = useRef<HTMLDivElement>(null);
  return (
    <section
      className={`card ${isOpen ? 'open' : ''} ${isEmpty ? 'empty' : ''}`}
      aria-label={number === undefined ? `Card, ${title}` : `Card ${number}, ${title}`}
      data-card={name}
      aria-busy={isPending}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && openCard === name) set({ openCard: null });
      }}
    >
      <button
        type="button"
        className="card-head"
        aria-expanded={isOpen}
        title={isOpen ? undefined : `${title}: wider, in two columns`}
        onClick={() => set({ openCard: openCard === name ? null : name, cardsShown: true })}
      >
        {number !== undefined && <span className="card-number">{number}</span>}
        <span className="card-title">{title}</span>
        {!isEmpty && <span className="card-summary">{summary}</span>}
      </button>
      <div ref={body} className="card-body">
        <div className="card-rows">{children}</div>
        {groups}
      </div>
      {/* Parts that come later are watched, too. */}
      <Below key={String(groups === undefined)} body={body} />
    </section>
  );
}

/** How much of a card lies below what is seen, and the way there: written, not rendered, as rows grow and shrink while a hand works. */
function Below({ body }: { body: RefObject<HTMLDivElement | null> }) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const box = body.current;
    if (!box) return;
    const look = (): void => {
      if (!button.current) return;
      const { bottom } = box.getBoundingClientRect();
      const rows = [...box.querySelectorAll('.row, .card-note, .finding, .add-button')];
      const hidden = rows.filter((row) => row.getBoundingClientRect().bottom > bottom + 2).length;
      button.current.hidden = bottom === 0 || hidden === 0;
      button.current.textContent = `${hidden} more ▾`;
    };
    const sizes = new ResizeObserver(look);
    sizes.observe(box);
    for (const part of box.children) sizes.observe(part);
    box.addEventListener('scroll', look, { passive: true });
    return () => {
      sizes.disconnect();
      box.removeEventListener('scroll', look);
    };
  }, [body]);
  return (
    <button
      ref={button}
      type="button"
      className="card-below"
      tabIndex={-1}
      hidden
      onClick={() => body.current?.scrollBy({ top: body.current.clientHeight - 27 })}
    />
  );
}

interface RowProps {
  /** Which row it is: its label and tooltip are said in one list. */
  readonly of: RowName;
  /** The label where it says more than the list. */
  readonly label?: string | undefined;
  readonly children: ReactNode;
}

/** A labelled row of a card. */
export function Row({ of, label, children }: RowProps) {
  const words = rowWords(of);
  const ref = useRef<HTMLDivElement>(null);
  const isMixed = useIsMixed(of);
  const isLit = useDeskView((state) => state.lit === of);
  // Asked for by name, it is brought into sight and lit for a moment.
  useLayoutEffect(() => {
    if (!isLit) return;
    ref.current?.scrollIntoView({ block: 'nearest' });
    ref.current?.querySelector<HTMLElement>('.row-value input, .row-value button')?.focus();
  }, [isLit]);
  return (
    <div ref={ref} className={`row ${isLit ? 'lit' : ''}`} data-row={of}>
      <span className="row-label" title={words.about}>
        {label ?? words.label}
      </span>
      <div className="row-value">
        <MixedContext value={isMixed}>{children}</MixedContext>
      </div>
    </div>
  );
}

/** A labelled row of what is no card: of a chart, of an ease. */
export function PlainRow({ label, title, children }: { label: string; title?: string; children: ReactNode }) {
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
  const isMixed = useMixed();
  return (
    <div className="segments" role="group" aria-label={label} title={title}>
      {options.map(([one, text]) => (
        <button
          key={one}
          type="button"
          aria-pressed={!isMixed && one === value}
          disabled={disabled}
          onClick={() => onChange(one)}
        >
          {text}
        </button>
      ))}
    </div>
  );
}
