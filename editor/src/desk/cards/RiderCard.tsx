import { IconFlipHorizontal, IconFlipVertical, IconLock, IconLockOpen } from '@tabler/icons-react';
import { useState } from 'react';
import {
  artOfRider,
  bringGuide,
  guideById,
  riderById,
  setPivot,
  setRider,
  type Art,
  type Rider,
} from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { ChoiceField, NumberField, PERCENT, TextField } from '../../fields/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { useDesk } from '../context.ts';
import { useLive } from '../live.tsx';
import { useDeskView } from '../view.ts';
import { Card, Row, Segments } from './Card.tsx';
import { KeyRow } from './keys/KeyRows.tsx';
import { PointFields } from './PointFields.tsx';
import { EntranceRows } from './rider/EntranceRows.tsx';
import { InsideRow } from './rider/InsideRow.tsx';
import { LookRow } from './rider/LookRow.tsx';
import { MovementRows } from './rider/MovementRows.tsx';
import { CarriedRows } from './rider/CarriedRows.tsx';
import { OffsetRows } from './rider/OffsetRows.tsx';
import { OrderRows } from './rider/OrderRows.tsx';
import { PosesRows } from './rider/PosesRows.tsx';
import { RollRows } from './rider/RollRows.tsx';
import { StringRows } from './rider/StringRows.tsx';
import { SquashRows } from './rider/SquashRows.tsx';
import { NumberRow } from './rows.tsx';
import { change, perform } from '../actions/change.ts';
import { park } from '../actions/riding.ts';
import { flipSelection } from '../actions/transforming.ts';
import { askToRide, seat } from '../actions/seating.ts';

const PARKED = '·parked';

/** Card 2: the selected rider: its art, its guide, how it sits. */
export function RiderCard() {
  const scene = useDocumentState((state) => state.shown);
  const selection = useDocumentState((state) => state.selection);
  const rider = riderById(scene, selection.riders[0] ?? '');
  const art = rider && artOfRider(scene, rider);
  if (!rider || !art)
    return (
      <Card name="rider" number={2} title="Rider" summary="none selected">
        <p className="card-empty">
          Drag art from the Art drawer (L) onto a guide to ride it, onto the canvas to park it; or set it down where it
          should be at one time after another (5).
        </p>
      </Card>
    );
  const guide = guideById(scene, rider.guide);
  const sits = isOnGuide(rider);
  return (
    <Card
      name="rider"
      number={2}
      title="Rider"
      summary={`${rider.name} · ${guide ? (sits ? 'on the guide' : 'beside it') : 'parked'}`}
    >
      <RiderRows rider={rider} art={art} />
    </Card>
  );
}

/** Whether a rider's pivot is on its guide, keys apart. */
const isOnGuide = ({ lift, lead, shift }: Rider): boolean =>
  lift === 0 && lead === 0 && shift[0] === 0 && shift[1] === 0;

/** Changes a rider as one step of undo. */
type Patch = (label: string, next: Parameters<typeof setRider>[1]['patch']) => void;

function usePatch(rider: Rider): Patch {
  const desk = useDesk();
  return (label, patch) => change(desk, label, (scene) => setRider(scene, { id: rider.id, patch }));
}

