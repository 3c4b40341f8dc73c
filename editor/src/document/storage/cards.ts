import { alone, announceShelf, cards } from './stores.ts';

/** What the Shelf shows of a scene without reading it. */
export interface SceneCard {
  readonly id: string;
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly changed: number;
  /** The scene as an animated SVG; empty until it has been drawn. */
  readonly thumbnail: string;
  /** File name of the sample that it was opened from, while nothing in it has been changed. */
  readonly sample: string | null;
}

/** All cards, the latest first. */
export async function listCards(): Promise<SceneCard[]> {
  const found: SceneCard[] = [];
  await cards.iterate<SceneCard | null, void>((card) => {
    if (card && typeof card.name === 'string') found.push(card);
  });
  return found.sort((a, b) => b.changed - a.changed);
}

export const cardOf = (id: string): Promise<SceneCard | null> => cards.getItem<SceneCard>(id);

/** Changes a scene's card, one tab after another. */
const changeCard = (id: string, change: (card: SceneCard | null) => SceneCard | null): Promise<void> =>
  alone(`card-${id}`, 'exclusive', async () => {
    const card = change(await cardOf(id));
    if (card) await cards.setItem(id, card);
  });

/** Writes a scene's card; its picture stays until another is drawn. */
export const keepCard = (id: string, name: string, sample: string | null): Promise<void> =>
  changeCard(id, (card) => ({ id, name, changed: Date.now(), thumbnail: card?.thumbnail ?? '', sample }));

export async function keepThumbnail(id: string, thumbnail: string): Promise<void> {
  let isThere = false;
  await changeCard(id, (card) => {
    isThere = card !== null;
    return card && { ...card, thumbnail };
  });
  if (isThere) announceShelf();
}

export async function hasThumbnail(id: string): Promise<boolean> {
  return Boolean((await cardOf(id))?.thumbnail);
}
