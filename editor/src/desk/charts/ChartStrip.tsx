import { Checkbox, CloseButton, Menu, Popover } from '@mantine/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { loopLength, measuresOf, motionAsSet, standoutsOf, type Axes, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { tintOf } from '../../figures/sheet/index.ts';
import { NumberField } from '../../fields/index.ts';
import { seconds } from '../../words/labels.ts';
import { Segments } from '../cards/Card.tsx';
import { useDesk } from '../context.ts';
import { useRoute } from '../sheet/use-route.ts';
import { useDeskView } from '../view.ts';
import { ACROSS, QUANTITIES, type Across, type Quantity } from './quantities.ts';
import './charts.css';

const Plot = lazy(() => import('./Plot.tsx'));

/** Looks over the loop for a chart. */
const LOOKS = 360;

/** Riders whose lines can be told apart in one chart. */
const MOST = 8;

/** Most that a limit can be. */
const MOST_LIMIT = 1e7;

const QUANTITY_NAMES = (Object.keys(QUANTITIES) as Quantity[]).map((key) => [key, QUANTITIES[key].name] as const);

/** Speed, acceleration and turn rate of riders of the route as a strip of the sheet: on its time axis, under its playhead. */
export function ChartStrip({ axes }: { readonly axes: Axes }) {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const set = useDeskView((state) => state.set);
  const { guide, riders, selected } = useRoute(scene, selection);
  const [quantity, setQuantity] = useState<Quantity>('speed');
  const [across, setAcross] = useState<Across>('time');
  const [others, setOthers] = useState<readonly string[]>([]);
  const [limits, setLimits] = useState<Partial<Record<Quantity, number>>>({});
  const shown = riders.filter(({ id }) => id === selected?.id || others.includes(id)).slice(0, MOST);
  const what = QUANTITIES[quantity];
  const limit = limits[quantity] ?? 0;
  const setLimit = (value: number): void => setLimits({ ...limits, [quantity]: value });
  return (
    <section className="chart-strip" aria-label="Charts">
      <div className="chart-choices">
        <Segments label="Quantity" value={quantity} options={QUANTITY_NAMES} onChange={setQuantity} />
        <Segments label="Over" value={across} options={ACROSS} onChange={setAcross} />
        <label className="chart-limit">
          <span title="Drawn across the chart; drag it there too. 0: none">Limit</span>
          <NumberField
            label={`Limit of the ${what.name}`}
            value={limit}
            unit={what.unit}
            units={{ '': 1, [what.unit]: 1 }}
            digits={1}
            min={0}
            max={MOST_LIMIT}
            onCommit={setLimit}
          />
        </label>
        {riders.length > 1 && <With {...{ riders, others, setOthers }} selected={selected?.id} />}
        {selected && <Standouts rider={selected} />}
        <span className="spacer" />
        <CloseButton size="sm" aria-label="Close Charts" onClick={() => set({ charts: false })} />
      </div>
      {guide && shown.length > 0 ? (
        <Curves
          {...{ riders, shown, quantity, across, limit, axes }}
          color={guide.color}
          selected={selected?.id}
          onLimit={setLimit}
        />
      ) : (
        <p className="card-note">Select a rider on a guide: what it does is drawn here.</p>
      )}
    </section>
  );
}

interface WithProps {
  readonly riders: readonly Rider[];
  readonly selected: string | undefined;
  readonly others: readonly string[];
  readonly setOthers: (others: readonly string[]) => void;
}

/** Which other riders of the route are drawn too. */
function With({ riders, selected, others, setOthers }: WithProps) {
  return (
    <Popover position="top" shadow="md" trapFocus>
      <Popover.Target>
        <button type="button" className="small-button">
          {others.length > 0 ? `With ${others.length} more` : 'Compare with…'}
        </button>
      </Popover.Target>
      <Popover.Dropdown className="chart-riders" aria-label="Riders that are drawn too">
        {riders
          .filter(({ id }) => id !== selected)
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
      </Popover.Dropdown>
    </Popover>
  );
}

interface CurvesProps {
  readonly axes: Axes;
  readonly riders: readonly Rider[];
  readonly shown: readonly Rider[];
  readonly selected: string | undefined;
  readonly color: string;
  readonly quantity: Quantity;
  readonly across: Across;
  readonly limit: number;
  readonly onLimit: (limit: number) => void;
}

function Curves({ axes, riders, shown, selected, color, quantity, across, limit, onLimit }: CurvesProps) {
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
        {...{ curves, color, across, axes, length, limit, onLimit }}
        what={QUANTITIES[quantity]}
        onTime={(time) => desk.playback.seek(time)}
      />
    </Suspense>
  );
}

/** Peaks and stalls of the selected rider's speed, in words: chosen, the playhead goes there. */
function Standouts({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const moving = motionAsSet(scene, rider.id);
  const length = loopLength(scene.clock);
  const found = useMemo(() => (moving ? standoutsOf(measuresOf(moving, length, LOOKS)) : []), [moving, length]);
  if (found.length === 0) return null;
  return (
    <Menu position="top" shadow="md">
      <Menu.Target>
        <button type="button" className="small-button" aria-label={`Peaks and stops of ${rider.name}`}>
          Go to…
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {found.slice(0, 12).map(({ kind, time, value }) => (
          <Menu.Item key={`${kind} ${time}`} className="figures" onClick={() => desk.playback.seek(time)}>
            {kind === 'peak' ? `peak ${Math.round(Math.abs(value))} px/s` : 'stop'} at {seconds(time)}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}
