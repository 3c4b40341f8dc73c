import type { z } from '../../zod.ts';
import { readArtMarkup } from '../art/markup.ts';
import { dependenciesOf, MOST_DEEP } from '../dependence.ts';
import { assetsOfArt } from './assets.ts';
import { checkLayers } from './invariants-layers.ts';
import type { TellIssue } from './issue.ts';
import { KEY_CHANNELS } from './keys.ts';
import type { sceneShape } from './scene.ts';
import type { Art } from './types.ts';

type Shape = z.infer<typeof sceneShape>;

function checkIds(scene: Shape, issue: TellIssue): void {
  const seen = new Set<string>();
  const claim = (value: string, path: (string | number)[]): void => {
    if (seen.has(value)) issue([...path, 'id'], `the id "${value}" is used twice`);
    seen.add(value);
  };
  scene.art.forEach((one, i) => claim(one.id, ['art', i]));
  scene.guides.forEach((one, i) => {
    claim(one.id, ['guides', i]);
    one.nodes.forEach((each, j) => claim(each.id, ['guides', i, 'nodes', j]));
  });
  scene.riders.forEach((one, i) => {
    claim(one.id, ['riders', i]);
    one.pace.marks.forEach((each, j) => claim(each.id, ['riders', i, 'pace', 'marks', j]));
    for (const channel of KEY_CHANNELS)
      one.keys[channel].forEach((each, j) => claim(each.id, ['riders', i, 'keys', channel, j]));
  });
  scene.tracing.forEach((one, i) => claim(one.id, ['tracing', i]));
  scene.sets.forEach((one, i) => claim(one.id, ['sets', i]));
}

/** Marks in order, none overlapping the next, none past the cycle. The sum is compared with a hair's breadth for rounding. */
function checkMarks(rider: Shape['riders'][number], index: number, duration: number, issue: TellIssue): void {
  const slack = 1e-9;
  const cycle = rider.pace.cycle ?? duration;
  rider.pace.marks.forEach((one, j) => {
    const next = rider.pace.marks[j + 1];
    const path = ['riders', index, 'pace', 'marks', j];
    if (next && next.time < one.time) issue([...path, 'time'], 'marks are in order of time');
    else if (next && one.time + one.dwell > next.time + slack)
      issue([...path, 'dwell'], 'a mark rests past the next one');
    else if (!next && one.time + one.dwell > cycle + slack)
      issue([...path, 'time'], `a mark lies past the end of the cycle (${cycle} s)`);
  });
}

/** Keys in order of time (two at one time are a jump), none past the cycle, tied to marks that are there. */
function checkKeys(
  rider: Shape['riders'][number],
  index: number,
  { duration, marks }: { readonly duration: number; readonly marks: ReadonlySet<string> },
  issue: TellIssue,
): void {
  const cycle = rider.pace.cycle ?? duration;
  for (const channel of KEY_CHANNELS) {
    const keys = rider.keys[channel];
    keys.forEach((one, j) => {
      const path = ['riders', index, 'keys', channel, j];
      if (one.time < (keys[j - 1]?.time ?? 0)) issue([...path, 'time'], 'keys are in order of time');
      if (one.time > cycle + 1e-9) issue([...path, 'time'], `a key lies past the end of the cycle (${cycle} s)`);
      if (one.mark !== null && !marks.has(one.mark)) issue([...path, 'mark'], `no rider has a mark "${one.mark}"`);
    });
  }
}

/** Carriers and targets are there, none depends on itself, and who rides a carried guide is carried with it. */
function checkCarriers(scene: Shape, issue: TellIssue): void {
  if (
    scene.riders.every((one) => dependenciesOf(one).length === 0) &&
    scene.guides.every((one) => one.carrier === null)
  )
    return;
  const riders = new Map(scene.riders.map((one) => [one.id, one]));
  const guides = new Map(scene.guides.map((one) => [one.id, one]));
  const depths = new Map<string, number>();
  const depthOf = (id: string, above: number): number => {
    const known = depths.get(id);
    if (known !== undefined) return known;
    const rider = riders.get(id);
    if (!rider || above > MOST_DEEP) return above > MOST_DEEP ? Infinity : 0;
    const depth = dependenciesOf(rider).reduce((most, one) => Math.max(most, 1 + depthOf(one, above + 1)), 0);
    if (depth <= MOST_DEEP) depths.set(id, depth);
    return depth;
  };
  scene.riders.forEach((one, i) => {
    const carrier = one.carrier?.rider ?? null;
    if (carrier !== null && !riders.has(carrier))
      issue(['riders', i, 'carrier', 'rider'], `there is no rider "${carrier}"`);
    const { mode, target } = one.heading;
    if (mode === 'toward' && target.kind === 'rider' && !riders.has(target.rider))
      issue(['riders', i, 'heading', 'target', 'rider'], `there is no rider "${target.rider}"`);
    if (one.guide !== null && (guides.get(one.guide)?.carrier ?? null) !== carrier)
      issue(['riders', i, 'carrier'], 'a rider on a guide is carried by the rider that carries the guide');
    if (depthOf(one.id, 0) > MOST_DEEP)
      issue(
        ['riders', i, one.carrier ? 'carrier' : 'heading'],
        `riders are carried, strung, or look toward each other, in a circle or more than ${MOST_DEEP} deep`,
      );
  });
  scene.guides.forEach((one, i) => {
    if (one.carrier !== null && !riders.has(one.carrier))
      issue(['guides', i, 'carrier'], `there is no rider "${one.carrier}"`);
  });
}

