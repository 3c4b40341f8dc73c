import { memo, useEffect, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import {
  copiesInView,
  foldingOf,
  foldTime,
  keyValueAt,
  shownCopies,
  thinned,
  timeAtX,
  xOfTime,
  type Axes,
  type Key,
  type KeyChannel,
  type Rider,
  type Scene,
  type Side,
} from '@pace-line/core';
import { selectRider, useSheetState } from '../../../document/index.ts';
import { grabKey, type KeyHit, type SheetDrag, type SheetPointer } from '../../../tools/sheet/index.ts';
import { CHANNEL_NAMES, setKeyHere, wordsOfKeyValue } from '../../actions/keys.ts';
import { nudge } from '../../actions/moving.ts';
import { isTabStop } from '../../actions/parts-in-order.ts';
import { useDesk } from '../../context.ts';
import { seconds } from '../../labels.ts';
import { wayOfArrow } from '../arrows.ts';
import { pointerOn } from '../pointer-on.ts';

/** Height of one channel's strip, px. */
export const KEY_STRIP = 40;

/** px within which a key is taken. */
const REACH = { mouse: 8, pen: 10, touch: 18 } as const;

interface KeyStripsProps {
  readonly rider: Rider;
  readonly channels: readonly KeyChannel[];
  readonly axes: Axes;
  readonly width: number;
  readonly length: number;
}

/** The first number of a key's value: what its strip draws. */
const levelOf = (value: Key['value']): number => (typeof value === 'number' ? value : value[0]);

/** The keys of a rider, a strip for each channel that has any, on the sheet's time. */
export function KeyStrips({ rider: chosen, channels, axes, width, length }: KeyStripsProps) {
  const desk = useDesk();
  const scene = useSheetState((state) => state.shown);
  const selected = useSheetState((state) => state.selection.keys);
  const rider = scene.riders.find((one) => one.id === chosen.id) ?? chosen;
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
      }}
    >
      {channels.map((channel, i) => (
        <KeyStrip key={channel} {...{ scene, rider, channel, axes, length, selected }} top={i * KEY_STRIP} />
      ))}
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

interface KeyStripProps {
  readonly scene: Scene;
  readonly rider: Rider;
  readonly channel: KeyChannel;
  readonly axes: Axes;
  readonly length: number;
  readonly selected: readonly string[];
  readonly top: number;
}

const KeyStrip = memo(function KeyStrip({ scene, rider, channel, axes, length, selected, top }: KeyStripProps) {
  const folding = foldingOf(rider, scene.clock);
  const keys = rider.keys[channel] as readonly Key[];
  const levels = keys.map(({ value }) => levelOf(value));
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const y = (level: number): number =>
    top + (high > low ? KEY_STRIP - 10 - ((level - low) / (high - low)) * (KEY_STRIP - 20) : KEY_STRIP / 2);
  const line = useMemo(() => {
    const points: [number, number][] = [];
    for (let x = axes.left; x <= axes.right; x += 2) {
      const { local } = foldTime(timeAtX(axes, x), folding);
      points.push([x, levelOf(keyValueAt(rider.keys, channel, local))]);
    }
    return points;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the folding is made of the rider and the clock
  }, [axes, rider, channel, scene.clock]);
  const path = thinned(line.map(([x, level]) => [x, y(level)]))
    .map(([x, at]) => `${Math.round(x * 10) / 10} ${Math.round(at * 10) / 10}`)
    .join('L');
  return (
    <g className="key-strip">
      <line className="place-rule" x1={axes.left} x2={axes.right} y1={top + 0.5} y2={top + 0.5} />
      <text className="place-name ribbon-name" x={axes.left - 8} y={top + 16}>
        {CHANNEL_NAMES[channel]}
      </text>
      <text className="place-name muted" x={axes.left - 8} y={top + 30}>
        {rangeWords(channel, keys)}
      </text>
      <path className="key-line" d={`M${path}`} />
      {keys.flatMap((key, i) =>
        copiesInView(axes, folding, key.time, length).map(({ shown, x, isFirst }, copy) => (
          <KeyTick
            key={`${key.id}-${copy}`}
            {...{ rider, channel, selected, x, isFirst }}
            data={key}
            direction={shown.direction}
            y={y(levelOf(key.value))}
            isStop={isTabStop(selected, key.id, i)}
          />
        )),
      )}
    </g>
  );
});

const rangeWords = (channel: KeyChannel, keys: readonly Key[]): string => {
  const sorted = [...keys].sort((a, b) => levelOf(a.value) - levelOf(b.value));
  const [low, high] = [sorted[0], sorted[sorted.length - 1]];
  if (!low || !high) return '';
  const [from, to] = [wordsOfKeyValue(channel, low.value), wordsOfKeyValue(channel, high.value)];
  return from === to ? from : `${from}…${to}`;
};

interface KeyTickProps {
  readonly rider: Rider;
  readonly channel: KeyChannel;
  readonly data: Key;
  readonly selected: readonly string[];
  readonly x: number;
  readonly y: number;
  readonly direction: Side;
  readonly isFirst: boolean;
  readonly isStop: boolean;
}

/** A key: an upright tick with a bar where its value is. */
function KeyTick({ rider, channel, data: key, selected, x, y, isFirst, isStop }: KeyTickProps) {
  const desk = useDesk();
  const isSelected = selected.includes(key.id);
  const select = (): void => {
    if (!isSelected) desk.doc.select({ ...selectRider(rider.id), keys: [key.id] });
  };
  const reached = isFirst
    ? ({
        'data-part': key.id,
        tabIndex: isStop ? 0 : -1,
        role: 'button',
        'aria-pressed': isSelected,
        'aria-label': `${CHANNEL_NAMES[channel]} key of ${rider.name}, ${wordsOfKeyValue(channel, key.value)} at ${seconds(key.time)}`,
        onKeyDown: (event: KeyboardEvent) => {
          const way = wayOfArrow(event);
          if (!way) return;
          select();
          nudge(desk, way[0], way[1]);
        },
        onFocus: select,
      } as const)
    : {};
  return (
    <g
      className={`key ${isSelected ? 'selected' : ''}`}
      data-key={key.id}
      transform={`translate(${x} ${y})`}
      {...reached}
    >
      <path className="key-tick" d="M0 -7V7M-4 0H4" />
    </g>
  );
}
