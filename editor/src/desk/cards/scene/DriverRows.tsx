import { IconX } from '@tabler/icons-react';
import { Fragment } from 'react';
import { loopLength, runsByTime, scrollStops, setDriver, type Driver, type Scene } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, YesRow } from '../rows.tsx';

const DRIVERS: readonly { readonly value: Driver['kind']; readonly label: string }[] = [
  { value: 'time', label: 'autoplay' },
  { value: 'scroll', label: 'scroll' },
  { value: 'over', label: 'pointer over' },
  { value: 'click', label: 'click' },
  { value: 'enter', label: 'in view' },
];

/** A driver of a kind with all that it may say left as it is offered. */
const newDriver = (kind: Driver['kind']): Driver =>
  ({
    time: { kind: 'time' },
    scroll: { kind: 'scroll', enters: null, middle: null, leaves: null },
    over: { kind: 'over', leaving: 'back' },
    click: { kind: 'click', again: 'back' },
    enter: { kind: 'enter', again: false },
  })[kind] as Driver;

/** Which further kinds may drive beside others: each once; a passage through the window alone. */
const besides = (drivers: readonly Driver[]): typeof DRIVERS =>
  DRIVERS.filter(({ value }) => value !== 'scroll' && !drivers.some(({ kind }) => kind === value || kind === 'scroll'));

const kindOf = (value: string | null): Driver['kind'] | undefined => DRIVERS.find((one) => one.value === value)?.value;

/** What drives the scene where it is shown on a page, each trigger with what it says of itself, and trying that out. */
export function DriverRows() {
  const desk = useDesk();
  const drivers = useDocumentState((state) => state.shown.driver);
  const set = (driver: Scene['driver']): void => void perform(desk, 'Change trigger', setDriver, { driver });
  const more = besides(drivers);
  return (
    <>
      {drivers.map((driver, i) => {
        const change = (next: Driver): void => set(drivers.map((one) => (one === driver ? next : one)));
        const label = i === 0 ? 'Trigger' : `Trigger ${i + 1}`;
        // Scrolling stands alone: only the one trigger that there is can become that.
        const others = drivers.length === 1 ? DRIVERS : [driver, ...more].flatMap((one) => named(one));
        return (
          <Fragment key={driver.kind}>
            <Row of="scene.trigger" label={label}>
              <ChoiceField
                label={label}
                value={driver.kind}
                data={others}
                onChange={(value) => {
                  const kind = kindOf(value);
                  if (kind && kind !== driver.kind) change(newDriver(kind));
                }}
              />
              {i === 0 && !runsByTime(drivers) && <TryButton />}
              {drivers.length > 1 && (
                <button
                  type="button"
                  className="small-button"
                  aria-label={`Remove ${label.toLowerCase()}`}
                  title={`Remove ${label.toLowerCase()}`}
                  onClick={() => set(drivers.filter((one) => one !== driver))}
                >
                  <IconX size={13} aria-hidden />
                </button>
              )}
            </Row>
            <DriverDetails driver={driver} onChange={change} />
          </Fragment>
        );
      })}
      {more.length > 0 && drivers.length > 0 && !runsByTime(drivers) && (
        <Row of="scene.trigger.add">
          <ChoiceField
            label="Add a trigger"
            value=""
            data={[{ value: '', label: 'none' }, ...more]}
            onChange={(value) => {
              const kind = kindOf(value);
              if (kind) set([...drivers, newDriver(kind)]);
            }}
          />
        </Row>
      )}
    </>
  );
}

/** A kind as it is offered, of a driver or of what is offered already. */
const named = (one: Driver | (typeof DRIVERS)[number]): typeof DRIVERS =>
  DRIVERS.filter(({ value }) => value === ('kind' in one ? one.kind : one.value));

function TryButton() {
  const trying = useDeskView((state) => state.trying);
  return (
    <button
      type="button"
      className="small-button"
      aria-pressed={trying}
      title="The canvas behaves as on a page; Escape ends it"
      onClick={() => useDeskView.getState().set({ trying: !trying, openCard: null, page: 'canvas' })}
    >
      Try it
    </button>
  );
}

/** What a driver says of its second event, or of the times between which it is scrolled. */
function DriverDetails({ driver, onChange }: { driver: Driver; onChange: (driver: Driver) => void }) {
  if (driver.kind === 'over')
    return (
      <ChoiceRow
        of="scene.leaving"
        value={driver.leaving}
        options={[
          ['back', 'plays back'],
          ['stop', 'pauses'],
          ['finish', 'finishes'],
        ]}
        onChange={(leaving) => onChange({ ...driver, leaving })}
      />
    );
  if (driver.kind === 'click')
    return (
      <ChoiceRow
        of="scene.click"
        value={driver.again}
        options={[
          ['back', 'plays back'],
          ['stop', 'pauses'],
          ['restart', 'restarts'],
        ]}
        onChange={(again) => onChange({ ...driver, again })}
      />
    );
  if (driver.kind === 'enter')
    return <YesRow of="scene.each" value={driver.again} onChange={(again) => onChange({ ...driver, again })} />;
  return driver.kind === 'scroll' ? <ScrollRows driver={driver} onChange={onChange} /> : null;
}

interface ScrollRowsProps {
  readonly driver: Extract<Driver, { kind: 'scroll' }>;
  readonly onChange: (driver: Driver) => void;
}

const STOPS = [
  ['enters', 'Enters view at'],
  ['middle', 'Centred at'],
  ['leaves', 'Leaves view at'],
] as const;

/** The times of the loop that are shown as it comes into the window, passes its middle, and goes out. */
function ScrollRows({ driver, onChange }: ScrollRowsProps) {
  const { playback } = useDesk();
  const clock = useDocumentState((state) => state.shown.clock);
  const times = scrollStops(driver, clock);
  return STOPS.map(([key, label], i) => (
    <Row key={key} of="scene.scroll" label={label}>
      <NumberField
        label={label}
        value={times[i] ?? 0}
        unit="s"
        units={secondsAt(clock.fps)}
        digits={3}
        min={0}
        max={loopLength(clock)}
        onCommit={(time) => onChange({ ...driver, [key]: time })}
      />
      <button
        type="button"
        className="small-button"
        aria-label={`${label} the playhead’s time`}
        title="The playhead’s time"
        onClick={() => onChange({ ...driver, [key]: Math.round(playback.time * 1e6) / 1e6 })}
      >
        Here
      </button>
    </Row>
  ));
}
