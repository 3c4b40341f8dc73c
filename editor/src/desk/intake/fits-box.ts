import type { ReadArt } from '@pace-line/core/art-import';
import { nextTurn } from '../../platform/turn.ts';
import { throughGateInTurns } from '../../figures/stage/art-gate.ts';

/**
 * A drawing that lies within its own box needs no clipping, which is what costs most when it turns: it is marked so. The browser measures it, strokes
 * taken as half their width all round. One that is heavy is not measured: that would hold the page up. Cleaning and measuring are turns of their own.
 */
export async function fitsItsBox(art: ReadArt): Promise<ReadArt> {
  if (art.heavy.length > 0) return art;
  if (/^<svg[^>]*\soverflow=/.test(art.markup) || /<(?:filter|marker|mask)\b/.test(art.markup)) return art;
  const svg = await throughGateInTurns(art.markup);
  if (!(svg instanceof SVGSVGElement)) return art;
  await nextTurn();
  const host = document.createElement('div');
  host.style.cssText = 'position:absolute;left:-99999px;top:0;visibility:hidden';
  host.append(svg);
  document.body.append(host);
  try {
    const box = svg.getBBox();
    const { x, y, width, height } = svg.viewBox.baseVal ?? { x: 0, y: 0, width: art.width, height: art.height };
    const [w, h] = width > 0 ? [width, height] : [art.width, art.height];
    const widths = [...svg.querySelectorAll('*')].map((one) => {
      const style = getComputedStyle(one);
      return style.stroke === 'none' ? 0 : Number.parseFloat(style.strokeWidth) || 0;
    });
    const edge = Math.max(0, ...widths);
    const inside =
      box.x - edge >= x - 0.01 &&
      box.y - edge >= y - 0.01 &&
      box.x + box.width + edge <= x + w + 0.01 &&
      box.y + box.height + edge <= y + h + 0.01;
    const uniform = Math.abs(w / h - art.width / art.height) < 1e-6;
    return inside && uniform ? { ...art, markup: art.markup.replace('<svg ', '<svg overflow="visible" ') } : art;
  } finally {
    host.remove();
    await nextTurn();
  }
}
