import type { Take } from '../../take/index.ts';
import { formatNumber } from '../text.ts';
import { keyframesOf } from './css.ts';
import { stepFramesOf } from './steps.ts';
import { declarationOf, type Track } from './tracks.ts';

/** Rules about one point, whatever a page says of its drawings: transforms turn and scale about the canvas's corner, as they are written. */
export const originRule = (prefix: string): string =>
  `.${prefix}-m,.${prefix}-f{transform-box:view-box;transform-origin:0 0}`;

/**
 * The style sheet of a drawing: all that moves has the class `prefix-m`. For those who asked for less motion it stands still, unless something else than time drives it: then
 * `driven` says how it stands until that does.
 */
export function styleOf(take: Take, prefix: string, tracks: readonly Track[], driven = ''): string {
  const origin = originRule(prefix);
  if (tracks.length === 0) return `<style>${origin}</style>`;
  const timing = `${formatNumber(take.length, 6)}s linear ${take.times === null ? 'infinite' : `${take.times} both`}`;
  const calm = `@media (prefers-reduced-motion:reduce){.${prefix}-m{animation:none!important}}`;
  return `<style>${origin}.${prefix}-m{animation:${timing}}${tracks.map((track) => ruleOf(track, take.length)).join('')}${driven || calm}</style>`;
}

function ruleOf({ name, property, curve, steps }: Track, length: number): string {
  const declaration = (value: number): string => declarationOf(property, value);
  if (curve) return `.${name}{animation-name:${name}}${keyframesOf(name, curve, length, declaration)}`;
  return `.${name}{animation-name:${name};animation-timing-function:step-end}${stepFramesOf(name, steps ?? [], length, declaration)}`;
}
