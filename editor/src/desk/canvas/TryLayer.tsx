import { Slider } from '@mantine/core';
import { useEffect, useRef, useState, type RefObject } from 'react';
import {
  advanced,
  driveSpec,
  happened,
  runsByTime,
  shownTime,
  timeOfPassage,
  undriven,
  type Driven,
  type DriveEvent,
  type Driver,
} from '@pace-line/core';
import { useDocumentState } from '../../document/index.ts';
import { useDesk } from '../context.ts';
import { sceneOf } from '../desk.ts';
import { useDeskView } from '../view.ts';

/** While it is tried out what drives the scene, the canvas is a picture on a page: the pointer, clicks and scrolling do what they will do there. */
export function TryLayer() {
  const trying = useDeskView((state) => state.trying);
  const driver = useDocumentState((state) => state.shown.driver);
  if (!trying || runsByTime(driver)) return null;
  return <Trying key={JSON.stringify(driver)} drivers={driver} />;
}

const HINTS: Readonly<Record<Exclude<Driver['kind'], 'time'>, string>> = {
  scroll: 'Scroll over the picture, or move the slider.',
  over: 'Move the pointer over the picture, and off it.',
  click: 'Click the picture.',
  enter: 'Let it come into view.',
};

const stop = (): void => useDeskView.getState().set({ trying: false });

function Trying({ drivers }: { drivers: readonly Driver[] }) {
  const { state, tell, scroll } = useDriven(drivers);
  const has = (kind: Driver['kind']): boolean => drivers.some((one) => one.kind === kind);
  const hint = drivers.flatMap(({ kind }) => (kind === 'time' ? [] : [HINTS[kind]])).join(' ');
  const surface = useRef<HTMLDivElement>(null);
  const { width, height } = useDocumentState((one) => one.shown.canvas);
  const view = useDeskView((one) => one.view);
  const [share, setShare] = useState(0);
  const [isIn, setIn] = useState(false);
  useEscape();
  useWheel(surface, (by) => setShare((now) => Math.min(1, Math.max(0, now + by))));
  useEffect(() => {
    scroll(share);
  }, [scroll, share]);
  const box = { left: view.x, top: view.y, width: width * view.zoom, height: height * view.zoom };
  return (
    <div className="try-layer" ref={surface}>
      <button
        type="button"
        className={`try-picture ${has('click') ? 'pressable' : ''}`}
        style={box}
        aria-label={`The picture, as on a page. ${hint}`}
        onPointerEnter={() => tell('over')}
        onPointerLeave={() => tell('out')}
        onFocus={({ currentTarget }) => currentTarget.matches(':focus-visible') && tell('over')}
        onBlur={() => tell('out')}
        onClick={() => tell('press')}
      />
      <div className="try-bar" role="group" aria-label="Trying what drives it">
        <span className="try-words">{hint}</span>
        {has('scroll') && (
          <Slider
            className="try-scroll"
            size="sm"
            min={0}
            max={1}
            step={0.001}
            label={null}
            thumbLabel="How far it has passed through the window"
            value={share}
            onChange={setShare}
          />
        )}
        {has('enter') && (
          <button
            type="button"
            className="small-button"
            aria-pressed={isIn}
            onClick={() => {
              tell(isIn ? 'leave' : 'enter');
              setIn(!isIn);
            }}
          >
            {isIn ? 'leave the window' : 'come into view'}
          </button>
        )}
        <button type="button" className="small-button" onClick={stop}>
          stop trying
        </button>
      </div>
      <span className="visually-hidden" role="status">
        {state}
      </span>
    </div>
  );
}

/** The scene run by its driver until this is gone; what happens is told to it. */
function useDriven(drivers: readonly Driver[]): {
  readonly state: string;
  readonly tell: (event: DriveEvent) => void;
  readonly scroll: (share: number) => void;
} {
  const desk = useDesk();
  const now = useRef<Driven | null>(null);
  const scrolled = useRef<number | null>(drivers.some(({ kind }) => kind === 'scroll') ? 0 : null);
  const [state, setState] = useState('stands');
  useEffect(() => {
    const { playback } = desk;
    const { time, isPlaying } = playback;
    playback.drive((seconds) => {
      const spec = driveSpec({ driver: drivers, clock: sceneOf(desk).clock });
      if (scrolled.current !== null)
        return { time: shownTime(spec, timeOfPassage(spec, scrolled.current)), moves: false };
      const before = (now.current ??= undriven(spec));
      const { at, way } = (now.current = advanced(spec, before, seconds));
      if (way !== before.way) setState(wordsOf(way));
      return { time: shownTime(spec, at), moves: way !== 0 };
    });
    return () => {
      playback.drive(null);
      playback.seek(time);
      if (isPlaying) playback.play();
    };
  }, [desk, drivers]);
  return {
    state,
    tell(event) {
      const spec = driveSpec({ driver: drivers, clock: sceneOf(desk).clock });
      now.current = happened(spec, now.current ?? undriven(spec), event);
      setState(wordsOf(now.current.way));
      desk.playback.invalidate();
    },
    scroll(share) {
      if (scrolled.current === null) return;
      scrolled.current = share;
      desk.playback.invalidate();
    },
  };
}

const wordsOf = (way: Driven['way']): string => (way > 0 ? 'runs' : way < 0 ? 'goes back' : 'stands');

/** px of a wheel's way for the whole passage. */
const PASSAGE = 1800;

function useWheel(surface: RefObject<HTMLDivElement | null>, turn: (share: number) => void): void {
  const latest = useRef(turn);
  useEffect(() => {
    latest.current = turn;
  });
  useEffect(() => {
    const host = surface.current;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      event.stopPropagation();
      latest.current(event.deltaY / PASSAGE);
    };
    host?.addEventListener('wheel', onWheel, { passive: false });
    return () => host?.removeEventListener('wheel', onWheel);
  }, [surface]);
}

function useEscape(): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape') return;
      event.stopImmediatePropagation();
      stop();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
}
