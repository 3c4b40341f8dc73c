import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

interface LimitLineProps {
  readonly limit: number;
  readonly unit: string;
  /** px from the chart's upper edge of a value, and the value there. */
  readonly yOf: (value: number) => number;
  readonly valueAt: (y: number) => number;
  /** Where the chart lies in its box, px. */
  readonly area: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number };
  readonly onCommit: (limit: number) => void;
}

const rounded = (value: number): number => Math.max(0, Math.round(value));

/** The limit across the chart, with a handle that is dragged or moved by arrows. Written while the hand is at work, rendered when it lets go. */
export function LimitLine({ limit, unit, yOf, valueAt, area, onCommit }: LimitLineProps) {
  const line = useRef<HTMLDivElement>(null);
  const words = useRef<HTMLSpanElement>(null);
  const held = useRef<number | null>(null);
  const heightOf = (value: number): number =>
    value > 0 ? Math.min(area.bottom, Math.max(area.top, yOf(value))) : area.top;
  const textOf = (value: number): string => (value > 0 ? `${value} ${unit}` : 'Limit');
  const write = (value: number): void => {
    held.current = value;
    if (line.current) line.current.style.transform = `translateY(${heightOf(value)}px)`;
    if (words.current) words.current.textContent = textOf(value);
  };
  const follow = (event: PointerEvent<HTMLDivElement>): void => {
    const box = event.currentTarget.parentElement?.parentElement?.getBoundingClientRect();
    if (box) write(rounded(valueAt(Math.min(area.bottom, Math.max(area.top, event.clientY - box.top)))));
  };
  const giveUp = (): void => {
    if (held.current !== null) write(limit);
    held.current = null;
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' && held.current !== null) {
      event.stopPropagation();
      return giveUp();
    }
    const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const step = (valueAt(area.top) - valueAt(area.bottom)) / 100;
    onCommit(rounded((limit > 0 ? limit : valueAt(area.top)) + way * Math.max(1, step) * (event.shiftKey ? 10 : 1)));
  };
  return (
    <div
      ref={line}
      className="limit-line"
      data-set={limit > 0 || undefined}
      style={{ left: area.left, width: area.right - area.left, transform: `translateY(${heightOf(limit)}px)` }}
    >
      <div
        className="limit-handle figures"
        role="slider"
        tabIndex={0}
        aria-label="Limit"
        aria-valuemin={0}
        aria-valuenow={limit}
        aria-valuetext={limit > 0 ? `${limit} ${unit}` : 'none'}
        title="Drag to set a limit"
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          held.current = limit;
        }}
        onPointerMove={(event) => {
          if (held.current !== null) follow(event);
        }}
        onPointerUp={() => {
          if (held.current !== null && held.current !== limit) onCommit(held.current);
          held.current = null;
        }}
        onPointerCancel={giveUp}
        onKeyDown={onKeyDown}
      >
        <span ref={words}>{textOf(limit)}</span>
      </div>
    </div>
  );
}
