import { Checkbox } from '@mantine/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { loopLength, measuresOf, motionAsSet, standoutsOf, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { NumberField } from '../../fields/index.ts';
import { PlainRow, Segments } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import { Drawer } from '../drawers/Drawer.tsx';
import { seconds } from '../../words/labels.ts';
import { useRoute } from '../sheet/use-route.ts';
import { tintOf } from '../../figures/sheet/index.ts';
import { ACROSS, QUANTITIES, type Across, type Quantity } from './quantities.ts';
import './charts.css';

const Plot = lazy(() => import('./Plot.tsx'));

/** Looks over the loop for a chart. */
const LOOKS = 360;

/** Riders whose lines can be told apart in one chart. */
const MOST = 8;

/** Speed, acceleration and turn of chosen riders of the route, over time or along the guide. */
export function ChartsDrawer() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const { guide, riders, selected } = useRoute(scene, selection);
  const [quantity, setQuantity] = useState<Quantity>('speed');
  const [across, setAcross] = useState<Across>('time');
  const [others, setOthers] = useState<readonly string[]>([]);
  const [limits, setLimits] = useState<Partial<Record<Quantity, number>>>({});
  const shown = riders.filter(({ id }) => id === selected?.id || others.includes(id)).slice(0, MOST);
  const what = QUANTITIES[quantity];
  const limit = limits[quantity] ?? 0;
  return (
    <Drawer title="Charts">
      <div className="chart-choices">
        <Segments label="What" value={quantity} options={QUANTITY_NAMES} onChange={setQuantity} />
        <Segments label="Over" value={across} options={ACROSS} onChange={setAcross} />
      </div>
      {guide && shown.length > 0 ? (
        <Curves {...{ riders, shown, quantity, across, limit }} color={guide.color} selected={selected?.id} />
      ) : (
        <p className="card-note">Select a rider on a guide: what it does is drawn here.</p>
      )}
      <PlainRow label={`Limit, ${what.unit}`}>
        <NumberField
          label={`Limit of the ${what.name}`}
          value={limit}
          unit=""
          units={{ '': 1, [what.unit]: 1 }}
          digits={1}
          min={0}
          max={1e7}
          onCommit={(value) => setLimits({ ...limits, [quantity]: value })}
        />
      </PlainRow>
      {selected && <Standouts rider={selected} />}
      {riders.length > 1 && (
        <fieldset className="chart-riders">
          <legend>With</legend>
          {riders
            .filter(({ id }) => id !== selected?.id)
            .slice(0, 40)
            .map(({ id, name }) => (
              <Checkbox
                key={id}
                size="xs"
                label={name}
                checked={others.includes(id)}
                onChange={(event) =>
                  setOthers(event.currentTarget.checked ? [...others, id] : others.filter((one) => one !== id))
                }
              />
            ))}
        </fieldset>
      )}
    </Drawer>
  );
}

const QUANTITY_NAMES = (Object.keys(QUANTITIES) as Quantity[]).map((key) => [key, QUANTITIES[key].name] as const);

interface CurvesProps {
  readonly riders: readonly Rider[];
  readonly shown: readonly Rider[];
  readonly selected: string | undefined;
  readonly color: string;
  readonly quantity: Quantity;
  readonly across: Across;
  readonly limit: number;
}

function Curves({ riders, shown, selected, color, quantity, across, limit }: CurvesProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const length = loopLength(scene.clock);
  const word = shown.map(({ id }) => id).join(' ');
  const curves = useMemo(
    () =>
      word.split(' ').flatMap((id) => {
        const moving = motionAsSet(scene, id);
        const rider = riders.find((one) => one.id === id);
        if (!moving || !rider) return [];
        const measures = measuresOf(moving, length, LOOKS);
        const { of } = QUANTITIES[quantity];
        const tint = tintOf(color, riders.indexOf(rider));
        return [
          {
            id,
            name: rider.name,
            isSelected: id === selected,
            dash: tint.dash,
            measures,
            points: measures.map((one) => ({ x: across === 'time' ? one.time : one.distance, y: of(one) })),
            marks:
              quantity === 'speed' && id === selected
                ? standoutsOf(measures).map(({ kind, time, value }) => ({
                    kind,
                    x: across === 'time' ? time : moving.distanceAt(time),
                    y: value,
                  }))
                : [],
          },
        ];
      }),
    [scene, riders, word, quantity, across, selected, color, length],
  );
  return (
    <Suspense fallback={<div className="chart-plot" />}>
      <Plot
        curves={curves}
        color={color}
        what={QUANTITIES[quantity]}
        across={across}
        length={length}
        limit={limit}
        onTime={(time) => desk.playback.seek(time)}
      />
    </Suspense>
  );
}

/** Peaks and stalls of the selected rider's speed, in words: pressed, the playhead goes there. */
function Standouts({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const moving = motionAsSet(scene, rider.id);
  const length = loopLength(scene.clock);
  const found = useMemo(() => (moving ? standoutsOf(measuresOf(moving, length, LOOKS)) : []), [moving, length]);
  if (found.length === 0) return null;
  return (
    <ul className="standouts" aria-label={`Peaks and stalls of ${rider.name}`}>
      {found.slice(0, 12).map(({ kind, time, value }) => (
        <li key={`${kind} ${time}`}>
          <button type="button" className="plain-button figures" onClick={() => desk.playback.seek(time)}>
            {kind === 'peak' ? `peak ${Math.round(Math.abs(value))} px/s` : 'stall'} at {seconds(time)}
          </button>
        </li>
      ))}
    </ul>
  );
}
