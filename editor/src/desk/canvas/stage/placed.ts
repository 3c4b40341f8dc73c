import { POSE, POSE_SIZE, type Art, type Rider, type Scene } from '@pace-line/core';
import { artNodes } from '../art-gate.ts';
import { rounded, svgElement } from './svg.ts';

interface Placed {
  readonly group: SVGGElement;
  readonly art: Art;
  matrix: string;
  opacity: number;
  visible: boolean;
}

/** The groups of a stage's riders. */
export interface PlacedRiders {
  /** The group of a rider, with its art. */
  groupOf: (rider: Rider, art: Art, assets: Scene['assets']) => SVGGElement;
  /** Takes those away that are not of these. */
  keepOnly: (ids: ReadonlySet<string>) => void;
  /** Puts each where it is in a frame. */
  draw: (scene: Scene, poses: Float64Array) => void;
}

export function createPlacedRiders(): PlacedRiders {
  const placed = new Map<string, Placed>();
  return {
    groupOf(rider, art, assets) {
      let one = placed.get(rider.id);
      if (!one || one.art !== art) {
        one?.group.remove();
        const group = svgElement('g');
        group.append(artNodes(art, assets));
        placed.set(rider.id, (one = { group, art, matrix: '', opacity: 1, visible: true }));
      }
      if (one.visible !== rider.visible) {
        one.visible = rider.visible;
        one.group.style.display = rider.visible ? '' : 'none';
      }
      return one.group;
    },
    keepOnly(ids) {
      for (const [id, one] of placed)
        if (!ids.has(id)) {
          one.group.remove();
          placed.delete(id);
        }
    },
    draw(scene, poses) {
      scene.riders.forEach((rider, i) => {
        const one = placed.get(rider.id);
        if (one?.visible) move(one, poses, i * POSE_SIZE);
      });
    },
  };
}

function move(one: Placed, poses: Float64Array, at: number): void {
  const n = (k: number): number => rounded(poses[at + k]);
  const matrix = `matrix(${n(0)} ${n(1)} ${n(2)} ${n(3)} ${n(4)} ${n(5)})`;
  if (matrix !== one.matrix) one.group.setAttribute('transform', (one.matrix = matrix));
  const opacity = poses[at + POSE.opacity] ?? 1;
  if (opacity === one.opacity) return;
  one.opacity = opacity;
  one.group.setAttribute('opacity', String(opacity));
}