function RiderRows({ rider, art }: { rider: Rider; art: Art }) {
  const patch = usePatch(rider);
  const others = useDocumentState((state) => state.selection.riders.length);
  const guide = useDocumentState((state) => guideById(state.shown, rider.guide));
  const isOpen = useDeskView((state) => state.openCard === 'rider');
  return (
    <>
      <Row label="Name">
        <TextField label="Rider name" value={rider.name} onCommit={(name) => patch('Rename rider', { name })} />
      </Row>
      <RidesRow rider={rider} />
      {guide ? (
        <OffsetRows rider={rider} guide={guide} />
      ) : (
        <Row label="Stands at">
          <PointFields
            label="Stands at"
            point={rider.at}
            live={({ scene }) => riderById(scene, rider.id)?.at}
            onCommit={(at) => patch('Move rider', { at })}
          />
        </Row>
      )}
      <CarriedRows rider={rider} />
      <InsideRow rider={rider} />
      <ScaleRow rider={rider} patch={patch} />
      <FlipRow rider={rider} />
      <ArtRows rider={rider} art={art} />
      <PosesRows rider={rider} art={art} />
      {isOpen && <MoreRows rider={rider} art={art} />}
      <Row label="In the output">
        <Segments
          label="In the output"
          value={rider.output ? 'yes' : 'no'}
          options={[
            ['yes', 'yes'],
            ['no', 'no'],
          ]}
          onChange={(value) => patch(value === 'yes' ? 'Send rider' : 'Leave rider out', { output: value === 'yes' })}
        />
      </Row>
      {others > 1 && <p className="card-note">{others} riders are selected; the card shows the first.</p>}
    </>
  );
}

/** What shows in the opened card alone: closed, it would only be more stops on the keyboard's way. */
function MoreRows({ rider, art }: { rider: Rider; art: Art }) {
  return (
    <>
      <LookRow rider={rider} />
      <RaiseRow rider={rider} />
      <RollRows rider={rider} />
      <StringRows rider={rider} />
      <SquashRows rider={rider} art={art} />
      {rider.guide !== null && <KeyRow rider={rider} channel="lift" />}
      {rider.guide !== null && <KeyRow rider={rider} channel="lead" />}
      <KeyRow rider={rider} channel="scale" />
      <KeyRow rider={rider} channel="opacity" />
      <EntranceRows rider={rider} />
      <OrderRows rider={rider} />
      <MovementRows rider={rider} />
    </>
  );
}

/** The guide that it rides; once it is off it, a button that seats it. */
function RidesRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const guides = useDocumentState((state) => state.shown.guides);
  return (
    <Row label="Rides">
      <ChoiceField
        label="Guide that it rides"
        value={rider.guide ?? PARKED}
        data={[{ value: PARKED, label: 'parked' }, ...guides.map((guide) => ({ value: guide.id, label: guide.name }))]}
        onChange={(value) => {
          if (value === PARKED) park(desk, rider.id);
          else askToRide(desk, rider.id, value);
        }}
      />
      {rider.guide !== null && !isOnGuide(rider) && (
        <button
          type="button"
          className="small-button"
          title="Onto the guide: no offset"
          onClick={() => seat(desk, rider.id)}
        >
          seat
        </button>
      )}
      {rider.guide !== null && !isOnGuide(rider) && !rider.carrier && (
        <button
          type="button"
          className="small-button"
          title="Moves the guide here: the rider stays, and sits on it"
          onClick={() => perform(desk, 'Bring the guide', bringGuide, { rider: rider.id, time: desk.playback.time })}
        >
          bring guide
        </button>
      )}
    </Row>
  );
}

/** Lift as a share of the art's height: what stands on its feet goes on standing on them at any scale. */
function RaiseRow({ rider }: { rider: Rider }) {
  const patch = usePatch(rider);
  if (rider.guide === null) return null;
  return (
    <NumberRow
      label="Raised"
      name="Raised, in % of its height"
      value={rider.raise}
      unit="%"
      units={PERCENT}
      digits={1}
      min={-10_000}
      max={10_000}
      onCommit={(raise) => patch('Raise', { raise })}
    >
      <span className="card-note">of its height</span>
    </NumberRow>
  );
}

