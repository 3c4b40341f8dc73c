import {
  artOfRider,
  partIdsOf,
  pictureOf,
  riderById,
  setBounds,
  type Area,
  type Bound,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import type { Desk } from '../../desk.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow } from '../rows.tsx';

/** Areas of a scene that a rider can be held to, with their names. */
export function areasFor({ guides, riders }: Scene, rider: Rider): readonly (readonly [area: Area, label: string])[] {
  const lanes = guides.filter(({ corridor }) => corridor !== null);
  const closed = guides.filter((guide) => guide.closed);
  const others = riders.filter(({ id }) => id !== rider.id);
  return [
    ...lanes.map(({ id, name }) => [{ kind: 'lane', guide: id }, `lane of ${name}`] as const),
    ...closed.map(({ id, name }) => [{ kind: 'inside', guide: id }, `inside ${name}`] as const),
    ...guides.flatMap((a, i) =>
      guides
        .slice(i + 1)
        .filter((b) => a.closed === b.closed && a.carrier === b.carrier)
        .slice(0, MOST_PAIRS)
        .map((b) => [{ kind: 'between', guides: [a.id, b.id] }, `between ${a.name} and ${b.name}`] as const),
    ),
    ...others.map(({ id, name }) => [{ kind: 'art', rider: id, part: null }, `painted by ${name}`] as const),
  ];
}

/** Guides that each guide is offered with, as the two edges of a track. */
const MOST_PAIRS = 12;

export const boundOf = ({ checks }: Scene, { id }: Rider): Bound | undefined =>
  checks.bounds.find(({ rider }) => rider === id);

/** Sets what a rider is held to; what else was set for it stays. */
export function changeBound(desk: Desk, scene: Scene, { id }: Rider, bound: Omit<Bound, 'rider'> | null): void {
  const [, ...more] = scene.checks.bounds.filter(({ rider }) => rider === id);
  perform(desk, bound ? 'Change what it stays within' : 'Remove what it stays within', setBounds, {
    rider: id,
    bounds: [...(bound ? [bound] : []), ...more],
  });
}

const SIDES = [
  ['in', 'within'],
  ['out', 'out of it'],
] as const;

const BY = [
  ['body', 'whole art'],
  ['pivot', 'pivot'],
] as const;

const WHOLE = '·whole';

/** The area that a rider has to stay within, or out of. */
export function BoundsRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const bound = boundOf(scene, rider);
  const areas = areasFor(scene, rider);
  const set = (next: Partial<Omit<Bound, 'rider'>>): void => {
    const area = bound?.area ?? areas[0]?.[0];
    if (area) changeBound(desk, scene, rider, { side: 'in', by: 'body', ...bound, area, ...next });
  };
  return (
    <>
      <Row of="rider.bounds">
        <ChoiceField
          label="Area to stay within"
          searchable
          value={bound ? wordOf(bound.area) : ''}
          data={areas.map(([area, label]) => ({ value: wordOf(area), label }))}
          onChange={(chosen) => {
            const found = areas.find(([area]) => wordOf(area) === chosen);
            if (found) set({ area: found[0] });
          }}
        />
      </Row>
      {bound?.area.kind === 'art' && <PartRow scene={scene} area={bound.area} onArea={(area) => set({ area })} />}
      <ChoiceRow
        of="rider.bounds.side"
        value={bound?.side ?? null}
        options={SIDES}
        onChange={(side) => set({ side })}
      />
      <ChoiceRow of="rider.bounds.by" value={bound?.by ?? null} options={BY} onChange={(by) => set({ by })} />
    </>
  );
}

/** An area as the list knows it, whatever part of a drawing it is. */
const wordOf = (area: Area): string => JSON.stringify(area.kind === 'art' ? { ...area, part: null } : area);

interface PartRowProps {
  readonly scene: Scene;
  readonly area: Extract<Area, { kind: 'art' }>;
  readonly onArea: (area: Area) => void;
}

/** Which part of a drawing is meant: those that have an id. */
function PartRow({ scene, area, onArea }: PartRowProps) {
  const rider = riderById(scene, area.rider);
  const art = rider && artOfRider(scene, rider);
  const picture = art && pictureOf(art, 1);
  const parts = picture ? partIdsOf(picture) : [];
  if (parts.length === 0) return null;
  return (
    <Row of="rider.bounds.part">
      <ChoiceField
        label="Part of the drawing"
        searchable
        value={area.part ?? WHOLE}
        data={[{ value: WHOLE, label: 'all of it' }, ...parts.map((part) => ({ value: part, label: part }))]}
        onChange={(part) => onArea({ ...area, part: part === WHOLE ? null : part })}
      />
    </Row>
  );
}
