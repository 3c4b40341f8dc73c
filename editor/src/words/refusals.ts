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
  duration: () => 'A loop’s duration is more than 0 s and at most 1 hour (3,600 s).',
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
  'marks-do-not-fit': () => 'The copied marks do not fit between here and the end of the cycle.',
  'marks-past-end': () =>
    'There are marks or keyframes later than that; move them earlier first, or scale all times instead.',
  'motion-too-short': () => 'The recorded motion is too short.',
  'needs-closed': () => 'Even spacing all round needs a closed guide; choose spacing by distance instead.',
  'no-art': () => 'That art is not in this scene.',
  'other-art': () => 'That art now has another kind or size.',
  'no-corners': () => 'Every corner on its path already has a mark.',
  'no-guide': () => 'That guide is not in this scene.',
  'no-key': () => 'That keyframe no longer exists.',
  'no-mark': ({ name }) => `“${name}” has no such mark.`,
  'no-node': ({ name }) => `“${name}” has no such node.`,
  'no-nodes': () => 'A guide has at least one node.',
  'no-picture': () => 'That picture is not in this scene.',
  'no-picture-missing': () => 'No picture is missing in this scene.',
  'no-recipe': () => 'Its pace already comes from marks.',
  'no-rider': () => 'That rider is not in this scene.',
  'kept-already': ({ name }) => `“${name}” already has exactly that.`,
  'no-output': () => 'That output is no longer in this set.',
  'no-set': () => 'That set is not in this scene.',
  'too-many-art': () => 'A scene holds 10,000 drawings and pictures at most.',
  'too-many-guides': () => 'A scene holds 10,000 guides at most.',
  'too-many-keys': () => 'A row of a rider holds 10,000 keyframes at most.',
  'too-many-marks': () => 'A rider holds 10,000 marks at most.',
  'too-many-nodes': () => 'A guide holds 20,000 nodes at most; simplify it first, or split it.',
  'too-many-tracing': () => 'A scene holds 100 tracing pictures at most.',
  'too-many-weight': () => 'The scene would be larger than a scene file may be (100 MB, or two million values).',
  'too-many-outputs': () => 'A set holds 100 outputs at most.',
  'too-many-sets': () => 'A scene holds 50 sets at most.',
  'no-shape': () => 'Its nodes were edited by hand, so it is no longer a shape with parameters.',
  'no-span': () => 'That span is not on this guide.',
  'not-linked': () => 'It is not linked to another guide.',
  'nothing-copied': () => 'No marks were copied.',
  'nothing-left': () => 'At that distance nothing is left of the guide: its bends are tighter than that.',
  'open-guide-starts-at-end': () => 'An open guide starts at one of its ends; reverse it to start at the other.',
  'original-linked': ({ name }) => `“${name}” follows another guide; take that one.`,
  'other-guide': ({ name }) => `“${name}” rides another guide; park it, or change its guide on the Rider card.`,
  'outside-cycle': () => 'That time lies outside the rider’s cycle.',
  'pace-needs-guide': ({ name }) => `“${name}” is on another guide; take the guide over as well.`,
  'too-many-riders': () => 'A scene holds 5,000 riders at most.',
  'paced-by-recipe': () => 'A recipe sets its speeds; choose “Convert to marks” on the Pace card first.',
  'parallel-bound': ({ name }) => `“${name}” keeps its distance from its original; move that one, or unlink it.`,
  parked: () => 'A parked rider has no guide and no pace line.',
  'landing-beside-nodes': () =>
    'Arcs take their times from node to node, and this mark or one beside it is not at a node. Choose “gravity follows”, or put the mark on a node.',
  'time-by-recipe': () => 'The recipe sets this time; choose “Convert to marks” on the Pace card first.',
  'recipe-needs-two': () => 'A recipe needs two marks: one where it starts and one where it ends.',
  'piece-needs-two-ends': () =>
    'Select the nodes at both ends of the piece to be smoothed, or none to smooth the whole guide.',
  'split-at-end': () => 'A guide is split at a node between its ends; select one.',
  'stretch-needs-two': () => 'Select two marks or more; the times between them are scaled.',
  tolerance: () => 'Enter a tolerance above 0 px.',
  'two-nodes-to-close': () => 'A guide needs two nodes to close.',
};

/** A refusal in words. */
export const wordsOfRefusal = ({ code, data }: Refusal): string => WORDS[code](data);

/** The words of an error that a command threw; anything else is thrown on. */
export function wordsOfSceneError(error: unknown): string {
  if (error instanceof SceneError) return wordsOfRefusal(error.refusal);
  throw error;
}
