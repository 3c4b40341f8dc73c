import { useCallback, useRef, useState, type RefObject, type SVGProps } from 'react';
import type { Figure } from '../figures/figure.ts';
import { Painter } from '../figures/painter.ts';
import type { Frame } from '../frame/playback.ts';
import { useFrame } from '../scene/context.ts';
import { ViewGroup } from './canvas/ViewGroup.tsx';

type Painters<Now> = Map<string, Painter<Now>>;

interface PaintedProps<Now> {
  /** What is painted, from the lowest layer to the highest. */
  readonly figures: readonly Figure<Now>[];
  /** What a frame is painted from; null: nothing is. */
  readonly now: (frame: Frame) => Now | null;
  /** Layers of the canvas, each a root of its own that is seen through the view; else groups of the SVG they stand in. */
  readonly isOnCanvas?: boolean;
  /** Of a layer by its figure’s id: what takes the keyboard, and what it is called. Others are hidden from readers of the screen. */
  readonly named?: Readonly<Record<string, SVGProps<SVGSVGElement>>>;
}

/** Layers that painters draw inside the frame: React makes them and never comes back. */
export function Painted<Now>({ figures, now, isOnCanvas = false, named = {} }: PaintedProps<Now>) {
  const painters = useRef<Painters<Now>>(new Map());
  // What cannot be painted is told where what cannot be rendered is (Guarded.tsx).
  const [failed, fail] = useState<{ readonly error: unknown }>();
  if (failed) throw failed.error;
  useFrame((frame) => {
    try {
      const shown = now(frame);
      if (shown) for (const painter of painters.current.values()) painter.paint(shown);
    } catch (error) {
      fail({ error });
    }
  });
  return figures.map((figure) =>
    isOnCanvas ? (
      <CanvasLayer key={figure.id} figure={figure} painters={painters} named={named[figure.id]} />
    ) : (
      <Group key={figure.id} figure={figure} painters={painters} />
    ),
  );
}

interface LayerProps<Now> {
  readonly figure: Figure<Now>;
  readonly painters: RefObject<Painters<Now>>;
}

function CanvasLayer<Now>({
  figure,
  painters,
  named = { 'aria-hidden': true },
}: LayerProps<Now> & { readonly named: SVGProps<SVGSVGElement> | undefined }) {
  const hold = useCallback(
    (group: SVGGElement | null) => {
      const root = group?.ownerSVGElement;
      if (root) painters.current.set(figure.id, new Painter(figure, root, group));
      else painters.current.delete(figure.id);
    },
    [figure, painters],
  );
  return (
    <svg {...named} className={`overlay ${figure.id}`}>
      <ViewGroup hold={hold} />
    </svg>
  );
}

function Group<Now>({ figure, painters }: LayerProps<Now>) {
  const hold = useCallback(
    (group: SVGGElement | null) => {
      if (group) painters.current.set(figure.id, new Painter(figure, group));
      else painters.current.delete(figure.id);
    },
    [figure, painters],
  );
  return <g ref={hold} className={figure.id} />;
}
