import { setClock, type Scene } from '@pace-line/core';
import { change } from '../../actions/change.ts';
import type { CardGroup } from '../groups/group.ts';
import { WAYS } from '../groups/ways.ts';
import { isRefitted, refitAsUsual, RefitRow } from './CanvasRows.tsx';
import { FIRST_TEMPO, isRetimed, retimeAsUsual, RetimeRows, TempoRows, TimesRow } from './ClockRows.tsx';

/** Rounds with which a scene begins to have an end. */
const FIRST_TIMES = 3;

/** All that a scene can have beyond what everyone needs. */
export const SCENE_GROUPS: readonly CardGroup<Scene>[] = [
  {
    id: 'times',
    title: 'Number of repeats',
    about: 'What is sent plays so many times, then holds.',
    also: 'three times only once twice finite stop after loops count',
    picture: WAYS.round,
    fits: ({ clock }) => clock.repeat !== 'once',
    has: ({ clock }) => clock.times !== null && clock.repeat !== 'once',
    add: (desk) => change(desk, 'Set number of repeats', (scene) => setClock(scene, { times: FIRST_TIMES })),
    remove: (desk) => change(desk, 'Repeat endlessly', (scene) => setClock(scene, { times: null })),
    Rows: ({ on }) => (on.clock.times === null ? null : <TimesRow times={on.clock.times} />),
  },
  {
    id: 'tempo',
    title: 'Tempo',
    about: 'Beats a minute that marks can keep to.',
    also: 'bpm music rhythm beat sync sound',
    picture: WAYS.bounce,
    has: ({ clock }) => clock.tempo !== null,
    add: (desk) => change(desk, 'Add a tempo', (scene) => setClock(scene, { tempo: FIRST_TEMPO })),
    remove: (desk) => change(desk, 'Remove the tempo', (scene) => setClock(scene, { tempo: null })),
    Rows: ({ on }) => (on.clock.tempo ? <TempoRows tempo={on.clock.tempo} /> : null),
  },
  {
    id: 'retime',
    title: 'Changing the duration',
    about: 'Scale all times with it, or keep them and add room.',
    also: 'longer shorter stretch add time extend trim',
    picture: WAYS.slow,
    // While it is not as usual it stays in sight: nothing works unseen.
    has: isRetimed,
    remove: retimeAsUsual,
    Rows: () => <RetimeRows />,
  },
  {
    id: 'refit',
    title: 'Changing the canvas size',
    about: 'What is on it stays, is centred, or is scaled.',
    also: 'resize adapt scale everything portrait format',
    picture: WAYS.shape,
    has: isRefitted,
    remove: refitAsUsual,
    Rows: () => <RefitRow />,
  },
];
