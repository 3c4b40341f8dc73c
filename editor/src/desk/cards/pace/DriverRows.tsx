import { loopLength, scrollStops, setDriver, type Driver } from '@pace-line/core';
import { useCalmState } from '../../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../../fields/index.ts';
import { perform } from '../../actions/change.ts';
import { useDesk } from '../../context.ts';
import { useDeskView } from '../../view.ts';
import { Row } from '../Card.tsx';
import { ChoiceRow, YesRow } from '../rows.tsx';

const DRIVERS: readonly { readonly value: Driver['kind']; readonly label: string }[] = [
  { value: 'time', label: 'time, by itself' },
  { value: 'scroll', label: 'scrolling past' },
  { value: 'over', label: 'the pointer over it' },
  { value: 'click', label: 'a click' },
  { value: 'enter', label: 'coming into view' },
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

/** What drives the scene where it is shown on a page, and trying that out. */
export function DriverRows() {
  const desk = useDesk();
  const driver = useCalmState((state) => state.shown.driver);
  const trying = useDeskView((state) => state.trying);
  const set = (next: Driver): void => void perform(desk, 'Change what drives it', setDriver, { driver: next });
  return (
    <>
      <Row label="Driven by">
        <ChoiceField
          label="Driven by"
          value={driver.kind}
          data={DRIVERS}
          onChange={(value) => {
            const kind = DRIVERS.find((one) => one.value === value)?.value;
            if (kind) set(newDriver(kind));
          }}
        />
        {driver.kind !== 'time' && (
          <button
            type="button"
            className="small-button"
            aria-pressed={trying}
            title="The canvas behaves as on a page; Escape ends it"
            onClick={() => useDeskView.getState().set({ trying: !trying, openCard: null, page: 'canvas' })}
          >
            try it
          </button>
        )}
      </Row>
      {driver.kind === 'over' && (
        <ChoiceRow
          label="When it leaves"
          value={driver.leaving}
          options={[
            ['back', 'goes back'],
            ['stop', 'stands'],
            ['finish', 'finishes'],
          ]}
          onChange={(leaving) => set({ ...driver, leaving })}
        />
      )}
      {driver.kind === 'click' && (
        <ChoiceRow
          label="The next click"
          value={driver.again}
          options={[
            ['back', 'turns it round'],
            ['stop', 'stops'],
            ['restart', 'begins anew'],
          ]}
          onChange={(again) => set({ ...driver, again })}
        />
      )}
      {driver.kind === 'enter' && (
        <YesRow label="Each time" value={driver.again} onChange={(again) => set({ ...driver, again })} />
      )}
      {driver.kind === 'scroll' && <ScrollRows driver={driver} onChange={set} />}
    </>
  );
}

interface ScrollRowsProps {
  readonly driver: Extract<Driver, { kind: 'scroll' }>;
  readonly onChange: (driver: Driver) => void;
}

const STOPS = [
  ['enters', 'Comes in at'],
  ['middle', 'In the middle at'],
  ['leaves', 'Goes out at'],
] as const;

/** The times of the loop that are shown as it comes into the window, passes its middle, and goes out. */
function ScrollRows({ driver, onChange }: ScrollRowsProps) {
  const { playback } = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const times = scrollStops(driver, clock);
  return STOPS.map(([key, label], i) => (
    <Row key={key} label={label}>
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
        here
      </button>
    </Row>
  ));
}
