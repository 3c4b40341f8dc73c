import { newGuide, newHeading, newMark, newPace, newRider, type Node, type Scene } from '@pace-line/core';
import { art, at, node, scene, scenery } from './kit.ts';

/** Two scenes in which something is wrong: what the checks find in them can be put right by what they offer. */

/** A barge and two ferries in a lane: one passes the barge too near, the other scrapes along the bank. */
export function narrows(): Scene {
  const nodes: Node[] = [
    node('upstream', -160, 520, undefined, { out: [180, -20] }),
    node('bridge', 380, 410, [160, -60]),
    node('mill', 860, 300, [160, -30]),
    node('downstream', 1440, 280, undefined, { in: [-180, 20] }),
  ];
  const guide = {
    ...newGuide({ id: 'narrows', name: 'Narrows', closed: false, nodes, color: '#0B7A75' }),
    corridor: 172,
  };
  const travelling = (id: string, from: number, to: number) =>
    newPace({ marks: [newMark(`${id}-in`, from, at('upstream')), newMark(`${id}-out`, to, at('downstream'))] });
  const rides = { guide: 'narrows', heading: newHeading({ mode: 'along' }) };
  return scene({
    name: 'A barge in the narrows',
    canvas: { width: 1280, height: 720, background: '#7E9A58' },
    clock: { duration: 10, fps: 30, repeat: 'loop' },
    art: [
      art('narrow-canal', 'Narrow canal', [0, 0]),
      art('barge', 'Barge', [98, 29]),
      art('ferry', 'Ferry', [74, 34]),
    ],
    guides: [guide],
    riders: [
      scenery('narrow-canal', 'Narrow canal'),
      newRider({ id: 'tea-barge', name: 'Barge', art: 'barge', ...rides, lift: 40, pace: travelling('barge', 0, 10) }),
      newRider({
        ...{ id: 'early-ferry', name: 'Early ferry', art: 'ferry', ...rides, lift: -62, scale: [0.8, 0.8] },
        pace: travelling('early', 0, 5),
      }),
      newRider({
        ...{ id: 'late-ferry', name: 'Late ferry', art: 'ferry', ...rides, lift: -6, scale: [0.8, 0.8] },
        pace: travelling('late', 3, 8),
      }),
    ],
  });
}

/** Two sledges on a track of ice: one overtakes the other too closely, and the other has a runner in the snow. */
export function race(): Scene {
  const nodes: Node[] = [
    node('start', 640, 150, [220, 0]),
    node('east-bend', 1100, 370, undefined, { in: [0, -200], out: [0, 190], join: 'smooth' }),
    node('south-east', 760, 540, undefined, { in: [140, 50], out: [-80, -28], join: 'smooth' }),
    node('south-west', 520, 540, undefined, { in: [80, -28], out: [-140, 50], join: 'smooth' }),
    node('west-bend', 180, 370, undefined, { in: [0, 190], out: [0, -200], join: 'smooth' }),
  ];
  const guide = newGuide({ id: 'track', name: 'Track', closed: true, nodes, color: '#3D5A99' });
  const heading = newHeading({ mode: 'along' });
  const flow = { kind: 'flow' } as const;
  const onIce = (rider: string) => ({
    ...({ rider, side: 'in', by: 'body' } as const),
    area: { kind: 'art', rider: 'scenery-ice-track', part: 'ice' } as const,
  });
  const built = scene({
    name: 'Two sledges',
    canvas: { width: 1280, height: 720, background: '#E9EEF2' },
    clock: { duration: 6, fps: 30, repeat: 'loop' },
    art: [
      art('ice-track', 'Ice track', [0, 0]),
      art('sledge', 'Red sledge', [38, 18]),
      art('blue-sledge', 'Blue sledge', [38, 18]),
    ],
    guides: [guide],
    riders: [
      scenery('ice-track', 'Ice track'),
      newRider({
        ...{ id: 'red', name: 'Red sledge', art: 'sledge', guide: 'track', heading, lift: -69.5 },
        pace: newPace({ marks: [newMark('red-start', 0, at('start')), newMark('red-end', 6, at('start', 1))] }),
      }),
      newRider({
        ...{ id: 'blue', name: 'Blue sledge', art: 'blue-sledge', guide: 'track', heading, lift: -39 },
        pace: newPace({
          marks: [
            newMark('blue-start', 0, at('start'), { ease: flow }),
            newMark('blue-falls-back', 2, { by: 'distance', value: 480 }, { ease: flow }),
            newMark('blue-leads', 4.5, at('west-bend'), { ease: flow }),
            newMark('blue-end', 6, at('start', 1), { ease: flow }),
          ],
        }),
      }),
    ],
  });
  return { ...built, checks: { ...built.checks, bounds: ['red', 'blue'].map(onIce) } };
}
