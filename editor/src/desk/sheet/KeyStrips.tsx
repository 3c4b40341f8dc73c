import { useEffect, useRef, type PointerEvent } from 'react';
import {
  foldingOf,
  foldTime,
  keyValueAt,
  shownCopies,
  timeAtX,
  xOfTime,
  type Axes,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
} from '@pace-line/core';
import { selectRider, useDocumentState } from '../../document/index.ts';
import { KEY_STRIP, keyStrips, type KeysNow } from '../../figures/sheet/index.ts';
import type { Frame } from '../../frame/playback.ts';
import { grabKey, type KeyHit, type SheetDrag, type SheetPointer } from '../../tools/sheet/index.ts';
import { setKeyHere } from '../actions/keys.ts';
import { nudge } from '../actions/moving.ts';
import { wayOfArrow } from '../keys/arrows.ts';
import { partOf } from '../keys/part-of.ts';
import { useDesk } from '../context.ts';
import { Painted } from '../Painted.tsx';
import { pointerOn } from './pointer-on.ts';

const FIGURES = [keyStrips];

/** px within which a key is taken. */
const REACH = { mouse: 8, pen: 10, touch: 18 } as const;

interface KeyStripsProps {
  readonly rider: Rider;
  readonly channels: readonly KeyChannel[];
  readonly axes: Axes;
  readonly width: number;
  readonly length: number;
}

/** The keys of a rider, a strip for each channel that has any, on the sheet's time. */
export function KeyStrips({ rider, channels, axes, width, length }: KeyStripsProps) {
  const desk = useDesk();
  const scene = useDocumentState((state) => state.shown);
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<SheetDrag | undefined>(undefined);
  useEffect(() => () => drag.current?.cancel(), []);
  const pointerOf = (event: PointerEvent): SheetPointer => pointerOn(svg.current, event);
  const { doc, playback } = desk;
  const down = (event: PointerEvent<SVGSVGElement>): void => {
    if (event.button !== 0) return;
    const p = pointerOf(event);
    const hit = keyAt(scene, rider, channels, axes, length, p);
    if (!hit) {
      playback.goTo(Math.min(length, Math.max(0, timeAtX(axes, p.x))));
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    const host = {
      scene: () => doc.state.committed,
      axes: () => axes,
      selection: () => doc.state.selection,
      begin: (label: string) => doc.begin(label),
      select: (selection: Parameters<typeof doc.select>[0]) => doc.select(selection),
    };
    drag.current = grabKey(host, hit, p);
  };
  const end = (): void => {
    drag.current?.end();
    drag.current = undefined;
  };
  const now = (frame: Frame): KeysNow => ({
    ...{ scene: frame.scene, rider: rider.id, channels, axes, length },
    chosen: doc.state.selection.keys,
  });
  /** What is come to by keyboard is selected. */
  const take = (target: EventTarget): boolean => {
    const part = partOf(target);
    if (part && !doc.state.selection.keys.includes(part.id)) doc.select({ ...selectRider(rider.id), keys: [part.id] });
    return part !== undefined;
  };
  return (
    <svg
      ref={svg}
      className="key-strips"
      width={width}
      height={channels.length * KEY_STRIP}
      role="group"
      aria-label={`Keys of ${rider.name}`}
      onPointerDown={down}
      onPointerMove={(event) => drag.current?.move(pointerOf(event))}
      onPointerUp={end}
      onPointerCancel={() => {
        drag.current?.cancel();
        drag.current = undefined;
      }}
      onDoubleClick={(event) => {
        const box = svg.current?.getBoundingClientRect();
        const channel = channels[Math.floor((event.clientY - (box?.top ?? 0)) / KEY_STRIP)];
        if (channel)
          setKeyHere(desk, rider.id, channel, keyValueAt(rider.keys, channel, localOf(scene, rider, playback.time)));
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && drag.current) {
          drag.current.cancel();
          drag.current = undefined;
          event.stopPropagation();
        }
        const way = partOf(event.target) && wayOfArrow(event);
        if (way && take(event.target)) nudge(desk, way[0], way[1]);
      }}
      onFocus={({ target }) => void take(target)}
    >
      <Painted figures={FIGURES} now={now} />
    </svg>
  );
}

const localOf = (scene: Scene, rider: Rider, time: number): number =>
  foldTime(time, foldingOf(rider, scene.clock)).local;

/** The key under a pointer: the nearest of its strip's within reach. */
function keyAt(
  scene: Scene,
  rider: Rider,
  channels: readonly KeyChannel[],
  axes: Axes,
  length: number,
  p: SheetPointer,
): KeyHit | undefined {
  const channel = channels[Math.floor(p.y / KEY_STRIP)];
  if (!channel) return undefined;
  const folding = foldingOf(rider, scene.clock);
  let best: KeyHit | undefined;
  let least: number = REACH[p.kind];
  for (const key of rider.keys[channel] as readonly Key[])
    for (const shown of shownCopies(folding, key.time, length)) {
      const gap = Math.abs(xOfTime(axes, shown.time) - p.x);
      if (gap > least) continue;
      least = gap;
      best = { rider, channel, key, direction: shown.direction };
    }
  return best;
}
