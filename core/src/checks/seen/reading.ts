import { UNPAINTED } from '../../drawing/kinds.ts';
import { artOfRider, pictureOf, rootOf, type Art, type Scene } from '../../scene/index.ts';
import type { ArtElement } from '../../scene/art/index.ts';
import type { Check, Finding } from '../check.ts';
import { MISSED, watchedIn, type Look, type Watched } from './watched.ts';

/** Words a second that are read, and s until the eye has found them: subtitles are set for 160 to 180 words a minute. */
const [WORDS_A_SECOND, FOUND] = [3, 0.5];
/** Opacity at which words can be read. */
const OPAQUE = 0.5;
/** Share of the canvas's width a second below which words rest. */
const RESTS = 0.05;
/** s. What rests for less only turns round there. */
const LEAST = 0.1;

/** Labels that come to rest, and go before they are read. What never rests is not meant to be read where it goes. */
export const reading: Check<'reading'> = {
  id: 'reading',
  label: 'Reading time',
  about: 'Labels that rest on the canvas for less time than their words take to be read',
  find({ scene, motion }) {
    if (scene.camera !== null) return [];
    const labels = watchedIn({ scene, length: motion.length, motion: motion.riders });
    return labels.flatMap((one): Finding[] => {
      const art = artOfRider(scene, one.rider);
      const words = art ? wordsIn(art) : 0;
      if (words === 0) return [];
      const needed = FOUND + words / WORDS_A_SECOND;
      const rests = restOf(one, scene);
      if (rests < LEAST || rests >= Math.min(needed, motion.length)) return [];
      const spans = one.spans((look) => canBeRead(one, scene, look));
      return [
        {
          ...{ check: 'reading', holds: false, riders: [one.rider.id], at: spans[0]?.[0] ?? 0, spans, place: null },
          words: `${words} ${words === 1 ? 'word rests' : 'words rest'} ${rests.toFixed(2)} s, reading takes ${needed.toFixed(1)} s`,
          figures: { count: words, rests, needed },
        },
      ];
    });
  },
};

const restOf = (one: Watched, scene: Scene): number => one.longest((look) => canBeRead(one, scene, look));

function canBeRead({ motion }: Watched, { canvas }: Scene, look: Look): boolean {
  const { left, top, right, bottom, opacity, time } = look;
  if (opacity < OPAQUE || right <= left) return false;
  const isWhole = Math.min(left, top) >= -MISSED && right <= canvas.width + MISSED && bottom <= canvas.height + MISSED;
  return isWhole && motion.ownSpeedAt(look.side > 0 ? time : time - 1e-4) <= RESTS * canvas.width;
}

const counted = new WeakMap<Art, number>();

/** Words of the text in a drawing's first picture. */
function wordsIn(art: Art): number {
  let count = counted.get(art);
  if (count === undefined) {
    const picture = pictureOf(art, 1);
    const text = picture && picture.kind !== 'image' ? textIn(rootOf(picture), false) : '';
    counted.set(art, (count = text.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word)).length));
  }
  return count;
}

const textIn = ({ children }: ArtElement, isText: boolean): string =>
  children
    .map((child) => {
      if (typeof child === 'string') return isText ? child : ' ';
      return UNPAINTED.has(child.name) ? ' ' : textIn(child, isText || child.name === 'text');
    })
    .join(' ');