function checkReferences(scene: Shape, issue: TellIssue): void {
  const arts = new Set(scene.art.map((one) => one.id));
  const guides = new Map(scene.guides.map((one) => [one.id, new Set(one.nodes.map((each) => each.id))]));
  scene.riders.forEach((one, i) => {
    if (!arts.has(one.art)) issue(['riders', i, 'art'], `there is no art "${one.art}"`);
    const nodes = one.guide === null ? undefined : guides.get(one.guide);
    if (one.guide !== null && !nodes) issue(['riders', i, 'guide'], `there is no guide "${one.guide}"`);
    one.pace.marks.forEach((each, j) => {
      if (each.place.by === 'node' && !nodes?.has(each.place.node))
        issue(['riders', i, 'pace', 'marks', j, 'place', 'node'], `its guide has no node "${each.place.node}"`);
    });
  });
}

/** Links lead to a guide that is there and follows none itself; a drawing rider and a picture's pixels are there. */
function checkLinks(scene: Shape, issue: TellIssue): void {
  const guides = new Map(scene.guides.map((one) => [one.id, one]));
  const riders = new Set(scene.riders.map((one) => one.id));
  scene.guides.forEach((one, i) => {
    const original = one.link && guides.get(one.link.of);
    if (one.link && !original) issue(['guides', i, 'link', 'of'], `there is no guide "${one.link.of}"`);
    if (original?.link || (one.link && one.link.of === one.id))
      issue(['guides', i, 'link', 'of'], 'a linked guide follows one that is not linked itself');
    if (one.stroke?.draws != null && !riders.has(one.stroke.draws))
      issue(['guides', i, 'stroke', 'draws'], `there is no rider "${one.stroke.draws}"`);
  });
  scene.art.forEach((one, i) => {
    assetsOfArt(one).forEach((asset, j) => {
      const path = one.kind === 'strip' ? ['art', i, 'poses', j, 'asset'] : ['art', i, 'asset'];
      if (asset !== undefined && !Object.hasOwn(scene.assets, asset)) issue(path, 'its picture is not in the assets');
    });
  });
  scene.tracing.forEach((one, i) => {
    if (!Object.hasOwn(scene.assets, one.asset)) issue(['tracing', i, 'asset'], 'its picture is not in the assets');
  });
}

/** All that joins the parts of a scene: ids given once, references, order of marks. */
export function invariantsOf(scene: Shape, issue: TellIssue): void {
  checkIds(scene, issue);
  checkReferences(scene, issue);
  checkLinks(scene, issue);
  checkCarriers(scene, issue);
  checkLayers(scene, issue);
  const { duration } = scene.clock;
  const marks = new Set(scene.riders.flatMap((one) => one.pace.marks.map(({ id }) => id)));
  scene.riders.forEach((one, i) => {
    checkMarks(one, i, duration, issue);
    checkKeys(one, i, { duration, marks }, issue);
  });
}

/** Why an art's markup is not taken; undefined where it is. */
export function artTrouble(art: Shape['art'][number] | Art): string | undefined {
  if (art.kind === 'image') return undefined;
  if (art.kind === 'svg') return markupTrouble(art.markup);
  for (const [i, pose] of art.poses.entries()) {
    const trouble = pose.kind === 'svg' ? markupTrouble(pose.markup) : undefined;
    if (trouble !== undefined) return `pose ${i + 1}, ${trouble}`;
  }
  return undefined;
}

function markupTrouble(markup: string): string | undefined {
  const read = readArtMarkup(markup);
  return read.ok ? undefined : `line ${read.line}: ${read.message}`;
}
