import { SceneError, type Refusal, type RefusalCode } from '@pace-line/core';

type Words = (data: Readonly<Record<string, string | number>>) => string;

/** Why something cannot be done, for people: what is wrong, and what to do instead. */
const WORDS: Readonly<Record<RefusalCode, Words>> = {
  'art-in-use': ({ name }) => `“${name}” shows this art; delete that rider first, or give it other art.`,
  'at-mark': () => 'There is a mark at this time already.',
  'at-node': () => 'There is a node here already.',
  'canvas-size': () => 'A side of the canvas is from 1 to 16,384 px.',
  'carried-in-circle': ({ name }) =>
    `“${name}” carries that rider, or looks toward it, itself: riders cannot depend on each other in a circle.`,
  'carried-with-guide': () =>
    'A rider on a guide is carried with its guide; park it first, or let its guide be carried.',
  'cycle-too-short': () =>
    'At that speed the marks after it do not fit before the end of the cycle; make the cycle longer first.',
  duration: () => 'A loop lasts from a moment to an hour.',
  'empty-name': () => 'A scene needs a name.',
  'id-taken': ({ id }) => `The id “${id}” is in use.`,
  'join-needs-nodes': () => 'Both guides need a node to be joined.',
  'join-needs-two': () => 'Two guides are joined; to close one, choose “closed” on the Guide card.',
  'join-open-only': () => 'Only open guides can be joined.',
  'last-mark': () => 'A rider on a guide keeps at least one mark; park it instead.',
  'last-node': () => 'A guide keeps at least one node; delete the guide instead.',
  'line-returns': () =>
    'The line is at the same place as a neighbouring mark here; choose a time a little earlier or later.',
  linked: ({ name, original }) => `“${name}” follows “${original}”; edit that one, or unlink it on the Guide card.`,
  locked: ({ name }) => `“${name}” is locked; unlock it in Contents.`,
  'marks-do-not-fit': () => 'What was copied does not fit before the end of the cycle from here.',
  'marks-past-end': () =>
    'There are marks or keys later than that; bring them forward first, or stretch all of it instead.',
  'motion-too-short': () => 'The motion was too short.',
  'needs-closed': () =>
    'As far from each other everywhere they can be on a closed guide only; let them follow at a distance instead.',
  'no-art': () => 'That art is not in this scene.',
  'other-art': () => 'That art is of another kind or size by now.',
  'no-corners': () => 'On its way there is no corner without a mark.',
  'no-guide': () => 'That guide is not in this scene.',
  'no-key': () => 'That key is not there any more.',
  'no-mark': ({ name }) => `“${name}” has no such mark.`,
  'no-node': ({ name }) => `“${name}” has no such node.`,
  'no-nodes': () => 'A guide has at least one node.',
  'no-picture': () => 'That picture is not in this scene.',
  'no-picture-missing': () => 'No picture is missing in this scene.',
  'no-recipe': () => 'Its pace is made of marks already.',
  'no-rider': () => 'That rider is not in this scene.',
  'kept-already': ({ name }) => `“${name}” has just that already.`,
  'no-output': () => 'That is not in this set any more.',
  'no-set': () => 'That set is not in this scene.',
  'too-many-art': () => 'A scene holds 10,000 drawings and pictures at most.',
  'too-many-guides': () => 'A scene holds 10,000 guides at most.',
  'too-many-keys': () => 'A channel of a rider holds 10,000 keys at most.',
  'too-many-marks': () => 'A rider holds 10,000 marks at most.',
  'too-many-nodes': () => 'A guide holds 20,000 nodes at most; simplify it first, or split it.',
  'too-many-tracing': () => 'A scene holds 100 tracing pictures at most.',
  'too-many-weight': () => 'The scene would be larger than a scene file may be (100 MB, or two million values).',
  'too-many-outputs': () => 'A set holds 100 outputs at most.',
  'too-many-sets': () => 'A scene holds 50 sets at most.',
  'no-shape': () => 'Its nodes were edited by hand, so it is no longer a shape with parameters.',
  'no-span': () => 'That span is not on this guide.',
  'not-linked': () => 'It follows no other guide.',
  'nothing-copied': () => 'No marks were copied.',
  'nothing-left': () => 'At that distance nothing is left of it: its bends are tighter.',
  'open-guide-starts-at-end': () => 'An open guide starts at its end; reverse it to start at the other.',
  'original-linked': ({ name }) => `“${name}” follows another guide; take that one.`,
  'other-guide': ({ name }) => `“${name}” rides another guide; park it, or change its guide on the Rider card.`,
  'outside-cycle': () => 'That time lies outside the rider’s cycle.',
  'pace-needs-guide': ({ name }) => `“${name}” is on another guide; take the guide over as well.`,
  'too-many-riders': () => 'A scene holds 5,000 riders at most.',
  'paced-by-recipe': () => 'Its recipe makes its speeds; convert it to marks on the Pace card first.',
  'parallel-bound': ({ name }) => `“${name}” keeps its distance from its original; move that one, or unlink it.`,
  parked: () => 'A parked rider has no guide and no pace line.',
  'landing-beside-nodes': () =>
    'Arcs follow by their height from node to node: this mark, or those beside it, do not stand at nodes. Choose “gravity follows”, or set it on a node.',
  'time-by-recipe': () => 'The recipe makes this time. Freeze it into marks to set it.',
  'recipe-needs-two': () => 'A recipe needs two marks: where it starts and where it ends.',
  'piece-needs-two-ends': () => 'Select the nodes at both ends of the piece to be faired, or none for the whole guide.',
  'split-at-end': () => 'A guide can be split at a node between its ends.',
  'stretch-needs-two': () => 'Choose two marks or more: what lies between them is stretched.',
  tolerance: () => 'The tolerance is more than 0 px.',
  'two-nodes-to-close': () => 'A guide needs two nodes to close.',
};

/** A refusal in words. */
export const wordsOfRefusal = ({ code, data }: Refusal): string => WORDS[code](data);

/** The words of an error that a command threw; anything else is thrown on. */
export function wordsOfSceneError(error: unknown): string {
  if (error instanceof SceneError) return wordsOfRefusal(error.refusal);
  throw error;
}
