import { ColorInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { ChoiceField, NumberField, PX } from '../../fields/index.ts';
import { ask } from '../../look/ask.tsx';
import { warn } from '../../look/notices.tsx';
import { importArtText } from './art.ts';
import type { Desk } from '../desk.ts';
import { fontFile, SHIPPED_FONTS, type ShippedFont } from './shipped-fonts.ts';

interface Wish {
  text: string;
  font: ShippedFont;
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
    no: 'Cancel',
  });
  if (!isWanted || wish.text.trim() === '') return undefined;
  const drawn = await outlined(wish).catch(() => undefined);
  if (!drawn) {
    warn('The text was not imported', 'The font has not all of its letters. Nothing was changed.');
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
            data={Object.entries(SHIPPED_FONTS).map(([value, { name }]) => ({ value, label: name }))}
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

/** The text's outlines as a drawing; undefined where the font draws nothing of it. */
async function outlined({ text, font: id, size, color }: Wish): Promise<string | undefined> {
  const { readFont, textDrawing } = await import('@pace-line/core/lettering');
  const font = readFont(await fontFile(SHIPPED_FONTS[id].url));
  return textDrawing(font, text.trim(), { size, color: /^#[0-9a-f]{3,8}$/i.test(color) ? color : '#1F2933' });
}
