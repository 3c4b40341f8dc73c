/** How the canvas is seen: screen = canvas · zoom + offset, px. Immutable. */
export interface ViewTransform {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
}

export const IDENTITY: ViewTransform = { zoom: 1, x: 0, y: 0 };
const LEAST_ZOOM = 0.02;
const MOST_ZOOM = 64;

export const toCanvas = (view: ViewTransform, x: number, y: number): [number, number] => [
  (x - view.x) / view.zoom,
  (y - view.y) / view.zoom,
];
/** What of the canvas a pane shows; undefined before it is laid out. */
export function seenIn(view: ViewTransform, { width, height }: Pane): Box | undefined {
  if (!(width > 0 && height > 0)) return undefined;
  const [left, top] = toCanvas(view, 0, 0);
  const [right, bottom] = toCanvas(view, width, height);
  return { left, top, right, bottom };
}

interface Pane {
  readonly width: number;
  readonly height: number;
}

/** px of the canvas. */
interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const panned = (view: ViewTransform, dx: number, dy: number): ViewTransform => ({
  ...view,
  x: view.x + dx,
  y: view.y + dy,
});

/** Zoomed by a factor with a point of the screen kept in place. */
export function zoomedAt(view: ViewTransform, factor: number, x: number, y: number): ViewTransform {
  const zoom = Math.min(Math.max(view.zoom * factor, LEAST_ZOOM), MOST_ZOOM);
  const k = zoom / view.zoom;
  return { zoom, x: x - (x - view.x) * k, y: y - (y - view.y) * k };
}

/** Shows a rectangle of the canvas whole and centred in a pane, with a margin around it, px. */
export function fitted(box: Box, pane: Pane, margin: number): ViewTransform {
  const width = Math.max(box.right - box.left, 1);
  const height = Math.max(box.bottom - box.top, 1);
  const room = Math.min((pane.width - 2 * margin) / width, (pane.height - 2 * margin) / height);
  const zoom = Math.min(Math.max(room, LEAST_ZOOM), MOST_ZOOM);
  return {
    zoom,
    x: pane.width / 2 - ((box.left + box.right) / 2) * zoom,
    y: pane.height / 2 - ((box.top + box.bottom) / 2) * zoom,
  };
}

export const cssMatrix = ({ zoom, x, y }: ViewTransform): string => `matrix(${zoom} 0 0 ${zoom} ${x} ${y})`;
