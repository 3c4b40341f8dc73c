import { useState } from 'react';
import { copiesAlong, cycleOf, type Rider, type Spread } from '@pace-line/core';
import { toggled, useDocumentState } from '../../../document/index.ts';
import { ChoiceField, PERCENT, PX, secondsAt } from '../../../fields/index.ts';
import { offered, perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, NumberRow, YesRow } from '../rows.tsx';

const NONE = '·none';

/** What stands beside the number while it is being thought about. */
interface Wishes {
  readonly count: number;
  readonly by: Spread['by'];
  /** s between two that start one after the other, and px between two of a train; null: as much as suits the rider. */
  readonly seconds: number | null;
  readonly gap: number | null;
  readonly hidden: boolean;
  readonly linked: boolean;
  readonly vary: number;
  readonly arts: readonly string[];
}

const FIRST: Wishes = {
  count: 8,
  by: 'time',
  seconds: null,
  gap: null,
  hidden: false,
  linked: false,
  vary: 0,
  arts: [],
};

/** Copies along the guide: how many, how they are spread, whether they share their marks, and how they differ. */
export function CopiesRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const [wishes, setWishes] = useState(FIRST);
  const wish = (change: Partial<Wishes>): void => setWishes((now) => ({ ...now, ...change }));
  const seconds = wishes.seconds ?? cycleOf(rider, scene.clock) / (2 * wishes.count);
  const gap = wishes.gap ?? (scene.art.find(({ id }) => id === rider.art)?.width ?? 60) * Math.abs(rider.scale[0]);
  const args = {
    ...{ rider: rider.id, count: wishes.count, linked: wishes.linked, vary: wishes.vary, arts: wishes.arts },
    spread: spreadOf(wishes.by, seconds, gap),
    hidden: wishes.by === 'stagger' && wishes.hidden,
  };
  return (
    <>
      <NumberRow
        of="rider.copies"
        name="Number along the guide"
        value={wishes.count}
        unit=""
        units={PX}
        digits={0}
        min={2}
        max={500}
        onCommit={(value) => wish({ count: Math.round(value) })}
      />
      <SpreadRows rider={rider} wishes={wishes} seconds={seconds} gap={gap} wish={wish} />
      <YesRow of="rider.copies.linked" value={wishes.linked} onChange={(linked) => wish({ linked })} />
      <div className="row-actions">
        <button
          type="button"
          className="small-button"
          {...offered(scene, copiesAlong, args)}
          onClick={() => perform(desk, `Create ${wishes.count} along the guide`, copiesAlong, args)}
        >
          Create
        </button>
      </div>
    </>
  );
}

function spreadOf(by: Spread['by'], seconds: number, gap: number): Spread {
  if (by === 'stagger') return { by, seconds };
  return by === 'train' ? { by, gap } : { by };
}

interface SpreadRowsProps {
  readonly rider: Rider;
  readonly wishes: Wishes;
  readonly seconds: number;
  readonly gap: number;
  readonly wish: (change: Partial<Wishes>) => void;
}

/** How copies are spread, and how they differ. */
function SpreadRows({ rider, wishes, seconds, gap, wish }: SpreadRowsProps) {
  const scene = useDocumentState((state) => state.shown);
  const others = scene.art.filter(({ id }) => id !== rider.art);
  return (
    <>
      <ChoiceRow
        of="rider.copies.by"
        value={wishes.by}
        options={[
          ['time', 'time'],
          ['distance', 'distance'],
          ['stagger', 'one after another'],
          ['train', 'train'],
        ]}
        onChange={(by) => wish({ by })}
      />
      {wishes.by === 'stagger' && (
        <NumberRow
          of="rider.copies.seconds"
          value={seconds}
          unit="s"
          units={secondsAt(scene.clock.fps)}
          min={0}
          max={3600}
          onCommit={(value) => wish({ seconds: value })}
        />
      )}
      {wishes.by === 'stagger' && (
        <YesRow of="rider.copies.hidden" value={wishes.hidden} onChange={(hidden) => wish({ hidden })} />
      )}
      {wishes.by === 'train' && (
        <NumberRow
          of="rider.copies.gap"
          value={gap}
          unit="px"
          units={PX}
          min={-100_000}
          max={100_000}
          onCommit={(value) => wish({ gap: value })}
        />
      )}
      <NumberRow
        of="rider.copies.vary"
        value={wishes.vary * 100}
        unit="%"
        units={PERCENT}
        digits={0}
        min={0}
        max={90}
        onCommit={(value) => wish({ vary: value / 100 })}
      />
      {others.length > 0 && (
        <Row of="rider.copies.arts">
          <ChoiceField
            label="Art in turn with its own"
            searchable
            value={NONE}
            data={[
              { value: NONE, label: wishes.arts.length === 0 ? 'its own' : `its own and ${wishes.arts.length}` },
              ...others.map(({ id, name }) => ({ value: id, label: wishes.arts.includes(id) ? `${name} ✓` : name })),
            ]}
            onChange={(id) => {
              if (id !== NONE) wish({ arts: toggled(wishes.arts, id) });
            }}
          />
        </Row>
      )}
    </>
  );
}
