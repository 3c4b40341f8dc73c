import {
  cycleOf,
  distanceOfPlace,
  guideById,
  loopLength,
  pathOfGuide,
  retimeMark,
  riderById,
  setClock,
  setDwell,
  setPace,
  stretchMarks,
  type Guide,
  type Mark,
  type Repeat,
  type Rider,
} from '@pace-line/core';
import { useState } from 'react';
import { selectRider, useDocument, useCalmState } from '../../document/index.ts';
import { ChoiceField, NumberField, PERCENT, PX, secondsAt } from '../../fields/index.ts';
import { useDesk } from '../context.ts';
import { seconds } from '../labels.ts';
import { Card, Row, Segments } from './Card.tsx';
import { EaseSelect } from './EaseSelect.tsx';
import { change, perform } from '../actions/change.ts';
import { deleteSelected } from '../actions/selecting.ts';
import { addMark } from '../actions/marks.ts';

const REPEATS: readonly (readonly [Repeat, string])[] = [
  ['loop', 'loops'],
  ['there-and-back', 'there and back'],
  ['once', 'once'],
];

/** A rider's own repeat, told apart from the scene's by what its cycle does. */
const OWN_REPEATS: readonly { readonly value: Repeat; readonly label: string }[] = [
  { value: 'loop', label: 'its cycle loops' },
  { value: 'there-and-back', label: 'there and back' },
  { value: 'once', label: 'once, then stays' },
];
const AS_SCENE = '·scene';

/** Card 4: the marks of the selected rider, and the clock. */
export function PaceCard() {
  const scene = useCalmState((state) => state.shown);
  const selection = useCalmState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const guide = guideById(scene, rider?.guide ?? null);
  const count = rider?.pace.marks.length ?? 0;
  const summary =
    rider && guide
      ? `${count} ${count === 1 ? 'mark' : 'marks'} · ${seconds(cycleOf(rider, scene.clock))}`
      : `${scene.clock.repeat === 'once' ? 'plays' : 'loop of'} ${seconds(loopLength(scene.clock))}`;
  return (
    <Card name="pace" number={4} title="Pace" summary={summary}>
      {rider && guide ? <PaceRows rider={rider} guide={guide} chosen={selection.marks} /> : <ClockRows />}
      {rider && guide && (
        <>
          <hr className="card-rule" />
          <ClockRows />
        </>
      )}
    </Card>
  );
}

interface PaceRowsProps {
  readonly rider: Rider;
  readonly guide: Guide;
  readonly chosen: readonly string[];
}

function PaceRows({ rider, guide, chosen }: PaceRowsProps) {
  const mark = rider.pace.marks.find((one) => one.id === chosen[0]) ?? rider.pace.marks[0];
  if (!mark) return <p className="card-empty">No marks yet.</p>;
  const isLast = mark === rider.pace.marks.at(-1);
  return (
    <>
      <MarkRows rider={rider} guide={guide} mark={mark} />
      {!isLast && (
        <Row label="Leg after it">
          <EaseSelect rider={rider} mark={mark} marks={chosen.length > 1 ? chosen : [mark.id]} />
        </Row>
      )}
      <MarksRow rider={rider} chosen={chosen.length > 0 ? chosen : [mark.id]} />
      <StretchRow rider={rider} chosen={chosen} />
      <CycleRows rider={rider} />
    </>
  );
}

