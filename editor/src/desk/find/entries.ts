import { artOfRider, guideById, riderById, type Scene } from '@pace-line/core';
import { NOTHING, pastTime, selectGuide, selectRider, type VersionCard } from '../../document/index.ts';
import { formatEntries, recipeEntries, sampleEntries, type Go } from '../../find/everywhere.ts';
import { tell } from '../../look/notices.tsx';
import { CANVAS_TOOLS } from '../../tools/index.ts';
import { ROWS, rowWords, type RowName } from '../../words/rows.ts';
import { CARD_GROUPS } from '../cards/index.ts';
import { sceneOf, selectionOf, type Desk } from '../desk.ts';
import { useDeskView, type CardName } from '../view.ts';
import { COMMANDS } from './commands.ts';
import type { FindEntry } from '../../find/entry.ts';

/** What is selected, as a card needs it; else what is to be done first. */
const NEEDS: Readonly<Record<Exclude<CardName, 'scene' | 'checks'>, string>> = {
  guide: 'Select a guide first: press its line on the canvas.',
  rider: 'Select a rider first: press it on the canvas.',
  heading: 'Select a rider first: press it on the canvas.',
  pace: 'Select a rider first: press it on the canvas.',
};

const CARD_NAMES: Readonly<Record<CardName, string>> = {
  scene: 'Scene card',
  guide: 'Guide card',
  rider: 'Rider card',
  heading: 'Heading card',
  pace: 'Pace card',
  checks: 'Checks card',
};

/** Whether a card shows something: else it is said what to select. */
function isReady(desk: Desk, card: CardName): boolean {
  if (card === 'scene' || card === 'checks') return true;
  const { guides, riders } = selectionOf(desk);
  const isThere = riders.length > 0 || (card === 'guide' && guides.length > 0);
  if (!isThere) tell(NEEDS[card]);
  return isThere;
}

/** ms until what was opened stands there. */
const SHOWN = 100;

/** ms that a row stays lit. */
const LIT = 2400;

/** Opens a card and lights one of its rows. */
function light(card: CardName, lit: RowName | null): void {
  const view = useDeskView.getState();
  view.set({ openCard: card, cardsShown: true, page: 'cards', lit });
  if (lit !== null) setTimeout(() => useDeskView.getState().lit === lit && view.set({ lit: null }), LIT);
}

/** The rows that everyone needs, by name. */
const rowEntries = (desk: Desk): FindEntry[] =>
  (Object.keys(ROWS) as RowName[]).flatMap((of) => {
    const { label, about, also, group } = rowWords(of);
    const card = of.slice(0, of.indexOf('.')) as CardName;
    if (also === undefined) return [];
    return {
      ...{ id: `row ${of}`, title: label, about, also, where: CARD_NAMES[card] },
      run: () => {
        if (!isReady(desk, card) || (group !== undefined && !addGroup(desk, card, group))) return;
        light(card, of);
        // What does not apply to what is selected has no row: that is said.
        setTimeout(() => {
          if (!document.querySelector(`[data-row="${of}"]`))
            tell(`“${label}” does not apply to what is selected now. ${about}.`);
        }, SHOWN);
      },
    };
  });

/** What a card is about, as its groups take it; undefined where nothing is selected for it. */
function subjectOf(desk: Desk, card: CardName): { readonly of: string; readonly on: never } | undefined {
  const [scene, { guides, nodes, riders, marks }] = [sceneOf(desk), selectionOf(desk)];
  if (card === 'scene') return { of: 'scene', on: scene as never };
  const rider = riderById(scene, riders[0] ?? '');
  if (card === 'guide') {
    const guide = guideById(scene, guides[0] ?? rider?.guide ?? null);
    return guide && { of: guide.id, on: { guide, nodes } as never };
  }
  const art = rider && artOfRider(scene, rider);
  if (!rider || !art) return undefined;
  if (card === 'heading') return { of: rider.id, on: rider as never };
  const mark = marks[0] ?? (rider.guide === null ? undefined : rider.pace.marks[0]?.id);
  return { of: rider.id, on: (card === 'pace' ? { rider, chosen: marks, mark } : { rider, art }) as never };
}

