import type { z } from '../../zod.ts';
import type { TellIssue } from './issue.ts';
import type { sceneShape } from './scene.ts';

type Shape = z.infer<typeof sceneShape>;
type RiderShape = Shape['riders'][number];

/** Whom a rider is strung between and behind, the guide that it is seen within, the mark that its poses wait for, the camera: all are there. */
export function checkLayers(scene: Shape, issue: TellIssue): void {
  const riders = new Map(scene.riders.map((one) => [one.id, one]));
  const missing = (id: string): string | undefined => (riders.has(id) ? undefined : `there is no rider "${id}"`);
  const say = (path: (string | number)[], message: string | undefined): void => {
    if (message !== undefined) issue(path, message);
  };
  if (scene.camera !== null) say(['camera'], missing(scene.camera));
  scene.riders.forEach((one, i) => {
    const { strung, poses } = one;
    if (strung) {
      say(['riders', i, 'strung', 'from'], missing(strung.from));
      say(['riders', i, 'strung', 'to'], missing(strung.to));
      if (one.guide !== null || one.carrier || one.roll)
        issue(['riders', i, 'strung'], 'what is strung between two riders has no guide, no carrier and does not roll');
    }
    if (poses.mark && !riders.get(poses.mark.rider)?.pace.marks.some(({ id }) => id === poses.mark?.mark))
      issue(['riders', i, 'poses', 'mark'], `there is no mark "${poses.mark.mark}" of a rider "${poses.mark.rider}"`);
    checkBehind(scene, one, i, say, missing);
    if (one.inside) {
      const guide = scene.guides.find(({ id }) => id === one.inside?.guide);
      if (!guide) issue(['riders', i, 'inside', 'guide'], `there is no guide "${one.inside.guide}"`);
      else if (!guide.closed)
        issue(['riders', i, 'inside', 'guide'], 'a rider is seen inside or outside of a closed guide');
    }
  });
}

function checkBehind(
  scene: Shape,
  one: RiderShape,
  i: number,
  say: (path: (string | number)[], message: string | undefined) => void,
  missing: (id: string) => string | undefined,
): void {
  const guide = one.behind.length === 0 ? undefined : scene.guides.find(({ id }) => id === one.guide);
  const nodes = new Set(guide?.nodes.map(({ id }) => id));
  const marks = new Set(one.pace.marks.map(({ id }) => id));
  one.behind.forEach((stretch, j) => {
    const path = ['riders', i, 'behind', j];
    say([...path, 'rider'], stretch.rider === one.id ? 'a rider cannot be behind itself' : missing(stretch.rider));
    for (const key of ['from', 'to'] as const) {
      if (stretch.by === 'marks')
        say([...path, key], marks.has(stretch[key]) ? undefined : `the rider has no mark "${stretch[key]}"`);
      else {
        const place = stretch[key];
        if (place.by === 'node' && guide)
          say([...path, key, 'node'], nodes.has(place.node) ? undefined : `its guide has no node "${place.node}"`);
      }
    }
  });
}