/** Stretches this rider's marks alone: those that are chosen, or all. */
function StretchRow({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const desk = useDesk();
  const marks = chosen.length > 1 ? chosen : rider.pace.marks.map(({ id }) => id);
  if (marks.length < 2) return null;
  return (
    <Row label={chosen.length > 1 ? `Stretch these ${chosen.length} by` : 'Stretch marks by'}>
      <NumberField
        label="Stretch the marks in time by"
        value={100}
        unit="%"
        units={PERCENT}
        min={0.1}
        max={100_000}
        onCommit={(percent) =>
          perform(desk, 'Stretch marks', stretchMarks, { rider: rider.id, marks, factor: percent / 100 })
        }
      />
    </Row>
  );
}

/** One mark: which it is, its time, its rest, its place. */
function MarkRows({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const doc = useDocument();
  const desk = useDesk();
  const { fps } = useCalmState((state) => state.shown.clock);
  const units = secondsAt(fps);
  return (
    <>
      <Row label="Mark">
        <ChoiceField
          label="Mark"
          value={mark.id}
          data={rider.pace.marks.map((one, i) => ({ value: one.id, label: `${i + 1} of ${rider.pace.marks.length}` }))}
          onChange={(id) => doc.select(selectRider(rider.id, [id]))}
        />
        <NumberField
          label="Time of the mark"
          value={mark.time}
          unit="s"
          units={units}
          step={1 / fps}
          digits={3}
          min={0}
          onCommit={(time) =>
            change(desk, 'Move mark', (scene) => retimeMark(scene, { rider: rider.id, mark: mark.id, time }))
          }
        />
      </Row>
      <Row label="Rests, place">
        <NumberField
          label="Rests there"
          value={mark.dwell}
          unit="s"
          units={units}
          step={1 / fps}
          digits={3}
          min={0}
          onCommit={(dwell) =>
            change(desk, 'Change rest', (scene) => setDwell(scene, { rider: rider.id, mark: mark.id, dwell }))
          }
        />
        <MarkPlace rider={rider} guide={guide} mark={mark} />
      </Row>
    </>
  );
}

/** Adding a mark, and deleting the chosen ones. */
function MarksRow({ rider, chosen }: { rider: Rider; chosen: readonly string[] }) {
  const doc = useDocument();
  const desk = useDesk();
  return (
    <Row label="Marks">
      <button type="button" className="small-button" onClick={() => addMark(desk, rider.id)}>
        add at playhead
      </button>
      <button
        type="button"
        className="small-button"
        disabled={rider.pace.marks.length < 2}
        onClick={() => {
          doc.select(selectRider(rider.id, chosen));
          deleteSelected(desk);
        }}
      >
        delete
      </button>
    </Row>
  );
}

/** The rider's own time: when it starts, how long its cycle is, how it repeats. */
function CycleRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const units = secondsAt(clock.fps);
  const patch = (label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
    change(desk, label, (scene) => setPace(scene, { rider: rider.id, patch: next }));
  return (
    <>
      <Row label="Starts after">
        <NumberField
          label="Starts after"
          value={rider.pace.delay}
          unit="s"
          units={units}
          digits={3}
          step={1 / clock.fps}
          onCommit={(delay) => patch('Change delay', { delay })}
        />
      </Row>
      <Row label="Cycle">
        <NumberField
          label="Own cycle"
          value={cycleOf(rider, clock)}
          unit="s"
          units={units}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(cycle) => patch('Change cycle', { cycle: Math.abs(cycle - clock.duration) < 1e-9 ? null : cycle })}
        />
      </Row>
      <Row label="This rider">
        <ChoiceField
          label="Rider repeats"
          value={rider.pace.repeat ?? AS_SCENE}
          data={[{ value: AS_SCENE, label: 'as the scene' }, ...OWN_REPEATS]}
          onChange={(value) =>
            patch('Change repeat', { repeat: OWN_REPEATS.find((one) => one.value === value)?.value ?? null })
          }
        />
      </Row>
    </>
  );
}

function MarkPlace({ rider, guide, mark }: { rider: Rider; guide: Guide; mark: Mark }) {
  const desk = useDesk();
  const path = pathOfGuide(guide);
  const distance = distanceOfPlace(guide, path, mark.place);
  return (
    <NumberField
      label="Place along the guide"
      value={distance}
      unit="px"
      units={guide.closed ? { ...PX, lap: path.length, laps: path.length } : PX}
      digits={1}
      onCommit={(next) =>
        change(desk, 'Move mark', (scene) =>
          retimeMark(scene, { rider: rider.id, mark: mark.id, time: mark.time, distance: next }),
        )
      }
    />
  );
}

function ClockRows() {
  const desk = useDesk();
  const clock = useCalmState((state) => state.shown.clock);
  const hasOwn = useCalmState(({ shown }) => shown.riders.some(({ pace }) => pace.cycle !== null || pace.delay !== 0));
  const [along, setAlong] = useState(false);
  const isBack = clock.repeat === 'there-and-back';
  return (
    <>
      <Row label={isBack ? 'One way lasts' : 'Loop lasts'}>
        <NumberField
          label={isBack ? 'One way lasts' : 'Loop lasts'}
          value={clock.duration}
          unit="s"
          units={secondsAt(clock.fps)}
          digits={3}
          min={0.01}
          max={3600}
          onCommit={(duration) => change(desk, 'Change duration', (scene) => setClock(scene, { duration, along }))}
        />
        <NumberField
          label="Frames a second"
          value={clock.fps}
          unit="fps"
          units={{ fps: 1 }}
          digits={2}
          min={1}
          max={240}
          onCommit={(fps) => change(desk, 'Change frame rate', (scene) => setClock(scene, { fps }))}
        />
      </Row>
      {hasOwn && (
        <Row label="Own times then">
          <Segments
            label="When the length changes, delays and own cycles"
            title="Riders that start later or have a cycle of their own: whether a new length stretches these times too."
            value={along ? 'along' : 'stay'}
            options={[
              ['stay', 'stay'],
              ['along', 'stretch too'],
            ]}
            onChange={(value) => setAlong(value === 'along')}
          />
        </Row>
      )}
      <Row label="Scene">
        <Segments
          label="Scene repeats"
          value={clock.repeat}
          options={REPEATS}
          onChange={(repeat) => change(desk, 'Change repeat', (scene) => setClock(scene, { repeat }))}
        />
      </Row>
      {isBack && (
        <p className="card-note">
          Plays {seconds(loopLength(clock))}: {seconds(clock.duration)} there and as long back.
        </p>
      )}
    </>
  );
}
