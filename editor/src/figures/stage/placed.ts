import { pictureOf, POSE, POSE_SIZE, type Art, type Rider, type Scene } from '@pace-line/core';
import { artNodes } from './art-gate.ts';
import { clipOf } from './clips.ts';
import { matrixText, svgElement } from './svg.ts';

/** One rider on the stage. */
interface Placed {
  /** What stands in the layer: the group itself, or one around it that is clipped, and moved by what the camera moves less of. */
  readonly outer: SVGGElement;
  /** What has the rider's matrix. */
  readonly group: SVGGElement;
  readonly art: Art;
  readonly assets: Scene['assets'];
  /** The pictures that were shown, by their poses. */
  readonly pictures: Map<number, SVGElement>;
  pose: number;
  matrix: string;
  opacity: number;
  visible: boolean;
  clip: string;
  shift: string;
}

/** The groups of a stage's riders. */
export interface PlacedRiders {
  /** The group of a rider, with its art. */
  groupOf: (rider: Rider, art: Art, assets: Scene['assets']) => SVGGElement;
  /** Takes those away that are not of these. */
  keepOnly: (ids: ReadonlySet<string>) => void;
  /** Puts each where it is in a frame: those that are seen on the canvas, or those that are in what is sent. */
  draw: (scene: Scene, poses: Float64Array, asSent: boolean) => void;
  /** Moves a rider's group by what the camera moves less, or more, of; empty: as all the rest. */
  shift: (id: string, transform: string) => void;
}

export function createPlacedRiders(): PlacedRiders {
  const placed = new Map<string, Placed>();
  return {
    groupOf(rider, art, assets) {
      let one = placed.get(rider.id);
      if (!one || one.art !== art || needsOuter(rider) !== (one.outer !== one.group)) {
        one?.outer.remove();
        placed.set(rider.id, (one = newPlaced(art, assets, needsOuter(rider))));
      }
      const clip = clipOf(rider);
      if (clip !== one.clip) setOrRemove(one.outer, 'clip-path', (one.clip = clip));
      return one.outer;
    },
    keepOnly(ids) {
      for (const [id, one] of placed)
        if (!ids.has(id)) {
          one.outer.remove();
          placed.delete(id);
        }
    },
    draw(scene, poses, asSent) {
      scene.riders.forEach((rider, i) => {
        const one = placed.get(rider.id);
        if (!one) return;
        const isSeen = asSent ? rider.output : rider.visible;
        if (one.visible !== isSeen) {
          one.visible = isSeen;
          one.outer.style.display = isSeen ? '' : 'none';
        }
        if (isSeen) move(one, poses, i * POSE_SIZE);
      });
    },
    shift(id, transform) {
      const one = placed.get(id);
      if (one && one.shift !== transform) setOrRemove(one.outer, 'transform', (one.shift = transform));
    },
  };
}

/** Whether something is done to a rider on the canvas, outside of its own matrix. */
const needsOuter = ({ inside, parallax }: Rider): boolean => inside !== null || parallax !== 1;

function newPlaced(art: Art, assets: Scene['assets'], isWrapped: boolean): Placed {
  const group = svgElement('g');
  const outer = isWrapped ? svgElement('g') : group;
  if (isWrapped) outer.append(group);
  const one: Placed = {
    ...{ outer, group, art, assets, pictures: new Map() },
    ...{ pose: 0, matrix: '', opacity: 1, visible: true, clip: '', shift: '' },
  };
  if (art.kind !== 'strip') show(one, 1);
  return one;
}

/** Shows one pose; each is made when it is first shown, and kept. */
function show(one: Placed, pose: number): void {
  one.pictures.get(one.pose)?.setAttribute('display', 'none');
  one.pose = pose;
  const known = one.pictures.get(pose);
  if (known) {
    known.removeAttribute('display');
    return;
  }
  const picture = pictureOf(one.art, pose);
  if (!picture) return;
  if (one.art.kind !== 'strip') {
    one.group.append(artNodes(picture, one.assets));
    return;
  }
  const holder = svgElement('g');
  holder.append(artNodes(picture, one.assets));
  one.group.append(holder);
  one.pictures.set(pose, holder);
}

function move(one: Placed, poses: Float64Array, at: number): void {
  const matrix = matrixText(poses, at);
  if (matrix !== one.matrix) one.group.setAttribute('transform', (one.matrix = matrix));
  const pose = poses[at + POSE.pose] ?? 1;
  if (pose !== one.pose && one.art.kind === 'strip') show(one, pose);
  const opacity = poses[at + POSE.opacity] ?? 1;
  if (opacity === one.opacity) return;
  one.opacity = opacity;
  one.group.setAttribute('opacity', String(opacity));
}

function setOrRemove(element: SVGElement, name: string, value: string): void {
  if (value) element.setAttribute(name, value);
  else element.removeAttribute(name);
}
