import bold from '@fontsource/figtree/files/figtree-latin-700-normal.woff?url';
import plain from '@fontsource/figtree/files/figtree-latin-400-normal.woff?url';
import mono from '@fontsource/commit-mono/files/commit-mono-latin-400-normal.woff?url';
import { ColorInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { ChoiceField, NumberField, PX } from '../fields/index.ts';
import { ask } from '../look/ask.tsx';
import { warn } from '../look/notices.tsx';
import { importArtText } from './import-art.ts';
import type { Desk } from './desk.ts';

/** The fonts that ship with the application. */
const FONTS = {
  plain: { name: 'Figtree', url: plain },
  bold: { name: 'Figtree, bold', url: bold },
  mono: { name: 'Commit Mono', url: mono },
} as const;
type FontId = keyof typeof FONTS;

interface Wish {
  text: string;
  font: FontId;
  size: number;
  color: string;
}

/** Letters of one piece of text at most. */
const MOST_LETTERS = 500;

/** Asks for a text, and takes it into the scene's art as outlines: it needs no font wherever it is shown. Gives the art's id. */
export async function bringInText(desk: Desk): Promise<string | undefined> {
  const wish: Wish = { text: '', font: 'bold', size: 48, color: '#1F2933' };
  const isWanted = await ask({
    title: 'Text as art',
    body: <Wishes wish={wish} />,
    yes: 'Take it in',
    no: 'Leave it',
  });
  if (!isWanted || wish.text.trim() === '') return undefined;
  const drawn = await outlined(wish).catch(() => undefined);
  if (!drawn) {
    warn('The text was not taken in', 'It has no letter that the font can draw. Nothing was changed.');
    return undefined;
  }
  return importArtText(wish.text.trim().slice(0, 40), drawn, desk);
}

/** What is asked; `wish` is kept up to date, as the question goes away with its answer. */
function Wishes({ wish }: { wish: Wish }) {
  const [now, setNow] = useState({ ...wish });
  const set = (change: Partial<Wish>): void => {
    Object.assign(wish, change);
    setNow({ ...wish });
  };
  return (
    <div className="text-wishes">
      <TextInput
        label="Text"
        value={now.text}
        maxLength={MOST_LETTERS}
        data-autofocus
        onChange={(event) => set({ text: event.currentTarget.value })}
      />
      <div className="row">
        <span className="row-label">Font, size</span>
        <div className="row-value">
          <ChoiceField
            label="Font"
            value={now.font}
            data={Object.entries(FONTS).map(([value, { name }]) => ({ value, label: name }))}
            onChange={(font) => set({ font })}
          />
          <NumberField
            label="Size of the text"
            value={now.size}
            unit="px"
            units={PX}
            min={4}
            max={2000}
            onCommit={(size) => set({ size })}
          />
        </div>
      </div>
      <ColorInput label="Colour" format="hex" value={now.color} onChange={(color) => set({ color })} />
    </div>
  );
}

/** The text's outlines as a drawing as wide as its letters, from the top of the tallest to the foot of the lowest. */
async function outlined({ text, font: id, size, color }: Wish): Promise<string> {
  const [{ parse }, file] = await Promise.all([import('opentype.js'), fetch(FONTS[id].url)]);
  const font = parse(await file.arrayBuffer());
  const path = font.getPath(text.trim(), 0, 0, size);
  const { x1, y1, x2, y2 } = path.getBoundingBox();
  const [width, height] = [Math.ceil((x2 - x1) * 100) / 100, Math.ceil((y2 - y1) * 100) / 100];
  if (!(width > 0 && height > 0)) throw new Error('nothing is drawn');
  const moved = font.getPath(text.trim(), -x1, -y1, size);
  const fill = /^#[0-9a-f]{3,8}$/i.test(color) ? color : '#1F2933';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><path d="${moved.toPathData(2)}" fill="${fill}"/></svg>`;
}
