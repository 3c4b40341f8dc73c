import { base64, base64urlnopad } from '@scure/base';
import { deflateSync, Inflate, strFromU8, strToU8 } from 'fflate';
import { readScene, writeScene } from './file.ts';
import type { SceneReading } from './problems.ts';
import { usedAssets } from './schema/assets.ts';
import type { Scene } from './schema/index.ts';
import { MOST_TEXT } from './weight.ts';

/** Stands before a scene that a file of another format carries. */
const CARRIED = 'pace-line-scene:';

/**
 * How many times its packed size a scene may have when it is unpacked, and what it may have in any case, bytes. Scenes pack to a fifth or, with a thousand marks that are alike,
 * to a forty-fifth; what packs to a thousandth was made to fill the memory of whoever opens it.
 */
const MOST_RATIO = 150;
const ALWAYS_UNPACKED = 2 * 1024 * 1024;

const mostUnpacked = (packed: Uint8Array): number =>
  Math.min(MOST_TEXT, Math.max(ALWAYS_UNPACKED, packed.length * MOST_RATIO));

/** A scene with the pixels of its art alone: those of what is only drawn over are large, and never sent. */
export function withoutTracing(scene: Scene): Scene {
  const used = new Set(usedAssets(scene.art));
  const assets = Object.fromEntries(Object.entries(scene.assets).filter(([name]) => used.has(name)));
  return { ...scene, tracing: [], assets };
}

/** A scene for a file of text that carries it: what `carriedScene` finds. Letters, digits and + / = alone. */
export const carried = (scene: Scene): string => `${CARRIED}${base64.encode(deflated(scene))}`;

/** A scene for the end of an address: letters, digits, - and _ alone. */
export const linked = (scene: Scene): string => base64urlnopad.encode(deflated(scene));

/** A scene so uniform that nobody would believe it when it is packed stays unpacked. */
function deflated(scene: Scene): Uint8Array {
  const text = strToU8(writeScene(withoutTracing(scene)));
  const packed = deflateSync(text, { level: 9 });
  return text.length > mostUnpacked(packed) ? deflateSync(text, { level: 0 }) : packed;
}

/** Whether a file of text carries a scene. */
export const carriesScene = (text: string): boolean => text.includes(CARRIED);

/** The scene that a file of text carries; undefined where it carries none. */
export function carriedScene(text: string): SceneReading | undefined {
  const at = text.lastIndexOf(CARRIED);
  if (at < 0) return undefined;
  const begins = at + CARRIED.length;
  const packed = /^[A-Za-z0-9+/=]*/.exec(text.slice(begins))?.[0] ?? '';
  return unpacked(() => base64.decode(packed));
}

/** The scene of a file: a scene file, or what a sent file carries. */
export function sceneIn(text: string): SceneReading {
  const own = readScene(text);
  return own.ok ? own : (carriedScene(text) ?? own);
}

/** The scene at the end of an address, as `linked` wrote it. */
export const linkedScene = (text: string): SceneReading => unpacked(() => base64urlnopad.decode(text));

const refuse = (message: string): SceneReading => ({ ok: false, problems: [{ path: '', message }] });

function unpacked(bytesOf: () => Uint8Array): SceneReading {
  let text: string | undefined;
  try {
    text = inflated(bytesOf());
  } catch {
    return refuse('the scene in it is damaged: it may have been cut short on its way');
  }
  return text === undefined ? refuse('the scene in it unpacks to far more than a scene has') : readScene(text);
}

/** Small steps, so that what unpacks to far more than it should is given up early. */
const STEP = 4096;

/** Undefined where it is more than a scene of its packed size can be. */
function inflated(bytes: Uint8Array): string | undefined {
  const most = mostUnpacked(bytes);
  const parts: Uint8Array[] = [];
  let size = 0;
  let ended = false;
  const inflate = new Inflate((part, isLast) => {
    parts.push(part);
    size += part.length;
    ended = isLast;
  });
  for (let at = 0; at < bytes.length; at += STEP) {
    inflate.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
    if (size > most) return undefined;
  }
  if (!ended) throw new Error('it ends too early');
  const all = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return strFromU8(all);
}