function FlipRow({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const patch = usePatch(rider);
  return (
    <Row label="Flip, opacity">
      <button
        type="button"
        className="small-button icon"
        aria-label="Flip across"
        title="Flip across (F)"
        onClick={() => flipSelection(desk, 'across')}
      >
        <IconFlipHorizontal size={15} aria-hidden />
      </button>
      <button
        type="button"
        className="small-button icon"
        aria-label="Flip over"
        title="Flip over (Shift F)"
        onClick={() => flipSelection(desk, 'over')}
      >
        <IconFlipVertical size={15} aria-hidden />
      </button>
      <NumberField
        label="Opacity"
        value={rider.opacity * 100}
        unit="%"
        units={PERCENT}
        digits={0}
        min={0}
        max={100}
        onCommit={(value) => patch('Change opacity', { opacity: value / 100 })}
      />
    </Row>
  );
}

/** Opens and closes the handles of pivot and facing on the canvas. */
function AimButton() {
  const aiming = useDeskView((state) => state.aiming);
  const set = useDeskView((state) => state.set);
  return (
    <button
      type="button"
      className="small-button"
      aria-pressed={aiming}
      title="Handles on the canvas for pivot and facing; the drawing stays where it is"
      onClick={() => set({ aiming: !aiming, openCard: aiming ? 'rider' : null })}
    >
      on canvas
    </button>
  );
}

/** Which art it shows, and that art's pivot. */
function ArtRows({ rider, art }: { rider: Rider; art: Art }) {
  const desk = useDesk();
  const patch = usePatch(rider);
  const all = useDocumentState((state) => state.shown.art);
  return (
    <>
      <Row label="Art">
        <ChoiceField
          label="Art"
          value={rider.art}
          data={all.map((one) => ({ value: one.id, label: one.name }))}
          onChange={(value) => patch('Change art', { art: value })}
        />
      </Row>
      <Row label="Pivot">
        <PointFields
          label="Pivot"
          point={art.pivot}
          live={({ scene }) => {
            const now = riderById(scene, rider.id);
            return now && artOfRider(scene, now)?.pivot;
          }}
          onCommit={(pivot) => change(desk, 'Move pivot', (base) => setPivot(base, { id: rider.id, pivot }))}
        />
        {rider.pivot && (
          <button
            type="button"
            className="small-button"
            title="The pivot of the art again, as other riders of it have it"
            onClick={() => change(desk, 'Reset pivot', (base) => setPivot(base, { id: rider.id, pivot: null }))}
          >
            reset
          </button>
        )}
        <AimButton />
      </Row>
    </>
  );
}

/** Both axes of a rider's scale, held together until the lock is opened. */
function ScaleRow({ rider, patch }: { rider: Rider; patch: Patch }) {
  const [x, y] = rider.scale;
  const [locked, setLocked] = useState(true);
  const scaleIn = ({ scene }: Frame): readonly [number, number] => riderById(scene, rider.id)?.scale ?? rider.scale;
  const live = [useLive((frame) => scaleIn(frame)[0] * 100), useLive((frame) => scaleIn(frame)[1] * 100)] as const;
  // With a lock, the other axis keeps its ratio; from nothing it grows evenly.
  const apart = (axis: 0 | 1, next: number): [number, number] => {
    const factor = rider.scale[axis] === 0 ? undefined : next / rider.scale[axis];
    const other = factor === undefined ? next : rider.scale[axis === 0 ? 1 : 0] * factor;
    return axis === 0 ? [next, locked ? other : y] : [locked ? other : x, next];
  };
  const field = (axis: 0 | 1, label: string) => (
    <NumberField
      label={label}
      value={rider.scale[axis] * 100}
      live={live[axis]}
      unit="%"
      units={PERCENT}
      digits={1}
      onCommit={(value) => patch('Scale rider', { scale: apart(axis, value / 100) })}
    />
  );
  return (
    <Row label="Scale">
      {field(0, 'Scale across')}
      <button
        type="button"
        className="small-button icon"
        aria-pressed={locked}
        aria-label="Both axes together"
        title={
          locked ? 'Both axes together; open to scale them apart' : 'Each axis alone; close to scale them together'
        }
        onClick={() => setLocked(!locked)}
      >
        {locked ? <IconLock size={15} aria-hidden /> : <IconLockOpen size={15} aria-hidden />}
      </button>
      {field(1, 'Scale over')}
    </Row>
  );
}
