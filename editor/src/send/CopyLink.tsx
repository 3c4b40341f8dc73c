import { linked, usedAssets, type Scene } from '@pace-line/core';
import { warn } from '../look/notices.tsx';
import { copyText } from './copy.ts';
import { BASE } from '../platform/base.ts';

/** Characters that messages and address bars take. */
const LONGEST_LINK = 60_000;

/** Characters of drawings that could still fit when they are packed: more are not tried, as that would hold up the page. */
const MOST_DRAWN = 1_000_000;

const drawn = ({ art }: Scene): number =>
  art.reduce((sum, one) => sum + (one.kind === 'svg' ? one.markup.length : 0), 0);

/** Copies an address that holds the scene in itself: nothing is stored anywhere, and opened it is a new scene of whoever opens it. */
export function CopyLink({ scene }: { scene: Scene }) {
  const copy = (): void => {
    const hasPixels = usedAssets(scene.art).length > 0;
    const link = hasPixels || drawn(scene) > MOST_DRAWN ? undefined : `${location.origin}${BASE}open#${linked(scene)}`;
    if (link !== undefined && link.length <= LONGEST_LINK) void copyText(link, `A link that holds “${scene.name}”`);
    else
      warn(
        'The scene is too large for a link',
        hasPixels ? 'It has pictures in it. Send it as a scene instead.' : 'Send it as a scene instead.',
      );
  };
  return (
    <button type="button" className="bar-button" title="An address that holds the whole scene in itself" onClick={copy}>
      Copy a link
    </button>
  );
}
