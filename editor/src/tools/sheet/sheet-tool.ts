import { distanceAtY, motionAsSet, xOfTime, yOfDistance } from '@pace-line/core';
import { grabPaper } from './grabs/box.ts';
import type { SheetDrag } from './grabs/grab.ts';
import { grabLine } from './grabs/line.ts';
import { grabMark } from './grabs/mark.ts';
import { grabBead } from './grabs/shaping.ts';
import { grabRest } from './grabs/rest.ts';
import { grabSpeed } from './grabs/speed.ts';
import { grabStrip } from './grabs/strip.ts';
import { sheetHitAt, type SheetHit } from './hits.ts';
import type { SheetHost, SheetPointer, SheetPreview } from './host.ts';
import { snappedTime } from './snap-time.ts';

/** The pointer's way into the sheet, as a state machine: nothing is held between two drags. */
export interface SheetTool {
  readonly down: (p: SheetPointer) => void;
  readonly move: (p: SheetPointer) => void;
  readonly up: () => void;
  /** Movement with no button down; gives the cursor to show. */
  readonly hover: (p: SheetPointer) => string;
  readonly leave: () => void;
  /** Gives up what is under way. True where there was something. */
  readonly cancel: () => boolean;
}

export function sheetTool(host: SheetHost): SheetTool {
  let drag: SheetDrag | undefined;
  return {
    down(p) {
      drag?.cancel();
      host.preview(null);
      drag = grab(host, sheetHitAt(host, p), p);
    },
    move: (p) => drag?.move(p),
    up() {
      drag?.end();
      drag = undefined;
    },
    hover(p) {
      const hit = sheetHitAt(host, p);
      const axes = host.axes();
      const isOwn = hit?.kind === 'line' && hit.rider.id === host.selected()?.id;
      host.preview(isOwn ? ghostOf(host, hit, p) : null);
      const isOnChart = p.y > axes.top && p.y < axes.bottom && p.x > axes.left;
      host.hover(isOnChart ? distanceAtY(axes, p.y) : null);
      return hit?.kind === 'line' && !isOwn ? 'pointer' : CURSORS[hit?.kind ?? 'paper'];
    },
    leave() {
      if (drag) return;
      host.preview(null);
      host.hover(null);
    },
    cancel() {
      const had = drag !== undefined;
      drag?.cancel();
      drag = undefined;
      return had;
    },
  };
}

const CURSORS = {
  strip: 'ew-resize',
  speed: 'ns-resize',
  bead: 'grab',
  rest: 'ew-resize',
  mark: 'move',
  line: 'copy',
  paper: 'default',
} as const;

/** The mark that a press on the line would set, where it would stand. */
function ghostOf(host: SheetHost, hit: SheetHit & { kind: 'line' }, p: SheetPointer): SheetPreview | null {
  const axes = host.axes();
  const local = snappedTime(host, hit.rider, hit.local, p);
  const moving = motionAsSet(host.scene(), hit.rider.id);
  if (!moving) return null;
  const time = hit.time + hit.direction * (local - hit.local);
  return { kind: 'dot', x: xOfTime(axes, time), y: yOfDistance(axes, moving.distanceAt(time)) };
}

function grab(host: SheetHost, hit: SheetHit | undefined, p: SheetPointer): SheetDrag | undefined {
  switch (hit?.kind) {
    case 'strip':
      return grabStrip(host, p);
    case 'mark':
      return grabMark(host, hit, p);
    case 'rest':
      return grabRest(host, hit, p);
    case 'bead':
      return grabBead(host, hit, p);
    case 'speed':
      return grabSpeed(host, hit, p);
    case 'line':
      return grabLine(host, hit, p);
    case undefined:
      return grabPaper(host, p);
  }
}
