import { pictureOf, type Picture } from '../../../scene/index.ts';
import { valueOfCurve, type DrawnArt } from '../../../take/index.ts';
import { escapeMarkup } from '../../text.ts';
import { stepsWhere } from '../steps.ts';
import { clipped } from './clips.ts';
import { awayFrom, fadingOf, factorsOf, groupsOf, jointGroup, withinOf, type Factor } from './groups.ts';
import { alongGroups } from './path.ts';
import { pictureMarkup } from './picture.ts';
import { identified, ownMoves, stepped, type Moves, type Writing } from './writing.ts';

/** The factors that a joint group holds. */
const JOINT: ReadonlySet<Factor['key']> = new Set(['x', 'y', 't']);

/** A rider: what it is clipped by, when it is drawn here, how it fades, its matrix, and its picture or poses. */
export function artMarkup(writing: Writing, drawn: DrawnArt): string {
  const { prefix, take } = writing;
  const name = `${prefix}-${firstPlace(writing, drawn.id)}`;
  const { leader, moves } = movesOf(writing, drawn, name);
  const curves = leader.along?.rest ?? leader.curves;
  const groups: string[] = [];
  if (drawn.inside) groups.push(clipped(writing, drawn.inside));
  if (drawn.shown.length > 1 || drawn.showing) {
    const here = ownMoves(`${prefix}-${take.drawing.indexOf(drawn) + 1}`, drawn.runs);
    const steps = stepped(writing, { ...here, mirrored: moves.mirrored }, 'b', drawn.shown, drawn.showing);
    groups.push(`<g${steps}${identified(writing, `${here.name}b`)}>`);
  }
  const fading = fadingOf(writing, moves, curves, leader.entering);
  groups.push(...fading.groups);
  const along = leader.along && alongGroups(writing, moves, leader.along);
  if (along) groups.push(...along.groups);
  const { pivot } = drawn.art;
  const { more } = fading;
  // What repeats another moves by its rules: its own pivot is told from that one’s.
  const { pivot: led } = leader.art;
  const within = leader.joint ? withinOf(curves, led) : null;
  if (leader.joint) groups.push(jointGroup(writing, moves, curves, within, within ? more : ''));
  if (within && (led[0] !== pivot[0] || led[1] !== pivot[1]))
    groups.push(...groupsOf(writing, moves, [], { after: awayFrom([pivot[0] - led[0], pivot[1] - led[1]]) }));
  if (!within) {
    const factors = factorsOf(curves, leader.entering).filter(({ key }) => !leader.joint || !JOINT.has(key));
    const around = { before: along?.before ?? '', after: awayFrom(pivot), more };
    groups.push(...groupsOf(writing, moves, factors, around));
  }
  if (groups.length === 0) groups.push('<g>');
  const inside = posesMarkup(writing, drawn, name, moves).replace(
    /^<[a-z]+/,
    (tag) => tag + identified(writing, `${name}i`),
  );
  // The outermost says whose all of it is, for pages and their tests.
  const [outer = '', ...inner] = groups;
  const named = outer.replace(/>$/, () => ` data-rider="${escapeMarkup(drawn.name)}">`);
  return named + inner.join('') + inside + '</g>'.repeat(groups.length);
}

/** The number of a rider's first place in the drawing: the places in which one rider is drawn at times share its keyframes. */
const firstPlace = ({ take }: Writing, id: string): number =>
  take.drawing.findIndex((one) => one.kind === 'art' && one.id === id) + 1;

/** Whose tracks a rider moves by, and how: its own, or those of the rider that it repeats. */
function movesOf(writing: Writing, drawn: DrawnArt, name: string): { leader: DrawnArt; moves: Moves } {
  const { prefix, take, echoes } = writing;
  const { echo, mirrored } = drawn;
  const leader = echo && take.drawing.find((one) => one.kind === 'art' && one.id === echo.of);
  if (leader?.kind !== 'art') return { leader: drawn, moves: { ...ownMoves(name, drawn.runs), mirrored } };
  const { ahead } = echo ?? { ahead: 0 };
  const delayed = `${name}e`;
  if (ahead > 0) echoes.set(delayed, { ahead, share: leader.along && valueOfCurve(leader.along.share, ahead) });
  const tracks = `${prefix}-${firstPlace(writing, leader.id)}`;
  return { leader, moves: { ...ownMoves(tracks), ahead, echo: ahead > 0 ? delayed : '', mirrored: leader.mirrored } };
}

/** The pictures that a rider shows over the loop and the lead-in, by their poses. */
export const picturesOf = ({ art, pose, posing }: DrawnArt): Map<number, Picture> =>
  new Map(
    [...pose, ...(posing ?? [])].flatMap(({ value }) => {
      const picture = pictureOf(art, value);
      return picture ? [[value, picture] as const] : [];
    }),
  );

/** The picture of a rider, or each of those that it shows with the times at which it does. */
function posesMarkup(writing: Writing, drawn: DrawnArt, name: string, moves: Moves): string {
  const pictures = [...picturesOf(drawn)];
  return pictures
    .map(([pose, picture], i) => {
      const shared = writing.shared.get(picture);
      const isOne = pictures.length === 1;
      const inside =
        shared === undefined
          ? pictureMarkup(writing, picture, isOne ? `${name}-` : `${name}-${pose}-`)
          : `<use href="#${writing.prefix}-a${shared}"/>`;
      const times = stepsWhere(drawn.pose, (value) => value === pose);
      const before = drawn.posing && stepsWhere(drawn.posing, (value) => value === pose);
      const changes = times.length > 1 || before;
      if (!changes) return inside;
      const own = `p${pose}`;
      // The first has an id of its own already, as the picture's beginning.
      const id = i > 0 ? identified(writing, name + own) : '';
      return `<g${stepped(writing, moves, own, times, before)}${id}>${inside}</g>`;
    })
    .join('');
}
