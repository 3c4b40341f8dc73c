import { angleOfFrame, emptyFrame, type Path } from '../../geometry/index.ts';
import { AngleTable } from '../angle-table.ts';
import type { Cursor } from '../cursor.ts';
import type { Channel } from '../posed.ts';
import { footMoves } from '../prepared-rider.ts';
import { SLOT } from '../slots.ts';
import { noEvents, type PoseStage } from '../stage.ts';
import type { Aiming, HeadingMode } from './mode.ts';

const tables = new WeakMap<Path, AngleTable>();

/** The tangent's angle over a path; made once for each. */
export function angleTableOf(path: Path): AngleTable {
  let table = tables.get(path);
  if (!table) {
    const frame = emptyFrame();
    const inner = path.isClosed ? path.corners().filter((s) => s > 0 && s < path.length) : path.corners();
    const breaks = [...new Set([0, ...path.starts, ...inner, path.length])].sort((a, b) => a - b);
    table = new AngleTable((s, side) => angleOfFrame(path.frameAtDistance(s, side, frame)), {
      breaks,
      winding: path.isClosed ? path.winding : undefined,
    });
    tables.set(path, table);
  }
  return table;
}

/** The tangent of the guide at the foot, averaged over the smoothing distance. */
export function tangentOf({ prepared }: Aiming): PoseStage | undefined {
  const { way, rider } = prepared;
  if (!way) return undefined;
  const { smooth } = rider.heading;
  const varies: readonly Channel[] = footMoves(prepared) ? ['angle'] : [];
  return { run: smooth > 0 ? averaged(angleTableOf(way.path), smooth) : asItRuns, varies, events: noEvents };
}

const asItRuns = ({ row, frame }: Cursor): void => {
  row[SLOT.toward] = angleOfFrame(frame);
};

function averaged(table: AngleTable, smooth: number): PoseStage['run'] {
  const work = new Float64Array(1);
  return ({ row }) => {
    work[0] = (row[SLOT.distance] ?? 0) + (row[SLOT.lead] ?? 0);
    table.average(work, 0, 0, smooth);
    row[SLOT.toward] = work[0] ?? 0;
  };
}

/** Faces along the guide. */
export const along: HeadingMode = { mode: 'along', parked: false, turns: true, reverses: true, aim: tangentOf };

/** Faces as it was drawn; the way it goes says when it is mirrored. */
export const level: HeadingMode = {
  mode: 'level',
  parked: true,
  turns: false,
  reverses: true,
  aim: (aiming) => (aiming.prepared.rider.heading.left === 'mirror' ? tangentOf(aiming) : undefined),
};
