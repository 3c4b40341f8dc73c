import {
  distanceOfPlace,
  guideById,
  pathOfGuide,
  prepare,
  riderById,
  setEase,
  wordsOfLeg,
  type Guide,
  type Mark,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import type { Units } from '../../../fields/index.ts';
import { changeLegSpeed } from '../../actions/marks.ts';
import { useDesk } from '../../context.ts';
import { EaseField } from '../../ease/EaseField.tsx';
import { useLive } from '../../live.tsx';
import { Row } from '../Card.tsx';
import { NumberRow } from '../rows.tsx';

interface LegRowsProps {
  readonly rider: Rider;
  readonly mark: Mark;
  /** Marks whose legs get what is chosen. */
  readonly marks: readonly string[];
}

/** The leg that follows a mark: its ease, and in words what that does. */
export function LegRows({ rider, mark, marks }: LegRowsProps) {
  const index = rider.pace.marks.indexOf(mark);
  const next = rider.pace.marks[index + 1];
  const line = useDocumentState((state) => prepare(state.shown).rider(rider.id)?.line);
  return (
    <>
      <Row of="pace.ease">
        <EaseField
          label="Easing of the next leg"
          ease={mark.ease}
          as={line?.easeAfter?.(index)}
          lasts={(next?.time ?? mark.time) - mark.time - mark.dwell}
          edit={(scene, ease) => setEase(scene, { rider: rider.id, marks, ease })}
        />
      </Row>
      {next && <LegSpeedRow rider={rider} mark={mark} next={next} />}
      <p className="card-note leg-words">{wordsOfLeg(mark.ease)}</p>
    </>
  );
}

const SPEEDS: Units = { 'px/s': 1, '': 1 };

/** How fast it goes to the next mark: typed, that comes sooner or later. */
function LegSpeedRow({ rider, mark, next }: { rider: Rider; mark: Mark; next: Mark }) {
  const desk = useDesk();
  const guide = useDocumentState((state) => guideById(state.shown, rider.guide));
  const live = useLive(({ scene }) => speedIn(scene, rider.id, mark.id));
  if (!guide) return null;
  const speed = speedBetween(guide, mark, next);
  if (speed === undefined) return null;
  return (
    <NumberRow
      of="pace.legspeed"
      value={speed}
      live={live}
      unit="px/s"
      units={SPEEDS}
      digits={1}
      min={0.001}
      onCommit={(wanted) => changeLegSpeed(desk, { rider: rider.id, mark: mark.id }, wanted)}
    />
  );
}

/** Mean speed from a mark to the next, px/s; undefined where it stays where it is. */
function speedBetween(guide: Guide, mark: Mark, next: Mark): number | undefined {
  const path = pathOfGuide(guide);
  const way = Math.abs(distanceOfPlace(guide, path, next.place) - distanceOfPlace(guide, path, mark.place));
  const lasts = next.time - mark.time - mark.dwell;
  return way > 1e-6 && lasts > 1e-6 ? way / lasts : undefined;
}

function speedIn(scene: Scene, riderId: string, markId: string): number | undefined {
  const rider = riderById(scene, riderId);
  const guide = guideById(scene, rider?.guide ?? null);
  const index = rider?.pace.marks.findIndex(({ id }) => id === markId) ?? -1;
  const [mark, next] = [rider?.pace.marks[index], rider?.pace.marks[index + 1]];
  return guide && mark && next && speedBetween(guide, mark, next);
}
