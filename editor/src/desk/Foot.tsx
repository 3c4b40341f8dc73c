import { useMediaQuery, useViewportSize } from '@mantine/hooks';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { ChecksCard, GuideCard, HeadingCard, PaceCard, RiderCard, SceneCard } from './cards/index.ts';
import { Guarded } from './Guarded.tsx';
import { LEAST_FOOT, useDeskView, usePreferences } from './view.ts';

/** The cards of "how", in their order. */
const CARDS = [
  { what: 'the Scene card', Show: SceneCard },
  { what: 'the Guide card', Show: GuideCard },
  { what: 'the Rider card', Show: RiderCard },
  { what: 'the Heading card', Show: HeadingCard },
  { what: 'the Pace card', Show: PaceCard },
  { what: 'the Checks card', Show: ChecksCard },
] as const;

/** Where the window is this low, the cards are heads until one is pressed. */
const LOW = '(max-height: 719px)';

/** Shares of the window that the foot takes at most. */
const [MOST, MOST_LOW] = [0.6, 0.36];

/** px that an arrow key moves the edge by. */
const STEP = 16;

/** The foot: how. Its upper edge can be dragged; where the window is low, or as one likes, the cards are heads. */
export function Foot({ isPaged }: { readonly isPaged: boolean }) {
  const { foot, setFoot, cardsFolded } = usePreferences();
  const cardsShown = useDeskView((state) => state.cardsShown);
  const isLow = useMediaQuery(LOW, undefined, { getInitialValueInEffect: false });
  const { height: window } = useViewportSize();
  const isFolded = !isPaged && (cardsFolded || isLow === true) && !cardsShown;
  const most = Math.max(LEAST_FOOT, Math.round((window || 800) * (isLow ? MOST_LOW : MOST)));
  const height = Math.min(foot, most);
  return (
    <div
      className={`foot ${isFolded ? 'folded' : ''}`}
      style={isPaged || isFolded ? undefined : { height: `${height}px` }}
    >
      {!isPaged && !isFolded && (
        <Edge height={height} most={most} half={Math.round((window || 800) / 2)} set={setFoot} />
      )}
      <div className="cards">
        {CARDS.map(({ what, Show }) => (
          <Guarded key={what} what={what}>
            <Show />
          </Guarded>
        ))}
      </div>
    </div>
  );
}

interface EdgeProps {
  readonly height: number;
  readonly most: number;
  readonly half: number;
  readonly set: (height: number) => void;
}

/** The foot's upper edge: dragged, or moved by arrows; pressed twice it goes between its least and half the window. */
function Edge({ height, most, half, set }: EdgeProps) {
  const from = useRef<{ readonly y: number; readonly height: number }>(undefined);
  const held = (next: number): void => set(Math.min(most, Math.max(LEAST_FOOT, Math.round(next))));
  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = { y: event.clientY, height };
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    held(height + way * STEP);
  };
  return (
    <div
      className="foot-edge"
      role="separator"
      tabIndex={0}
      aria-orientation="horizontal"
      aria-label="Height of the cards"
      aria-valuenow={height}
      aria-valuemin={LEAST_FOOT}
      aria-valuemax={most}
      title="Drag to give the cards more room; press twice for the least and for half the window"
      onPointerDown={onPointerDown}
      onPointerMove={(event) => from.current && held(from.current.height + from.current.y - event.clientY)}
      onPointerUp={() => (from.current = undefined)}
      onDoubleClick={() => held(height > LEAST_FOOT ? LEAST_FOOT : half)}
      onKeyDown={onKeyDown}
    />
  );
}
