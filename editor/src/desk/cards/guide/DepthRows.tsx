import { IconX } from '@tabler/icons-react';
import { setGuide, type Guide, type GuideDepth } from '@pace-line/core';
import { NumberField, PERCENT } from '../../../fields/index.ts';
import { change } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { YesRow } from '../rows.tsx';

/** Far off at the start, near at the end: the plainest depth. */
const FIRST: GuideDepth = {
  stops: [
    { at: 0, scale: 0.5 },
    { at: 1, scale: 1 },
  ],
  // Perspective does not change speed unless it is asked to.
  speed: false,
};

type Stops = GuideDepth['stops'];

/** The depth that a guide begins with. */
export const firstDepth = ({ closed }: Guide): GuideDepth =>
  closed
    ? {
        ...FIRST,
        stops: [
          { at: 0, scale: 0.5 },
          { at: 0.5, scale: 1 },
        ],
      }
    : FIRST;

/** How large riders are along a guide, and whether their speed goes with it. */
export function DepthRows({ guide, depth }: { guide: Guide; depth: GuideDepth }) {
  const desk = useDesk();
  const set = (label: string, next: GuideDepth | null): void =>
    change(desk, label, (base) => setGuide(base, { id: guide.id, patch: { depth: next } }));
  return (
    <>
      {depth.stops.map((_, i) => (
        <StopRow
          key={i}
          stops={depth.stops}
          index={i}
          onChange={(stops) => set('Set perspective', { ...depth, stops })}
        />
      ))}
      <div className="row-actions">
        <button
          type="button"
          className="small-button"
          onClick={() => set('Add a stop', { ...depth, stops: withOneMore(depth.stops) })}
        >
          Add a stop
        </button>
      </div>
      <YesRow
        of="guide.depth.speed"
        value={depth.speed}
        onChange={(speed) => set(speed ? 'Scale speed too' : 'Do not scale speed', { ...depth, speed })}
      />
    </>
  );
}

/** Stops with another in the middle of the widest gap. */
function withOneMore(stops: Stops): Stops {
  const ends = [
    { at: 0, scale: stops[0]?.scale ?? 1 },
    ...stops,
    { at: 1, scale: stops[stops.length - 1]?.scale ?? 1 },
  ];
  let best = 0;
  let widest = 0;
  ends.slice(1).forEach(({ at }, i) => {
    const gap = at - (ends[i]?.at ?? 0);
    if (gap > widest) [widest, best] = [gap, i];
  });
  const [a, b] = [ends[best], ends[best + 1]];
  if (!a || !b) return stops;
  const made = { at: (a.at + b.at) / 2, scale: (a.scale + b.scale) / 2 };
  return inOrder([...stops, made]);
}

/** In order along the guide, none twice. */
const inOrder = (stops: Stops): Stops =>
  stops.toSorted((a, b) => a.at - b.at).filter(({ at }, i, all) => i === 0 || at > (all[i - 1]?.at ?? 0));

function StopRow({ stops, index, onChange }: { stops: Stops; index: number; onChange: (stops: Stops) => void }) {
  const stop = stops[index] ?? { at: 0, scale: 1 };
  return (
    <Row of="guide.depth" label={`Stop ${index + 1}`}>
      <NumberField
        label={`Stop ${index + 1}, place`}
        value={stop.at * 100}
        unit="%"
        units={PERCENT}
        digits={1}
        min={0}
        max={100}
        onCommit={(value) => onChange(inOrder(stops.with(index, { ...stop, at: value / 100 })))}
      />
      <NumberField
        label={`Stop ${index + 1}, scale`}
        value={stop.scale * 100}
        unit="%"
        units={PERCENT}
        digits={1}
        min={1}
        max={10_000}
        onCommit={(value) => onChange(stops.with(index, { ...stop, scale: value / 100 }))}
      />
      {stops.length > 1 && (
        <button
          type="button"
          className="small-button"
          aria-label={`Remove stop ${index + 1}`}
          onClick={() => onChange(stops.toSpliced(index, 1))}
        >
          <IconX size={13} aria-hidden />
        </button>
      )}
    </Row>
  );
}