/** Adds a group to what is selected, or opens it; false, and said why, where it does not apply. */
function addGroup(desk: Desk, card: CardName, id: string): boolean {
  const group = CARD_GROUPS.find((one) => one.card === card)?.groups.find((one) => one.id === id);
  const subject = subjectOf(desk, card);
  if (!group || !subject) return false;
  const scene = sceneOf(desk);
  const isThere = group.has?.(subject.on, scene) ?? false;
  if (!isThere && !(group.fits?.(subject.on, scene) ?? true)) {
    tell(`“${group.title}” does not apply to what is selected. ${group.about}`);
    return false;
  }
  if (!isThere) group.add?.(desk, subject.on);
  useDeskView.getState().setGroup(`${subject.of} ${group.id}`, true);
  return true;
}

/** What cards can have: it is added, and shown. */
const groupEntries = (desk: Desk): FindEntry[] =>
  CARD_GROUPS.flatMap(({ card, groups }) =>
    groups.map((group): FindEntry => ({
      ...{ id: `group ${group.id}`, title: group.title, about: group.about, also: group.also },
      where: `${CARD_NAMES[card]}, Add…`,
      run: () => {
        if (isReady(desk, card) && addGroup(desk, card, group.id)) light(card, null);
      },
    })),
  );

const toolEntries = (): FindEntry[] =>
  CANVAS_TOOLS.map(({ name, label, about, also }, i) => ({
    ...{ id: `tool ${name}`, title: label, about, also, where: 'Tool above the canvas', keys: String(i + 1) },
    run: () => useDeskView.getState().set({ tool: name, page: 'canvas' }),
  }));

/** Earlier versions of the scene, by when and how they were kept. */
export const versionEntries = (versions: readonly VersionCard[]): FindEntry[] =>
  versions.map(({ key, at, name }): FindEntry => ({
    id: `version ${key}`,
    title: name === null ? `Version of ${pastTime(at)}` : `Version “${name}”`,
    about: `Shows the version of ${pastTime(at)} behind the scene, to compare, restore or open it`,
    where: 'Versions',
    also: 'history earlier before restore old',
    run: () => useDeskView.getState().set({ drawer: 'versions', page: 'canvas' }),
  }));

/** What stands in the scene, by its name. */
const objectEntries = ({ doc }: Desk, scene: Scene): FindEntry[] => [
  ...scene.riders.map(({ id, name }): FindEntry => ({
    ...{ id: `rider ${id}`, title: name, about: 'Selects the rider', also: '', where: 'Rider in this scene' },
    run: () => doc.select(selectRider(id)),
  })),
  ...scene.guides.map(({ id, name }): FindEntry => ({
    ...{ id: `guide ${id}`, title: name, about: 'Selects the guide', also: '', where: 'Guide in this scene' },
    run: () => doc.select(selectGuide(id)),
  })),
  ...scene.guides.flatMap((guide) =>
    guide.nodes.flatMap(({ id, name }): FindEntry[] =>
      name === undefined
        ? []
        : [
            {
              ...{ id: `node ${guide.id} ${id}`, title: name, about: `Selects the node of ${guide.name}`, also: '' },
              where: 'Node in this scene',
              run: () => doc.select({ ...NOTHING, guides: [guide.id], nodes: [id] }),
            },
          ],
    ),
  ),
];

/** All that can be asked for on the Desk. */
export function entriesOf(desk: Desk, scene: Scene, go: Go): readonly FindEntry[] {
  return [
    ...COMMANDS.map((command): FindEntry => ({
      ...command,
      id: `command ${command.title}`,
      run: () => command.run(desk),
    })),
    ...rowEntries(desk),
    ...groupEntries(desk),
    ...toolEntries(),
    ...formatEntries((format) => go(`/scene/${desk.id}/send?format=${format}`)),
    {
      ...{
        id: 'link',
        title: 'Copy a link',
        about: 'A link that holds the whole scene in itself',
        where: 'Send, top bar',
      },
      also: 'share url address link send to someone',
      run: () => go(`/scene/${desk.id}/send`),
    },
    ...recipeEntries(go, `?from=${desk.id}`),
    ...sampleEntries(go),
    ...objectEntries(desk, scene),
  ];
}
